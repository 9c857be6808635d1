package org.mapsel.core.page.trace;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.mapping.Reach;
import org.mapsel.core.mapping.Scope;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.model.DerivedField;
import org.mapsel.core.page.Input;
import org.mapsel.core.page.Item;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.Shown;
import org.mapsel.core.page.plan.PagePlan;
import org.mapsel.core.page.reach.PageReach;
import org.mapsel.core.page.run.PageState;
import org.mapsel.core.page.run.StateScope;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.ref.SlotId;
import org.mapsel.core.ref.Step;
import org.mapsel.core.value.Places;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.TextValue;
import org.mapsel.core.value.Value;

/**
 * Follows what is seen on an open page back to where it came from, and the other way. For one
 * thread at a time.
 */
public final class Origins {

  /** Of a value that is a list so many items are followed. */
  private static final int MOST_PLACES = 20;

  /** Sources of sources are followed so far: an input that starts with itself has no beginning. */
  private static final int DEEPEST = 8;

  /** Formulas that name each other lead to more than anybody reads. */
  private static final int MOST_ORIGINS = 100;

  private static final Pattern NAME = Pattern.compile("[A-Za-z_][A-Za-z0-9_]*");

  /** One value of an answer. */
  private record At(CallId call, FieldPath place) {

    At below(FieldPath path) {
      return new At(call, place.then(path));
    }
  }

  private final Page page;
  private final PageReach reach;
  private final PageState state;
  private final Scope scope;

  /** How many more origins may be told of the value that is asked for. */
  private int left;

  /**
   * @param reach what the page can draw on
   * @param state the page as it is seen
   */
  public Origins(PagePlan plan, PageReach reach, PageState state, Instant now) {
    this.page = plan.page();
    this.reach = reach;
    this.state = state;
    this.scope = new StateScope(page, plan.plan(), state, now);
  }

  /**
   * Where a value on the page comes from; nothing if there is no such thing on it, or nothing fills
   * it.
   *
   * @param owner a column, a field, an input, or a part that shows one value
   * @param row the number of the row that is looked at, in the answer
   */
  public Optional<Origin> of(PartId owner, Optional<Integer> row) {
    left = MOST_ORIGINS;
    Optional<Page.Inside> inside = page.item(owner);
    if (inside.map(Page.Inside::item).orElse(null) instanceof Input) {
      return Optional.of(of(new Source.Entered(owner), Optional.empty(), reach.outside(), 0));
    }
    String slot = inside.isPresent() ? Shown.VALUE : Part.HEADING;
    SlotId.OfPart id = new SlotId.OfPart(page.id(), owner, slot);
    Optional<At> at =
        inside.flatMap(found -> row.flatMap(number -> row(found.part().id(), number)));
    return page.mapping(id).map(mapping -> of(mapping.source(), at, reach.of(id), 0));
  }

  private Origin of(Source source, Optional<At> row, Reach around, int depth) {
    List<At> found = places(source, row, around).limit(MOST_PLACES).toList();
    Optional<Origin.InAnswer> returned =
        found.stream()
            .findFirst()
            .map(
                first -> new Origin.InAnswer(first.call(), found.stream().map(At::place).toList()));
    return new Origin(
        source,
        source instanceof Source.Derived derived
            ? rule(derived, around).map(Origins::how).orElse("")
            : "",
        found.isEmpty() ? elsewhere(source) : value(found.getFirst()),
        returned,
        depth < DEEPEST ? from(source, row, around, depth + 1) : List.of());
  }

  private Value value(At at) {
    return state.returned(at.call()).at(at.place());
  }

  private Value elsewhere(Source source) {
    return switch (source) {
      case Source.Entered entered -> scope.entered(entered.input());
      case Source.Fixed fixed -> new TextValue(fixed.text());
      case Source.Argument argument -> scope.argument(argument.name()).at(argument.path());
      case Source.Run run -> scope.run(run.what());
      case Source.Chosen chosen -> scope.chosen(chosen.part()).at(chosen.path());
      default -> Value.ABSENT;
    };
  }

  private List<Origin> from(Source source, Optional<At> row, Reach around, int depth) {
    return switch (source) {
      case Source.Derived derived ->
          rule(derived, around).flatMap(Origins::read).isPresent()
              ? List.of()
              : fields(derived, row, around).stream()
                  .takeWhile(one -> left-- > 0)
                  .map(one -> of(one, row, around, depth))
                  .toList();
      case Source.Formula formula ->
          named(formula, around)
              .takeWhile(one -> left-- > 0)
              .map(one -> of(one, row, around, depth))
              .toList();
      case Source.Entered entered ->
          state.inputs().containsKey(entered.input())
              ? List.of()
              : start(entered.input())
                  .map(one -> of(one, Optional.empty(), reach.outside(), depth))
                  .stream()
                  .toList();
      default -> List.of();
    };
  }

  /** The fields of its record that a derived field names; the record if it names none. */
  private List<Source> fields(Source.Derived derived, Optional<At> row, Reach around) {
    Set<String> names =
        rule(derived, around).map(Origins::how).map(Origins::names).orElse(Set.of());
    List<Source> fields =
        places(derived.record(), row, around)
            .limit(1)
            .map(this::value)
            .flatMap(
                value ->
                    value instanceof RecordValue record ? record.names().stream() : Stream.empty())
            .filter(names::contains)
            .map(name -> below(derived.record(), name))
            .toList();
    return fields.isEmpty() ? List.of(derived.record()) : fields;
  }

  private static Source below(Source source, String field) {
    return switch (source) {
      case Source.Returned returned ->
          new Source.Returned(returned.call(), returned.path().then(field));
      case Source.Row inRow -> new Source.Row(inRow.path().then(field));
      case Source.Chosen chosen -> new Source.Chosen(chosen.part(), chosen.path().then(field));
      default -> source;
    };
  }

  private Optional<Source> start(PartId input) {
    return page.mapping(new SlotId.OfPart(page.id(), input, Input.START)).map(Mapping::source);
  }

  /** What a formula names. */
  private static Stream<Source> named(Source.Formula formula, Reach around) {
    Set<String> names = names(formula.text());
    return around.variables().entrySet().stream()
        .filter(variable -> names.contains(variable.getKey()))
        .map(variable -> variable.getValue());
  }

  private static Set<String> names(String formula) {
    Set<String> names = new HashSet<>();
    Matcher name = NAME.matcher(formula);
    while (name.find()) {
      names.add(name.group());
    }
    return names;
  }

  /** Where in answers a source finds its values, or what it makes them of, in their order. */
  private Stream<At> places(Source source, Optional<At> row, Reach around) {
    return switch (source) {
      case Source.Returned returned ->
          Places.of(state.returned(returned.call()), returned.path())
              .map(place -> new At(returned.call(), place));
      case Source.Row inRow -> row.stream().flatMap(at -> below(at, inRow.path()));
      case Source.Chosen chosen ->
          Optional.ofNullable(state.chosen().get(chosen.part()))
              .flatMap(number -> row(chosen.part(), number))
              .stream()
              .flatMap(at -> below(at, chosen.path()));
      case Source.Derived derived ->
          rule(derived, around)
              .flatMap(Origins::read)
              .map(
                  path ->
                      places(derived.record(), row, around).flatMap(record -> below(record, path)))
              .orElseGet(Stream::empty);
      default -> Stream.empty();
    };
  }

  private Optional<DerivedField.Rule> rule(Source.Derived derived, Reach around) {
    return reach
        .recordType(derived.record(), around)
        .flatMap(type -> type.derived(derived.field()))
        .map(DerivedField::rule);
  }

  /** How a rule makes its value, where that takes a formula, a pattern or a key. */
  private static String how(DerivedField.Rule rule) {
    return switch (rule) {
      case DerivedField.Rule.LookedUp lookup -> lookup.key() + " = " + lookup.wanted();
      case DerivedField.Rule.CutOut cut -> "/" + cut.pattern() + "/";
      case DerivedField.Rule.Decoded decoded -> "";
      case DerivedField.Rule.Folded folded -> "";
      case DerivedField.Rule.Picked picked -> picked.where().orElse("");
      case DerivedField.Rule.Computed computed -> computed.formula();
    };
  }

  /** The way in the record to what a rule reads; nothing if it may read anything in it. */
  private static Optional<FieldPath> read(DerivedField.Rule rule) {
    return switch (rule) {
      case DerivedField.Rule.LookedUp lookup ->
          Optional.of(
              lookup
                  .list()
                  .then(new Step.PickByKey(lookup.key(), lookup.wanted()))
                  .then(lookup.value()));
      case DerivedField.Rule.CutOut cut -> Optional.of(cut.text());
      case DerivedField.Rule.Decoded decoded -> Optional.of(decoded.text());
      case DerivedField.Rule.Folded folded -> Optional.of(folded.values());
      case DerivedField.Rule.Picked picked ->
          picked.where().isPresent()
              ? Optional.empty()
              : Optional.of(
                  picked.list().then(new Step.PickByPlace(picked.place())).then(picked.inside()));
      case DerivedField.Rule.Computed computed -> Optional.empty();
    };
  }

  private Stream<At> below(At at, FieldPath path) {
    return Places.of(value(at), path).map(at::below);
  }

  /** Where a row of a part stands. */
  private Optional<At> row(PartId part, int number) {
    return rows(part)
        .flatMap(
            source -> places(source, Optional.empty(), reach.outside()).skip(number).findFirst());
  }

  private Optional<Source> rows(PartId part) {
    return page.rowsPart(part).flatMap(Part.OverRows::rows).map(Mapping::source);
  }

  /**
   * Where on the page a value of an answer is seen.
   *
   * @param place as {@link Places} tells it
   */
  public List<ShownAt> shown(CallId call, FieldPath place) {
    At at = new At(call, place);
    List<ShownAt> shown = new ArrayList<>();
    for (Part part : page.parts()) {
      if (part instanceof Part.OverRows over) {
        shown.addAll(inRows(over, at));
        continue;
      }
      for (Item item : part.items()) {
        item.mapping()
            .filter(mapping -> isAmong(mapping, Optional.empty(), reach.outside(), at))
            .ifPresent(
                mapping ->
                    shown.add(new ShownAt(part.id(), Optional.of(item.id()), Optional.empty())));
      }
      part.heading()
          .filter(mapping -> isAmong(mapping, Optional.empty(), reach.outside(), at))
          .ifPresent(
              mapping -> shown.add(new ShownAt(part.id(), Optional.empty(), Optional.empty())));
    }
    return shown;
  }

  private boolean isAmong(Mapping mapping, Optional<At> row, Reach around, At sought) {
    return places(mapping.source(), row, around).anyMatch(sought::equals);
  }

  private List<ShownAt> inRows(Part.OverRows part, At sought) {
    List<ShownAt> shown = new ArrayList<>();
    List<At> rows =
        rows(part.id())
            .map(source -> places(source, Optional.empty(), reach.outside()).toList())
            .orElse(List.of());
    for (int number = 0; number < rows.size(); number++) {
      At row = rows.get(number);
      if (!row.call().equals(sought.call()) || !sought.place().startsWith(row.place())) {
        continue;
      }
      for (Shown column : part.items()) {
        boolean here =
            column
                .mapping()
                .filter(mapping -> isAmong(mapping, Optional.of(row), reach.inside(part), sought))
                .isPresent();
        if (here) {
          shown.add(new ShownAt(part.id(), Optional.of(column.id()), Optional.of(number)));
        }
      }
    }
    return shown;
  }
}
