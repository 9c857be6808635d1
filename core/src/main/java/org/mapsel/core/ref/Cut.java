package org.mapsel.core.ref;

import java.util.Optional;

/**
 * A step of a path that cuts fields out of a text with an RE2 pattern, as in {@code value › /berth
 * (?P<berth>\d+)/ › berth}. The steps below it are the names of the pattern's groups.
 *
 * @param every whether each match counts, as a row of its own, and not only the first; written as a
 *     {@code g} behind the last slash
 */
public record Cut(String pattern, boolean every) {

  private static final char SLASH = '/';
  private static final String EVERY = "g";

  public static Optional<Cut> in(String step) {
    int end = step.lastIndexOf(SLASH);
    String flags = step.substring(end + 1);
    boolean cut = end > 1 && step.charAt(0) == SLASH && (flags.isEmpty() || flags.equals(EVERY));
    return cut
        ? Optional.of(new Cut(step.substring(1, end), flags.equals(EVERY)))
        : Optional.empty();
  }

  public String step() {
    return SLASH + pattern + SLASH + (every ? EVERY : "");
  }
}
