package org.mapsel.core.document;

import java.util.ArrayList;
import java.util.List;

/**
 * Stands for every object and array inside a container until somebody asks for one of them; then
 * all are read.
 */
final class DeferredNodes {

  private final JsonNodes reader;
  private final int offset;
  private final int line;
  private final int column;
  private final List<DataNode.Mark> marks = new ArrayList<>(2);
  private int marked;

  /**
   * @param offset where the container starts, in bytes
   */
  DeferredNodes(JsonNodes reader, int offset, int line, int column) {
    this.reader = reader;
    this.offset = offset;
    this.line = line;
    this.column = column;
  }

  /** Takes a marked member at any depth, inside the child at a place. */
  void add(DataNode.Mark mark, int place) {
    marks.add(mark);
    marked |= DataNode.mark(place);
  }

  /** Which children hold something marked; see {@link DataNode#mark}. */
  int marked() {
    return marked;
  }

  List<DataNode.Mark> marks() {
    return marks;
  }

  /** The whole container. */
  DataNode read() {
    return reader.whole(offset, line, column);
  }
}
