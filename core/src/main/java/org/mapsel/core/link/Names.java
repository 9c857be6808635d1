package org.mapsel.core.link;

import java.util.Collection;
import java.util.Comparator;
import java.util.Optional;
import org.mapsel.core.ref.Name;

/** Finds what somebody probably meant. */
final class Names {

  private static final int MAX_DISTANCE = 2;
  private static final int MAX_LOOKED_AT = 10_000;

  private Names() {}

  /** "Did you mean …?" for the nearest known name within two edits, or nothing. */
  static String near(Name wanted, Collection<Name> known) {
    Optional<Name> nearest =
        known.stream()
            .limit(MAX_LOOKED_AT)
            .filter(
                name ->
                    name.local().equals(wanted.local())
                        || distance(name.local(), wanted.local()) <= MAX_DISTANCE)
            .min(Comparator.comparingInt(name -> distance(name.local(), wanted.local())));
    return nearest.map(name -> "Did you mean " + name + "?").orElse("");
  }

  /** How many letters must be changed, at most one more than what counts as near. */
  private static int distance(String left, String right) {
    if (Math.abs(left.length() - right.length()) > MAX_DISTANCE) {
      return MAX_DISTANCE + 1;
    }
    int[] row = new int[right.length() + 1];
    for (int j = 0; j <= right.length(); j++) {
      row[j] = j;
    }
    for (int i = 1; i <= left.length(); i++) {
      int diagonal = row[0];
      row[0] = i;
      for (int j = 1; j <= right.length(); j++) {
        int replaced = diagonal + (left.charAt(i - 1) == right.charAt(j - 1) ? 0 : 1);
        diagonal = row[j];
        row[j] = Math.min(replaced, Math.min(row[j], row[j - 1]) + 1);
      }
    }
    return row[right.length()];
  }
}
