package org.mapsel.core.read.openapi;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.mapsel.core.declare.DataType;
import org.mapsel.core.declare.HttpDeclaration.BodyDeclaration;
import org.mapsel.core.declare.HttpDeclaration.ContentDeclaration;
import org.mapsel.core.declare.HttpDeclaration.ParameterDeclaration;
import org.mapsel.core.declare.HttpDeclaration.PartDeclaration;
import org.mapsel.core.declare.HttpDeclaration.ServerDeclaration;
import org.mapsel.core.document.DataNode;
import org.mapsel.core.shape.Wire;

/** Swagger 2.0, where parameters carry their type themselves and the body is one of them. */
final class SwaggerDialect extends Dialect {

  private static final String ANY = "*/*";
  private static final String FORM = "application/x-www-form-urlencoded";
  private static final String MULTIPART = "multipart/form-data";

  SwaggerDialect(Located root, References references, SchemaTypes types) {
    super(root, references, types);
  }

  @Override
  Optional<ParameterDeclaration> parameter(Located parameter) {
    DataNode node = parameter.node();
    return Parameters.in(node.text("in"))
        .map(
            in ->
                new ParameterDeclaration(
                    node.text("name"),
                    in,
                    style(node, in),
                    node.text("collectionFormat").equals("multi"),
                    false,
                    Optional.empty(),
                    node.isTrue("required") || in == Wire.In.PATH,
                    node.text("description"),
                    false,
                    types.type(parameter),
                    parameter.place()));
  }

  private static Wire.Style style(DataNode node, Wire.In in) {
    return Parameters.style(node.text("collectionFormat")).orElse(Parameters.usual(in));
  }

  @Override
  Optional<BodyDeclaration> body(Located operation, List<Located> parameters) {
    List<Located> form =
        parameters.stream().filter(one -> one.node().text("in").equals("formData")).toList();
    if (!form.isEmpty()) {
      return Optional.of(form(operation, form));
    }
    return parameters.stream()
        .filter(one -> one.node().text("in").equals("body"))
        .findFirst()
        .map(
            body ->
                new BodyDeclaration(
                    body.node().isTrue("required"),
                    body.node().text("description"),
                    contents(mediaTypes(operation, "consumes"), body.find("schema"))));
  }

  private BodyDeclaration form(Located operation, List<Located> form) {
    List<DataType.Member> members = new ArrayList<>();
    Set<String> required = new TreeSet<>();
    Map<String, PartDeclaration> parts = new HashMap<>();
    boolean files = false;
    for (Located one : form) {
      String name = one.node().text("name");
      members.add(new DataType.Member(name, types.type(one)));
      if (one.node().isTrue("required")) {
        required.add(name);
      }
      files |= one.node().text("type").equals("file");
      parts.put(
          name,
          new PartDeclaration(
              Optional.empty(),
              style(one.node(), Wire.In.QUERY),
              Optional.of(one.node().text("collectionFormat").equals("multi"))));
    }
    DataType type =
        DataType.of(
            new DataType.Structure(
                List.of(), members, required, Optional.empty(), Optional.empty()),
            form.get(0).place());
    List<String> named =
        mediaTypes(operation, "consumes").stream()
            .filter(media -> media.equals(FORM) || media.equals(MULTIPART))
            .toList();
    List<String> offered = !named.isEmpty() ? named : List.of(files ? MULTIPART : FORM);
    return new BodyDeclaration(
        !required.isEmpty(),
        "",
        offered.stream()
            .map(media -> new ContentDeclaration(media, Optional.of(type), parts))
            .toList());
  }

  @Override
  List<ContentDeclaration> contents(Located answer, Located operation) {
    Optional<Located> schema = answer.find("schema");
    return schema.isEmpty() ? List.of() : contents(mediaTypes(operation, "produces"), schema);
  }

  private List<ContentDeclaration> contents(List<String> mediaTypes, Optional<Located> schema) {
    Optional<DataType> type = schema.map(types::type);
    return (mediaTypes.isEmpty() ? List.of(ANY) : mediaTypes)
        .stream().map(media -> new ContentDeclaration(media, type, Map.of())).toList();
  }

  private List<String> mediaTypes(Located operation, String keyword) {
    DataNode holder = operation.node().has(keyword) ? operation.node() : root.node();
    return holder.items(keyword).stream().map(DataNode::text).toList();
  }

  @Override
  List<ServerDeclaration> servers(Located item, Located operation) {
    DataNode node = root.node();
    String base = node.text("basePath");
    String own = Servers.origin(root.document());
    if (!node.has("host")) {
      return List.of(new ServerDeclaration(own.isEmpty() ? base : own + base, ""));
    }
    List<String> schemes =
        (operation.node().has("schemes") ? operation.node() : node)
            .items("schemes").stream()
                .map(DataNode::text)
                .filter(scheme -> scheme.startsWith("http"))
                .toList();
    String usual = own.startsWith("http:") ? "http" : "https";
    return (schemes.isEmpty() ? List.of(usual) : schemes)
        .stream()
            .sorted(Comparator.reverseOrder())
            .map(scheme -> scheme + "://" + node.text("host") + base)
            .map(address -> new ServerDeclaration(Servers.resolved(root.document(), address), ""))
            .toList();
  }
}
