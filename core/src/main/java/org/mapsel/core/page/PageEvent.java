package org.mapsel.core.page;

import org.mapsel.core.ref.PartId;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;

/** Something that happens to an open page. */
public sealed interface PageEvent {

  /** The page is opened. */
  record Opened() implements PageEvent {}

  /** A value is typed or chosen. */
  record Entered(PartId input, Value value) implements PageEvent {}

  /** A button is pressed. */
  record Pressed(PartId button) implements PageEvent {}

  /** A call that a step asked for came back. */
  record Answered(PageEffect.RunCall effect, RecordValue returned) implements PageEvent {}

  /** A call that a step asked for failed; the reason is fit for the user's eyes. */
  record CallFailed(PageEffect.RunCall effect, String reason) implements PageEvent {}
}
