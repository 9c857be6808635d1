package org.mapsel.core.shape;

/**
 * How often a field may stand: at least {@code min}, at most {@code max} times.
 *
 * @param isRepeated whether it is a list, which it may be even with one item at most
 * @param least how many items a list has that is there; one that need not be there may still have
 *     to have several (JSON Schema 2020-12 validation, section 6.4.2)
 * @param distinct whether no two items of a list are the same (section 6.4.3)
 */
public record Occurrence(int min, int max, boolean isRepeated, int least, boolean distinct) {

  public static final int UNBOUNDED = Integer.MAX_VALUE;
  public static final Occurrence ONE = new Occurrence(1, 1, false, 0, false);
  public static final Occurrence OPTIONAL = new Occurrence(0, 1, false, 0, false);
  public static final Occurrence ANY = new Occurrence(0, UNBOUNDED, true, 0, false);

  /** The same as the constructor, and one of those above if it is that. */
  public static Occurrence of(int min, int max) {
    if (max == 1 && min <= 1) {
      return min == 0 ? OPTIONAL : ONE;
    }
    return min == 0 && max == UNBOUNDED ? ANY : new Occurrence(min, max, max > 1, 0, false);
  }

  /** A list of so many items. */
  public static Occurrence ofList(int min, int max) {
    return max > 1 ? of(min, max) : new Occurrence(min, max, true, 0, false);
  }

  /** The same, with what holds of the items of a list that is there. */
  public Occurrence holding(int items, boolean different) {
    return new Occurrence(min, max, isRepeated, items, different);
  }

  public boolean isRequired() {
    return min > 0;
  }

  /** The same, but once at least. */
  public Occurrence atLeastOnce() {
    return min > 0 ? this : new Occurrence(1, max, isRepeated, least, distinct);
  }

  public Occurrence optional() {
    return min == 0 ? this : new Occurrence(0, max, isRepeated, least, distinct);
  }

  /** How often something stands that stands this often inside something that stands that often. */
  public Occurrence times(Occurrence outer) {
    long most = (long) max * outer.max;
    boolean unbounded = max == UNBOUNDED || outer.max == UNBOUNDED || most > UNBOUNDED;
    int fewest = (int) Math.min((long) min * outer.min, UNBOUNDED);
    int greatest = most == 0 ? 0 : unbounded ? UNBOUNDED : (int) most;
    return isRepeated || outer.isRepeated ? ofList(fewest, greatest) : of(fewest, greatest);
  }
}
