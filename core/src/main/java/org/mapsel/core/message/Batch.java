package org.mapsel.core.message;

import java.util.List;

/** How several requests to one service go in one message. Equal ones take the same requests. */
public interface Batch {

  /** Where the message goes. */
  String address();

  /**
   * The message.
   *
   * @param parts without what the access adds
   * @param access how the endpoint is reached
   */
  Request write(List<Request> parts, Access access);

  /**
   * What came back for each part.
   *
   * @param parts how many there were; fewer answers are none
   */
  Reply read(Response response, int parts);

  /**
   * What came back.
   *
   * @param answers for each part, in their order; none if the message was refused
   * @param refusal why, for a finding; empty if it was not
   */
  record Reply(List<Response> answers, String refusal) {

    public Reply {
      answers = List.copyOf(answers);
    }

    public static Reply refused(String reason) {
      return new Reply(List.of(), reason);
    }

    public boolean isRefused() {
      return answers.isEmpty();
    }
  }
}
