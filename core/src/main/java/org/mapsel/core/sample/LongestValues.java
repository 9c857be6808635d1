package org.mapsel.core.sample;

import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.ScalarType;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Shapes;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.TextValue;
import org.mapsel.core.value.Value;

/** Made values with texts as long as their types let them be, to see what a page does with them. */
public final class LongestValues {

  private static final String WORDS =
      "a rather long text, as somebody may have typed it on a slow afternoon, ";

  /** Longer than this nothing is shown whole anyway. */
  private static final int MOST = 400;

  /** Where nothing limits a text. */
  private static final int USUAL = 120;

  private final Shapes shapes;

  private LongestValues(Shapes shapes) {
    this.shapes = shapes;
  }

  /** The record with its texts made long. */
  public static RecordValue of(Shapes shapes, ShapeId shape, RecordValue made) {
    return new LongestValues(shapes).record(shape, made);
  }

  private RecordValue record(ShapeId shape, RecordValue made) {
    RecordValue longer = made;
    for (Field field : shapes.fieldsOf(shape)) {
      Value value = made.get(field.name());
      if (!value.isAbsent()) {
        longer = longer.with(field.name(), value(field, value));
      }
    }
    return longer;
  }

  private Value value(Field field, Value value) {
    return switch (value) {
      case ListValue list ->
          new ListValue(list.items().stream().map(item -> value(field, item)).toList());
      case RecordValue record -> record(field.shape(), record);
      case TextValue text -> longer(field, text);
      default -> value;
    };
  }

  private Value longer(Field field, TextValue text) {
    if (!(shapes.get(field.shape()) instanceof Shape.Scalar scalar)
        || scalar.type() != ScalarType.TEXT
        || field.fixed().isPresent()
        || !scalar.facets().enumeration().isEmpty()
        || !scalar.facets().patterns().isEmpty()) {
      return text;
    }
    int most = Math.min(MOST, scalar.facets().maxLength().orElse(USUAL));
    StringBuilder longer = new StringBuilder(text.text()).append(' ');
    while (longer.length() < most) {
      longer.append(WORDS);
    }
    return text.text().length() >= most ? text : Value.text(longer.substring(0, most).strip());
  }
}
