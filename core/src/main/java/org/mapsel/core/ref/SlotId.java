package org.mapsel.core.ref;

/** Points at a place of a page that takes a value. Edits, findings and the trace point with it. */
public sealed interface SlotId {

  PageId page();

  /**
   * A slot of a part, of an input, column or field in it, of a reaction or of one of its steps.
   *
   * @param owner the part, the thing in it, the reaction or the step
   * @param name for instance {@code heading}, {@code rows}, {@code value}, {@code start}
   */
  record OfPart(PageId page, PartId owner, String name) implements SlotId {}

  /** A parameter of a call. */
  record OfParameter(PageId page, CallId call, FieldPath parameter) implements SlotId {}
}
