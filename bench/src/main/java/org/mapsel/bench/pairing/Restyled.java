package org.mapsel.bench.pairing;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.mapsel.core.pairing.PairingField;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.shape.ScalarType;

/**
 * The same fields as somebody else would have named and arranged them, with the right answer.
 *
 * @param truth for each field of the left side that has one, the path of the right one
 */
record Restyled(List<PairingField> right, Map<FieldPath, FieldPath> truth) {

  /** How somebody names things. */
  enum Style {
    SNAKE,
    SHORT,
    OTHER_WORDS,
    FLAT,
    CAPITALS,
    TURNED,
    EDITION
  }

  /** Words that this measurement alone knows; what is paired with must find them by itself. */
  private static final Map<String, String> OTHER =
      Map.ofEntries(
          Map.entry("begin", "start"),
          Map.entry("start", "begin"),
          Map.entry("end", "finish"),
          Map.entry("state", "status"),
          Map.entry("status", "state"),
          Map.entry("type", "kind"),
          Map.entry("kind", "category"),
          Map.entry("description", "remarks"),
          Map.entry("comment", "note"),
          Map.entry("amount", "sum"),
          Map.entry("price", "cost"),
          Map.entry("customer", "client"),
          Map.entry("order", "purchase"),
          Map.entry("created", "inserted"),
          Map.entry("updated", "modified"),
          Map.entry("modified", "changed"),
          Map.entry("phone", "telephone"),
          Map.entry("city", "town"),
          Map.entry("street", "road"),
          Map.entry("country", "nation"),
          Map.entry("user", "account"),
          Map.entry("message", "text"),
          Map.entry("id", "key"),
          Map.entry("identifier", "id"),
          Map.entry("title", "name"),
          Map.entry("count", "number"),
          Map.entry("quantity", "count"),
          Map.entry("picture", "image"),
          Map.entry("image", "photo"),
          Map.entry("file", "document"),
          Map.entry("enabled", "active"),
          Map.entry("active", "enabled"),
          Map.entry("group", "category"),
          Map.entry("owner", "holder"),
          Map.entry("location", "place"),
          Map.entry("language", "locale"),
          Map.entry("company", "organisation"),
          Map.entry("organization", "company"),
          Map.entry("email", "mail"),
          Map.entry("error", "fault"),
          Map.entry("result", "outcome"),
          Map.entry("response", "answer"),
          Map.entry("width", "breadth"),
          Map.entry("reference", "ref"),
          Map.entry("invoice", "bill"));

  private static final Map<String, String> SHORTENED =
      Map.ofEntries(
          Map.entry("number", "no"),
          Map.entry("quantity", "qty"),
          Map.entry("amount", "amt"),
          Map.entry("address", "addr"),
          Map.entry("description", "descr"),
          Map.entry("date", "dt"),
          Map.entry("code", "cd"),
          Map.entry("name", "nm"),
          Map.entry("country", "ctry"),
          Map.entry("status", "sts"),
          Map.entry("type", "typ"),
          Map.entry("message", "msg"),
          Map.entry("reference", "ref"),
          Map.entry("customer", "cust"),
          Map.entry("identifier", "id"),
          Map.entry("organization", "org"),
          Map.entry("maximum", "max"),
          Map.entry("minimum", "min"),
          Map.entry("category", "cat"),
          Map.entry("telephone", "tel"),
          Map.entry("value", "val"));

  static Restyled of(
      List<PairingField> left, List<PairingField> strange, Style style, Random random) {
    List<PairingField> right = new ArrayList<>();
    Map<FieldPath, FieldPath> truth = new LinkedHashMap<>();
    Set<FieldPath> taken = new HashSet<>();
    for (PairingField field : left) {
      boolean gone = random.nextInt(100) < 15;
      List<String> names = renamed(field.names(), style, random);
      FieldPath path = FieldPath.of(names.toArray(String[]::new));
      if (gone || !taken.add(path)) {
        continue;
      }
      truth.put(field.path(), path);
      right.add(
          new PairingField(
              path,
              names,
              "",
              style == Style.EDITION || random.nextInt(3) == 0 ? field.documentation() : "",
              type(field.type(), style, random),
              field.facets(),
              field.unit(),
              field.key() && style == Style.EDITION,
              field.required(),
              field.repeated(),
              List.of()));
    }
    for (PairingField field : strange) {
      List<String> names = renamed(field.names(), style, random);
      FieldPath path = FieldPath.of(names.toArray(String[]::new));
      if (random.nextInt(100) < 25 && taken.add(path)) {
        right.add(
            new PairingField(
                path,
                names,
                "",
                field.documentation(),
                field.type(),
                field.facets(),
                field.unit(),
                false,
                field.required(),
                field.repeated(),
                List.of()));
      }
    }
    if (style != Style.EDITION && random.nextBoolean()) {
      Collections.shuffle(right, random);
    }
    return new Restyled(right, truth);
  }

  private static ScalarType type(ScalarType type, Style style, Random random) {
    boolean loose = style == Style.CAPITALS || style == Style.SHORT;
    if (loose && random.nextInt(4) == 0) {
      return ScalarType.TEXT;
    }
    return type == ScalarType.INTEGER && random.nextInt(4) == 0 ? ScalarType.DECIMAL : type;
  }

  private static List<String> words(String name) {
    List<String> words = new ArrayList<>();
    for (String word :
        name.split("[^A-Za-z0-9]+|(?<=[a-z0-9])(?=[A-Z])|(?<=[A-Z])(?=[A-Z][a-z])")) {
      if (!word.isEmpty()) {
        words.add(word.toLowerCase(Locale.ROOT));
      }
    }
    return words.isEmpty() ? List.of(name) : words;
  }

  private static List<String> renamed(List<String> names, Style style, Random random) {
    return switch (style) {
      case EDITION ->
          random.nextInt(100) < 12
              ? replaced(names, camel(other(words(names.getLast()), random)))
              : names;
      case SNAKE -> names.stream().map(name -> String.join("_", words(name))).toList();
      case SHORT ->
          names.stream().map(name -> String.join("_", shortened(words(name), random))).toList();
      case OTHER_WORDS -> names.stream().map(name -> camel(other(words(name), random))).toList();
      case FLAT -> {
        List<String> all = new ArrayList<>();
        names
            .subList(Math.max(0, names.size() - 2), names.size())
            .forEach(name -> all.addAll(words(name)));
        yield List.of(String.join("_", all));
      }
      case CAPITALS ->
          List.of(
              String.join("", shortened(words(names.getLast()), random)).toUpperCase(Locale.ROOT));
      case TURNED -> {
        List<String> words = new ArrayList<>(words(names.getLast()));
        if (words.size() == 2) {
          Collections.reverse(words);
          words.add(1, "of");
        }
        yield replaced(names, camel(words));
      }
    };
  }

  private static List<String> replaced(List<String> names, String last) {
    List<String> changed = new ArrayList<>(names);
    changed.set(changed.size() - 1, last);
    return changed;
  }

  private static String camel(List<String> words) {
    StringBuilder name = new StringBuilder();
    for (String word : words) {
      name.append(
          name.isEmpty()
              ? word
              : word.substring(0, 1).toUpperCase(Locale.ROOT) + word.substring(1));
    }
    return name.toString();
  }

  private static List<String> other(List<String> words, Random random) {
    return words.stream()
        .map(word -> random.nextInt(10) < 8 ? OTHER.getOrDefault(word, word) : word)
        .toList();
  }

  private static List<String> shortened(List<String> words, Random random) {
    return words.stream()
        .map(
            word -> {
              if (SHORTENED.containsKey(word)) {
                return SHORTENED.get(word);
              }
              boolean vowels = word.length() > 5 && random.nextInt(3) == 0;
              return vowels
                  ? word.charAt(0) + word.substring(1).replaceAll("[aeiou]", "")
                  : word.length() > 7 && random.nextInt(3) == 0 ? word.substring(0, 4) : word;
            })
        .toList();
  }
}
