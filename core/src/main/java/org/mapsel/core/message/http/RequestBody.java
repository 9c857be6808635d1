package org.mapsel.core.message.http;

import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import org.mapsel.core.finding.Findings;
import org.mapsel.core.message.Trail;
import org.mapsel.core.message.http.ParameterText.Pair;
import org.mapsel.core.message.json.JsonMessage;
import org.mapsel.core.message.soap.XmlBody;
import org.mapsel.core.ref.Name;
import org.mapsel.core.service.OperationWire.Content;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.ScalarText;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Shapes;
import org.mapsel.core.shape.Wire;
import org.mapsel.core.value.BinaryKind;
import org.mapsel.core.value.BinaryValue;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;

/** The body of a request, in the media type that the description wants. */
final class RequestBody {

  /**
   * What is sent.
   *
   * @param contentType with the boundary, where there are parts
   */
  record Written(String contentType, byte[] bytes) {}

  private final Shapes shapes;
  private final Findings findings;
  private final String boundary;

  RequestBody(Shapes shapes, Findings findings, String boundary) {
    this.shapes = shapes;
    this.findings = findings;
    this.boundary = boundary;
  }

  Written write(Content content, Field field, Value value) {
    Trail path = Trail.ROOT.then(field.name());
    String type = content.mediaType().replace("*/*", "application/json");
    return switch (content.media()) {
      case JSON -> new Written(type, JsonMessage.write(shapes, field, value, path, findings));
      case XML -> new Written(type, xml(content, field, value, path));
      case FORM -> new Written(type, bytes(form(field, value, path)));
      case MULTIPART -> multipart(type, field, value, path);
      case TEXT, CSV -> new Written(type + "; charset=utf-8", bytes(text(field, value, path)));
      case BINARY -> new Written(type, binary(field, value, path));
    };
  }

  private static byte[] bytes(String text) {
    return text.getBytes(StandardCharsets.UTF_8);
  }

  private byte[] xml(Content content, Field field, Value value, Trail path) {
    Name element = content.element().orElse(Name.of("", field.name()));
    if (shapes.get(field.shape()) instanceof Shape.Record) {
      return XmlBody.write(shapes, element, field, value, path, findings);
    }
    return bytes(text(field, value, path));
  }

  private String text(Field field, Value value, Trail path) {
    return new ParameterText(shapes, findings).text(field, value, path);
  }

  private byte[] binary(Field field, Value value, Trail path) {
    return value instanceof BinaryValue binary ? binary.bytes() : bytes(text(field, value, path));
  }

  private String form(Field field, Value value, Trail path) {
    List<String> encoded = new ArrayList<>();
    for (Part part : parts(field, value, path)) {
      ParameterText text = new ParameterText(shapes, findings);
      Wire.FormPart how = part.how;
      boolean deep = part.value instanceof RecordValue && how.contentType().isEmpty();
      List<Pair> pairs =
          how.contentType().filter(type -> type.contains("json")).isPresent()
              ? List.of(
                  new Pair(
                      how.name(), Percent.encode(text.json(part.field, part.value, part.path))))
              : text.pairs(
                  part.field,
                  how.name(),
                  deep ? Wire.Style.DEEP_OBJECT : how.style(),
                  how.explode(),
                  part.value,
                  part.path,
                  Percent::encode);
      for (Pair pair : pairs) {
        encoded.add(Percent.encode(pair.name()) + "=" + pair.value());
      }
    }
    return String.join("&", encoded);
  }

  private record Part(Field field, Wire.FormPart how, Value value, Trail path) {}

  private List<Part> parts(Field field, Value value, Trail path) {
    List<Part> parts = new ArrayList<>();
    if (!(value instanceof RecordValue record)) {
      findings.add(path.error("MESSAGE_RECORD_EXPECTED"));
      return parts;
    }
    for (Field member : shapes.fieldsOf(field.shape())) {
      Value said = record.get(member.name());
      Value given =
          said.isAbsent() && member.isRequired()
              ? member.assumed().map(Value::text).orElse(said)
              : said;
      Trail inside = path.then(member.name());
      if (given.isAbsent() || given == Value.NULL) {
        new ParameterText(shapes, findings).required(member, inside);
      } else if (member.wire() instanceof Wire.FormPart how) {
        parts.add(new Part(member, how, given, inside));
      }
    }
    return parts;
  }

  /** RFC 7578. */
  private Written multipart(String mediaType, Field field, Value value, Trail path) {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    for (Part part : parts(field, value, path)) {
      List<Value> items = part.value instanceof ListValue list ? list.items() : List.of(part.value);
      for (Value item : items) {
        out.writeBytes(bytes("--" + boundary + "\r\n" + head(part, item) + "\r\n\r\n"));
        out.writeBytes(partBody(part, item));
        out.writeBytes(bytes("\r\n"));
      }
    }
    out.writeBytes(bytes("--" + boundary + "--\r\n"));
    return new Written(mediaType + "; boundary=" + boundary, out.toByteArray());
  }

  private String head(Part part, Value item) {
    String name = part.how.name().replace("\"", "%22").replaceAll("[\\r\\n]+", " ");
    boolean file = isFile(part);
    boolean json = !file && (item instanceof RecordValue || item instanceof ListValue);
    String type =
        part.how
            .contentType()
            .map(types -> types.split(",")[0].strip())
            .filter(given -> !given.contains("*"))
            .orElse(
                file && item instanceof BinaryValue binary
                    ? BinaryKind.mediaType(binary.bytes())
                    : json ? "application/json" : "");
    return "Content-Disposition: form-data; name=\""
        + name
        + "\""
        + (file ? "; filename=\"" + name + "\"" : "")
        + (type.isEmpty() ? "" : "\r\nContent-Type: " + type);
  }

  private boolean isFile(Part part) {
    return shapes.get(part.field.shape()) instanceof Shape.Scalar scalar
        && (scalar.builtIn().equals("binary") || scalar.builtIn().equals("file"));
  }

  private byte[] partBody(Part part, Value item) {
    if (isFile(part)) {
      return item instanceof BinaryValue binary ? binary.bytes() : bytes(ScalarText.print(item));
    }
    return bytes(new ParameterText(shapes, findings).text(part.field, item, part.path));
  }
}
