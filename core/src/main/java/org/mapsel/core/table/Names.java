package org.mapsel.core.table;

import java.text.Normalizer;
import java.util.HashSet;
import java.util.Locale;
import java.util.Set;

/** Names for messages, made of what people wrote; none is given twice. */
final class Names {

  private static final int LONGEST = 40;
  private final Set<String> taken = new HashSet<>();

  Names(Set<String> taken) {
    taken.forEach(name -> this.taken.add(name.toLowerCase(Locale.ROOT)));
  }

  /** A name, with a number behind it if it is taken. */
  String free(String wish) {
    String name = wish;
    for (int i = 2; !taken.add(name.toLowerCase(Locale.ROOT)); i++) {
      name = wish + i;
    }
    return name;
  }

  /** What was written, with single blanks for anything but letters and digits, as a title. */
  static String words(String text) {
    String words = text.replaceAll("[^\\p{L}\\p{N}]+", " ").strip();
    return words.isEmpty()
        ? "Tables"
        : words.substring(0, 1).toUpperCase(Locale.ROOT) + words.substring(1);
  }

  /** {@code BerthBook}; another name if there are no letters in it. */
  static String upper(String text, String otherwise) {
    String plain =
        Normalizer.normalize(text.replace("ß", "ss"), Normalizer.Form.NFD).replaceAll("\\p{M}", "");
    StringBuilder name = new StringBuilder();
    for (String word : plain.split("[^A-Za-z0-9]+")) {
      if (!word.isEmpty() && name.length() < LONGEST) {
        boolean shouted = word.length() > 3 && word.equals(word.toUpperCase(Locale.ROOT));
        name.append(word.substring(0, 1).toUpperCase(Locale.ROOT))
            .append(shouted ? word.substring(1).toLowerCase(Locale.ROOT) : word.substring(1));
      }
    }
    String whole = name.toString().replaceFirst("^[0-9]+", "");
    return whole.isEmpty() ? otherwise : whole;
  }

  /** {@code hullNumber}. */
  static String lower(String text, String otherwise) {
    String name = upper(text, otherwise);
    int capitals = 0;
    while (capitals < name.length() && Character.isUpperCase(name.charAt(capitals))) {
      capitals++;
    }
    int lowered = capitals == name.length() || capitals == 1 ? capitals : capitals - 1;
    return name.substring(0, lowered).toLowerCase(Locale.ROOT) + name.substring(lowered);
  }

  static String singular(String name) {
    return name.endsWith("ies") && name.length() > 4
        ? name.substring(0, name.length() - 3) + "y"
        : name.endsWith("s") && !name.endsWith("ss") && name.length() > 3
            ? name.substring(0, name.length() - 1)
            : name;
  }

  static String plural(String name) {
    return name.matches(".*[^aeiou]y")
        ? name.substring(0, name.length() - 1) + "ies"
        : name.endsWith("s") ? name + "es" : name + "s";
  }
}
