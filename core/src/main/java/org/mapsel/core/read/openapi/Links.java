package org.mapsel.core.read.openapi;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.mapsel.core.declare.HttpDeclaration.LinkDeclaration;
import org.mapsel.core.declare.HttpDeclaration.LinkTarget;
import org.mapsel.core.document.DataNode;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.read.Reading;

/** Where answers lead (OpenAPI 3.1, Link Object). */
final class Links {

  private static final String PATHS = "#/paths/";

  private Links() {}

  /**
   * Whether answers of an operation may have links: some have, and it holds one of them or a
   * reference that may be to an answer.
   */
  static boolean mayStandIn(Located operation, References references) {
    if (references.reached().links().isEmpty()) {
      return false;
    }
    List<DataNode.Mark> marks = operation.node().marksUnread();
    return marks == null
        || marks.stream()
            .anyMatch(
                mark ->
                    mark.name().equals(ReferenceClosure.LINKS)
                        || mark.name().equals(ReferenceClosure.REF) && mayBeAnswer(mark.text()));
  }

  private static boolean mayBeAnswer(String reference) {
    return !reference.startsWith("#/components/")
        || reference.startsWith("#/components/responses/");
  }

  /** The links of an answer that name an operation in a way that is understood here. */
  static List<LinkDeclaration> of(Located answer, References references) {
    List<LinkDeclaration> links = new ArrayList<>(0);
    answer
        .find(ReferenceClosure.LINKS)
        .ifPresent(
            all ->
                all.node()
                    .forEachMember(
                        (name, link) ->
                            references
                                .follow(all.beside(link))
                                .flatMap(found -> link(name, found))
                                .ifPresent(links::add)));
    return links;
  }

  private static Optional<LinkDeclaration> link(String name, Located link) {
    DataNode node = link.node();
    return target(node)
        .map(
            target ->
                new LinkDeclaration(
                    name,
                    target,
                    expressions(link),
                    node.findText("requestBody"),
                    node.text("description"),
                    link.place()));
  }

  private static Optional<LinkTarget> target(DataNode link) {
    Optional<String> id = link.findText("operationId");
    return id.isPresent()
        ? id.map(LinkTarget.Named::new)
        : link.findText("operationRef").flatMap(Links::reference);
  }

  /** A reference to an operation of the same document, as in {@code #/paths/~1things/get}. */
  private static Optional<LinkTarget> reference(String reference) {
    int end = reference.lastIndexOf('/');
    if (!reference.startsWith(PATHS) || end < PATHS.length()) {
      return Optional.empty();
    }
    String path = reference.substring(PATHS.length(), end).replace("~1", "/").replace("~0", "~");
    String method = reference.substring(end + 1).toUpperCase(Locale.ROOT);
    return Optional.of(new LinkTarget.At(method, path));
  }

  private static Map<String, String> expressions(Located link) {
    Map<String, String> expressions = new LinkedHashMap<>();
    link.find("parameters")
        .ifPresent(
            parameters ->
                parameters
                    .node()
                    .forEachMember((name, value) -> expressions.put(name, value.text())));
    return expressions;
  }

  /** Says which links lead to no operation. */
  static void check(References references, Reading reading) {
    Set<LinkTarget> targets = new HashSet<>();
    if (!references.reached().links().isEmpty()) {
      reading.declarations().httpOperations().forEach(one -> targets.addAll(one.targets()));
    }
    for (Located links : references.reached().links()) {
      for (String name : links.node().names()) {
        links
            .find(name)
            .flatMap(references::follow)
            .filter(link -> target(link.node()).filter(targets::contains).isEmpty())
            .ifPresent(
                link ->
                    reading
                        .findings()
                        .add(
                            Finding.warning("OPENAPI_LINK_BROKEN", "link", name).at(link.place())));
      }
    }
  }
}
