package org.mapsel.core.page.run;

import java.util.Map;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;

/** Something that happens to an open page. */
public sealed interface PageEvent {

  /** The page is opened. */
  record Opened() implements PageEvent {}

  /** Values were typed or chosen. */
  record Entered(Map<PartId, Value> inputs) implements PageEvent {
    public Entered {
      inputs = Map.copyOf(inputs);
    }
  }

  /** A row is chosen; one that is chosen already is left. */
  record RowChosen(PartId part, int row) implements PageEvent {}

  /** A button is pressed. */
  record Pressed(PartId button) implements PageEvent {}

  /** A call that a step asked for came back. */
  record Answered(PageEffect.RunCall effect, RecordValue returned, String exchange)
      implements PageEvent {}

  /** A call that a step asked for failed; the reason is fit for the visitor's eyes. */
  record CallFailed(PageEffect.RunCall effect, String reason) implements PageEvent {}
}
