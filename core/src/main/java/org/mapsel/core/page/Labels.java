package org.mapsel.core.page;

import java.util.Locale;

/** Readable labels from wire names. */
public final class Labels {

  private Labels() {}

  /** {@code hullNumber} becomes {@code Hull number}, {@code ETA_utc} becomes {@code ETA utc}. */
  public static String of(String wireName) {
    String[] words =
        wireName
            .replaceAll("([\\p{Ll}\\d])(\\p{Lu})", "$1 $2")
            .replaceAll("(\\p{Lu}+)(\\p{Lu}\\p{Ll})", "$1 $2")
            .split("[ _.\\-]+");
    StringBuilder label = new StringBuilder();
    for (String word : words) {
      if (word.isEmpty()) {
        continue;
      }
      boolean abbreviation = word.length() > 1 && word.equals(word.toUpperCase(Locale.ROOT));
      String plain = abbreviation ? word : word.toLowerCase(Locale.ROOT);
      label.append(label.isEmpty() ? "" : " ").append(plain);
    }
    return label.isEmpty()
        ? wireName
        : label.substring(0, 1).toUpperCase(Locale.ROOT) + label.substring(1);
  }
}
