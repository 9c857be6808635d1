package org.mapsel.core.document;

import java.util.Arrays;
import java.util.Collections;
import java.util.Set;

/**
 * What is read of the objects and arrays that are open, on one pile: whoever opens one remembers
 * how high it was, and makes a node of what lies above at the end.
 */
final class NodePile {

  private static final int USUAL_DEPTH = 256;
  private static final int KINDS_BITS = 10;

  /** Brings all bits of a hash into the highest ones. */
  private static final int SPREAD = 0x9E3779B9;

  /**
   * The names of an object's members.
   *
   * @param marked whether one of them is to be marked
   */
  private record Members(String[] names, boolean marked) {
    static final Members NONE = new Members(new String[0], false);
  }

  private final Set<String> marks;
  private String[] names = new String[USUAL_DEPTH];

  /** Each a node, a string or a {@link DataNode.Simple}. */
  private Object[] values = new Object[USUAL_DEPTH];

  private int top;
  private final Members[] kinds = new Members[1 << KINDS_BITS];

  /**
   * @param marks the names of members that are to be marked
   */
  NodePile(Set<String> marks) {
    this.marks = marks;
  }

  int height() {
    return top;
  }

  /** Puts a member on the pile; an item has no name. */
  void push(String name, Object value) {
    if (top == values.length) {
      values = Arrays.copyOf(values, 2 * top);
      names = Arrays.copyOf(names, 2 * top);
    }
    names[top] = name;
    values[top++] = value;
  }

  /** Takes down to a height what are the items of an array. */
  DataNode array(int bottom, int line, int column) {
    boolean marked = holdsMarked(bottom);
    Object[] items = Arrays.copyOfRange(values, bottom, top);
    top = bottom;
    return DataNode.array(items, marked, line, column);
  }

  /** Takes down to a height what are the members of an object. */
  DataNode object(int bottom, int line, int column) {
    Members members = members(bottom);
    boolean marked = members.marked() || holdsMarked(bottom);
    Object[] inside = Arrays.copyOfRange(values, bottom, top);
    top = bottom;
    return DataNode.object(members.names(), inside, marked, line, column);
  }

  private boolean holdsMarked(int bottom) {
    for (int i = bottom; i < top; i++) {
      if (values[i] instanceof DataNode node && node.isMarked()) {
        return true;
      }
    }
    return false;
  }

  /** Objects of one kind have the same members, whose names then are kept once. */
  private Members members(int bottom) {
    if (bottom == top) {
      return Members.NONE;
    }
    int hash = 31 * names[bottom].hashCode() + names[top - 1].hashCode() + top - bottom;
    int slot = hash * SPREAD >>> Integer.SIZE - KINDS_BITS;
    Members known = kinds[slot];
    if (known == null
        || !Arrays.equals(known.names(), 0, known.names().length, names, bottom, top)) {
      String[] own = Arrays.copyOfRange(names, bottom, top);
      known = new Members(own, !Collections.disjoint(marks, Arrays.asList(own)));
      kinds[slot] = known;
    }
    return known;
  }
}
