package org.mapsel.core.model;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;

/** Readable labels from wire names. */
public final class Labels {

  /** Between a small letter and a capital, an acronym and a word, a word and a long number. */
  private static final Pattern BORDERS =
      Pattern.compile("(?<=[\\p{Ll}\\d])(?=\\p{Lu})|(?<=\\p{Lu})(?=\\p{Lu}\\p{Ll})|[\\s_.\\-]+");

  /** What people write in capitals. */
  private static final Set<String> ACRONYMS =
      Set.of(
          "id", "eta", "etd", "ata", "atd", "utc", "gmt", "url", "uri", "vat", "iban", "bic", "loa",
          "gt", "dwt", "teu", "vhf", "sms", "pdf", "xml", "json", "csv", "ip", "gps", "isbn", "ean",
          "sku", "po", "hs", "un", "eu", "uk", "usa", "no2", "co2");

  /** What people write with a point behind it. */
  private static final Map<String, String> SHORT =
      Map.of("no", "no.", "nr", "no.", "num", "no.", "qty", "qty.", "amt", "amt.", "addr", "addr.");

  /** Units and zones at the end of a name, as people write them. */
  private static final Map<String, String> UNITS =
      Map.ofEntries(
          Map.entry("utc", "UTC"),
          Map.entry("m", "m"),
          Map.entry("mm", "mm"),
          Map.entry("cm", "cm"),
          Map.entry("km", "km"),
          Map.entry("kg", "kg"),
          Map.entry("t", "t"),
          Map.entry("kn", "kn"),
          Map.entry("kw", "kW"),
          Map.entry("mw", "MW"),
          Map.entry("kwh", "kWh"),
          Map.entry("pct", "%"),
          Map.entry("percent", "%"),
          Map.entry("eur", "EUR"),
          Map.entry("usd", "USD"),
          Map.entry("gbp", "GBP"),
          Map.entry("ms", "ms"),
          Map.entry("hpa", "hPa"),
          Map.entry("m3", "m³"),
          Map.entry("m2", "m²"));

  /** What names of numbers end with that count nothing. */
  private static final Set<String> TELLING = Set.of("id", "no.", "number", "code", "year");

  private Labels() {}

  /** Whether a label is that of a number which tells things apart and counts nothing. */
  static boolean tellsApart(String label) {
    return TELLING.contains(lower(label.substring(label.lastIndexOf(' ') + 1)));
  }

  /**
   * {@code hullNumber} becomes {@code Hull number}, {@code etaUtc} {@code ETA (UTC)}, {@code
   * length_m} {@code Length (m)} and {@code hull_no} {@code Hull no.}
   */
  public static String of(String wireName) {
    List<String> words = new ArrayList<>();
    for (String word : BORDERS.split(wireName)) {
      if (!word.isEmpty()) {
        words.add(word);
      }
    }
    if (words.isEmpty()) {
      return wireName;
    }
    String unit = words.size() > 1 ? UNITS.get(lower(words.getLast())) : null;
    if (unit != null) {
      words.removeLast();
    }
    StringBuilder label = new StringBuilder();
    for (String word : words) {
      String written = written(word);
      boolean first = label.isEmpty();
      label.append(first ? capital(written) : " " + written);
    }
    return unit == null ? label.toString() : label + " (" + unit + ")";
  }

  /** {@code Cranes} becomes {@code Crane}: one of the things that a list is called by. */
  public static String singular(String label) {
    if (label.endsWith("ies") && label.length() > 4) {
      return label.substring(0, label.length() - 3) + "y";
    }
    boolean plural = label.length() > 2 && label.endsWith("s") && !label.endsWith("ss");
    return plural ? label.substring(0, label.length() - 1) : label;
  }

  /** {@code Crane job} becomes {@code craneJob}, which formulas can name. */
  public static String variable(String label) {
    StringBuilder name = new StringBuilder();
    for (String word : label.split("[^A-Za-z0-9]+")) {
      name.append(name.isEmpty() ? lower(word) : word.isEmpty() ? "" : capital(word));
    }
    return name.isEmpty() || Character.isDigit(name.charAt(0)) ? "thing" + name : name.toString();
  }

  /** The label as it is written within a sentence: acronyms stay as they are. */
  public static String inSentence(String label) {
    boolean acronym = label.length() > 1 && Character.isUpperCase(label.charAt(1));
    return acronym || label.isEmpty() ? label : lower(label.substring(0, 1)) + label.substring(1);
  }

  private static String written(String word) {
    String lower = lower(word);
    boolean acronym =
        ACRONYMS.contains(lower) || word.length() > 1 && word.equals(word.toUpperCase(Locale.ROOT));
    return acronym ? word.toUpperCase(Locale.ROOT) : SHORT.getOrDefault(lower, lower);
  }

  private static String lower(String word) {
    return word.toLowerCase(Locale.ROOT);
  }

  private static String capital(String word) {
    return word.substring(0, 1).toUpperCase(Locale.ROOT) + word.substring(1);
  }
}
