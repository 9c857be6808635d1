package org.mapsel.core.page.run;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;

/** Something that happens to an open page. */
public sealed interface PageEvent {

  /**
   * The page is opened.
   *
   * @param arguments what with
   * @param messages what is still to be said of the page that led here
   */
  record Opened(Map<String, Value> arguments, List<PageState.Message> messages)
      implements PageEvent {

    public static final Opened ALONE = new Opened(Map.of(), List.of());

    public Opened {
      arguments = Map.copyOf(arguments);
      messages = List.copyOf(messages);
    }
  }

  /** The visitor is back from a page that was opened from this one; what it said stays. */
  record CameBack() implements PageEvent {}

  /** Values were typed or chosen. */
  record Entered(Map<PartId, Value> inputs) implements PageEvent {
    public Entered {
      inputs = Map.copyOf(inputs);
    }
  }

  /**
   * A row is chosen; one that is chosen already is left, if nothing follows from choosing it.
   *
   * @param row its number in the answer, however the rows are ordered on the page
   */
  record RowChosen(PartId part, int row) implements PageEvent {}

  /** Rows are to be seen in another order, or only some of them. */
  record Arranged(PartId part, PageState.Arrangement arrangement) implements PageEvent {}

  /**
   * A button is pressed.
   *
   * @param row the number of the row that it stands in, as in {@link RowChosen}; that row is chosen
   */
  record Pressed(PartId button, Optional<Integer> row) implements PageEvent {
    public Pressed(PartId button) {
      this(button, Optional.empty());
    }
  }

  /** So many seconds have passed since this happened last. */
  record Passed(int seconds) implements PageEvent {}

  /** What was asked is answered. */
  record Replied(boolean yes) implements PageEvent {}

  /** A call that a step asked for came back. */
  record Answered(PageEffect.RunCall effect, RecordValue returned, String exchange)
      implements PageEvent {}

  /**
   * A call that a step asked for failed; the reason is fit for the visitor's eyes.
   *
   * @param conflict whether because what it changes is not any more what was read
   */
  record CallFailed(PageEffect.RunCall effect, String reason, boolean conflict)
      implements PageEvent {
    public CallFailed(PageEffect.RunCall effect, String reason) {
      this(effect, reason, false);
    }
  }
}
