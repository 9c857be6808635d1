package org.mapsel.core.finding;

import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.ref.SlotId;
import org.mapsel.core.ref.TypeId;

/** What a finding is about, besides places in documents. */
public sealed interface Subject {

  /** A field of a message. */
  record AboutParameter(FieldPath path) implements Subject {}

  /** A place of a page that takes a value. */
  record AboutSlot(SlotId slot) implements Subject {}

  /** A part of a page, or a thing in one. */
  record AboutPart(PageId page, PartId part) implements Subject {}

  /** A call of a page. */
  record AboutCall(PageId page, CallId call) implements Subject {}

  /** A field of the model. */
  record AboutField(TypeId type, String field) implements Subject {}
}
