package org.mapsel.core.verify;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.json.PathJson;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.OperationId;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Samples as JSON and back; see docs/formats/sample.schema.json. */
public final class SampleFile {

  private static final int FORMAT = 1;
  private static final String SAMPLES = "samples";

  private SampleFile() {}

  public static ObjectNode write(Sample sample) {
    ObjectNode json = JsonNodeFactory.instance.objectNode();
    json.put("format", FORMAT);
    json.put("service", sample.service());
    json.put("operation", sample.operation().text());
    json.put("name", sample.name());
    json.set("parameters", sample.parameters());
    sample.answer().ifPresent(answer -> json.set("answer", answer));
    sample.failure().ifPresent(code -> json.put("failure", code));
    sample.check().ifPresent(check -> json.set("check", write(check)));
    WireJson.write(json, sample.wire());
    return json;
  }

  public static ObjectNode write(Check check) {
    ObjectNode json = JsonNodeFactory.instance.objectNode();
    json.put("holds", check.holds().name().toLowerCase(Locale.ROOT));
    paths(json, "fields", check.fields());
    paths(json, "ignored", check.ignored());
    paths(json, "unordered", check.unordered());
    if (check.tolerance().signum() > 0) {
      json.put("tolerance", check.tolerance());
    }
    check.within().ifPresent(millis -> json.put("within", millis));
    return json;
  }

  private static void paths(ObjectNode json, String name, List<FieldPath> paths) {
    if (!paths.isEmpty()) {
      ArrayNode list = json.putArray(name);
      paths.forEach(path -> list.add(PathJson.write(path)));
    }
  }

  /** The sample; a finding says what cannot be understood. */
  public static Outcome<Sample> read(JsonNode json) {
    if (json.path("format").asInt(FORMAT) != FORMAT
        || json.path("operation").asString("").isBlank()
        || !json.path("parameters").isObject()) {
      return Outcome.failed(
          Finding.error(
              "VERIFY_SAMPLE_WRONG", "missing", "format 1, an operation and its parameters"));
    }
    try {
      return Outcome.of(
          new Sample(
              json.path("service").asString(""),
              new OperationId(json.path("operation").asString()),
              json.path("name").asString(""),
              json.path("parameters"),
              Optional.of(json.path("answer")).filter(JsonNode::isObject),
              Optional.of(json.path("failure")).filter(JsonNode::isString).map(JsonNode::asString),
              Optional.of(json.path("check")).filter(JsonNode::isObject).map(SampleFile::check),
              WireJson.read(json)));
    } catch (IllegalArgumentException e) {
      return Outcome.failed(
          Finding.error("VERIFY_SAMPLE_WRONG", "missing", String.valueOf(e.getMessage())));
    }
  }

  /** Adds samples to an app file. */
  public static void add(ObjectNode app, List<Sample> samples) {
    if (!samples.isEmpty()) {
      ArrayNode list = app.putArray(SAMPLES);
      samples.forEach(sample -> list.add(write(sample)));
    }
  }

  /** The samples in an app file. */
  public static Outcome<List<Sample>> list(JsonNode app) {
    List<Sample> samples = new ArrayList<>();
    for (JsonNode one : app.path(SAMPLES)) {
      Outcome<Sample> sample = read(one);
      if (sample.value().isEmpty()) {
        return Outcome.failed(sample.findings());
      }
      samples.add(sample.get());
    }
    return Outcome.of(samples);
  }

  private static Check check(JsonNode json) {
    String holds = json.path("holds").asString("shape").toUpperCase(Locale.ROOT);
    return new Check(
        Check.Holds.valueOf(holds),
        paths(json.path("fields")),
        paths(json.path("ignored")),
        paths(json.path("unordered")),
        json.path("tolerance").isNumber() ? json.path("tolerance").decimalValue() : BigDecimal.ZERO,
        Optional.of(json.path("within")).filter(JsonNode::isNumber).map(JsonNode::longValue));
  }

  private static List<FieldPath> paths(JsonNode list) {
    List<FieldPath> paths = new ArrayList<>();
    list.forEach(
        path ->
            paths.add(
                PathJson.read(path)
                    .orElseThrow(() -> new IllegalArgumentException("a path: " + path))));
    return paths;
  }
}
