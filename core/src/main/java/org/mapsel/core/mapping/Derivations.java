package org.mapsel.core.mapping;

import java.math.BigDecimal;
import java.math.MathContext;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Base64;
import java.util.Comparator;
import java.util.HashSet;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.formula.Formula;
import org.mapsel.core.formula.Formulas;
import org.mapsel.core.model.DerivedField;
import org.mapsel.core.model.DerivedField.Rule;
import org.mapsel.core.model.RecordType;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.ref.Step;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.ScalarType;
import org.mapsel.core.shape.Shapes;
import org.mapsel.core.shape.ValueType;
import org.mapsel.core.value.BinaryValue;
import org.mapsel.core.value.BooleanValue;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.NumberValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.TextCuts;
import org.mapsel.core.value.TextValue;
import org.mapsel.core.value.Value;
import org.mapsel.core.value.Walker;

/** Prepares derived fields of one record type. */
public final class Derivations {

  /** What formulas call the record itself. */
  public static final String RECORD = "this";

  private final RecordType type;
  private final Shapes shapes;
  private final ShapeId shape;

  /** Those being prepared: one that needs itself is none. */
  private final Set<String> underWay = new HashSet<>();

  /**
   * @param shape the shape of the records, one of those that the type stands for
   */
  public Derivations(RecordType type, Shapes shapes, ShapeId shape) {
    this.type = type;
    this.shapes = shapes;
    this.shape = shape;
  }

  /** How a derived field is made; findings say what is wrong with it. */
  public Outcome<Derivation> of(String name) {
    Optional<DerivedField> field = type.derived(name);
    if (field.isEmpty()) {
      return Outcome.failed(
          Finding.error("MAPPING_DERIVED_MISSING", "field", name, "type", type.name()));
    }
    if (!underWay.add(name)) {
      return Outcome.failed(Finding.error("MAPPING_DERIVED_CIRCLE", "field", name));
    }
    try {
      return of(field.get().rule());
    } finally {
      underWay.remove(name);
    }
  }

  /** How a rule makes a value; it need not be part of the type yet. */
  public Outcome<Derivation> of(Rule rule) {
    return switch (rule) {
      case Rule.LookedUp lookup -> lookedUp(lookup);
      case Rule.CutOut cut -> cutOut(cut);
      case Rule.Decoded decoded -> decoded(decoded);
      case Rule.Picked picked -> picked(picked);
      case Rule.Folded folded -> folded(folded);
      case Rule.Computed computed -> computed(computed);
    };
  }

  private Outcome<ValueType> at(FieldPath path) {
    return shapes
        .typeAt(shape, path)
        .map(Outcome::of)
        .orElseGet(
            () ->
                Outcome.failed(
                    Finding.error(
                        "MAPPING_FIELD_MISSING", "field", path.toString(), "type", type.name())));
  }

  private Outcome<Derivation> lookedUp(Rule.LookedUp lookup) {
    Outcome<ValueType> value = at(lookup.list().then(lookup.value()));
    if (value.value().isEmpty()) {
      return Outcome.failed(value.findings());
    }
    Walker walker =
        Walker.of(
            lookup
                .list()
                .then(new Step.PickByKey(lookup.key(), lookup.wanted()))
                .then(lookup.value()));
    Value otherwise = lookup.otherwise().<Value>map(TextValue::new).orElse(Value.ABSENT);
    return Outcome.of(
        new Derivation(
            value.get().times(false),
            record -> {
              Value found = walker.one(record);
              return found.isAbsent() ? otherwise : found;
            }));
  }

  private Outcome<Derivation> cutOut(Rule.CutOut rule) {
    Outcome<ValueType> text = at(rule.text());
    Step.Cut cut = new Step.Cut(rule.pattern(), false);
    Outcome<TextCuts> cuts = TextCuts.of(cut);
    if (text.value().isEmpty() || cuts.value().isEmpty()) {
      return Outcome.failed(text.value().isEmpty() ? text.findings() : cuts.findings());
    }
    if (!cuts.get().names().contains(rule.group())) {
      return Outcome.failed(Finding.error("MAPPING_GROUP_MISSING", "group", rule.group()));
    }
    Walker walker = Walker.of(rule.text().then(cut).then(rule.group()));
    return Outcome.of(new Derivation(simple(ScalarType.TEXT), walker::one));
  }

  private Outcome<Derivation> decoded(Rule.Decoded rule) {
    Outcome<ValueType> text = at(rule.text());
    if (text.value().isEmpty()) {
      return Outcome.failed(text.findings());
    }
    Walker walker = Walker.of(rule.text());
    Walker inside = Walker.of(rule.inside());
    boolean open = !rule.inside().isRoot() || isTree(rule.coding());
    return Outcome.of(
        new Derivation(
            open ? new ValueType.Unknown(false) : simple(ScalarType.TEXT),
            record -> inside.one(decoded(rule.coding(), walker.one(record)))));
  }

  private static boolean isTree(DerivedField.Coding coding) {
    return switch (coding) {
      case JSON, XML, CSV -> true;
      case BASE64, HEX -> false;
    };
  }

  private static Value decoded(DerivedField.Coding coding, Value value) {
    if (value instanceof BinaryValue binary) {
      return plain(binary.bytes());
    }
    if (!(value instanceof TextValue text)) {
      return Value.ABSENT;
    }
    try {
      return switch (coding) {
        case BASE64 -> plain(Base64.getMimeDecoder().decode(text.text().strip()));
        case HEX -> plain(HexFormat.of().parseHex(text.text().strip()));
        case JSON -> DecodedText.json(text.text());
        case XML -> DecodedText.xml(text.text());
        case CSV -> DecodedText.csv(text.text());
      };
    } catch (IllegalArgumentException e) {
      // What is not coded that way holds nothing.
      return Value.ABSENT;
    }
  }

  /** Bytes that are a text as that. */
  private static Value plain(byte[] bytes) {
    try {
      return new TextValue(
          StandardCharsets.UTF_8.newDecoder().decode(ByteBuffer.wrap(bytes)).toString());
    } catch (CharacterCodingException e) {
      // Bytes that are no text stay bytes.
      return new BinaryValue(bytes);
    }
  }

  private Outcome<Derivation> picked(Rule.Picked rule) {
    Outcome<ValueType> list = at(rule.list());
    Outcome<ValueType> value = at(rule.list().then(rule.inside()));
    if (list.value().isEmpty() || value.value().isEmpty()) {
      return Outcome.failed(list.value().isEmpty() ? list.findings() : value.findings());
    }
    Optional<Outcome<Formula>> where =
        rule.where().map(text -> Formulas.of(text, variables(list.get().times(false))));
    if (where.isPresent() && where.get().value().isEmpty()) {
      return Outcome.failed(where.get().findings());
    }
    Walker items = Walker.of(rule.list());
    Walker inside = Walker.of(rule.inside());
    Optional<Formula> condition = where.map(Outcome::get);
    return Outcome.of(
        new Derivation(
            value.get().times(false),
            record -> {
              List<Value> all = items.all(record);
              condition.ifPresent(formula -> all.removeIf(item -> !holds(formula, item)));
              int at = rule.place() < 0 ? all.size() + rule.place() : rule.place();
              return at >= 0 && at < all.size() ? inside.one(all.get(at)) : Value.ABSENT;
            }));
  }

  private static boolean holds(Formula formula, Value item) {
    return formula
        .compute(name -> variable(name, item))
        .value()
        .filter(result -> result == BooleanValue.TRUE)
        .isPresent();
  }

  private Outcome<Derivation> folded(Rule.Folded rule) {
    Outcome<ValueType> values = at(rule.values());
    if (values.value().isEmpty()) {
      return Outcome.failed(values.findings());
    }
    Walker walker = Walker.of(rule.values());
    ValueType type =
        switch (rule.fold()) {
          case COUNT -> simple(ScalarType.INTEGER);
          case SUM, MEAN -> simple(ScalarType.DECIMAL);
          case LEAST, MOST -> values.get().times(false);
          case JOIN -> simple(ScalarType.TEXT);
        };
    return Outcome.of(new Derivation(type, record -> folded(rule, walker.all(record))));
  }

  private static Value folded(Rule.Folded rule, List<Value> values) {
    return switch (rule.fold()) {
      case COUNT -> NumberValue.of(values.size());
      case JOIN ->
          values.isEmpty()
              ? Value.ABSENT
              : new TextValue(
                  values.stream()
                      .flatMap(value -> ListValue.plain(value).stream())
                      .collect(Collectors.joining(rule.separator())));
      case SUM, MEAN -> {
        List<BigDecimal> numbers = numbers(values);
        BigDecimal sum = numbers.stream().reduce(BigDecimal.ZERO, BigDecimal::add);
        yield numbers.isEmpty()
            ? Value.ABSENT
            : new NumberValue(
                rule.fold() == DerivedField.Fold.SUM
                    ? sum
                    : sum.divide(BigDecimal.valueOf(numbers.size()), MathContext.DECIMAL64));
      }
      case LEAST -> values.stream().min(ORDER).orElse(Value.ABSENT);
      case MOST -> values.stream().max(ORDER).orElse(Value.ABSENT);
    };
  }

  /** Numbers by size, all else as it is written; times are written so that this is their order. */
  private static final Comparator<Value> ORDER =
      (left, right) ->
          left instanceof NumberValue one && right instanceof NumberValue other
              ? one.number().compareTo(other.number())
              : ListValue.plain(left).orElse("").compareTo(ListValue.plain(right).orElse(""));

  private static List<BigDecimal> numbers(List<Value> values) {
    List<BigDecimal> numbers = new ArrayList<>();
    for (Value value : values) {
      if (value instanceof NumberValue number) {
        numbers.add(number.number());
      }
    }
    return numbers;
  }

  private Outcome<Derivation> computed(Rule.Computed rule) {
    Map<String, ValueType> variables = variables(new ValueType.Shaped(shapes, shape, false));
    Map<String, UnaryOperator<Value>> derived = new LinkedHashMap<>();
    for (DerivedField other : type.derived()) {
      if (!underWay.contains(other.name()) && rule.formula().contains(other.name())) {
        of(other.name())
            .value()
            .ifPresent(
                made -> {
                  variables.put(other.name(), made.type());
                  derived.put(other.name(), made.maker());
                });
      }
    }
    Outcome<Formula> formula = Formulas.of(rule.formula(), variables);
    if (formula.value().isEmpty()) {
      return Outcome.failed(formula.findings());
    }
    return Outcome.of(
        new Derivation(
            formula.get().type(),
            record ->
                formula
                    .get()
                    .compute(
                        name ->
                            derived.containsKey(name)
                                ? derived.get(name).apply(record)
                                : variable(name, record))
                    .value()
                    .orElse(Value.ABSENT)));
  }

  /** The fields of a record by their names, and the record itself. */
  private static Map<String, ValueType> variables(ValueType record) {
    Map<String, ValueType> variables = new LinkedHashMap<>();
    variables.put(RECORD, record);
    if (record instanceof ValueType.Shaped shaped) {
      for (Field field : shaped.shapes().fieldsOf(shaped.shape())) {
        variables.putIfAbsent(
            field.name(), ValueType.of(shaped.shapes(), field.shape(), field.isRepeated()));
      }
    }
    return variables;
  }

  private static Value variable(String name, Value record) {
    return name.equals(RECORD)
        ? record
        : record instanceof RecordValue fields ? fields.get(name) : Value.ABSENT;
  }

  private static ValueType simple(ScalarType type) {
    return new ValueType.Simple(type, false);
  }
}
