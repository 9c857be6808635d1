package org.mapsel.core.page.run;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.mapsel.core.page.Trigger;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.ref.ReactionId;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;

/** One thing that happens on a page after an event, for those who build it. */
public sealed interface Happening {

  /** A value was typed or chosen. */
  record Enters(PartId input, Value value) implements Happening {}

  /**
   * A row was chosen.
   *
   * @param row its number in the answer, from 0
   */
  record Chooses(PartId part, int row) implements Happening {}

  /** A reaction begins. */
  record Begins(ReactionId reaction, Trigger when) implements Happening {}

  /**
   * A condition does not hold.
   *
   * @param step the step that is passed over; nothing if the whole reaction does not begin
   */
  record HoldsNot(ReactionId reaction, Trigger when, Optional<PartId> step) implements Happening {}

  /** A reaction does not begin, because its calls need what is not filled yet, by these names. */
  record Lacks(ReactionId reaction, Trigger when, List<String> names) implements Happening {
    public Lacks {
      names = List.copyOf(names);
    }
  }

  /** A call is made with these parameters. */
  record Calls(CallId call, RecordValue parameters) implements Happening {}

  /** A call came back, and nobody waits for it any more: a newer one was made in its place. */
  record ComesLate(CallId call) implements Happening {}

  /** A call came back as a failure. */
  record Fails(CallId call, String reason) implements Happening {}

  /** An input is given a value. */
  record Sets(PartId input, Value value) implements Happening {}

  /** What was filled in is emptied. */
  record Clears(PartId form) implements Happening {}

  /** Something is said. */
  record Says(String words) implements Happening {}

  /** A question is asked; what follows is what a yes leads to. */
  record Asks(String words) implements Happening {}

  /** Another page is opened. */
  record Opens(PageId page, Map<String, Value> arguments) implements Happening {
    public Opens {
      arguments = Map.copyOf(arguments);
    }
  }

  /** The page that led here is gone back to. */
  record GoesBack() implements Happening {}

  /** An address outside is opened. */
  record OpensAddress(String address) implements Happening {}

  /** The steps that are left are not taken. */
  record Stops() implements Happening {}
}
