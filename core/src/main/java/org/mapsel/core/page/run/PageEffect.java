package org.mapsel.core.page.run;

import java.util.List;
import java.util.Map;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.ReactionId;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;

/** Something a page wants done outside. */
public sealed interface PageEffect {

  /**
   * Make a call, after which an event is expected.
   *
   * @param reaction and {@code turn} say what it was made for
   */
  record RunCall(CallId call, RecordValue parameters, ReactionId reaction, long turn)
      implements PageEffect {}

  /** Open another page of the app. */
  record GoTo(PageId page, Map<String, Value> arguments, List<PageState.Message> messages)
      implements PageEffect {
    public GoTo {
      arguments = Map.copyOf(arguments);
      messages = List.copyOf(messages);
    }
  }

  /** Go back to the page that this one was opened from. */
  record GoBack(List<PageState.Message> messages) implements PageEffect {
    public GoBack {
      messages = List.copyOf(messages);
    }
  }

  /** Open an address outside, one that a browser may be sent to. */
  record OpenAddress(String address) implements PageEffect {}
}
