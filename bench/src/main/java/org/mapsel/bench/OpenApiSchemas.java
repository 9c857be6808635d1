package org.mapsel.bench;

import com.fasterxml.jackson.core.JsonPointer;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.networknt.schema.Error;
import com.networknt.schema.InputFormat;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.dialect.Dialect;
import com.networknt.schema.dialect.Dialects;
import java.net.URI;
import java.net.URISyntaxException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.message.Response;
import org.mapsel.core.service.OperationWire;

/** The schemas of answers in an OpenAPI document from 3.0 on, for a validator that is not ours. */
final class OpenApiSchemas {

  private static final String ADDRESS = "urn:described";
  private static final Pattern NEWER = version("3\\.[12]");
  private static final Pattern OLDER = version("3\\.0");

  private final SchemaRegistry registry;
  private final JsonNode document;

  private OpenApiSchemas(Dialect dialect, JsonNode document) {
    String json = document.toString();
    this.document = document;
    this.registry =
        SchemaRegistry.withDefaultDialect(
            dialect, built -> built.schemas(address -> address.equals(ADDRESS) ? json : null));
  }

  private static Pattern version(String number) {
    return Pattern.compile("openapi[\"']?\\s*:\\s*[\"']?" + number);
  }

  /** Nothing for a document of another kind. */
  static Optional<OpenApiSchemas> of(SourceText source) {
    String text = new String(source.bytes(), StandardCharsets.UTF_8);
    boolean newer = NEWER.matcher(text).find();
    if (!newer && !OLDER.matcher(text).find()) {
      return Optional.empty();
    }
    Dialect dialect = newer ? Dialects.getOpenApi31() : Dialects.getOpenApi30();
    InputFormat format = text.strip().startsWith("{") ? InputFormat.JSON : InputFormat.YAML;
    JsonNode document =
        SchemaRegistry.withDefaultDialect(dialect).getSchema(text, format).getSchemaNode();
    forAnswers(document);
    return Optional.of(new OpenApiSchemas(dialect, document));
  }

  /** What is only sent is not required of an answer (OpenAPI 3.0, Schema Object, writeOnly). */
  private static void forAnswers(JsonNode node) {
    if (node.path("required") instanceof ArrayNode required) {
      for (int i = required.size() - 1; i >= 0; i--) {
        if (node.at("/properties").path(required.path(i).asText()).path("writeOnly").asBoolean()) {
          required.remove(i);
        }
      }
    }
    node.forEach(OpenApiSchemas::forAnswers);
  }

  /** What is wrong with the body of an answer; nothing if no schema is given for it as JSON. */
  Optional<List<Error>> errors(OperationWire.Rest wire, Response response) {
    JsonPointer responses =
        JsonPointer.empty()
            .appendProperty("paths")
            .appendProperty(wire.path())
            .appendProperty(wire.method().toLowerCase(Locale.ROOT))
            .appendProperty("responses");
    JsonPointer returned =
        referred(responses.appendProperty(status(document.at(responses), response)));
    String media =
        response.headers().getOrDefault("Content-Type", List.of("")).getFirst().split(";")[0];
    JsonPointer schema =
        returned.appendProperty("content").appendProperty(media).appendProperty("schema");
    if (!media.contains("json") || document.at(schema).isMissingNode()) {
      return Optional.empty();
    }
    return Optional.of(
        registry
            .getSchema(JsonNodeFactory.instance.objectNode().put("$ref", address(schema)))
            .validate(new String(response.body(), StandardCharsets.UTF_8), InputFormat.JSON));
  }

  private static String address(JsonPointer pointer) {
    try {
      return new URI("urn", "described", pointer.toString()).toString();
    } catch (URISyntaxException e) {
      throw new IllegalArgumentException(e);
    }
  }

  private static String status(JsonNode responses, Response response) {
    String exact = String.valueOf(response.status());
    String like = exact.charAt(0) + "XX";
    return responses.has(exact) ? exact : responses.has(like) ? like : "default";
  }

  private JsonPointer referred(JsonPointer pointer) {
    String reference = document.at(pointer).path("$ref").asText();
    return reference.startsWith("#/") ? JsonPointer.compile(reference.substring(1)) : pointer;
  }
}
