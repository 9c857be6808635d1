package org.mapsel.core.serve;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.value.RecordValue;

/**
 * Which rows of a list are wanted, in which order.
 *
 * @param order by these, the first counting most; empty for the order they are kept in
 * @param top how many at most
 * @param count whether all are to be counted
 * @param select the fields that are wanted of each; empty for all
 */
public record RowQuery(
    RowCondition filter, List<Order> order, int skip, int top, boolean count, Set<String> select) {

  /** Rows are ordered by a field of theirs. */
  public record Order(FieldPath path, boolean descending) {}

  private static final int LONGEST_ORDER = 2_000;

  static final RowQuery ALL =
      new RowQuery(RowCondition.ALL, List.of(), 0, Integer.MAX_VALUE, false, Set.of());

  /** The same, of those rows only for which a condition holds as well. */
  RowQuery where(List<RowCondition> more) {
    List<RowCondition> every = new ArrayList<>(more);
    if (filter != RowCondition.ALL) {
      every.addFirst(filter);
    }
    return new RowQuery(new RowCondition.Every(every), order, skip, top, count, select);
  }

  /**
   * Orders rows as text says: names, each perhaps with {@code desc}, with commas between them.
   *
   * @throws Refusal if it is too long
   */
  static List<Order> order(String text) {
    if (text.length() > LONGEST_ORDER) {
      throw new Refusal(400, "The order is longer than " + LONGEST_ORDER + " characters.");
    }
    List<Order> order = new ArrayList<>();
    for (String key : text.split(",")) {
      String[] words = key.strip().split("\\s+");
      order.add(
          new Order(
              FieldPath.of(words[0].split("/")), words.length > 1 && words[1].equals("desc")));
    }
    return order;
  }

  /** The rows that are wanted, before they are cut to a page. */
  public List<RecordValue> matching(List<RecordValue> rows) {
    List<RecordValue> matching = new ArrayList<>(rows.stream().filter(filter::test).toList());
    order.stream()
        .map(RowQuery::comparator)
        .reduce(Comparator::thenComparing)
        .ifPresent(matching::sort);
    return matching;
  }

  private static Comparator<RecordValue> comparator(Order by) {
    Comparator<RecordValue> order =
        (one, other) -> RowCondition.order(one.at(by.path()), other.at(by.path()));
    return by.descending() ? order.reversed() : order;
  }

  /** Those of the matching rows that are on the page. */
  public List<RecordValue> page(List<RecordValue> matching) {
    int from = Math.min(skip, matching.size());
    return matching.subList(from, from + Math.min(top, matching.size() - from));
  }
}
