package org.mapsel.server.samples;

import java.util.Optional;

/**
 * Whose call it is.
 *
 * @param app the app that it was made for, and on which of its pages; nothing for tries and checks
 * @param visitor whether somebody used a finished page, who does not build
 */
public record Asker(Optional<String> app, Optional<String> page, boolean visitor) {

  /** Who builds, without any page. */
  public static final Asker BUILDER = new Asker(Optional.empty(), Optional.empty(), false);
}
