package org.mapsel.core.ref;

/** Points at a place of a page that takes a value. Edits, findings and the trace point with it. */
public sealed interface SlotId {

  PageId page();

  /**
   * A slot of a part, or of an input, column or field in it.
   *
   * @param owner the part, or the thing in it
   * @param name for instance {@code heading}, {@code rows}, {@code value}, {@code start}
   */
  record OfPart(PageId page, PartId owner, String name) implements SlotId {}

  /** A parameter of a call. */
  record OfParameter(PageId page, CallId call, FieldPath parameter) implements SlotId {}
}
