package org.mapsel.core.message;

import java.util.Optional;
import org.mapsel.core.value.RecordValue;

/** What a response says, once read. */
public sealed interface Answer {

  /** It worked; the value is of the operation's output shape. */
  record Returned(RecordValue value) implements Answer {}

  /**
   * The service says that it did not work.
   *
   * @param code who is to blame, in the words of the protocol, for instance {@code Client}
   * @param fault the name of an announced fault, and its detail as a record
   */
  record Failed(String code, String reason, Optional<String> fault, RecordValue detail)
      implements Answer {}
}
