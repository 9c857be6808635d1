package org.mapsel.core.serve;

import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.mapsel.core.call.Question;
import org.mapsel.core.finding.Findings;
import org.mapsel.core.json.ValueJson;
import org.mapsel.core.message.Response;
import org.mapsel.core.message.json.JsonDialect;
import org.mapsel.core.message.json.JsonMessage;
import org.mapsel.core.message.json.Problems;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.service.OperationWire;
import org.mapsel.core.service.Service;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Wire;
import org.mapsel.core.value.BinaryKind;
import org.mapsel.core.value.BinaryValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Entities over OData 4 and 2, in JSON. */
final class EntityServing implements Serving {

  private static final int BAD = 400;
  private static final int CREATED = 201;
  private static final int NO_CONTENT = 204;
  private static final JsonMapper JSON = new JsonMapper();

  private final Service service;
  private final Routes routes;
  private final boolean old;

  EntityServing(Service service, EndpointId endpoint, boolean old) {
    this.service = service;
    this.routes = new Routes(service, endpoint);
    this.old = old;
  }

  @Override
  public Optional<Question> read(IncomingRequest asked) {
    return found(asked)
        .map(
            found -> {
              RowQuery query = query(asked);
              refuseUnknown(query.select(), members(found));
              return new Question(found.operation(), found.wire(), parameters(found, asked), query);
            });
  }

  /** Brackets with nothing in them may be left out, and may stand where nobody announced them. */
  private Optional<Routes.Found> found(IncomingRequest asked) {
    String path = asked.path();
    boolean bare = path.endsWith("()");
    return routes
        .find(asked.method(), path)
        .or(
            () ->
                routes.find(
                    asked.method(), bare ? path.substring(0, path.length() - 2) : path + "()"));
  }

  private RecordValue parameters(Routes.Found found, IncomingRequest asked) {
    ParameterReader reader = new ParameterReader(service.shapes(), asked);
    Map<String, String> aliases = new HashMap<>();
    asked.pairs().stream()
        .filter(pair -> pair.getKey().startsWith("@"))
        .forEach(pair -> aliases.put(pair.getKey(), pair.getValue()));
    Map<String, String> inPath = new HashMap<>();
    found.values().forEach((name, text) -> inPath.put(name, literal(text, aliases)));
    Map<String, Value> values = new LinkedHashMap<>();
    List<Field> fields = service.shapes().fieldsOf(found.operation().input());
    for (Field field : fields) {
      // System options say which rows are wanted; they are read apart.
      if (field.wire() instanceof Wire.Parameter parameter && !parameter.name().startsWith("$")) {
        String text = inPath.get(parameter.name());
        put(
            values,
            field,
            text == null || isSimple(field)
                ? reader.read(field, parameter, inPath)
                : reader.json(field, text));
      }
    }
    if (asked.body().length > 0) {
      body(fields, asked.body(), values);
    }
    return RecordValue.of(values);
  }

  private static void put(Map<String, Value> values, Field field, Value value) {
    if (!value.isAbsent()) {
      values.put(field.name(), value);
    }
  }

  private boolean isSimple(Field field) {
    return !field.isRepeated() && service.shapes().get(field.shape()) instanceof Shape.Scalar;
  }

  /** What stands in a path, or behind the alias there (OData 4.01 URL conventions, 5.1.1.14). */
  private static String literal(String text, Map<String, String> aliases) {
    String decoded = IncomingRequest.decoded(text.replace("+", "%2B"));
    return plain(aliases.getOrDefault(decoded, decoded));
  }

  /** A value in an address without what its type puts around it. */
  private static String plain(String decoded) {
    String bare = decoded.replaceFirst("^\\w+=(?=['\\d\\w-])", "");
    if (bare.endsWith("'")) {
      return bare.substring(bare.indexOf('\'') + 1, bare.length() - 1).replace("''", "'");
    }
    return bare.matches("-?\\d+(\\.\\d+)?[LMdfF]") ? bare.substring(0, bare.length() - 1) : bare;
  }

  private void body(List<Field> fields, byte[] body, Map<String, Value> values) {
    Optional<Field> whole =
        fields.stream().filter(field -> field.wire() instanceof Wire.Body).findFirst();
    try {
      if (whole.isPresent() && service.shapes().get(whole.get().shape()) instanceof Shape.Scalar) {
        put(values, whole.get(), new BinaryValue(body));
      } else if (whole.isPresent()) {
        Findings findings = new Findings();
        put(
            values,
            whole.get(),
            JsonMessage.read(
                service.shapes(),
                whole.get().shape(),
                JsonMessage.parser(body),
                Set.of(),
                findings,
                dialect()));
        if (findings.hasErrors()) {
          throw Refusal.of(BAD, findings.toList());
        }
      } else {
        RecordValue sent = Problems.open(body);
        for (Field field : fields) {
          if (field.wire() instanceof Wire.Member member) {
            put(
                values,
                field,
                ValueJson.typed(sent.get(member.name()), service.shapes(), field.shape()));
          }
        }
      }
    } catch (JacksonException e) {
      throw new Refusal(BAD, "The body is no JSON: " + e.getOriginalMessage());
    }
  }

  private static RowQuery query(IncomingRequest asked) {
    Map<String, String> options = new HashMap<>();
    asked.pairs().forEach(pair -> options.put(pair.getKey(), pair.getValue()));
    return new RowQuery(
        Optional.ofNullable(options.get("$filter")).map(RowFilter::of).orElse(RowCondition.ALL),
        Optional.ofNullable(options.get("$orderby")).map(RowQuery::order).orElse(List.of()),
        number(options, "$skip", 0),
        number(options, "$top", Integer.MAX_VALUE),
        "true".equals(options.get("$count")) || "allpages".equals(options.get("$inlinecount")),
        selected(options.getOrDefault("$select", "*")));
  }

  /** OData URL conventions 4.01, section 5.1.4; of a way into a member all of it is given. */
  private static Set<String> selected(String option) {
    Set<String> names = new LinkedHashSet<>();
    for (String path : option.split(",")) {
      names.add(path.strip().replaceFirst("/.*", ""));
    }
    return names.contains("*") ? Set.of() : names;
  }

  private void refuseUnknown(Set<String> selected, List<Field> fields) {
    for (String name : selected) {
      if (fields.stream().noneMatch(field -> field.name().equals(name))) {
        throw new Refusal(BAD, "$select names " + name + ", which is no property here.");
      }
    }
  }

  /** The fields of one entity of those that an operation gives. */
  private List<Field> members(Routes.Found found) {
    List<Field> fields = service.shapes().fieldsOf(found.operation().output());
    boolean rows =
        found.wire() instanceof OperationWire.Entities wire
            && wire.result() == OperationWire.Entities.Result.ROWS;
    return fields.stream()
        .filter(field -> rows && field.isRepeated())
        .filter(field -> service.shapes().get(field.shape()) instanceof Shape.Record)
        .findFirst()
        .map(one -> service.shapes().fieldsOf(one.shape()))
        .orElse(fields);
  }

  private static int number(Map<String, String> options, String name, int otherwise) {
    String text = options.get(name);
    if (text == null) {
      return otherwise;
    }
    if (!text.matches("\\d{1,9}")) {
      throw new Refusal(BAD, name + " is no whole number.");
    }
    return Integer.parseInt(text);
  }

  private JsonDialect dialect() {
    return old ? JsonDialect.ODATA_2 : JsonDialect.PLAIN;
  }

  @Override
  public Response write(Question question, RecordValue value) {
    OperationWire.Entities wire = (OperationWire.Entities) question.wire();
    if (wire.result() == OperationWire.Entities.Result.FILE) {
      byte[] bytes = value.get("value") instanceof BinaryValue file ? file.bytes() : new byte[0];
      return new Response(200, Map.of("Content-Type", List.of(BinaryKind.mediaType(bytes))), bytes);
    }
    boolean nothing = wire.result() == OperationWire.Entities.Result.NOTHING;
    if (nothing || value.present() == 0 && !wire.method().equals("GET")) {
      return new Response(NO_CONTENT, headers(""), new byte[0]);
    }
    Findings findings = new Findings();
    byte[] json =
        JsonMessage.answer(
            service.shapes(), question.operation().output(), value, findings, dialect());
    if (findings.hasErrors()) {
      throw Refusal.of(500, findings.toList());
    }
    boolean created =
        wire.method().equals("POST") && question.operation().id().text().endsWith(".create");
    return new Response(
        created ? CREATED : 200,
        headers("application/json"),
        framed(json, wire, question.query().select()));
  }

  /** OData JSON format 4.01, section 10; 2.0 JSON format, section 4. */
  private byte[] framed(byte[] json, OperationWire.Entities wire, Set<String> selected) {
    JsonNode body = JSON.readTree(json);
    if (!selected.isEmpty()) {
      boolean rows = wire.result() == OperationWire.Entities.Result.ROWS;
      JsonNode entities = rows ? body.path(old ? "results" : "value") : body;
      if (entities instanceof ArrayNode all) {
        all.forEach(entity -> reduce(entity, selected));
      } else {
        reduce(entities, selected);
      }
    }
    ObjectNode framed = JSON.createObjectNode();
    if (old) {
      framed.set("d", body);
    } else {
      String set = wire.path().replaceFirst("^/", "").replaceFirst("\\(.*", "");
      boolean rows = wire.result() == OperationWire.Entities.Result.ROWS;
      framed.put("@odata.context", "$metadata#" + set + (rows ? "" : "/$entity"));
      body.properties().forEach(member -> framed.set(member.getKey(), member.getValue()));
    }
    return framed.toString().getBytes(StandardCharsets.UTF_8);
  }

  /** Leaves the selected members and what is said about the entity itself. */
  private static void reduce(JsonNode entity, Set<String> selected) {
    if (entity instanceof ObjectNode members) {
      List<String> out =
          members.propertyNames().stream()
              .filter(name -> !selected.contains(name))
              .filter(name -> !name.startsWith("@") && !name.startsWith("__"))
              .toList();
      members.remove(out);
    }
  }

  private Map<String, List<String>> headers(String type) {
    Map<String, List<String>> headers = new LinkedHashMap<>();
    if (!type.isEmpty()) {
      headers.put("Content-Type", List.of(type));
    }
    headers.put(old ? "DataServiceVersion" : "OData-Version", List.of(old ? "2.0" : "4.0"));
    return headers;
  }

  /** OData JSON format 4.01, section 21. */
  @Override
  public Response refuse(Refusal refusal) {
    ObjectNode body = JSON.createObjectNode();
    ObjectNode error = body.putObject("error").put("code", String.valueOf(refusal.status()));
    if (old) {
      error.putObject("message").put("lang", "en").put("value", refusal.reason());
    } else {
      error.put("message", refusal.reason());
    }
    return new Response(
        refusal.status(),
        headers("application/json"),
        body.toString().getBytes(StandardCharsets.UTF_8));
  }
}
