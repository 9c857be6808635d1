package org.mapsel.core.table;

import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.stream.Collectors;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Offered tables as paths (OpenAPI 3.1). */
final class OpenApiOfOffer {

  private static final JsonMapper JSON = new JsonMapper();
  private static final String MEDIA = "application/json";
  private static final String KEY = "key";

  private final TableOffer offer;
  private final String address;
  private final boolean keyed;

  OpenApiOfOffer(TableOffer offer, String address, boolean keyed) {
    this.offer = offer;
    this.address = address;
    this.keyed = keyed;
  }

  byte[] write() {
    ObjectNode root = JSON.createObjectNode().put("openapi", "3.1.0");
    root.putObject("info").put("title", offer.name()).put("version", "1");
    root.putArray("servers").addObject().put("url", address);
    ObjectNode paths = root.putObject("paths");
    ObjectNode components = root.putObject("components");
    ObjectNode schemas = components.putObject("schemas");
    for (OfferedTable table : offer.tables()) {
      String list = OfferDescriptions.path(table);
      ObjectNode all = paths.putObject(list);
      ObjectNode one =
          paths.putObject(
              list
                  + table.keys().stream()
                      .map(key -> "/{" + key.name() + "}")
                      .collect(Collectors.joining()));
      ArrayNode keys = one.putArray("parameters");
      table.keys().forEach(key -> parameter(keys, key, "path", true));
      operation(one.putObject("get"), OfferAction.READ, table);
      operation(all.putObject("get"), OfferAction.LIST, table);
      if (OfferAction.CREATE.isOffered(table)) {
        operation(all.putObject("post"), OfferAction.CREATE, table);
      }
      if (OfferAction.CHANGE.isOffered(table)) {
        operation(one.putObject("patch"), OfferAction.CHANGE, table);
      }
      if (OfferAction.DELETE.isOffered(table)) {
        operation(one.putObject("delete"), OfferAction.DELETE, table);
      }
      row(schemas.putObject(table.name()), table);
      change(schemas.putObject(table.name() + "Change"), table);
      rows(schemas.putObject(table.several()), table);
    }
    problem(schemas.putObject("Problem"));
    if (keyed) {
      components
          .putObject("securitySchemes")
          .putObject(KEY)
          .put("type", "apiKey")
          .put("in", "header")
          .put("name", "X-API-Key");
      root.putArray("security").addObject().putArray(KEY);
    }
    return root.toString().getBytes(StandardCharsets.UTF_8);
  }

  private static void operation(ObjectNode operation, OfferAction action, OfferedTable table) {
    String name = action.name(table);
    operation.put("operationId", name.substring(0, 1).toLowerCase(Locale.ROOT) + name.substring(1));
    operation.put("summary", action.words(table));
    ObjectNode responses = operation.putObject("responses");
    switch (action) {
      case READ -> content(responses, "200", table.name());
      case LIST -> {
        ArrayNode parameters = operation.putArray("parameters");
        table.columns().forEach(column -> parameter(parameters, column, "query", false));
        option(
            parameters,
            OfferDescriptions.ORDER,
            "string",
            "A column, perhaps with desc behind it; several with commas.");
        option(parameters, OfferDescriptions.SKIP, "integer", "How many rows to pass over.");
        option(parameters, OfferDescriptions.TOP, "integer", "How many rows at most.");
        content(responses, "200", table.several());
      }
      case CREATE -> {
        body(operation, table.name());
        content(responses, "201", table.name());
      }
      case CHANGE -> {
        body(operation, table.name() + "Change");
        content(responses, "200", table.name());
      }
      case DELETE -> {
        option(
            operation.putArray("parameters"),
            OfferedTable.VERSION,
            "integer",
            "The version that was read.");
        responses.putObject("204").put("description", "It is gone.");
      }
    }
    responses
        .putObject("default")
        .put("description", "Why it was not done.")
        .putObject("content")
        .putObject("application/problem+json")
        .putObject("schema")
        .put("$ref", "#/components/schemas/Problem");
  }

  private static void body(ObjectNode operation, String schema) {
    ObjectNode body = operation.putObject("requestBody").put("required", true);
    body.putObject("content")
        .putObject(MEDIA)
        .putObject("schema")
        .put("$ref", "#/components/schemas/" + schema);
  }

  private static void content(ObjectNode responses, String status, String schema) {
    responses
        .putObject(status)
        .put("description", "Done.")
        .putObject("content")
        .putObject(MEDIA)
        .putObject("schema")
        .put("$ref", "#/components/schemas/" + schema);
  }

  private static void parameter(ArrayNode parameters, Column column, String in, boolean required) {
    ObjectNode parameter = parameters.addObject().put("name", column.name()).put("in", in);
    parameter.put("required", required);
    schema(parameter.putObject("schema"), column, false);
  }

  private static void option(ArrayNode parameters, String name, String type, String words) {
    parameters
        .addObject()
        .put("name", name)
        .put("in", "query")
        .put("description", words)
        .putObject("schema")
        .put("type", type);
  }

  private static void row(ObjectNode schema, OfferedTable table) {
    ObjectNode properties = schema.put("type", "object").putObject("properties");
    ArrayNode required = schema.putArray("required");
    for (Column column : table.columns()) {
      schema(properties.putObject(column.name()), column, !column.key() && !column.required());
      if (column.key() || column.required()) {
        required.add(column.name());
      }
    }
    properties
        .putObject(OfferedTable.VERSION)
        .put("type", "integer")
        .put("format", "int64")
        .put("readOnly", true);
  }

  private static void change(ObjectNode schema, OfferedTable table) {
    ObjectNode properties = schema.put("type", "object").putObject("properties");
    for (Column column : table.columns()) {
      if (!column.key()) {
        schema(properties.putObject(column.name()), column, !column.required());
      }
    }
    properties
        .putObject(OfferedTable.VERSION)
        .put("type", "integer")
        .put("format", "int64")
        .put(
            "description",
            "The version that was read; it is changed only if it is still that one.");
  }

  private static void rows(ObjectNode schema, OfferedTable table) {
    ObjectNode properties = schema.put("type", "object").putObject("properties");
    properties.putObject(OfferDescriptions.TOTAL).put("type", "integer").put("format", "int64");
    properties
        .putObject(OfferDescriptions.ROWS)
        .put("type", "array")
        .putObject("items")
        .put("$ref", "#/components/schemas/" + table.name());
    schema.putArray("required").add(OfferDescriptions.TOTAL).add(OfferDescriptions.ROWS);
  }

  /** RFC 9457. */
  private static void problem(ObjectNode schema) {
    ObjectNode properties = schema.put("type", "object").putObject("properties");
    properties.putObject("status").put("type", "integer");
    properties.putObject("title").put("type", "string");
    properties.putObject("detail").put("type", "string");
  }

  private static void schema(ObjectNode schema, Column column, boolean nullable) {
    String type =
        switch (column.type()) {
          case WHOLE -> "integer";
          case DECIMAL, MONEY -> "number";
          case YES_NO -> "boolean";
          case TEXT, DATE, TIME, DATE_TIME -> "string";
        };
    if (nullable) {
      schema.putArray("type").add(type).add("null");
    } else {
      schema.put("type", type);
    }
    switch (column.type()) {
      case WHOLE -> schema.put("format", "int64");
      case DATE -> schema.put("format", "date");
      case DATE_TIME -> schema.put("format", "date-time");
      case TIME -> schema.put("format", "time-local");
      default -> {
        // Its type says it all.
      }
    }
    if (!column.label().equals(column.name())) {
      schema.put("title", column.label());
    }
    if (!column.unit().isEmpty()) {
      schema.put("description", "In " + column.unit() + ".");
    }
    if (!column.codes().isEmpty()) {
      ArrayNode codes = schema.putArray("enum");
      column.codes().forEach(codes::add);
      if (nullable) {
        codes.addNull();
      }
    }
  }
}
