package org.mapsel.core.ref;

/** One step of a {@link FieldPath}. */
public sealed interface Step {

  /** Into a field by its name; through every item where the value around it is a list. */
  record Name(String name) implements Step {
    @Override
    public String toString() {
      return name;
    }
  }

  /** To one item of a list. */
  sealed interface Pick extends Step {}

  /** To the first item in which a field has a value, as it is written. */
  record PickByKey(String field, String value) implements Pick {
    @Override
    public String toString() {
      return field + " = " + value;
    }
  }

  /**
   * To the item at a place.
   *
   * @param place counted from 0; from the end if it is negative, where -1 is the last
   */
  record PickByPlace(int place) implements Pick {
    @Override
    public String toString() {
      return place < 0
          ? place == -1 ? "the last" : -place + " from the end"
          : "number " + (place + 1);
    }
  }

  /**
   * Out of a text, with an RE2 pattern. The names below it are those of the pattern's groups.
   *
   * @param every whether each match counts, as an item of its own, and not only the first
   */
  record Cut(String pattern, boolean every) implements Step {
    @Override
    public String toString() {
      return "/" + pattern + "/" + (every ? "g" : "");
    }
  }
}
