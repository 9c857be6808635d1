package org.mapsel.core.page.edit;

import java.util.ArrayList;
import java.util.List;

/** Moves things within lists. */
final class Order {

  private Order() {}

  /** Moving beyond either end stops there. */
  static <T> List<T> moved(List<? extends T> things, T thing, int by) {
    List<T> changed = new ArrayList<>(things);
    int index = changed.indexOf(thing);
    changed.remove(index);
    changed.add(Math.clamp((long) index + by, 0, changed.size()), thing);
    return changed;
  }
}
