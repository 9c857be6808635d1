package org.mapsel.core.page.offer;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.mapping.MappingPlanner;
import org.mapsel.core.mapping.Reach;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Argument;
import org.mapsel.core.page.Call;
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
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.SlotId;
import org.mapsel.core.shape.ValueType;

/** Finds what on a page belongs to the parameters of a call. */
public final class PairSuggestions {

  /** More fields than these of one record nobody fills parameters from. */
  private static final int MOST_EACH = 2_000;

  private final App app;
  private final Page page;
  private final PageReach reach;
  private final MappingPlanner planner;
  private final Map<FieldPath, Source> sources = new HashMap<>();
  private final List<PairingField> given = new ArrayList<>();

  public PairSuggestions(App app, Page page, PageReach reach) {
    this.app = app;
    this.page = page;
    this.reach = reach;
    this.planner = new MappingPlanner(app.model());
  }

  /** In the order of the parameters: those that nothing fills yet, or only an input. */
  public List<PairSuggestion> of(Call call) {
    Reach outside = reach.outside();
    for (Argument argument : page.arguments()) {
      outside
          .argument(argument.name())
          .ifPresent(
              typed ->
                  add(argument.name(), typed, path -> new Source.Argument(argument.name(), path)));
    }
    for (Part part : page.parts()) {
      if (part instanceof Part.OverRows) {
        outside
            .chosen(part.id())
            .ifPresent(
                typed -> add(part.id().text(), typed, path -> new Source.Chosen(part.id(), path)));
      }
    }
    for (Call other : page.calls()) {
      if (!other.id().equals(call.id())) {
        outside
            .returned(other.id())
            .ifPresent(
                typed ->
                    add(other.id().text(), typed, path -> new Source.Returned(other.id(), path)));
      }
    }
    Pairing pairing = new Pairer(Lexicon.shipped(), refused(call)).pair(parameters(call), given);
    return pairing.pairs().stream().flatMap(pair -> fitting(call, pair).stream()).toList();
  }

  private Set<Map.Entry<FieldPath, FieldPath>> refused(Call call) {
    return app.refused().stream()
        .filter(pair -> pair.service().equals(call.service()))
        .filter(pair -> pair.operation().equals(call.operation()))
        .map(pair -> Map.entry(pair.parameter(), pair.given()))
        .collect(Collectors.toSet());
  }

  private List<PairingField> parameters(Call call) {
    Optional<Pinned> pinned = reach.pinned(call.id());
    return pinned
        .map(
            there ->
                PairingFields.of(
                        there.service().shapes(),
                        there.operation().input(),
                        FieldPath.ROOT,
                        List.of())
                    .stream()
                    .filter(field -> !isFilled(call, field.path()))
                    .toList())
        .orElse(List.of());
  }

  private static boolean isFilled(Call call, FieldPath path) {
    return call.mapping(path)
        .filter(mapping -> !(mapping.source() instanceof Source.Entered))
        .isPresent();
  }

  /** The fields of a record that stand once in it. */
  private void add(String name, Reach.Typed root, Function<FieldPath, Source> source) {
    if (!(root.type() instanceof ValueType.Shaped shaped)) {
      return;
    }
    PairingFields.of(shaped.shapes(), shaped.shape(), FieldPath.ROOT, List.of()).stream()
        .filter(field -> !field.repeated())
        .limit(MOST_EACH)
        .forEach(
            field -> {
              FieldPath path = FieldPath.of(name).then(field.path());
              sources.put(path, source.apply(field.path()));
              given.add(field.at(path));
            });
  }

  /** Only what can be converted is of use. */
  private Optional<PairSuggestion> fitting(Call call, Pairing.Pair pair) {
    Source source = sources.get(pair.right().path());
    SlotId slot = new SlotId.OfParameter(page.id(), call.id(), pair.left().path());
    boolean fits =
        planner
            .plan(new Mapping(source), SlotTypes.expected(page, reach, slot), reach.of(slot))
            .value()
            .isPresent();
    return fits
        ? Optional.of(
            new PairSuggestion(
                pair.left().path(),
                pair.right().path(),
                source,
                pair.score(),
                pair.grade(),
                pair.reasons()))
        : Optional.empty();
  }
}
