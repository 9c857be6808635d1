package org.mapsel.core.read.openapi;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.mapsel.core.declare.DataType;
import org.mapsel.core.declare.HttpDeclaration.BodyDeclaration;
import org.mapsel.core.declare.HttpDeclaration.ContentDeclaration;
import org.mapsel.core.declare.HttpDeclaration.ParameterDeclaration;
import org.mapsel.core.declare.HttpDeclaration.PartDeclaration;
import org.mapsel.core.declare.HttpDeclaration.ServerDeclaration;
import org.mapsel.core.shape.Wire;

/** OpenAPI 3.0 to 3.2. */
final class OpenApiDialect extends Dialect {

  private static final Set<String> OF_THE_MESSAGE =
      Set.of("accept", "content-type", "authorization");

  private static final String SERVERS = "servers";

  private final List<ServerDeclaration> shared;

  OpenApiDialect(Located root, References references, SchemaTypes types) {
    super(root, references, types);
    this.shared = shared();
  }

  /** What the message itself has to say is told elsewhere in the description (3.1, name). */
  private static boolean isOfTheMessage(Located parameter) {
    return OF_THE_MESSAGE.contains(parameter.node().text("name").toLowerCase(Locale.ROOT));
  }

  @Override
  Optional<ParameterDeclaration> parameter(Located parameter) {
    Optional<Wire.In> in = Parameters.in(parameter.node().text("in"));
    if (in.isEmpty() || in.get() == Wire.In.HEADER && isOfTheMessage(parameter)) {
      return Optional.empty();
    }
    Wire.Style style =
        Parameters.style(parameter.node().text("style")).orElse(Parameters.usual(in.get()));
    Optional<Located> content =
        parameter.find("content").filter(contents -> contents.node().size() > 0);
    Optional<Located> schema =
        content
            .map(contents -> contents.beside(contents.node().items().get(0)))
            .flatMap(first -> references.follow(first))
            .or(() -> Optional.of(parameter))
            .flatMap(holder -> holder.find("schema"));
    DataType type =
        schema.map(types::type).orElse(DataType.of(new DataType.Anything(), parameter.place()));
    Optional<String> example = parameter.node().findText("example");
    return Optional.of(
        new ParameterDeclaration(
            parameter.node().text("name"),
            in.get(),
            style,
            parameter.node().has("explode")
                ? parameter.node().isTrue("explode")
                : style == Wire.Style.FORM || style == Wire.Style.DEEP_OBJECT,
            parameter.node().isTrue("allowReserved"),
            content.map(contents -> contents.node().names().get(0)),
            parameter.node().isTrue("required") || in.get() == Wire.In.PATH,
            parameter.node().text("description"),
            parameter.node().isTrue("deprecated"),
            example.isEmpty()
                ? type
                : new DataType(
                    type.form(),
                    type.name(),
                    type.nullable(),
                    type.preset(),
                    type.fixed(),
                    type.documentation(),
                    type.hints().withExample(example.get()),
                    type.xml(),
                    type.place()),
            parameter.place()));
  }

  @Override
  Optional<BodyDeclaration> body(Located operation, List<Located> parameters) {
    return operation
        .find("requestBody")
        .flatMap(references::follow)
        .map(
            body ->
                new BodyDeclaration(
                    body.node().isTrue("required"),
                    body.node().text("description"),
                    contents(body)));
  }

  @Override
  List<ContentDeclaration> contents(Located answer, Located operation) {
    return contents(answer);
  }

  private List<ContentDeclaration> contents(Located holder) {
    List<ContentDeclaration> contents = new ArrayList<>();
    Optional<Located> given = holder.find("content");
    given.ifPresent(
        content ->
            content
                .node()
                .forEachMember(
                    (mediaType, described) ->
                        references
                            .follow(content.beside(described))
                            .ifPresent(
                                one ->
                                    contents.add(
                                        new ContentDeclaration(
                                            mediaType,
                                            one.find("schema")
                                                .or(() -> one.find("itemSchema"))
                                                .map(types::type),
                                            parts(one))))));
    return contents;
  }

  private static Map<String, PartDeclaration> parts(Located content) {
    Map<String, PartDeclaration> parts = new HashMap<>();
    content
        .find("encoding")
        .ifPresent(
            encoding ->
                encoding
                    .node()
                    .forEachMember(
                        (member, how) ->
                            parts.put(
                                member,
                                new PartDeclaration(
                                    how.findText("contentType"),
                                    Parameters.style(how.text("style")).orElse(Wire.Style.FORM),
                                    how.has("explode")
                                        ? Optional.of(how.isTrue("explode"))
                                        : Optional.empty()))));
    return parts;
  }

  @Override
  List<ServerDeclaration> servers(Located item, Located operation) {
    List<ServerDeclaration> own = servers(operation);
    List<ServerDeclaration> near = own.isEmpty() ? servers(item) : own;
    return near.isEmpty() ? shared : near;
  }

  /** Those that hold where nothing else is said; without any it is where the document is from. */
  private List<ServerDeclaration> shared() {
    List<ServerDeclaration> servers = servers(root);
    return servers.isEmpty()
        ? List.of(new ServerDeclaration(Servers.origin(root.document()), ""))
        : servers;
  }

  private List<ServerDeclaration> servers(Located holder) {
    if (!holder.node().has(SERVERS)) {
      return List.of();
    }
    return holder.items(SERVERS).stream()
        .flatMap(server -> Servers.read(server).stream())
        .map(
            server ->
                new ServerDeclaration(
                    Servers.resolved(root.document(), server.address()), server.documentation()))
        .toList();
  }
}
