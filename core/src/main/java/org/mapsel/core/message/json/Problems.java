package org.mapsel.core.message.json;

import java.util.List;
import org.mapsel.core.json.ValueJson;
import org.mapsel.core.message.AnswerStart;
import org.mapsel.core.message.Response;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.TextValue;
import org.mapsel.core.value.Value;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/** Errors told in JSON, in the forms that are usual (RFC 9457 among them). */
public final class Problems {

  private static final JsonMapper MAPPER = new JsonMapper();

  /** Where a sentence for people stands, the most telling place first. */
  private static final List<FieldPath> REASONS =
      List.of(
          FieldPath.of("detail"),
          FieldPath.of("error", "message", "value"),
          FieldPath.of("error", "message"),
          FieldPath.of("message"),
          FieldPath.of("error_description"),
          FieldPath.of("errorMessage"),
          FieldPath.of("errors", "message"),
          FieldPath.of("title"),
          FieldPath.of("error"));

  private Problems() {}

  /** Whatever the body holds, without any shape; nothing if it is no object. */
  public static RecordValue open(byte[] body) {
    try {
      Value value = ValueJson.read(MAPPER.readTree(body));
      return value instanceof RecordValue record
          ? record
          : value instanceof ListValue list && !list.items().isEmpty()
              ? RecordValue.empty().with("items", list)
              : RecordValue.empty();
    } catch (JacksonException e) {
      // The start of the body is shown as the reason then.
      return RecordValue.empty();
    }
  }

  /** What people can read of it. */
  public static String reason(RecordValue detail, Response response) {
    for (FieldPath path : REASONS) {
      if (detail.at(path) instanceof TextValue text && !text.text().isBlank()) {
        return text.text();
      }
    }
    return AnswerStart.of(response.body());
  }
}
