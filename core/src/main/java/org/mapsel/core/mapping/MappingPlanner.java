package org.mapsel.core.mapping;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.mapsel.core.convert.Conversion;
import org.mapsel.core.convert.Conversions;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.formula.Formula;
import org.mapsel.core.formula.Formulas;
import org.mapsel.core.model.Model;
import org.mapsel.core.model.RecordType;
import org.mapsel.core.model.ShapeRef;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.shape.ScalarText;
import org.mapsel.core.shape.ScalarType;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.ValueType;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.TextValue;
import org.mapsel.core.value.Value;
import org.mapsel.core.value.Walker;

/** Checks a mapping against the types at both ends and prepares it. */
public final class MappingPlanner {

  /** What is read, before it is made to fit. */
  private record Read(ValueType type, Function<Scope, Value> reader) {}

  private final Model model;

  public MappingPlanner(Model model) {
    this.model = model;
  }

  /** The prepared mapping, unless it cannot be used; findings say why, and what may be lost. */
  public Outcome<Planned> plan(Mapping mapping, Expected expected, Reach reach) {
    if (mapping.source() instanceof Source.Fixed fixed) {
      return fixed(mapping, fixed, expected);
    }
    Outcome<Read> read = read(mapping.source(), reach);
    if (read.value().isEmpty()) {
      return Outcome.failed(read.findings());
    }
    return fitted(mapping, read.get(), expected);
  }

  /** What a source gives; nothing if it cannot be used. */
  public Optional<ValueType> typeOf(Source source, Reach reach) {
    return source instanceof Source.Fixed
        ? Optional.of(new ValueType.Simple(ScalarType.TEXT, false))
        : read(source, reach).value().map(Read::type);
  }

  private static Outcome<Planned> fixed(Mapping mapping, Source.Fixed fixed, Expected expected) {
    Optional<Shape.OneOf> choice = expected.type().flatMap(MappingPlanner::choice);
    if (choice.isPresent()) {
      Value name = Value.text(fixed.text());
      return isAlternative(choice.get(), name)
          ? Outcome.of(new Planned(mapping, expected.type().get(), scope -> name))
          : Outcome.failed(Finding.error("MAPPING_ALTERNATIVE_UNKNOWN", "value", fixed.text()));
    }
    ScalarType type = expected.type().flatMap(ValueType::scalar).orElse(ScalarType.TEXT);
    Optional<Value> value = ScalarText.parse(type, fixed.text());
    if (value.isEmpty()) {
      return Outcome.failed(
          Finding.error("MAPPING_FIXED_WRONG", "value", fixed.text(), "type", words(type)));
    }
    Value always = value.get();
    return Outcome.of(new Planned(mapping, new ValueType.Simple(type, false), scope -> always));
  }

  private Outcome<Read> read(Source source, Reach reach) {
    return switch (source) {
      case Source.Entered entered ->
          reach
              .entered(entered.input())
              .map(type -> Outcome.of(new Read(type, scope -> scope.entered(entered.input()))))
              .orElseGet(() -> missing("input", entered.input().text()));
      case Source.Fixed fixed ->
          Outcome.of(
              new Read(
                  new ValueType.Simple(ScalarType.TEXT, false),
                  scope -> new TextValue(fixed.text())));
      case Source.Argument argument ->
          below(
              reach.argument(argument.name()),
              argument.path(),
              scope -> scope.argument(argument.name()),
              "argument",
              argument.name());
      case Source.Chosen chosen ->
          below(
              reach.chosen(chosen.part()),
              chosen.path(),
              scope -> scope.chosen(chosen.part()),
              "chosen row",
              chosen.part().text());
      case Source.Row row -> below(reach.row(), row.path(), Scope::row, "row", "");
      case Source.Returned returned ->
          below(
              reach.returned(returned.call()),
              returned.path(),
              scope -> scope.returned(returned.call()),
              "call",
              returned.call().text());
      case Source.Derived derived -> derived(derived, reach);
      case Source.Formula formula -> formula(formula, reach);
      case Source.Run run ->
          Outcome.of(
              new Read(
                  new ValueType.Simple(type(run.what()), false), scope -> scope.run(run.what())));
    };
  }

  private static ScalarType type(Source.Run.What what) {
    return switch (what) {
      case NOW -> ScalarType.DATE_TIME;
      case TODAY -> ScalarType.DATE;
      case PAGE, FAILURE -> ScalarType.TEXT;
    };
  }

  private static Outcome<Read> missing(String kind, String name) {
    return Outcome.failed(Finding.error("MAPPING_SOURCE_GONE", "kind", kind, "name", name));
  }

  private static Outcome<Read> below(
      Optional<Reach.Typed> root,
      FieldPath path,
      Function<Scope, Value> start,
      String kind,
      String name) {
    if (root.isEmpty()) {
      return missing(kind, name);
    }
    Optional<ValueType> type = typeAt(root.get().type(), path);
    if (type.isEmpty()) {
      return Outcome.failed(
          Finding.error("MAPPING_FIELD_GONE", "field", path.toString(), "kind", kind).about(path));
    }
    Walker walker = Walker.of(path);
    boolean several = type.get().several();
    return Outcome.of(new Read(type.get(), scope -> single(walker, start.apply(scope), several)));
  }

  private static Optional<ValueType> typeAt(ValueType root, FieldPath path) {
    return switch (root) {
      case ValueType.Shaped shaped ->
          shaped
              .shapes()
              .typeAt(shaped.shape(), path)
              .map(type -> type.times(type.several() || shaped.several()));
      case ValueType.Unknown unknown -> Optional.of(unknown);
      case ValueType.Matches matches -> ofMatches(matches, path);
      case ValueType.Simple simple -> path.isRoot() ? Optional.of(simple) : Optional.empty();
    };
  }

  private static Optional<ValueType> ofMatches(ValueType.Matches matches, FieldPath path) {
    if (path.isRoot()) {
      return Optional.of(matches);
    }
    return path.length() == 1 && matches.names().contains(path.name(0))
        ? Optional.of(new ValueType.Simple(ScalarType.TEXT, matches.several()))
        : Optional.empty();
  }

  private static Value single(Walker walker, Value from, boolean several) {
    if (!several) {
      return walker.one(from);
    }
    List<Value> all = walker.all(from);
    return switch (all.size()) {
      case 0 -> Value.ABSENT;
      case 1 -> all.get(0);
      default -> new ListValue(all);
    };
  }

  private Outcome<Read> derived(Source.Derived source, Reach reach) {
    Outcome<Read> record = read(source.record(), reach);
    if (record.value().isEmpty()) {
      return record;
    }
    Optional<String> service = service(source.record(), reach);
    if (service.isEmpty() || !(record.get().type() instanceof ValueType.Shaped shaped)) {
      return missing("derived field", source.field());
    }
    Optional<RecordType> type = model.typeOf(new ShapeRef(service.get(), shaped.shape()));
    if (type.isEmpty()) {
      return missing("derived field", source.field());
    }
    Outcome<Derivation> made =
        new Derivations(type.get(), shaped.shapes(), shaped.shape()).of(source.field());
    return made.value()
        .map(
            derivation ->
                Outcome.of(
                    new Read(
                        derivation.type().times(derivation.type().several() || shaped.several()),
                        scope -> each(record.get().reader().apply(scope), derivation::of))))
        .orElseGet(() -> Outcome.failed(made.findings()));
  }

  /** The service whose types the record at a source is of. */
  private static Optional<String> service(Source source, Reach reach) {
    return switch (source) {
      case Source.Returned returned -> reach.returned(returned.call()).map(Reach.Typed::service);
      case Source.Chosen chosen -> reach.chosen(chosen.part()).map(Reach.Typed::service);
      case Source.Row row -> reach.row().map(Reach.Typed::service);
      case Source.Argument argument -> reach.argument(argument.name()).map(Reach.Typed::service);
      case Source.Derived derived -> Optional.empty();
      case Source.Entered entered -> Optional.empty();
      case Source.Fixed fixed -> Optional.empty();
      case Source.Formula formula -> Optional.empty();
      case Source.Run run -> Optional.empty();
    };
  }

  private Outcome<Read> formula(Source.Formula source, Reach reach) {
    Map<String, ValueType> types = new LinkedHashMap<>();
    Map<String, Function<Scope, Value>> readers = new LinkedHashMap<>();
    reach
        .variables()
        .forEach(
            (name, from) -> {
              if (source.text().contains(name)) {
                read(from, reach)
                    .value()
                    .ifPresent(
                        read -> {
                          types.put(name, read.type());
                          readers.put(name, read.reader());
                        });
              }
            });
    Outcome<Formula> formula = Formulas.of(source.text(), types);
    if (formula.value().isEmpty()) {
      return Outcome.failed(formula.findings());
    }
    return Outcome.of(
        new Read(
            formula.get().type(),
            scope ->
                formula
                    .get()
                    .compute(name -> readers.get(name).apply(scope))
                    .value()
                    .orElse(Value.ABSENT)));
  }

  /** Makes what is read fit what is expected, or says that it cannot. */
  private static Outcome<Planned> fitted(Mapping mapping, Read read, Expected expected) {
    List<Finding> findings = new ArrayList<>();
    Function<Scope, Value> reader = read.reader();
    ValueType type = read.type();
    Optional<Shape.OneOf> choice =
        mapping.source() instanceof Source.Entered && type.scalar().isPresent()
            ? expected.type().flatMap(MappingPlanner::choice)
            : Optional.empty();
    if (choice.isPresent()) {
      return Outcome.of(
          new Planned(
              mapping,
              expected.type().get(),
              scope -> {
                Value name = read.reader().apply(scope);
                return isAlternative(choice.get(), name) ? name : Value.ABSENT;
              }));
    }
    if (expected.type().isPresent()) {
      Optional<Finding> wrong = mismatch(type, expected.type().get());
      if (wrong.isPresent()) {
        return Outcome.failed(wrong.get());
      }
      Optional<Conversion> conversion = conversion(type, expected.type().get());
      if (conversion.isPresent()) {
        Conversion how = conversion.get();
        note(how, type, expected.type().get()).ifPresent(findings::add);
        Function<Scope, Value> before = reader;
        reader = scope -> each(before.apply(scope), how::apply);
        type = expected.type().get().times(type.several());
      }
    }
    if (type.several() && !expected.several()) {
      findings.add(Finding.note("MAPPING_FIRST_ONLY"));
      Function<Scope, Value> before = reader;
      reader = scope -> first(before.apply(scope));
      type = type.times(false);
    }
    return Outcome.of(new Planned(mapping, type, reader), findings);
  }

  /** The alternatives, one of which may be named. */
  private static Optional<Shape.OneOf> choice(ValueType type) {
    return type instanceof ValueType.Shaped shaped
            && shaped.shapes().get(shaped.shape()) instanceof Shape.OneOf oneOf
        ? Optional.of(oneOf)
        : Optional.empty();
  }

  private static boolean isAlternative(Shape.OneOf choice, Value name) {
    return name instanceof TextValue text
        && choice.alternatives().stream().anyMatch(one -> one.name().equals(text.text()));
  }

  private static Value first(Value value) {
    return value instanceof ListValue list
        ? list.items().isEmpty() ? Value.ABSENT : list.items().get(0)
        : value;
  }

  private static Value each(Value value, Function<Value, Value> make) {
    return value instanceof ListValue list
        ? new ListValue(list.items().stream().map(make).filter(one -> !one.isAbsent()).toList())
        : value.isAbsent() ? value : make.apply(value);
  }

  private static Optional<Finding> mismatch(ValueType from, ValueType to) {
    Optional<ScalarType> have = from.scalar();
    Optional<ScalarType> want = to.scalar();
    if (have.isPresent() && want.isPresent()) {
      boolean possible =
          !Conversions.isNeeded(have.get(), want.get())
              || Conversions.between(have.get(), want.get()).isPresent();
      return possible
          ? Optional.empty()
          : Optional.of(
              Finding.error(
                  "MAPPING_TYPE_IMPOSSIBLE", "from", words(have.get()), "to", words(want.get())));
    }
    boolean records = from instanceof ValueType.Shaped && to instanceof ValueType.Shaped;
    boolean unknown = from instanceof ValueType.Unknown || to instanceof ValueType.Unknown;
    return records || unknown
        ? Optional.empty()
        : Optional.of(Finding.error("MAPPING_TYPE_IMPOSSIBLE", "from", kind(from), "to", kind(to)));
  }

  private static Optional<Conversion> conversion(ValueType from, ValueType to) {
    Optional<ScalarType> have = from.scalar();
    Optional<ScalarType> want = to.scalar();
    return have.isPresent() && want.isPresent() && Conversions.isNeeded(have.get(), want.get())
        ? Conversions.between(have.get(), want.get())
        : Optional.empty();
  }

  private static Optional<Finding> note(Conversion how, ValueType from, ValueType to) {
    String code =
        switch (how.risk()) {
          case NONE -> "";
          case MAY_FAIL -> "MAPPING_MAY_FAIL";
          case LOSES -> "MAPPING_LOSES";
        };
    return code.isEmpty()
        ? Optional.empty()
        : Optional.of(
            Finding.note(
                code,
                "from",
                words(from.scalar().orElseThrow()),
                "to",
                words(to.scalar().orElseThrow())));
  }

  private static String kind(ValueType type) {
    return type.scalar().map(MappingPlanner::words).orElse("record");
  }

  private static String words(ScalarType type) {
    return type.words();
  }
}
