package org.mapsel.core.message.http;

import java.util.Objects;
import org.mapsel.core.finding.Findings;
import org.mapsel.core.message.Trail;
import org.mapsel.core.message.soap.XmlBody;
import org.mapsel.core.service.OperationWire.Media;
import org.mapsel.core.service.RecordedRequest.One;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.Shapes;
import org.mapsel.core.value.Value;

/** How values are written into a text that was given, escaped for where they stand. */
final class RecordedNotation {

  private final Shapes shapes;
  private final Findings findings;
  private final Media media;

  /**
   * @param media what the text is; a query is a form
   */
  RecordedNotation(Shapes shapes, Findings findings, Media media) {
    this.shapes = shapes;
    this.findings = findings;
    this.media = media;
  }

  /** A value in the place of the given one. */
  String value(Field field, Value value, Trail path, One given) {
    return switch (media) {
      case JSON -> json(field, value, path);
      case XML -> XmlBody.escaped(text(field, value, path), path, findings);
      case FORM -> Percent.encode(text(field, value, path));
      case CSV ->
          CsvBody.holdsRows(shapes, field)
              ? CsvBody.write(shapes, field, value, given.raw(), path, findings)
              : text(field, value, path);
      case TEXT, MULTIPART, BINARY -> text(field, value, path);
    };
  }

  /** One of several of a name, where nothing like it was given. */
  String item(Field field, Value value, Trail path) {
    return switch (media) {
      case XML ->
          XmlBody.element(
              shapes, field, value, Objects.requireNonNullElse(path.parent(), path), findings);
      case FORM ->
          Percent.encodeName(field.wire().label()) + "=" + Percent.encode(text(field, value, path));
      case JSON, CSV, TEXT, MULTIPART, BINARY -> json(field, value, path);
    };
  }

  /** A value that was taken out of the text has to be given. */
  void missing(Trail path) {
    findings.add(path.error("MESSAGE_PARAMETER_MISSING"));
  }

  private String json(Field field, Value value, Trail path) {
    return new ParameterText(shapes, findings).json(field, value, path);
  }

  private String text(Field field, Value value, Trail path) {
    return new ParameterText(shapes, findings).text(field, value, path);
  }
}
