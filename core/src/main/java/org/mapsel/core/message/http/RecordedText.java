package org.mapsel.core.message.http;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.OperationWire;
import org.mapsel.core.service.RecordedRequest;
import org.mapsel.core.service.RecordedRequest.Around;
import org.mapsel.core.service.RecordedRequest.One;
import org.mapsel.core.service.RecordedRequest.Piece;
import org.mapsel.core.service.RecordedRequest.Run;
import org.mapsel.core.service.Service;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Shapes;
import org.mapsel.core.shape.Wire;

/**
 * A request that was given, as a text whose values lead to the fields that they are.
 *
 * @param address the method and the address
 * @param headers each with its name before its value
 */
public record RecordedText(List<Stretch> address, List<List<Stretch>> headers, List<Stretch> body) {

  /**
   * A stretch of the text.
   *
   * @param path the field whose value it is; the root if it is none
   */
  public record Stretch(String text, FieldPath path) {}

  private static final Pattern STEP = Pattern.compile("\\{([^{}]*)}");

  /** Nothing for an operation of which no request is known. */
  public static Optional<RecordedText> of(Service service, Operation operation) {
    for (OperationWire wire : operation.wires()) {
      if (wire instanceof OperationWire.Rest rest && rest.given().isPresent()) {
        return Optional.of(of(service, operation, rest, rest.given().get()));
      }
    }
    return Optional.empty();
  }

  private static RecordedText of(
      Service service, Operation operation, OperationWire.Rest rest, RecordedRequest given) {
    Writing writing = new Writing(service.shapes());
    List<Field> fields = service.shapes().fieldsOf(operation.input());
    String endpoint =
        service.findEndpoint(rest.endpoint()).map(found -> found.address()).orElse("");
    List<Stretch> address = new ArrayList<>();
    address.add(new Stretch(rest.method() + " " + endpoint, FieldPath.ROOT));
    path(rest.path(), fields, address);
    if (!given.query().isEmpty()) {
      address.add(new Stretch("?", FieldPath.ROOT));
      List<Field> query = fields.stream().filter(field -> isIn(field, Wire.In.QUERY)).toList();
      writing.write(given.query(), null, query, FieldPath.ROOT, address);
    }
    List<List<Stretch>> headers = new ArrayList<>();
    given
        .headers()
        .forEach((name, value) -> headers.add(header(name, new Stretch(value, FieldPath.ROOT))));
    for (Field field : fields) {
      if (field.wire() instanceof Wire.Parameter parameter && parameter.in() == Wire.In.HEADER) {
        headers.add(header(parameter.name(), value(field)));
      }
    }
    List<Stretch> body = new ArrayList<>();
    for (Field field : fields) {
      if (field.wire() instanceof Wire.Body) {
        rest.body()
            .ifPresent(
                content ->
                    headers.add(
                        header("Content-Type", new Stretch(content.mediaType(), FieldPath.ROOT))));
        FieldPath path = FieldPath.of(field.name());
        List<Field> inside = service.shapes().fieldsOf(field.shape());
        writing.write(given.body(), field, inside, path, body);
        if (given.body().isEmpty()) {
          inside.forEach(part -> part(part, path, body));
        }
      }
    }
    return new RecordedText(address, headers, body);
  }

  private static List<Stretch> header(String name, Stretch value) {
    return List.of(new Stretch(name + ": ", FieldPath.ROOT), value);
  }

  /** Parts are no text of their own. */
  private static void part(Field part, FieldPath body, List<Stretch> out) {
    out.add(new Stretch(part.name() + ": ", FieldPath.ROOT));
    out.add(new Stretch(part.assumed().orElse("a file"), body.then(part.name())));
    out.add(new Stretch("\n", FieldPath.ROOT));
  }

  private static Stretch value(Field field) {
    return new Stretch(field.assumed().orElse(""), FieldPath.of(field.name()));
  }

  private static boolean isIn(Field field, Wire.In in) {
    return field.wire() instanceof Wire.Parameter parameter && parameter.in() == in;
  }

  private static void path(String template, List<Field> fields, List<Stretch> out) {
    Matcher step = STEP.matcher(template);
    int end = 0;
    while (step.find()) {
      out.add(new Stretch(template.substring(end, step.start()), FieldPath.ROOT));
      for (Field field : fields) {
        if (isIn(field, Wire.In.PATH) && field.wire().label().equals(step.group(1))) {
          out.add(value(field));
        }
      }
      end = step.end();
    }
    out.add(new Stretch(template.substring(end), FieldPath.ROOT));
  }

  /** Goes through pieces with the fields that they are of. */
  private record Writing(Shapes shapes) {

    void write(
        List<Piece> pieces,
        @Nullable Field self,
        List<Field> fields,
        FieldPath path,
        List<Stretch> out) {
      for (Piece piece : pieces) {
        switch (piece) {
          case Around around -> out.add(new Stretch(around.text(), FieldPath.ROOT));
          case One one -> {
            Place place = text(place(one.steps(), self, fields, path));
            out.add(new Stretch(one.raw(), place.isValue(shapes) ? place.path : FieldPath.ROOT));
          }
          case Run run -> {
            Place place = place(run.steps(), self, fields, path);
            List<Field> inside =
                place.field == null ? List.of() : shapes.fieldsOf(place.field.shape());
            for (int i = 0; i < run.items().size(); i++) {
              if (i > 0) {
                out.add(new Stretch(run.between(), FieldPath.ROOT));
              }
              write(run.items().get(i), place.field, inside, place.path, out);
            }
          }
        }
      }
    }

    private Place place(
        List<String> steps, @Nullable Field self, List<Field> fields, FieldPath path) {
      List<Field> way = RecordedRequest.way(shapes, fields, steps);
      if (way.size() < steps.size()) {
        return new Place(null, path);
      }
      return new Place(way.isEmpty() ? self : way.getLast(), below(path, way));
    }

    /** An element that has attributes elsewhere holds its text as a field. */
    private Place text(Place place) {
      List<Field> text =
          place.field == null || place.isValue(shapes)
              ? List.of()
              : RecordedRequest.way(shapes, shapes.fieldsOf(place.field.shape()), List.of(""));
      return text.isEmpty() || !(text.get(0).wire() instanceof Wire.XmlText)
          ? place
          : new Place(text.get(0), below(place.path, text));
    }

    private static FieldPath below(FieldPath path, List<Field> way) {
      FieldPath here = path;
      for (Field field : way) {
        here = here.then(field.name());
      }
      return here;
    }
  }

  private record Place(@Nullable Field field, FieldPath path) {

    boolean isValue(Shapes shapes) {
      return field != null && shapes.get(field.shape()) instanceof Shape.Scalar;
    }
  }
}
