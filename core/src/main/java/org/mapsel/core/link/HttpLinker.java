package org.mapsel.core.link;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.declare.DataType;
import org.mapsel.core.declare.Declarations;
import org.mapsel.core.declare.HttpDeclaration;
import org.mapsel.core.declare.HttpDeclaration.AnswerDeclaration;
import org.mapsel.core.declare.HttpDeclaration.BodyDeclaration;
import org.mapsel.core.declare.HttpDeclaration.ContentDeclaration;
import org.mapsel.core.declare.HttpDeclaration.LinkDeclaration;
import org.mapsel.core.declare.HttpDeclaration.LinkTarget;
import org.mapsel.core.declare.HttpDeclaration.ParameterDeclaration;
import org.mapsel.core.declare.HttpDeclaration.ServerDeclaration;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Findings;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.ref.Name;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.ref.Place;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.service.Effect;
import org.mapsel.core.service.Endpoint;
import org.mapsel.core.service.Fault;
import org.mapsel.core.service.Link;
import org.mapsel.core.service.Memo;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.OperationList;
import org.mapsel.core.service.OperationWire;
import org.mapsel.core.service.OperationWire.Content;
import org.mapsel.core.service.OperationWire.Media;
import org.mapsel.core.service.OperationWire.Returned;
import org.mapsel.core.service.Protocol;
import org.mapsel.core.service.Service;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.Occurrence;
import org.mapsel.core.shape.ScalarType;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Wire;

/** Makes a service of operations that are a method on a path. */
final class HttpLinker {

  /** The name of the field that holds a body beside the parameters. */
  private static final String BODY = "body";

  private static final Set<String> READING = Set.of("GET", "HEAD", "OPTIONS", "TRACE", "QUERY");

  /** The media to send in, the one that says most of its types first. */
  private static final List<Media> PREFERRED =
      List.of(
          Media.JSON, Media.MULTIPART, Media.FORM, Media.XML, Media.CSV, Media.TEXT, Media.BINARY);

  private static final DataType ANYTHING = DataType.of(new DataType.Anything(), Place.in(""));

  private final DataShapes shapes;
  private final Declarations declarations;
  private final Map<String, Endpoint> endpoints = new LinkedHashMap<>();

  /** Those of the declared operations, in their order. */
  private final List<OperationId> ids;

  /** The operations by all that links may call them. */
  private final Memo<Map<LinkTarget, OperationId>> linkTargets = Memo.later(this::targets);

  private HttpLinker(Declarations declarations) {
    this.declarations = declarations;
    this.shapes =
        new DataShapes(
            new DataTypes(declarations.dataTypes(), TypeIds.beside(declarations.document())));
    this.ids = HttpIds.of(declarations.httpOperations());
  }

  static Service link(Declarations declarations, Findings findings) {
    if (declarations.httpOperations().isEmpty()) {
      findings.add(Finding.error("OPENAPI_OPERATION_NONE"));
    }
    HttpLinker linker = new HttpLinker(declarations);
    List<HttpDeclaration> declared = declarations.httpOperations();
    declared.forEach(operation -> operation.servers().forEach(linker::endpoint));
    return new Service(
        declarations.name().isEmpty() ? "Service" : declarations.name(),
        declarations.documentation(),
        List.copyOf(linker.endpoints.values()),
        OperationList.made(
            linker.ids, at -> linker.operation(linker.ids.get(at), declared.get(at))),
        linker.shapes.finish(),
        Optional.empty());
  }

  private Operation operation(OperationId id, HttpDeclaration declared) {
    HttpDeclaration.Details details = declared.details().get();
    return new Operation(
        id,
        declared.id().isEmpty() ? declared.method() + " " + declared.path() : declared.id(),
        READING.contains(declared.method()) ? Effect.READS : Effect.WRITES,
        details.documentation(),
        Memo.later(() -> messages(id, declared, details)),
        Memo.later(() -> details.leads() ? links(details) : List.of()));
  }

  private Operation.Messages messages(
      OperationId id, HttpDeclaration declared, HttpDeclaration.Details details) {
    // Shapes are made by many threads too, one at a time.
    synchronized (shapes) {
      return messages(declared, details, new ShapeId("", "/" + id));
    }
  }

  private Operation.Messages messages(
      HttpDeclaration declared, HttpDeclaration.Details details, ShapeId own) {
    Optional<ContentDeclaration> sent = details.body().get().flatMap(HttpLinker::preferred);
    ShapeId input = input(details, sent, own);
    List<Returned> answers = new ArrayList<>();
    Optional<AnswerDeclaration> best = best(details.answers().get());
    Memo<ShapeId> output = Memo.of(own.inner("output"));
    if (best.isPresent()) {
      Returned returned = returned(best.get(), output.get());
      output = returned.shape();
      answers.add(returned);
    } else {
      shapes.add(new Shape.Record(output.get(), List.of()));
    }
    List<Fault> faults = new ArrayList<>();
    for (AnswerDeclaration answer : details.answers().get()) {
      if (best.isEmpty() || answer != best.get()) {
        Returned returned = returned(answer, own.inner(answer.status()));
        answers.add(returned);
        if (!returned.isSuccess() && returned.content().isPresent()) {
          faults.add(
              new Fault(
                  answer.status(), returned.content().flatMap(Content::element), returned.shape()));
        }
      }
    }
    Optional<Content> body = sent.map(content -> content(content, BODY));
    List<String> offered = details.body().get().map(HttpLinker::mediaTypes).orElse(List.of());
    List<OperationWire> wires = new ArrayList<>();
    for (ServerDeclaration server : declared.servers()) {
      wires.add(
          new OperationWire.Rest(
              endpoint(server),
              declared.method(),
              declared.path(),
              body,
              offered,
              answers,
              details.given()));
    }
    return new Operation.Messages(
        input,
        output,
        Optional.empty(),
        best.flatMap(answer -> answers.get(0).content()).flatMap(Content::element),
        faults,
        wires);
  }

  private List<Link> links(HttpDeclaration.Details details) {
    return best(details.answers().get()).stream()
        .flatMap(answer -> answer.links().stream())
        .flatMap(this::link)
        .toList();
  }

  private Map<LinkTarget, OperationId> targets() {
    Map<LinkTarget, OperationId> targets = new HashMap<>();
    for (int i = 0; i < ids.size(); i++) {
      for (LinkTarget target : declarations.httpOperations().get(i).targets()) {
        targets.putIfAbsent(target, ids.get(i));
      }
    }
    return targets;
  }

  private Stream<Link> link(LinkDeclaration declared) {
    return Stream.ofNullable(linkTargets.get().get(declared.target()))
        .map(
            target ->
                new Link(
                    declared.name(),
                    target,
                    declared.parameters(),
                    declared.body(),
                    declared.documentation()));
  }

  private EndpointId endpoint(ServerDeclaration server) {
    return endpoints
        .computeIfAbsent(
            server.address(),
            address ->
                new Endpoint(
                    new EndpointId(
                        endpoints.isEmpty() ? "main" : "server-" + (endpoints.size() + 1)),
                    Protocol.HTTP,
                    address))
        .id();
  }

  private static List<String> mediaTypes(BodyDeclaration body) {
    return body.contents().stream().map(ContentDeclaration::mediaType).toList();
  }

  private static Optional<ContentDeclaration> preferred(BodyDeclaration body) {
    return preferred(body.contents());
  }

  private static Optional<ContentDeclaration> preferred(List<ContentDeclaration> contents) {
    for (Media media : PREFERRED) {
      for (ContentDeclaration content : contents) {
        if (Media.of(content.written()) == media) {
          return Optional.of(content);
        }
      }
    }
    return Optional.empty();
  }

  private ShapeId input(
      HttpDeclaration.Details details, Optional<ContentDeclaration> sent, ShapeId own) {
    return shapes.later(
        own.inner("input"),
        id -> {
          FieldList fields = new FieldList();
          details.parameters().get().forEach(parameter -> fields.add(parameter(parameter, id)));
          sent.ifPresent(
              content -> fields.add(body(details.body().get().orElseThrow(), content, id)));
          return new Shape.Record(id, fields.toList(), false);
        });
  }

  private Field parameter(ParameterDeclaration parameter, ShapeId id) {
    Wire wire =
        new Wire.Parameter(
            parameter.name(),
            parameter.in(),
            parameter.style(),
            parameter.explode(),
            parameter.reserved(),
            parameter.content());
    Field field =
        shapes.field(
            parameter.name(), parameter.type(), parameter.required(), id, wire, Notation.JSON);
    Field documented =
        parameter.documentation().isEmpty() ? field : field.documented(parameter.documentation());
    return parameter.deprecated()
        ? documented.hinted(documented.hints().asDeprecated())
        : documented;
  }

  private Field body(BodyDeclaration body, ContentDeclaration sent, ShapeId id) {
    Media media = Media.of(sent.written());
    Notation notation = media == Media.XML ? Notation.XML : Notation.JSON;
    DataType type = sent.type().orElse(ANYTHING);
    Optional<DataType.Structure> parts = parts(media, type);
    Field field =
        parts.isPresent()
            ? Field.of(
                BODY,
                shapes.form(parts.get(), sent.parts(), id.inner(BODY)),
                body.required() ? Occurrence.ONE : Occurrence.OPTIONAL,
                new Wire.Body())
            : shapes.field(BODY, type, body.required(), id, new Wire.Body(), notation);
    return body.documentation().isEmpty() ? field : field.documented(body.documentation());
  }

  /** What a form holds; a single value that is said to travel in parts is the only one. */
  private Optional<DataType.Structure> parts(Media media, DataType type) {
    DataType.Form form = shapes.types().meaning(type).form();
    // What came as it stands in a sample is sent as it stands.
    boolean parted = media == Media.MULTIPART && !type.hints().given();
    if (form instanceof DataType.Structure structure) {
      return media == Media.MULTIPART || media == Media.FORM
          ? Optional.of(structure)
          : Optional.empty();
    }
    if (!parted || !(form instanceof DataType.Simple) && !(form instanceof DataType.ListOf)) {
      return Optional.empty();
    }
    boolean file = form instanceof DataType.Simple one && one.type() == ScalarType.BASE64;
    DataType.Member only = new DataType.Member(file ? "file" : "value", type);
    return Optional.of(
        new DataType.Structure(
            List.of(), List.of(only), Set.of(only.name()), Optional.empty(), Optional.empty()));
  }

  /** The answer that says that all went well, of several the one with the lowest status. */
  private static Optional<AnswerDeclaration> best(List<AnswerDeclaration> answers) {
    @Nullable AnswerDeclaration best = null;
    for (AnswerDeclaration answer : answers) {
      if (answer.status().startsWith("2")
          && (best == null || answer.status().compareTo(best.status()) < 0)) {
        best = answer;
      }
    }
    return best != null
        ? Optional.of(best)
        : answers.stream().filter(answer -> answer.status().equals("default")).findFirst();
  }

  private Returned returned(AnswerDeclaration answer, ShapeId wished) {
    Optional<ContentDeclaration> content = preferred(answer.contents().get());
    if (content.isEmpty()) {
      ShapeId id = shapes.reserve(wished);
      shapes.add(new Shape.Record(id, List.of(), false));
      return new Returned(answer.status(), Optional.empty(), Memo.of(id));
    }
    Content written = content(content.get(), "answer");
    return new Returned(
        answer.status(),
        Optional.of(written),
        Memo.later(
            () -> {
              // Made by whoever asks first, one shape at a time.
              synchronized (shapes) {
                return record(content.get(), written.media(), wished);
              }
            }));
  }

  /** What comes back as a record: its own fields, or one field for what is none. */
  private ShapeId record(ContentDeclaration content, Media media, ShapeId wished) {
    Notation notation = media == Media.XML ? Notation.XML : Notation.JSON;
    Optional<DataType> declared = content.type();
    if (declared.isPresent()) {
      DataType type = declared.get();
      DataTypes.Meaning meaning = shapes.types().meaning(type);
      if (meaning.form() instanceof DataType.Structure) {
        return shapes.shape(meaning, () -> wished, notation);
      }
      boolean list = meaning.form() instanceof DataType.ListOf;
      String name = list ? DataShapes.ITEMS : DataShapes.VALUE;
      return shapes.later(
          wished,
          id -> {
            Field whole = shapes.field(name, type, true, id, new Wire.Whole(), notation);
            return new Shape.Record(id, List.of(whole), false);
          });
    }
    ShapeId id = shapes.reserve(wished);
    Field open = Field.of(DataShapes.VALUE, DataShapes.OPEN, Occurrence.ONE, new Wire.Whole());
    shapes.add(new Shape.Record(id, List.of(open), false));
    return id;
  }

  private Content content(ContentDeclaration content, String otherwise) {
    Media media = Media.of(content.written());
    return new Content(
        content.mediaType(),
        media,
        media == Media.XML ? Optional.of(element(content, otherwise)) : Optional.empty());
  }

  private Name element(ContentDeclaration content, String otherwise) {
    Optional<DataType> type = content.type();
    if (type.isEmpty()) {
      return Name.of("", otherwise);
    }
    DataTypes.Meaning meaning = shapes.types().meaning(type.get());
    return Name.of(
        meaning.xml().namespace(),
        meaning.xml().name().orElse(meaning.target().map(DataTypes::nameOf).orElse(otherwise)));
  }
}
