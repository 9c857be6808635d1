package org.mapsel.core.message.soap;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.message.ParameterCheck;
import org.mapsel.core.ref.Name;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Shapes;
import org.mapsel.core.shape.Wire;

/**
 * How the fields of a shape are written, decided once for all messages.
 *
 * @param plain whether all of them are elements, so that nothing has to stand in the start tag
 * @param headers those that stand in the header of an envelope
 * @param usualLength how many bytes they take with short values
 */
record WritePlan(
    List<Step> steps, List<Field> fields, boolean plain, List<Field> headers, int usualLength) {

  private static final int USUAL_VALUE = 16;

  /**
   * How one field is written.
   *
   * @param element the element around it; null if it is none
   * @param check what its values must be; null if they are not simple
   */
  record Step(Field field, Shape shape, @Nullable Tag element, @Nullable ParameterCheck check) {

    static Step of(Field field, Shape shape) {
      return new Step(
          field,
          shape,
          switch (field.wire()) {
            case Wire.XmlElement element -> Tag.of(element.name());
            case Wire.SoapHeader header -> Tag.of(header.name());
            case Wire.ArrayItem item -> Tag.of(Name.of("", item.local()));
            case Wire.Member member -> Tag.of(Name.of("", member.name()));
            default -> null;
          },
          shape instanceof Shape.Scalar scalar ? ParameterCheck.of(scalar) : null);
    }

    int usualLength() {
      return element == null ? 0 : element.start.length + element.end.length + USUAL_VALUE;
    }

    boolean isContent() {
      return !(field.wire() instanceof Wire.XmlAttribute
          || field.wire() instanceof Wire.SoapHeader);
    }
  }

  /**
   * The name of an element, ready to be written.
   *
   * @param start a whole start tag
   * @param end the end tag
   */
  record Tag(String namespace, byte[] local, byte[] start, byte[] end) {

    static Tag of(Name name) {
      String local = name.local();
      return new Tag(
          name.namespace(),
          XmlText.utf8(local),
          XmlText.utf8("<" + local + ">"),
          XmlText.utf8("</" + local + ">"));
    }
  }

  static WritePlan of(Shapes shapes, ShapeId shape) {
    return shapes.remembered(WritePlan.class, shape, id -> make(shapes, id));
  }

  private static WritePlan make(Shapes shapes, ShapeId shape) {
    List<Field> fields = shapes.fieldsOf(shape);
    List<Step> steps =
        fields.stream().map(field -> Step.of(field, shapes.get(field.shape()))).toList();
    return new WritePlan(
        steps,
        fields,
        fields.stream().allMatch(field -> field.wire() instanceof Wire.XmlElement),
        fields.stream().filter(field -> field.wire() instanceof Wire.SoapHeader).toList(),
        steps.stream().mapToInt(Step::usualLength).sum());
  }
}
