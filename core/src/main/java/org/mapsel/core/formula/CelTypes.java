package org.mapsel.core.formula;

import com.google.common.collect.ImmutableCollection;
import com.google.common.collect.ImmutableList;
import com.google.common.collect.ImmutableSet;
import dev.cel.common.types.CelKind;
import dev.cel.common.types.CelType;
import dev.cel.common.types.CelTypeProvider;
import dev.cel.common.types.ListType;
import dev.cel.common.types.SimpleType;
import dev.cel.common.types.StructType;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.ScalarType;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Shapes;
import org.mapsel.core.shape.ValueType;

/** Shapes as the types that formulas are checked against, each made when it is asked for. */
final class CelTypes implements CelTypeProvider {

  private record Known(Shapes shapes, ShapeId id) {}

  private final Map<Known, StructType> structs = new HashMap<>();
  private final Map<String, StructType> byName = new HashMap<>();

  CelType of(ValueType type) {
    CelType one =
        switch (type) {
          case ValueType.Simple simple -> scalar(simple.type());
          case ValueType.Shaped shaped -> shaped(shaped.shapes(), shaped.shape());
          case ValueType.Matches matches -> SimpleType.DYN;
          case ValueType.Unknown unknown -> SimpleType.DYN;
        };
    return type.several() ? ListType.create(one) : one;
  }

  private static CelType scalar(ScalarType type) {
    return switch (type) {
      case INTEGER -> SimpleType.INT;
      case DECIMAL, FLOAT -> SimpleType.DOUBLE;
      case BOOLEAN -> SimpleType.BOOL;
      case DATE, DATE_TIME -> SimpleType.TIMESTAMP;
      case BASE64, HEX -> SimpleType.BYTES;
      case TEXT, TIME, DURATION, PARTIAL_DATE, URI, NAME, LIST -> SimpleType.STRING;
    };
  }

  private CelType shaped(Shapes shapes, ShapeId id) {
    if (!(shapes.get(id) instanceof Shape.Record)) {
      return SimpleType.DYN;
    }
    StructType known = structs.get(new Known(shapes, id));
    if (known == null) {
      String name = "record.T" + structs.size();
      Map<String, Field> fields = new HashMap<>();
      shapes.fieldsOf(id).forEach(field -> fields.putIfAbsent(field.name(), field));
      known =
          StructType.create(
              name,
              ImmutableSet.copyOf(fields.keySet()),
              wanted -> Optional.ofNullable(fields.get(wanted)).map(field -> of(shapes, field)));
      structs.put(new Known(shapes, id), known);
      byName.put(name, known);
    }
    return known;
  }

  private CelType of(Shapes shapes, Field field) {
    return of(ValueType.of(shapes, field.shape(), field.isRepeated()));
  }

  @Override
  public ImmutableCollection<CelType> types() {
    return ImmutableList.copyOf(byName.values());
  }

  @Override
  public Optional<CelType> findType(String name) {
    return Optional.ofNullable(byName.get(name));
  }

  /** What the result of a formula is for us. */
  static ValueType result(CelType type) {
    return switch (type.kind()) {
      case STRING -> new ValueType.Simple(ScalarType.TEXT, false);
      case INT, UINT -> new ValueType.Simple(ScalarType.INTEGER, false);
      case DOUBLE -> new ValueType.Simple(ScalarType.DECIMAL, false);
      case BOOL -> new ValueType.Simple(ScalarType.BOOLEAN, false);
      case TIMESTAMP -> new ValueType.Simple(ScalarType.DATE_TIME, false);
      case DURATION -> new ValueType.Simple(ScalarType.DURATION, false);
      case BYTES -> new ValueType.Simple(ScalarType.BASE64, false);
      case LIST -> {
        @Nullable CelType item = type.parameters().isEmpty() ? null : type.parameters().get(0);
        yield item == null || item.kind() == CelKind.LIST
            ? new ValueType.Unknown(true)
            : result(item).times(true);
      }
      default -> new ValueType.Unknown(false);
    };
  }
}
