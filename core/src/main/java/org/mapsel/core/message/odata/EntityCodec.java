package org.mapsel.core.message.odata;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Base64;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.mapsel.core.finding.Findings;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.message.Access;
import org.mapsel.core.message.AccessHeaders;
import org.mapsel.core.message.Answer;
import org.mapsel.core.message.AnswerPart;
import org.mapsel.core.message.Batch;
import org.mapsel.core.message.Codec;
import org.mapsel.core.message.Header;
import org.mapsel.core.message.ParameterCheck;
import org.mapsel.core.message.Request;
import org.mapsel.core.message.Response;
import org.mapsel.core.message.Stamp;
import org.mapsel.core.message.Trail;
import org.mapsel.core.message.UnknownFields;
import org.mapsel.core.message.http.Percent;
import org.mapsel.core.message.json.JsonDialect;
import org.mapsel.core.message.json.JsonMessage;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.service.Endpoint;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.OperationWire;
import org.mapsel.core.service.Service;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.ScalarText;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Wire;
import org.mapsel.core.value.BinaryKind;
import org.mapsel.core.value.BinaryValue;
import org.mapsel.core.value.ListBuilder;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.TextValue;
import org.mapsel.core.value.Value;

/** Requests for entities, and what comes back of them. */
public final class EntityCodec implements Codec {

  private static final String NEXT = "next";
  private static final String ROWS = "rows";

  @Override
  public Outcome<Request> write(
      Service service,
      Operation operation,
      OperationWire wire,
      RecordValue values,
      Access access,
      Stamp stamp) {
    OperationWire.Entities entities = (OperationWire.Entities) wire;
    Findings findings = new Findings();
    List<Field> fields = service.shapes().fieldsOf(operation.input());
    UnknownFields.report(fields, values, Trail.ROOT, findings);
    Building building = new Building(service, entities, findings);
    fields.forEach(field -> building.parameter(field, values.get(field.name())));
    byte[] body = building.body(fields, values);
    List<Header> headers = new ArrayList<>();
    if (body.length > 0) {
      headers.add(building.contentType);
    }
    headers.add(accepted(entities));
    headers.addAll(versions(entities.old()));
    headers.addAll(building.headers);
    headers.addAll(AccessHeaders.of(access));
    if (findings.hasErrors()) {
      return Outcome.failed(findings.toList());
    }
    String query = String.join("&", building.query);
    String address = root(service, wire) + building.path + (query.isEmpty() ? "" : "?" + query);
    return Outcome.of(
        new Request(entities.method(), AccessHeaders.address(address, access), headers, body),
        findings.toList());
  }

  private static String root(Service service, OperationWire wire) {
    return service
        .findEndpoint(wire.endpoint())
        .map(Endpoint::address)
        .orElse("")
        .replaceFirst("/$", "");
  }

  private static Header accepted(OperationWire.Entities wire) {
    if (wire.result() == OperationWire.Entities.Result.FILE) {
      return new Header("Accept", "*/*", "a file may be of any kind");
    }
    return wire.old()
        ? new Header("Accept", "application/json, application/atom+xml;q=0.5", "JSON is read best")
        : new Header(
            "Accept", "application/json;odata.metadata=minimal", "the answer is wanted as JSON");
  }

  static List<Header> versions(boolean old) {
    return old
        ? List.of(
            new Header("DataServiceVersion", "2.0", "the version of the request"),
            new Header("MaxDataServiceVersion", "2.0", "the newest version that is read"))
        : List.of(
            new Header("OData-Version", "4.0", "the version of the request"),
            new Header("OData-MaxVersion", "4.0", "the newest version that is read"));
  }

  /** A request while its parameters are put where they belong. */
  private static final class Building {

    private final Service service;
    private final OperationWire.Entities wire;
    private final Findings findings;
    private final QueryText queries;
    private final Literals literals;
    private String path;
    private final List<String> query = new ArrayList<>();
    private final List<Header> headers = new ArrayList<>();
    private Header contentType =
        new Header("Content-Type", "application/json", "entities are sent as JSON");

    Building(Service service, OperationWire.Entities wire, Findings findings) {
      this.service = service;
      this.wire = wire;
      this.findings = findings;
      this.path = wire.path();
      this.literals = new Literals(wire.old(), findings);
      this.queries =
          new QueryText(wire.old(), wire.type(), service.entities().orElseThrow(), findings);
    }

    void parameter(Field field, Value value) {
      if (!(field.wire() instanceof Wire.Parameter parameter)) {
        return;
      }
      Trail at = Trail.ROOT.then(field.name());
      if (value.isAbsent() || value == Value.NULL) {
        if (field.isRequired()) {
          findings.add(at.error("MESSAGE_PARAMETER_MISSING"));
        }
        return;
      }
      switch (parameter.in()) {
        case HEADER ->
            headers.add(
                new Header(
                    parameter.name(),
                    ScalarText.print(value).replaceAll("[\\r\\n]+", " "),
                    "nobody else's change may be lost"));
        case PATH ->
            literal(field, value, at).ifPresent(text -> inPath(field, parameter.name(), text));
        default -> {
          if (parameter.name().startsWith("$")) {
            queries.option(parameter.name(), value, at).ifPresent(query::add);
          } else {
            literal(field, value, at)
                .ifPresent(text -> query.add(parameter.name() + "=" + Percent.encode(text)));
          }
        }
      }
    }

    /** What is no simple value stands behind an alias (OData 4.01 ABNF, functionParameter). */
    private void inPath(Field field, String name, String text) {
      boolean simple = simple(field).isPresent();
      path = path.replace("{" + name + "}", simple ? Percent.encode(text) : "@" + name);
      if (!simple) {
        query.add("@" + name + "=" + Percent.encode(text));
      }
    }

    private Optional<Shape.Scalar> simple(Field field) {
      return !field.isRepeated()
              && service.shapes().get(field.shape()) instanceof Shape.Scalar scalar
          ? Optional.of(scalar)
          : Optional.empty();
    }

    /** A value in an address; what is no simple one stands there as JSON. */
    private Optional<String> literal(Field field, Value value, Trail at) {
      Optional<Shape.Scalar> simple = simple(field);
      if (simple.isPresent()) {
        return Optional.ofNullable(literals.literal(simple.get(), value, at));
      }
      byte[] json = JsonMessage.write(service.shapes(), field, value, at, findings, dialect(wire));
      return Optional.of(new String(json, StandardCharsets.UTF_8));
    }

    byte[] body(List<Field> fields, RecordValue values) {
      List<Field> members =
          fields.stream().filter(field -> field.wire() instanceof Wire.Member).toList();
      if (!members.isEmpty()) {
        return JsonMessage.write(service.shapes(), members, values, findings, dialect(wire));
      }
      for (Field field : fields) {
        if (field.wire() instanceof Wire.Body) {
          Value value = values.get(field.name());
          Trail at = Trail.ROOT.then(field.name());
          Shape shape = service.shapes().get(field.shape());
          if (value.isAbsent() && !(shape instanceof Shape.Record)) {
            findings.add(at.error("MESSAGE_PARAMETER_MISSING"));
            return new byte[0];
          }
          // An entity of which nothing is filled in may be one that nothing must be said of.
          Value sent = value.isAbsent() ? RecordValue.empty() : value;
          return shape instanceof Shape.Scalar scalar
              ? file(scalar, sent, at)
              : JsonMessage.write(service.shapes(), field, sent, at, findings, dialect(wire));
        }
      }
      return new byte[0];
    }

    private byte[] file(Shape.Scalar shape, Value value, Trail at) {
      byte[] bytes = new byte[0];
      if (value instanceof BinaryValue binary) {
        bytes = binary.bytes();
      } else if (ParameterCheck.of(shape).text(value, at, findings) != null) {
        bytes = Base64.getMimeDecoder().decode(ScalarText.print(value));
      }
      String type = BinaryKind.mediaType(bytes);
      contentType = new Header("Content-Type", type, "the kind of file that it looks like");
      return bytes;
    }
  }

  static JsonDialect dialect(OperationWire.Entities wire) {
    return wire.old() ? JsonDialect.ODATA_2 : JsonDialect.PLAIN;
  }

  @Override
  public Optional<Batch> batch(Service service, OperationWire wire) {
    OperationWire.Entities entities = (OperationWire.Entities) wire;
    boolean asks =
        entities.method().equals("GET") && entities.result() != OperationWire.Entities.Result.FILE;
    return asks
        ? Optional.of(new EntityBatch(root(service, wire), entities.old()))
        : Optional.empty();
  }

  @Override
  public RecordValue narrowed(
      Service service, Operation operation, RecordValue values, Set<FieldPath> wanted) {
    return Narrowing.of(service, operation, values, wanted);
  }

  /** Where more is must be known, whether or not anybody wants to see it. */
  private static Set<FieldPath> withNext(Set<FieldPath> wanted) {
    if (wanted.isEmpty()) {
      return wanted;
    }
    Set<FieldPath> all = new HashSet<>(wanted);
    all.add(FieldPath.of(NEXT));
    return all;
  }

  @Override
  public Outcome<Answer> read(
      Service service,
      Operation operation,
      OperationWire wire,
      Response response,
      Set<FieldPath> wanted) {
    return new EntityAnswer(service, operation, (OperationWire.Entities) wire, response)
        .read(withNext(wanted));
  }

  @Override
  public Optional<String> next(AnswerPart part) {
    return part.value().get(NEXT) instanceof TextValue text && !text.text().isEmpty()
        ? Optional.of(text.text())
        : Optional.empty();
  }

  @Override
  public RecordValue joined(RecordValue before, AnswerPart part) {
    ListBuilder rows = new ListBuilder();
    for (RecordValue one : List.of(before, part.value())) {
      if (one.get(ROWS) instanceof ListValue list) {
        rows.addAll(list);
      }
    }
    return before.with(ROWS, rows.build()).with(NEXT, part.value().get(NEXT));
  }
}
