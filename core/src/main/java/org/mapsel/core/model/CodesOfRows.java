package org.mapsel.core.model;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.Value;
import org.mapsel.core.value.Walker;

/**
 * Codes and their words as the rows of an answer have them.
 *
 * @param items each code once, with the words of the first row that has some, in the order of rows
 * @param whole whether these are all
 */
public record CodesOfRows(List<Choice> items, boolean whole) {

  /** Longer lists are asked for, not copied. */
  public static final int MOST = 2_000;

  public CodesOfRows {
    items = List.copyOf(items);
  }

  /**
   * Reads them.
   *
   * @param rows the list in the answer
   * @param code the field with the code, in a row
   * @param words the field with the words, in a row; the code stands for itself where it has none
   */
  public static CodesOfRows of(Value answer, FieldPath rows, FieldPath code, FieldPath words) {
    Walker codes = Walker.of(code);
    Walker texts = Walker.of(words);
    Map<String, String> found = new LinkedHashMap<>();
    for (Value row : Walker.of(rows).all(answer)) {
      String one = ListValue.plain(codes.one(row)).orElse("").strip();
      String text = ListValue.plain(texts.one(row)).orElse("").strip();
      if (!one.isEmpty()) {
        found.merge(one, text, (known, more) -> known.isEmpty() ? more : known);
      }
    }
    return new CodesOfRows(
        found.entrySet().stream()
            .limit(MOST)
            .map(
                entry ->
                    new Choice(
                        entry.getKey(),
                        entry.getValue().isEmpty() ? entry.getKey() : entry.getValue()))
            .toList(),
        found.size() <= MOST);
  }
}
