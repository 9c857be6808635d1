package org.mapsel.core.pairing;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.shape.FieldTree;
import org.mapsel.core.shape.Hints;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Shapes;
import org.mapsel.core.value.BooleanValue;
import org.mapsel.core.value.NumberValue;
import org.mapsel.core.value.TextValue;
import org.mapsel.core.value.TimeValue;
import org.mapsel.core.value.Value;
import org.mapsel.core.value.Walker;

/** The fields of one side. */
public final class PairingFields {

  private static final FieldTree.Limit LIMIT =
      new FieldTree.Limit(10, 5_000, false, Hints.Direction.BOTH);

  /** More values than these tell no more. */
  private static final int MOST_VALUES = 200;

  private PairingFields() {}

  /**
   * The simple fields below a shape.
   *
   * @param below the part of it that is looked at; the root for all of it
   * @param way which way they are to travel
   * @param samples values of the shape, perhaps none
   */
  public static List<PairingField> of(
      Shapes shapes,
      ShapeId root,
      FieldPath below,
      Hints.Direction way,
      List<? extends Value> samples) {
    List<PairingField> fields = new ArrayList<>();
    for (FieldTree.Row row : FieldTree.rows(shapes, root, LIMIT.travelling(way))) {
      boolean inside = row.path().startsWith(below) && row.path().length() > below.length();
      if (inside && row.shape() instanceof Shape.Scalar scalar) {
        fields.add(
            new PairingField(
                row.path(),
                names(row.path().below(below)),
                row.field().hints().label().orElse(""),
                row.field().documentation(),
                scalar.type(),
                scalar.facets(),
                row.field().hints().unit().orElse(""),
                row.field().hints().key(),
                row.needed(),
                row.repeats(),
                values(row.path(), samples)));
      }
    }
    return fields;
  }

  private static List<String> names(FieldPath path) {
    return IntStream.range(0, path.length()).mapToObj(path::name).toList();
  }

  private static List<String> values(FieldPath path, List<? extends Value> samples) {
    Walker walker = Walker.of(path);
    return samples.stream()
        .flatMap(sample -> walker.all(sample).stream())
        .map(PairingFields::text)
        .filter(text -> !text.isEmpty())
        .limit(MOST_VALUES)
        .toList();
  }

  private static String text(Value value) {
    return switch (value) {
      case TextValue text -> text.text().strip();
      case NumberValue number -> number.number().stripTrailingZeros().toPlainString();
      case BooleanValue yes -> String.valueOf(yes.isTrue());
      case TimeValue time -> time.iso();
      default -> "";
    };
  }
}
