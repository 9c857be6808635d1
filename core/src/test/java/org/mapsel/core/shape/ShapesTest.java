package org.mapsel.core.shape;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.ShapeId;

class ShapesTest {

  private static final ShapeId ROOT = new ShapeId("", "root");
  private static final ShapeId TEXT = new ShapeId("", "text");

  @ParameterizedTest
  @ValueSource(ints = {3, 24, 25, 4_000})
  void aFieldIsFoundByItsNameAmongFewAndMany(int many) {
    List<Field> fields =
        IntStream.range(0, many)
            .mapToObj(i -> Field.of("field" + i, TEXT, Occurrence.OPTIONAL, new Wire.XmlText()))
            .toList();
    Shapes shapes =
        new Shapes(
            List.of(
                new Shape.Record(ROOT, fields),
                new Shape.Scalar(TEXT, ScalarType.TEXT, "xs:string", Facets.NONE)));

    for (Field field : fields) {
      assertThat(shapes.way(ROOT, FieldPath.of(field.name()))).containsExactly(field);
    }
    assertThat(shapes.way(ROOT, FieldPath.of("field" + many))).isEmpty();
    assertThat(shapes.way(ROOT, FieldPath.of("field0", "below"))).isEmpty();
  }
}
