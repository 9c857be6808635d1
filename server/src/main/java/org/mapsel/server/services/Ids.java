package org.mapsel.server.services;

import java.text.Normalizer;
import java.util.Locale;
import java.util.function.Predicate;

/** Ids that can be read in an address. */
public final class Ids {

  private static final int MAX_LENGTH = 40;

  private Ids() {}

  /** The name in small letters and dashes, with a number behind it where it is taken. */
  public static String of(String name, String otherwise, Predicate<String> taken) {
    String plain =
        Normalizer.normalize(name.replaceAll("([a-z\\d])([A-Z])", "$1-$2"), Normalizer.Form.NFD)
            .replaceAll("\\p{M}", "")
            .toLowerCase(Locale.ROOT)
            .replaceAll("[^a-z0-9]+", "-")
            .replaceAll("^-|-$", "");
    String base =
        plain.isEmpty() ? otherwise : plain.substring(0, Math.min(plain.length(), MAX_LENGTH));
    String id = base;
    for (int i = 2; taken.test(id); i++) {
      id = base + "-" + i;
    }
    return id;
  }
}
