package org.mapsel.core.document;

import java.util.Arrays;
import java.util.Set;

/**
 * What is read of the objects and arrays that are open, on one stack: whoever opens one remembers
 * how high it was, and makes a node of what lies above at the end.
 */
final class NodeStack {

  private static final int USUAL_DEPTH = 256;
  private static final int KINDS_BITS = 10;

  /** Brings all bits of a hash into the highest ones. */
  private static final int SPREAD = 0x9E3779B9;

  /**
   * The names of an object's members.
   *
   * @param marks which of them are to be marked, as {@link DataNode#mark} has it
   */
  private record Members(String[] names, int marks) {
    static final Members NONE = new Members(new String[0], 0);
  }

  private final Set<String> marks;
  private String[] names = new String[USUAL_DEPTH];

  /** Each a node, a string, a {@link DataNode.Simple} or {@link DeferredNodes}. */
  private Object[] values = new Object[USUAL_DEPTH];

  private int top;
  private Members last = Members.NONE;
  private final Members[] kinds = new Members[1 << KINDS_BITS];

  /**
   * @param marks the names of members that are to be marked
   */
  NodeStack(Set<String> marks) {
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
    int marked = marked(bottom);
    return DataNode.array(down(bottom), marked, line, column);
  }

  /** Takes down to a height what are the members of an object. */
  DataNode object(int bottom, int line, int column) {
    Members members = members(bottom);
    int marked = members.marks() | marked(bottom);
    return DataNode.object(members.names(), down(bottom), marked, line, column);
  }

  private Object[] down(int bottom) {
    Object[] inside = Arrays.copyOfRange(values, bottom, top);
    top = bottom;
    return inside;
  }

  private int marked(int bottom) {
    int marked = 0;
    for (int i = bottom; i < top; i++) {
      if (values[i] instanceof DataNode node && node.isMarked()) {
        marked |= DataNode.mark(i - bottom);
      } else if (values[i] instanceof DeferredNodes unread) {
        marked |= unread.marked();
      }
    }
    return marked;
  }

  /** Objects of one kind have the same members, whose names then are kept once. */
  private Members members(int bottom) {
    if (bottom == top) {
      return Members.NONE;
    }
    if (isLast(bottom)) {
      return last;
    }
    int hash = 31 * names[bottom].hashCode() + names[top - 1].hashCode() + top - bottom;
    int slot = hash * SPREAD >>> Integer.SIZE - KINDS_BITS;
    Members known = kinds[slot];
    if (known == null
        || !Arrays.equals(known.names(), 0, known.names().length, names, bottom, top)) {
      String[] own = Arrays.copyOfRange(names, bottom, top);
      known = new Members(own, marks(own));
      kinds[slot] = known;
    }
    last = known;
    return known;
  }

  /** Whether the names are the very same ones as those of the object before. */
  private boolean isLast(int bottom) {
    String[] before = last.names();
    if (before.length != top - bottom) {
      return false;
    }
    for (int i = 0; i < before.length; i++) {
      if (before[i] != names[bottom + i]) {
        return false;
      }
    }
    return true;
  }

  private int marks(String[] own) {
    int marked = 0;
    for (int i = 0; i < own.length; i++) {
      marked |= marks.contains(own[i]) ? DataNode.mark(i) : 0;
    }
    return marked;
  }
}
