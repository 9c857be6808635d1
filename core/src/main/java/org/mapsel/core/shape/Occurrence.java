package org.mapsel.core.shape;

/**
 * How often a field may stand: at least {@code min}, at most {@code max} times.
 *
 * @param isRepeated whether it is a list, which it may be even with one item at most
 */
public record Occurrence(int min, int max, boolean isRepeated) {

  public static final int UNBOUNDED = Integer.MAX_VALUE;
  public static final Occurrence ONE = new Occurrence(1, 1, false);
  public static final Occurrence OPTIONAL = new Occurrence(0, 1, false);
  public static final Occurrence ANY = new Occurrence(0, UNBOUNDED, true);

  /** The same as the constructor, and one of those above if it is that. */
  public static Occurrence of(int min, int max) {
    if (max == 1 && min <= 1) {
      return min == 0 ? OPTIONAL : ONE;
    }
    return min == 0 && max == UNBOUNDED ? ANY : new Occurrence(min, max, max > 1);
  }

  /** A list of so many items. */
  public static Occurrence ofList(int min, int max) {
    return max > 1 ? of(min, max) : new Occurrence(min, max, true);
  }

  public boolean isRequired() {
    return min > 0;
  }

  /** The same, but once at least. */
  public Occurrence atLeastOnce() {
    return min > 0 ? this : isRepeated ? ofList(1, max) : of(1, max);
  }

  public Occurrence optional() {
    return min == 0 ? this : isRepeated ? ofList(0, max) : of(0, max);
  }

  /** How often something stands that stands this often inside something that stands that often. */
  public Occurrence times(Occurrence outer) {
    long most = (long) max * outer.max;
    boolean unbounded = max == UNBOUNDED || outer.max == UNBOUNDED || most > UNBOUNDED;
    int least = (int) Math.min((long) min * outer.min, UNBOUNDED);
    int greatest = most == 0 ? 0 : unbounded ? UNBOUNDED : (int) most;
    return isRepeated || outer.isRepeated ? ofList(least, greatest) : of(least, greatest);
  }
}
