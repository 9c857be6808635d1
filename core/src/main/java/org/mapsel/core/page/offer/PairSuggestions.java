package org.mapsel.core.page.offer;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import org.mapsel.core.convert.Conversions;
import org.mapsel.core.mapping.Expected;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.mapping.MappingPlanner;
import org.mapsel.core.mapping.Reach;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Argument;
import org.mapsel.core.page.Call;
import org.mapsel.core.page.Input;
import org.mapsel.core.page.Item;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.ServiceLookup.Pinned;
import org.mapsel.core.page.kind.SlotTypes;
import org.mapsel.core.page.reach.PageReach;
import org.mapsel.core.pairing.Lexicon;
import org.mapsel.core.pairing.Pairer;
import org.mapsel.core.pairing.Pairing;
import org.mapsel.core.pairing.PairingField;
import org.mapsel.core.pairing.PairingFields;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.SlotId;
import org.mapsel.core.service.SeenSamples;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.Hints;
import org.mapsel.core.shape.ScalarType;
import org.mapsel.core.shape.ValueType;
import org.mapsel.core.value.Value;
import org.mapsel.core.value.Walker;

/** Finds what on a page belongs to the parameters of a call, or into the inputs of a form. */
public final class PairSuggestions {

  /** More fields than these of one record nobody fills parameters from. */
  private static final int MOST_EACH = 2_000;

  /** More rows than these tell no more of what stands in their fields. */
  private static final int MOST_ROWS = 200;

  private final App app;
  private final Page page;
  private final PageReach reach;
  private final Lexicon lexicon;
  private final SeenSamples seen;
  private final MappingPlanner planner;

  /**
   * What was found.
   *
   * @param pairs in the order of the slots
   * @param next what the slots that stay empty could take all the same, the best first
   */
  public record Found(List<PairSuggestion> pairs, List<PairSuggestion> next) {
    public Found {
      pairs = List.copyOf(pairs);
      next = List.copyOf(next);
    }
  }

  /** A slot, and the parameter that it is about. */
  private record Wanted(SlotId slot, SlotId.OfParameter parameter) {}

  /** What is compared on one side, each known by the name of its holder and the way in that. */
  private static final class Side<T> {
    private final Map<FieldPath, T> meant = new HashMap<>();
    private final List<PairingField> fields = new ArrayList<>();

    void add(FieldPath path, PairingField field, T what) {
      meant.put(path, what);
      fields.add(field.at(path));
    }
  }

  public PairSuggestions(App app, Page page, PageReach reach, Lexicon lexicon, SeenSamples seen) {
    this.seen = seen;
    this.app = app;
    this.page = page;
    this.reach = reach;
    this.lexicon = lexicon;
    this.planner = new MappingPlanner(app.model());
  }

  /** For the parameters of a call that nothing fills yet, or only an input. */
  public Found of(Call call) {
    Side<Wanted> wanted = new Side<>();
    parameters(call)
        .forEach(
            (path, field) -> {
              if (!isFilled(call, path)) {
                SlotId.OfParameter slot = new SlotId.OfParameter(page.id(), call.id(), path);
                wanted.add(named(call.id(), path), field, new Wanted(slot, slot));
              }
            });
    return found(wanted, given(Set.of(call.id())));
  }

  /**
   * For the inputs of a form that start empty. What comes of calls that the form itself fills is
   * not among it.
   */
  public Found of(Part.Form form) {
    Side<Wanted> wanted = new Side<>();
    Set<CallId> own = new HashSet<>();
    for (Item item : form.items()) {
      if (item instanceof Input input) {
        List<SlotId.OfParameter> filled = reach.filledBy(input.id());
        filled.forEach(slot -> own.add(slot.call()));
        if (!filled.isEmpty() && !input.slots().containsKey(Input.START)) {
          SlotId.OfParameter first = filled.getFirst();
          PairingField field =
              page.call(first.call()).map(this::parameters).orElse(Map.of()).get(first.parameter());
          if (field != null) {
            wanted.add(
                named(first.call(), first.parameter()),
                field,
                new Wanted(new SlotId.OfPart(page.id(), input.id(), Input.START), first));
          }
        }
      }
    }
    return found(wanted, given(own));
  }

  private Found found(Side<Wanted> wanted, Side<Source> given) {
    Pairing pairing = new Pairer(lexicon, refused(wanted, given)).pair(wanted.fields, given.fields);
    return new Found(
        pairing.pairs().stream().flatMap(pair -> fitting(wanted, given, pair).stream()).toList(),
        pairing.next().stream().flatMap(pair -> fitting(wanted, given, pair).stream()).toList());
  }

  private static FieldPath named(CallId call, FieldPath path) {
    return FieldPath.of(call.text()).then(path);
  }

  /** What the page holds, besides what some calls return. */
  private Side<Source> given(Set<CallId> but) {
    Side<Source> given = new Side<>();
    Reach outside = reach.outside();
    for (Argument argument : page.arguments()) {
      outside
          .argument(argument.name())
          .ifPresent(
              typed ->
                  add(
                      given,
                      argument.name(),
                      typed,
                      List.of(),
                      path -> new Source.Argument(argument.name(), path)));
    }
    for (Part part : page.parts()) {
      if (part instanceof Part.OverRows list) {
        outside
            .chosen(part.id())
            .ifPresent(
                typed ->
                    add(
                        given,
                        part.id().text(),
                        typed,
                        rows(list),
                        path -> new Source.Chosen(part.id(), path)));
      }
    }
    for (Call other : page.calls()) {
      if (!but.contains(other.id())) {
        outside
            .returned(other.id())
            .ifPresent(
                typed ->
                    add(
                        given,
                        other.id().text(),
                        typed,
                        seen.answered(other.service(), other.operation()),
                        path -> new Source.Returned(other.id(), path)));
      }
    }
    return given;
  }

  /** The rows that a table was seen with, as far as they come straight from a call. */
  private List<Value> rows(Part.OverRows list) {
    if (!(list.rows().map(Mapping::source).orElse(null) instanceof Source.Returned returned)) {
      return List.of();
    }
    Walker rows = Walker.of(returned.path());
    return page
        .call(returned.call())
        .map(call -> seen.answered(call.service(), call.operation()))
        .orElse(List.of())
        .stream()
        .flatMap(answer -> rows.all(answer).stream())
        .limit(MOST_ROWS)
        .toList();
  }

  /** The fields of a record that stand once in it. */
  private static void add(
      Side<Source> given,
      String name,
      Reach.Typed root,
      List<? extends Value> samples,
      Function<FieldPath, Source> source) {
    if (!(root.type() instanceof ValueType.Shaped shaped)) {
      return;
    }
    PairingFields.of(
            shaped.shapes(), shaped.shape(), FieldPath.ROOT, Hints.Direction.RETURNED_ONLY, samples)
        .stream()
        .filter(field -> isOnce(shaped, field.path()))
        .limit(MOST_EACH)
        .forEach(
            field ->
                given.add(
                    FieldPath.of(name).then(field.path()), field, source.apply(field.path())));
  }

  private static boolean isOnce(ValueType.Shaped record, FieldPath path) {
    return record.shapes().way(record.shape(), path).stream().noneMatch(Field::isRepeated);
  }

  private Map<FieldPath, PairingField> parameters(Call call) {
    Map<FieldPath, PairingField> fields = new LinkedHashMap<>();
    Optional<Pinned> pinned = reach.pinned(call.id());
    pinned.ifPresent(
        there ->
            PairingFields.of(
                    there.service().shapes(),
                    there.operation().input(),
                    FieldPath.ROOT,
                    Hints.Direction.SENT_ONLY,
                    seen.sent(call.service(), call.operation()))
                .forEach(field -> fields.put(field.path(), field)));
    return fields;
  }

  private static boolean isFilled(Call call, FieldPath path) {
    return call.mapping(path)
        .filter(mapping -> !(mapping.source() instanceof Source.Entered))
        .isPresent();
  }

  /** Pairs of this app's refused ones that could come up here. */
  private Set<Map.Entry<FieldPath, FieldPath>> refused(Side<Wanted> wanted, Side<Source> given) {
    Set<Map.Entry<FieldPath, FieldPath>> refused = new HashSet<>();
    Map<FieldPath, Set<FieldPath>> known = new HashMap<>();
    for (Call call : page.calls()) {
      for (App.RefusedPair pair : app.refused()) {
        if (pair.service().equals(call.service()) && pair.operation().equals(call.operation())) {
          known
              .computeIfAbsent(named(call.id(), pair.parameter()), none -> new HashSet<>())
              .add(pair.given());
        }
      }
    }
    known.forEach(
        (path, others) -> {
          if (wanted.meant.containsKey(path)) {
            others.stream()
                .filter(given.meant::containsKey)
                .forEach(other -> refused.add(Map.entry(path, other)));
          }
        });
    return refused;
  }

  /** Only what can be converted is of use. */
  private Optional<PairSuggestion> fitting(
      Side<Wanted> wanted, Side<Source> given, Pairing.Pair pair) {
    Wanted meant = wanted.meant.get(pair.left().path());
    Source source = given.meant.get(pair.right().path());
    Expected expected = SlotTypes.expected(page, reach, meant.slot());
    Reach around = reach.of(meant.slot());
    boolean fits = planner.plan(new Mapping(source), expected, around).value().isPresent();
    return fits
        ? Optional.of(
            new PairSuggestion(
                meant.slot(),
                meant.parameter(),
                pair.right().path(),
                source,
                converted(planner.typeOf(source, around), expected.type()),
                pair))
        : Optional.empty();
  }

  private static String converted(Optional<ValueType> from, Optional<ValueType> to) {
    Optional<ScalarType> have = from.flatMap(ValueType::scalar);
    Optional<ScalarType> want = to.flatMap(ValueType::scalar);
    return have.isPresent() && want.isPresent() && Conversions.isNeeded(have.get(), want.get())
        ? have.get().words() + " to " + want.get().words()
        : "";
  }
}
