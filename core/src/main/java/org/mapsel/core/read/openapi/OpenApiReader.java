package org.mapsel.core.read.openapi;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import org.mapsel.core.declare.HttpDeclaration;
import org.mapsel.core.document.DataNode;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.read.DescriptionReader;
import org.mapsel.core.read.Format;
import org.mapsel.core.read.Reading;
import org.mapsel.core.service.Memo;

/** OpenAPI 3.0, 3.1 and 3.2, and Swagger 2.0, as JSON or YAML. */
public final class OpenApiReader implements DescriptionReader {

  private static final Pattern OPENAPI =
      Pattern.compile(
          "(?m)(^[\\s\\uFEFF{]*|[{,]\\s*)[\"']?(openapi|swagger)[\"']?\\s*:\\s*[\"']?\\d");
  private static final Set<String> METHODS =
      Set.of("get", "put", "post", "delete", "options", "head", "patch", "trace", "query");

  @Override
  public boolean recognises(String head) {
    return !head.stripLeading().startsWith("<") && OPENAPI.matcher(head).find();
  }

  @Override
  public Format read(SourceText source, Reading reading) {
    References references = new References(reading);
    Optional<Located> root = references.start(source);
    if (root.isEmpty()) {
      return new Format("OpenAPI", "");
    }
    DataNode node = root.get().node();
    reading.declarations().overHttp();
    boolean old = node.has("swagger");
    Format format = new Format(old ? "Swagger" : "OpenAPI", node.text(old ? "swagger" : "openapi"));
    SchemaTypes types = new SchemaTypes(references);
    Dialect dialect =
        old
            ? new SwaggerDialect(root.get(), references, types)
            : new OpenApiDialect(root.get(), references, types);
    about(node, reading);
    root.get()
        .find("paths")
        .flatMap(references::follow)
        .ifPresent(paths -> paths(paths, reading, references, dialect));
    types.reachKinds();
    Links.check(references, reading);
    node.find("webhooks")
        .filter(hooks -> hooks.size() > 0)
        .ifPresent(
            hooks ->
                reading
                    .findings()
                    .add(
                        Finding.note(
                                "OPENAPI_WEBHOOKS_UNUSED",
                                "names",
                                String.join(", ", hooks.names()))
                            .at(hooks.place(source.address()))));
    Logins.tell(root.get(), references, reading);
    reading.declarations().dataTypes(types::find);
    references.close();
    return format;
  }

  private static void about(DataNode root, Reading reading) {
    root.find("info")
        .ifPresent(
            info -> {
              reading.declarations().name(info.text("title"));
              reading.declarations().documentation(info.text("description"));
            });
  }

  private static void paths(
      Located paths, Reading reading, References references, Dialect dialect) {
    for (int i = 0; i < paths.node().names().size(); i++) {
      String path = paths.node().name(i);
      if (path.startsWith("x-")) {
        continue;
      }
      Optional<Located> item = references.follow(paths.beside(paths.node().child(i)));
      if (item.isPresent() && item.get().node().isObject()) {
        references.reach(item.get());
        operations(path, item.get(), reading, dialect);
      }
    }
  }

  private static void operations(String path, Located item, Reading reading, Dialect dialect) {
    for (int i = 0; i < item.node().size(); i++) {
      String method = item.node().name(i);
      DataNode operation = item.node().container(i);
      if (operation != null && operation.isObject() && METHODS.contains(method)) {
        reading
            .declarations()
            .add(
                operation(
                    method.toUpperCase(Locale.ROOT), path, item, item.beside(operation), dialect));
      }
    }
    // OpenAPI 3.2 takes any other method here.
    item.find("additionalOperations")
        .ifPresent(
            more ->
                more.node()
                    .forEachMember(
                        (method, operation) ->
                            reading
                                .declarations()
                                .add(
                                    operation(
                                        method, path, item, more.beside(operation), dialect))));
  }

  private static HttpDeclaration operation(
      String method, String path, Located item, Located operation, Dialect dialect) {
    return new HttpDeclaration(
        operation.node().text("operationId"),
        method,
        path,
        dialect.servers(item, operation),
        () -> details(item, operation, dialect));
  }

  private static HttpDeclaration.Details details(Located item, Located operation, Dialect dialect) {
    DataNode node = operation.node();
    // Asked while its answers are unread: nothing of them is read to tell.
    boolean leads = Links.mayStandIn(operation, dialect.references);
    String summary = node.text("summary");
    String description = node.text("description");
    Memo<List<Located>> parameters = Memo.later(() -> parameters(item, operation, dialect));
    return new HttpDeclaration.Details(
        summary.isEmpty() || description.isEmpty() || summary.equals(description)
            ? summary.isEmpty() ? description : summary
            : summary + "\n\n" + description,
        Memo.later(
            () ->
                parameters.get().stream()
                    .flatMap(parameter -> dialect.parameter(parameter).stream())
                    .toList()),
        Memo.later(() -> dialect.body(operation, parameters.get())),
        Memo.later(() -> dialect.answers(operation)),
        leads,
        Optional.empty());
  }

  /** What the operation says of a parameter counts before what its path says of it. */
  private static List<Located> parameters(Located item, Located operation, Dialect dialect) {
    List<Located> own = dialect.parameters(operation);
    Set<List<String>> known = new HashSet<>();
    List<Located> parameters = new ArrayList<>();
    List<Located> shared = new ArrayList<>(dialect.parameters(item));
    own.forEach(parameter -> known.add(identity(parameter)));
    shared.removeIf(parameter -> known.contains(identity(parameter)));
    parameters.addAll(shared);
    known.clear();
    own.stream().filter(parameter -> known.add(identity(parameter))).forEach(parameters::add);
    return parameters;
  }

  private static List<String> identity(Located parameter) {
    return List.of(parameter.node().text("in"), parameter.node().text("name"));
  }
}
