package org.mapsel.core.message.json;

import java.io.ByteArrayOutputStream;
import java.util.List;
import java.util.Set;
import java.util.function.Consumer;
import org.mapsel.core.document.Limits;
import org.mapsel.core.finding.Findings;
import org.mapsel.core.message.Trail;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.Hints;
import org.mapsel.core.shape.Occurrence;
import org.mapsel.core.shape.Shapes;
import org.mapsel.core.shape.Wire;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.JsonParser;
import tools.jackson.core.ObjectReadContext;
import tools.jackson.core.ObjectWriteContext;
import tools.jackson.core.StreamReadConstraints;
import tools.jackson.core.json.JsonFactory;
import tools.jackson.core.json.JsonReadFeature;

/** The door of this package: writes and reads whole messages. */
public final class JsonMessage {

  private static final int MAX_NUMBER = 1_000;
  private static final JsonFactory FACTORY =
      JsonFactory.builder()
          // What other programs write although JSON does not have it.
          .enable(JsonReadFeature.ALLOW_NON_NUMERIC_NUMBERS)
          .enable(JsonReadFeature.ALLOW_TRAILING_COMMA)
          .streamReadConstraints(
              StreamReadConstraints.builder()
                  .maxNestingDepth(Limits.ANSWER.maxDepth())
                  .maxStringLength(Limits.ANSWER.maxTextChars())
                  .maxNumberLength(MAX_NUMBER)
                  .build())
          .build();

  private JsonMessage() {}

  /** One field's value as a message of its own, to be sent. */
  public static byte[] write(
      Shapes shapes, Field field, Value value, Trail path, Findings findings) {
    return write(shapes, field, value, path, findings, JsonDialect.PLAIN);
  }

  /** Like the other, in another dialect. */
  public static byte[] write(
      Shapes shapes, Field field, Value value, Trail path, Findings findings, JsonDialect dialect) {
    return written(
        shapes,
        findings,
        dialect,
        Hints.Direction.RETURNED_ONLY,
        writer -> writer.value(field, value, path));
  }

  /** Some fields of a record as an object to be sent; the others are somebody else's. */
  public static byte[] write(
      Shapes shapes,
      List<Field> fields,
      RecordValue record,
      Findings findings,
      JsonDialect dialect) {
    return written(
        shapes,
        findings,
        dialect,
        Hints.Direction.RETURNED_ONLY,
        writer -> writer.members(fields, record));
  }

  /** One field's value as an answer. */
  public static byte[] answer(
      Shapes shapes, Field field, Value value, Trail path, Findings findings) {
    return written(
        shapes,
        findings,
        JsonDialect.PLAIN,
        Hints.Direction.SENT_ONLY,
        writer -> writer.value(field, value, path));
  }

  /** A record as an answer. */
  public static byte[] answer(
      Shapes shapes, ShapeId shape, RecordValue record, Findings findings, JsonDialect dialect) {
    Field whole = Field.of("answer", shape, Occurrence.ONE, new Wire.Body());
    return written(
        shapes,
        findings,
        dialect,
        Hints.Direction.SENT_ONLY,
        writer -> writer.value(whole, record, Trail.ROOT));
  }

  private static byte[] written(
      Shapes shapes,
      Findings findings,
      JsonDialect dialect,
      Hints.Direction other,
      Consumer<JsonWriter> message) {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream(512);
    try (JsonGenerator out = FACTORY.createGenerator(ObjectWriteContext.empty(), bytes)) {
      message.accept(new JsonWriter(shapes, findings, out, dialect, other));
    }
    return bytes.toByteArray();
  }

  /**
   * Reads a message into a record of a shape.
   *
   * @param wanted the fields to keep, with all below them; none keeps everything
   * @throws JacksonException if it is not JSON
   */
  public static RecordValue read(
      Shapes shapes, ShapeId shape, byte[] body, Set<FieldPath> wanted, Findings findings) {
    try (JsonParser parser = FACTORY.createParser(ObjectReadContext.empty(), body)) {
      parser.nextToken();
      return read(shapes, shape, parser, wanted, findings, JsonDialect.PLAIN);
    }
  }

  /** Like the other, from where a parser stands. */
  public static RecordValue read(
      Shapes shapes,
      ShapeId shape,
      JsonParser parser,
      Set<FieldPath> wanted,
      Findings findings,
      JsonDialect dialect) {
    return new JsonReader(findings, dialect).root(JsonPlan.of(shapes, shape, wanted), parser);
  }

  /** A parser at the first token of a message. */
  public static JsonParser parser(byte[] body) {
    JsonParser parser = FACTORY.createParser(ObjectReadContext.empty(), body);
    parser.nextToken();
    return parser;
  }

  /** Like the other, over a message as text; places are counted in its characters. */
  public static JsonParser parser(String message) {
    JsonParser parser = FACTORY.createParser(ObjectReadContext.empty(), message);
    parser.nextToken();
    return parser;
  }
}
