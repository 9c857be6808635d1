package org.mapsel.core.page.reach;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.page.Call;
import org.mapsel.core.page.Page;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.ref.SlotId;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.FieldTree;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;

/**
 * What a page knows of parameters that are one of several alternatives. Which one is sent can be
 * said by a value of its own: the name of the alternative, in the slot of the parameter itself.
 */
public final class Alternatives {

  /** That an alternative is the chosen one. */
  public record Chosen(SlotId.OfParameter choice, String alternative) {}

  private final Page page;
  private final PageReach reach;

  Alternatives(Page page, PageReach reach) {
    this.page = page;
    this.reach = reach;
  }

  /** Whether a parameter is one of several alternatives. */
  public static boolean isChoice(FieldTree.Row row) {
    return row.shape() instanceof Shape.OneOf;
  }

  /**
   * What was sent for a parameter, as whoever filled it gave it: where it is chosen, the name of
   * the alternative, and else the value itself.
   */
  public Value given(SlotId.OfParameter slot, Value value) {
    return isChosen(slot) && value instanceof RecordValue record && record.present() == 1
        ? Value.text(record.toMap().keySet().iterator().next())
        : value;
  }

  /**
   * Whether two things are never asked for together.
   *
   * @param conditional each of which has something asked for; what has none is always asked for
   */
  public static boolean exclude(
      Map<PartId, List<Set<Chosen>>> conditional, PartId first, PartId second) {
    List<Set<Chosen>> one = conditional.getOrDefault(first, List.of());
    List<Set<Chosen>> other = conditional.getOrDefault(second, List.of());
    return !one.isEmpty()
        && !other.isEmpty()
        && one.stream().allMatch(a -> other.stream().allMatch(b -> contradict(a, b)));
  }

  private static boolean contradict(Set<Chosen> one, Set<Chosen> other) {
    return one.stream()
        .anyMatch(
            a ->
                other.stream()
                    .anyMatch(
                        b ->
                            a.choice().equals(b.choice())
                                && !a.alternative().equals(b.alternative())));
  }

  /** Whether something on the page says which alternative of a parameter is sent. */
  public boolean isChosen(SlotId.OfParameter slot) {
    FieldTree.Row row = reach.parameters(slot.call()).get(slot.parameter());
    return row != null && isChoice(row) && page.mapping(slot).filter(page::isOneValue).isPresent();
  }

  /**
   * What must be chosen for a parameter to be sent, from the outside in. None for what no choice is
   * around of.
   */
  public Set<Chosen> around(SlotId.OfParameter slot) {
    Set<Chosen> all = new LinkedHashSet<>();
    FieldPath path = slot.parameter();
    for (int length = 1; length < path.length(); length++) {
      SlotId.OfParameter choice =
          new SlotId.OfParameter(slot.page(), slot.call(), path.first(length));
      if (isChosen(choice)) {
        all.add(new Chosen(choice, path.name(length)));
      }
    }
    return all;
  }

  /**
   * Of the alternatives of a parameter those that can be sent: something is filled in them, or they
   * are records that need nothing.
   */
  public Set<String> offered(SlotId.OfParameter slot) {
    Map<FieldPath, FieldTree.Row> rows = reach.parameters(slot.call());
    Set<String> offered = new LinkedHashSet<>();
    for (Field alternative : fields(slot)) {
      FieldPath path = slot.parameter().then(alternative.name());
      if (isFilled(slot.call(), path) || mayBeEmpty(rows.get(path))) {
        offered.add(alternative.name());
      }
    }
    return offered;
  }

  /** Of the alternatives of a parameter those that may be sent without anything in them. */
  public Set<String> empty(SlotId.OfParameter slot) {
    Map<FieldPath, FieldTree.Row> rows = reach.parameters(slot.call());
    Set<String> empty = new LinkedHashSet<>();
    for (Field alternative : fields(slot)) {
      if (mayBeEmpty(rows.get(slot.parameter().then(alternative.name())))) {
        empty.add(alternative.name());
      }
    }
    return empty;
  }

  private List<Field> fields(SlotId.OfParameter slot) {
    FieldTree.Row row = reach.parameters(slot.call()).get(slot.parameter());
    return row != null && row.shape() instanceof Shape.OneOf oneOf
        ? oneOf.alternatives()
        : List.of();
  }

  private boolean isFilled(CallId call, FieldPath path) {
    Optional<Call> known = page.call(call);
    return known.isPresent()
        && known.get().parameters().stream()
            .anyMatch(parameter -> parameter.path().startsWith(path));
  }

  /** Whether an alternative needs nothing in it. */
  public static boolean mayBeEmpty(FieldTree.@Nullable Row row) {
    return row != null
        && row.shape() instanceof Shape.Record record
        && record.fields().stream().noneMatch(Field::isRequired);
  }
}
