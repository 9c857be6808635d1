package org.mapsel.core.read.sample;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
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
  private static final String PARAMETERS = "_parameters";

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
    if (!sample.parameters.isEmpty()) {
      ArrayNode marked = request.putArray(PARAMETERS);
      sample.parameters.forEach(marked::add);
    }
    if (!sample.parts.isEmpty()) {
      ArrayNode params = request.putObject("postData").putArray("params");
      for (Sample.Part part : sample.parts) {
        ObjectNode param = params.addObject().put("name", part.name());
        param.put(part.file() ? "fileName" : "value", part.value());
        param.put("contentType", part.mediaType());
      }
    } else if (!sample.body.isEmpty()) {
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
                request.items(PARAMETERS).forEach(key -> sample.parameters.add(key.text()));
                request.find("postData").ifPresent(data -> body(data, sample));
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

  /** Pairs of a form have a text too; the parts of other bodies may have none. */
  private static void body(DataNode data, Sample sample) {
    boolean form = data.text("mimeType").startsWith("application/x-www-form-urlencoded");
    List<DataNode> params = data.items("params");
    if (form && data.text("text").isEmpty()) {
      sample.body =
          params.stream()
              .map(param -> encoded(param.text("name")) + "=" + encoded(param.text("value")))
              .collect(Collectors.joining("&"));
    } else if (form || params.isEmpty()) {
      sample.body = data.text("text");
    } else {
      for (DataNode param : params) {
        boolean file = param.find("fileName").isPresent();
        sample.parts.add(
            new Sample.Part(
                param.text("name"), param.text("value"), file, param.text("contentType")));
      }
      // The parts get a boundary of their own.
      sample.headers.removeIf(header -> header.name().equalsIgnoreCase("content-type"));
    }
  }

  private static String encoded(String text) {
    return URLEncoder.encode(text, StandardCharsets.UTF_8);
  }

  private static int status(String text) {
    return text.matches("\\d{3}") ? Integer.parseInt(text) : 0;
  }
}
