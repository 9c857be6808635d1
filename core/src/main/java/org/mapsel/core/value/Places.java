package org.mapsel.core.value;

import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.Step;

/**
 * Where in a value a path ends: a place is a path that says for each list on the way which item is
 * meant, as a {@link Step.PickByPlace}.
 */
public final class Places {

  private record Placed(FieldPath place, Value value) {}

  private Places() {}

  /**
   * The places of all that {@link Walker#all} finds, in the same order, as far as they are looked
   * at. What is cut out of a text has the place of the text.
   */
  public static Stream<FieldPath> of(Value from, FieldPath path) {
    Stream<Placed> here = Stream.of(new Placed(FieldPath.ROOT, from));
    for (Step step : path.steps()) {
      if (step instanceof Step.Cut) {
        break;
      }
      here = here.flatMap(placed -> next(placed, step));
    }
    return here.flatMap(Places::spread).map(Placed::place);
  }

  private static Stream<Placed> next(Placed placed, Step step) {
    return switch (step) {
      case Step.Name name ->
          spread(placed)
              .flatMap(
                  item ->
                      item.value() instanceof RecordValue record
                          ? Stream.of(new Placed(item.place().then(name), record.get(name.name())))
                              .filter(inside -> !inside.value().isAbsent())
                          : Stream.empty());
      case Step.PickByPlace pick ->
          placed.value() instanceof ListValue list
              ? items(
                  placed,
                  list,
                  pick.place() < 0 ? list.items().size() + pick.place() : pick.place())
              : Stream.of(placed);
      case Step.PickByKey pick ->
          placed.value() instanceof ListValue list
              ? spread(placed).filter(item -> has(item.value(), pick)).limit(1)
              : Stream.of(placed);
      case Step.Cut cut -> Stream.of(placed);
    };
  }

  private static boolean has(Value item, Step.PickByKey pick) {
    return item instanceof RecordValue record
        && ListValue.plain(record.get(pick.field())).equals(Optional.of(pick.value()));
  }

  private static Stream<Placed> items(Placed placed, ListValue list, int at) {
    return at >= 0 && at < list.items().size() ? Stream.of(item(placed, list, at)) : Stream.empty();
  }

  private static Placed item(Placed placed, ListValue list, int at) {
    return new Placed(placed.place().then(new Step.PickByPlace(at)), list.items().get(at));
  }

  /** The items of a list, and of lists in it; what is no list is its own only item. */
  private static Stream<Placed> spread(Placed placed) {
    return placed.value() instanceof ListValue list
        ? IntStream.range(0, list.items().size())
            .mapToObj(at -> item(placed, list, at))
            .flatMap(Places::spread)
        : Stream.of(placed);
  }

  /** Where a text stands, the first time; nothing if nowhere. */
  public static Optional<FieldPath> ofText(Value from, String text) {
    TextValue sought = new TextValue(text);
    return leaves(new Placed(FieldPath.ROOT, from))
        .filter(placed -> placed.value().equals(sought))
        .map(Placed::place)
        .findFirst();
  }

  /** The places of all simple values, in their order. */
  public static Stream<FieldPath> simple(Value from) {
    return leaves(new Placed(FieldPath.ROOT, from)).map(Placed::place);
  }

  private static Stream<Placed> leaves(Placed placed) {
    return switch (placed.value()) {
      case ListValue list ->
          IntStream.range(0, list.items().size())
              .boxed()
              .flatMap(at -> leaves(item(placed, list, at)));
      case RecordValue record ->
          record.toMap().entrySet().stream()
              .flatMap(
                  field ->
                      leaves(new Placed(placed.place().then(field.getKey()), field.getValue())));
      default -> Stream.of(placed);
    };
  }
}
