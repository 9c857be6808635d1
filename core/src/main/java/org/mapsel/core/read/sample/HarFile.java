package org.mapsel.core.read.sample;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.mapsel.core.document.DataDocument;
import org.mapsel.core.document.DataNode;
import org.mapsel.core.document.Limits;
import org.mapsel.core.document.SourceText;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** A HAR file (HTTP Archive 1.2): exchanges that a browser or a proxy has recorded. */
final class HarFile {

  /** Names that begin so are free for anybody (HAR 1.2, custom fields). */
  private static final String AS_GIVEN = "_asGiven";

  private HarFile() {}

  static boolean is(String text) {
    return text.stripLeading().startsWith("{");
  }

  /**
   * Only what is read of it: the rest (cookies one by one, what the browser has measured) serves
   * nobody and may hold secrets.
   */
  static Optional<String> reduced(SourceText source) {
    return DataDocument.read(source, Limits.DESCRIPTION)
        .root()
        .map(HarFile::read)
        .map(HarFile::write);
  }

  /** One entry for each answer: an entry holds just one. */
  static String write(List<Sample> samples) {
    ObjectNode root = JsonNodeFactory.instance.objectNode();
    ObjectNode log = root.putObject("log");
    log.put("version", "1.2");
    log.putObject("creator").put("name", "Mapsel").put("version", "1");
    ArrayNode entries = log.putArray("entries");
    for (Sample sample : samples) {
      if (sample.answers.isEmpty()) {
        request(sample, entries.addObject());
      }
      for (Sample.Answer answer : sample.answers) {
        ObjectNode entry = entries.addObject();
        request(sample, entry);
        ObjectNode response = entry.putObject("response").put("status", answer.status());
        response
            .putObject("content")
            .put("mimeType", answer.mediaType())
            .put("text", answer.body());
      }
    }
    return new JsonMapper().writeValueAsString(root);
  }

  private static void request(Sample sample, ObjectNode entry) {
    ObjectNode request = entry.putObject("request");
    request.put("method", sample.method).put("url", sample.address);
    ArrayNode headers = request.putArray("headers");
    for (Sample.Field field : sample.headers) {
      headers.addObject().put("name", field.name()).put("value", field.value());
    }
    if (!sample.asGiven.isEmpty()) {
      ArrayNode kept = request.putArray(AS_GIVEN);
      sample.asGiven.forEach(kept::add);
    }
    if (!sample.body.isEmpty()) {
      request.putObject("postData").put("text", sample.body);
    }
  }

  static List<Sample> read(DataNode root) {
    List<Sample> samples = new ArrayList<>();
    for (DataNode entry : root.find("log").map(log -> log.items("entries")).orElse(List.of())) {
      Sample sample = new Sample();
      entry
          .find("request")
          .ifPresent(
              request -> {
                sample.method = request.text("method");
                sample.address = request.text("url");
                for (DataNode header : request.items("headers")) {
                  sample.headers.add(new Sample.Field(header.text("name"), header.text("value")));
                }
                request.items(AS_GIVEN).forEach(key -> sample.asGiven.add(key.text()));
                request.find("postData").ifPresent(data -> sample.body = data.text("text"));
              });
      entry
          .find("response")
          .ifPresent(
              response ->
                  response
                      .find("content")
                      .filter(content -> content.text("encoding").isEmpty())
                      .ifPresent(
                          content ->
                              sample.answers.add(
                                  new Sample.Answer(
                                      status(response.text("status")),
                                      content.text("mimeType"),
                                      content.text("text")))));
      if (sample.address.startsWith("http")) {
        samples.add(sample);
      }
    }
    return samples;
  }

  private static int status(String text) {
    return text.matches("\\d{3}") ? Integer.parseInt(text) : 0;
  }
}
