package org.mapsel.core.mapping;

import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.PartId;

/** Where the value of a slot comes from. */
public sealed interface Source {

  /** Typed or chosen in an input; or all lines of a part in which lines are filled in. */
  record Entered(PartId input) implements Source {}

  /** Always this. */
  record Fixed(String text) implements Source {}

  /** What the page was opened with. */
  record Argument(String name, FieldPath path) implements Source {}

  /** The row that is chosen in a part. */
  record Chosen(PartId part, FieldPath path) implements Source {}

  /** The row that is looked at, of the rows around the slot. */
  record Row(FieldPath path) implements Source {}

  /** What a call answered. */
  record Returned(CallId call, FieldPath path) implements Source {}

  /**
   * A derived field of a record.
   *
   * @param record where the record comes from; itself no derived field
   * @param field the field's name in the type of the record
   */
  record Derived(Source record, String field) implements Source {}

  /** The result of a formula over all that is in reach. */
  record Formula(String text) implements Source {}

  /** Something that every page knows while it is used. */
  record Run(What what) implements Source {

    /** What it knows. */
    public enum What {
      NOW,
      TODAY,
      PAGE,
      /** What a service said when a call failed last. */
      FAILURE
    }
  }
}
