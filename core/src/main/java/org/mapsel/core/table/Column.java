package org.mapsel.core.table;

import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;

/**
 * A column of a table that is offered.
 *
 * @param name what it is called in messages: letters and digits
 * @param header what stands over it in the file
 * @param unit what its numbers count, or their currency; empty if that is not known
 * @param key whether it tells the rows from each other, alone or with other keys
 * @param required whether every row has a value in it
 * @param codes the texts that are let stand in it; empty for any
 * @param reference the column of another table whose values it holds
 */
public record Column(
    String name,
    String header,
    ColumnType type,
    String unit,
    boolean key,
    boolean required,
    List<String> codes,
    Optional<Reference> reference) {

  /** A column elsewhere, by its names. */
  public record Reference(String table, String column) {}

  /** The same column under other words in the file. */
  Column under(String other) {
    return new Column(name, other, type, unit, key, required, codes, reference);
  }

  /** What people call it: without the unit that stands behind it in the file. */
  public String label() {
    String words =
        unit.isEmpty()
            ? header
            : header.replaceFirst("\\s*[(\\[]" + Pattern.quote(unit) + "[)\\]]$", "");
    return words.isBlank() ? name : words;
  }
}
