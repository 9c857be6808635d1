package org.mapsel.core.page.run;

import org.mapsel.core.ref.CallId;
import org.mapsel.core.value.RecordValue;

/** Something a page wants done outside, after which it expects an event. */
public sealed interface PageEffect {

  /**
   * Make a call.
   *
   * @param reaction and {@code step} say where to go on when it is done
   */
  record RunCall(CallId call, RecordValue parameters, int reaction, int step)
      implements PageEffect {}
}
