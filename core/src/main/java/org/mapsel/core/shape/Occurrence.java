package org.mapsel.core.shape;

/** How often a field may stand: at least {@code min}, at most {@code max} times. */
public record Occurrence(int min, int max) {

  public static final int UNBOUNDED = Integer.MAX_VALUE;
  public static final Occurrence ONE = new Occurrence(1, 1);
  public static final Occurrence OPTIONAL = new Occurrence(0, 1);
  public static final Occurrence ANY = new Occurrence(0, UNBOUNDED);

  /** The same as the constructor, and one of those above if it is that. */
  public static Occurrence of(int min, int max) {
    if (max == 1 && min <= 1) {
      return min == 0 ? OPTIONAL : ONE;
    }
    return min == 0 && max == UNBOUNDED ? ANY : new Occurrence(min, max);
  }

  public boolean isRequired() {
    return min > 0;
  }

  public boolean isRepeated() {
    return max > 1;
  }

  public Occurrence optional() {
    return min == 0 ? this : of(0, max);
  }

  /** How often something stands that stands this often inside something that stands that often. */
  public Occurrence times(Occurrence outer) {
    long most = (long) max * outer.max;
    boolean unbounded = max == UNBOUNDED || outer.max == UNBOUNDED || most > UNBOUNDED;
    return of(
        (int) Math.min((long) min * outer.min, UNBOUNDED),
        most == 0 ? 0 : unbounded ? UNBOUNDED : (int) most);
  }
}
