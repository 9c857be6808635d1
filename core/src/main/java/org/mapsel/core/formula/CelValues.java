package org.mapsel.core.formula;

import dev.cel.common.values.CelByteString;
import dev.cel.common.values.NullValue;
import java.math.BigDecimal;
import java.time.DateTimeException;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.AbstractList;
import java.util.AbstractMap;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.ScalarType;
import org.mapsel.core.shape.ValueType;
import org.mapsel.core.value.BinaryValue;
import org.mapsel.core.value.BooleanValue;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.NumberValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.TextValue;
import org.mapsel.core.value.TimeValue;
import org.mapsel.core.value.Value;

/** Values as formulas see them. Records and lists are looked through, not copied. */
final class CelValues {

  private static final int WHOLE_DIGITS = 18;

  private CelValues() {}

  /** The types of the fields of a record, worked out once for all records of its shape. */
  private record FieldTypes(Map<String, ValueType> byName) {}

  private static final ValueType UNKNOWN = new ValueType.Unknown(false);

  /**
   * A value as what a formula was told that it is: a number with a point stays one, whatever stands
   * behind the point.
   */
  static Object toCel(Value value, ValueType type) {
    return switch (value) {
      case TextValue text -> text.text();
      case NumberValue number -> number(number.number(), type);
      case BooleanValue yes -> yes.isTrue();
      case TimeValue time -> time(time);
      case BinaryValue binary -> CelByteString.of(binary.bytes());
      case RecordValue record -> new Fields(record, typesOf(type));
      case ListValue list -> new Items(list.items(), type.times(false));
      case org.mapsel.core.value.NullValue none -> NullValue.NULL_VALUE;
      case org.mapsel.core.value.AbsentValue none -> NullValue.NULL_VALUE;
    };
  }

  private static Map<String, ValueType> typesOf(ValueType type) {
    if (!(type instanceof ValueType.Shaped shaped)) {
      return Map.of();
    }
    return shaped
        .shapes()
        .remembered(
            FieldTypes.class,
            shaped.shape(),
            id -> {
              Map<String, ValueType> types = new HashMap<>();
              for (Field field : shaped.shapes().fieldsOf(id)) {
                types.putIfAbsent(
                    field.name(), ValueType.of(shaped.shapes(), field.shape(), field.isRepeated()));
              }
              return new FieldTypes(types);
            })
        .byName();
  }

  /** Where nobody says which, whole numbers are whole. */
  private static Object number(BigDecimal number, ValueType type) {
    ScalarType scalar = type.scalar().orElse(ScalarType.LIST);
    boolean whole = number.scale() <= 0 && number.precision() - number.scale() <= WHOLE_DIGITS;
    return whole && scalar != ScalarType.DECIMAL && scalar != ScalarType.FLOAT
        ? (Object) number.longValueExact()
        : (Object) number.doubleValue();
  }

  /** A time without a zone is taken for one in UTC. */
  private static Object time(TimeValue time) {
    try {
      return switch (time.kind()) {
        case DATE_TIME ->
            time.iso().matches(".*(Z|[+-]\\d{2}:\\d{2})$")
                ? OffsetDateTime.parse(time.iso()).toInstant()
                : LocalDateTime.parse(time.iso()).toInstant(ZoneOffset.UTC);
        case DATE ->
            LocalDate.parse(time.iso().substring(0, Math.min(10, time.iso().length())))
                .atStartOfDay()
                .toInstant(ZoneOffset.UTC);
        case TIME, DURATION, PARTIAL -> time.iso();
      };
    } catch (DateTimeException e) {
      // A day that no calendar has is a text.
      return time.iso();
    }
  }

  static Value fromCel(@Nullable Object result) {
    return switch (result) {
      case null -> Value.ABSENT;
      case String text -> new TextValue(text);
      case Long number -> NumberValue.of(number);
      case Double number ->
          number.isNaN() || number.isInfinite()
              ? Value.ABSENT
              : new NumberValue(plain(BigDecimal.valueOf(number)));
      case Boolean yes -> BooleanValue.of(yes);
      case Instant instant -> new TimeValue(TimeValue.Kind.DATE_TIME, instant.toString());
      case Duration duration -> new TimeValue(TimeValue.Kind.DURATION, duration.toString());
      case CelByteString bytes -> new BinaryValue(bytes.toByteArray());
      case Fields fields -> fields.record;
      case Items items -> new ListValue(items.items);
      case List<?> list -> {
        List<Value> items = new ArrayList<>(list.size());
        list.forEach(item -> items.add(fromCel(item)));
        yield new ListValue(items);
      }
      case Map<?, ?> map -> {
        Map<String, Value> fields = new LinkedHashMap<>();
        map.forEach((name, field) -> fields.put(String.valueOf(name), fromCel(field)));
        yield RecordValue.of(fields);
      }
      default -> result instanceof NullValue ? Value.NULL : new TextValue(result.toString());
    };
  }

  private static BigDecimal plain(BigDecimal number) {
    BigDecimal shortest = number.stripTrailingZeros();
    return shortest.scale() < 0 ? shortest.setScale(0) : shortest;
  }

  /** A record as a map. */
  private static final class Fields extends AbstractMap<String, Object> {
    private final RecordValue record;
    private final Map<String, ValueType> types;

    Fields(RecordValue record, Map<String, ValueType> types) {
      this.record = record;
      this.types = types;
    }

    @Override
    public boolean containsKey(Object key) {
      return key instanceof String name && !record.get(name).isAbsent();
    }

    @Override
    public @Nullable Object get(Object key) {
      Value value = key instanceof String name ? record.get(name) : Value.ABSENT;
      return value.isAbsent() ? null : toCel(value, types.getOrDefault(key, UNKNOWN));
    }

    @Override
    public Set<Entry<String, Object>> entrySet() {
      Map<String, Object> all = new LinkedHashMap<>();
      record.forEach(
          (name, value) -> all.put(name, toCel(value, types.getOrDefault(name, UNKNOWN))));
      return all.entrySet();
    }

    @Override
    public boolean equals(Object other) {
      return other instanceof Fields that ? record.equals(that.record) : super.equals(other);
    }

    @Override
    public int hashCode() {
      return Objects.hashCode(record);
    }
  }

  /** A list of values as a list of what formulas see. */
  private static final class Items extends AbstractList<Object> {
    private final List<Value> items;
    private final ValueType type;

    Items(List<Value> items, ValueType type) {
      this.items = items;
      this.type = type;
    }

    @Override
    public Object get(int index) {
      return toCel(items.get(index), type);
    }

    @Override
    public int size() {
      return items.size();
    }
  }
}
