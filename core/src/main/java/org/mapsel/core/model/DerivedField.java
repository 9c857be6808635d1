package org.mapsel.core.model;

import java.util.Optional;
import org.mapsel.core.ref.FieldPath;

/**
 * A field of a record type that is computed from returned ones.
 *
 * @param name unique among the fields of its type
 */
public record DerivedField(String name, Rule rule, Overrides set) {

  public DerivedField with(Rule other) {
    return new DerivedField(name, other, set);
  }

  public DerivedField with(Overrides other) {
    return new DerivedField(name, rule, other);
  }

  /** How it is computed. Paths start in the record. */
  public sealed interface Rule {

    /**
     * Looked up in a list of keys and values.
     *
     * @param list the list
     * @param key the field of its items that holds keys
     * @param wanted the key that is looked up
     * @param value the field of its items that holds values
     * @param otherwise the value where the key is missing
     */
    record LookedUp(
        FieldPath list, String key, String wanted, String value, Optional<String> otherwise)
        implements Rule {}

    /**
     * Cut out of a text.
     *
     * @param pattern an RE2 pattern
     * @param group the group of it that is the value
     */
    record CutOut(FieldPath text, String pattern, String group) implements Rule {}

    /**
     * What a text holds in coded form.
     *
     * @param inside the way to the value in what was decoded; the root for all of it
     */
    record Decoded(FieldPath text, Coding coding, FieldPath inside) implements Rule {}

    /**
     * One item of a list.
     *
     * @param place from 0, negative ones from the end
     * @param where a formula over the item; the place is counted among those for which it holds
     * @param inside the way to the value in the item; the root for all of it
     */
    record Picked(FieldPath list, int place, Optional<String> where, FieldPath inside)
        implements Rule {}

    /**
     * One value of many.
     *
     * @param values the way to all of them
     * @param separator what stands between them where they are joined
     */
    record Folded(FieldPath values, Fold fold, String separator) implements Rule {}

    /** The result of a formula over the record. */
    record Computed(String formula) implements Rule {}
  }

  /** How a text is coded. */
  public enum Coding {
    BASE64,
    HEX,
    JSON,
    XML,
    CSV
  }

  /** What is made of many values. */
  public enum Fold {
    COUNT,
    SUM,
    LEAST,
    MOST,
    MEAN,
    JOIN
  }
}
