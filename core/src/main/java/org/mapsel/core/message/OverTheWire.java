package org.mapsel.core.message;

import java.util.Optional;

/**
 * What a sample was read from: a request and its answer as they went over the wire, whole. In the
 * request secrets are hidden; in the answer those of the caller, where it repeats them.
 *
 * @param sent nothing where it is not known, for instance of an answer that was given alone
 * @param came nothing where nobody answered, or where the answer was changed since
 */
public record OverTheWire(Optional<Request> sent, Optional<Response> came) {

  /** Of what was made up or changed by hand. */
  public static final OverTheWire NOTHING = new OverTheWire(Optional.empty(), Optional.empty());

  /** Both of them. */
  public static OverTheWire of(Request sent, Response came) {
    return new OverTheWire(Optional.of(sent), Optional.of(came));
  }
}
