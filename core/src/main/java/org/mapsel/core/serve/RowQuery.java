package org.mapsel.core.serve;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import org.mapsel.core.value.RecordValue;

/**
 * Which rows of a list are wanted, in which order.
 *
 * @param filter what a row must be like
 * @param order compares rows; nothing for the order they are kept in
 * @param top how many at most
 * @param count whether all are to be counted
 */
record RowQuery(
    Predicate<RecordValue> filter,
    Optional<Comparator<RecordValue>> order,
    int skip,
    int top,
    boolean count) {

  static final RowQuery ALL =
      new RowQuery(row -> true, Optional.empty(), 0, Integer.MAX_VALUE, false);

  /** The rows that are wanted, before they are cut to a page. */
  List<RecordValue> matching(List<RecordValue> rows) {
    List<RecordValue> matching = new ArrayList<>(rows.stream().filter(filter).toList());
    order.ifPresent(matching::sort);
    return matching;
  }

  List<RecordValue> page(List<RecordValue> matching) {
    int from = Math.min(skip, matching.size());
    return matching.subList(from, from + Math.min(top, matching.size() - from));
  }
}
