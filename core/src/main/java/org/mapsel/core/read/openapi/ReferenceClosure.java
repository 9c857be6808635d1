package org.mapsel.core.read.openapi;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import org.mapsel.core.document.DataNode;

/**
 * Goes through all that operations lead to, over every reference, before anything is made of it.
 * Examples and the like are passed over: what looks like a reference there is none.
 */
final class ReferenceClosure {

  static final String REF = "$ref";
  private static final String MAPPING = "mapping";
  static final String LINKS = "links";

  /** What is of interest here, so that everything else need not be looked at. */
  static final Set<String> MARKS = Set.of(REF, Subtypes.DISCRIMINATOR, MAPPING, LINKS);

  /** What stands inside holds values of somebody's, or is of no use here. */
  private static final Set<String> PASSED_OVER =
      Set.of("example", "examples", "default", "enum", "const", "callbacks", "headers");

  /** Whatever stands inside has a name that says nothing. */
  private static final Set<String> NAMED =
      Set.of("properties", "patternProperties", "$defs", "definitions", "responses", "content");

  /** A value of a discriminator that is no name. */
  private static final Pattern REFERENCE = Pattern.compile("#.*|.*\\.(json|ya?ml)(#.*)?");

  private final References references;
  private final Map<String, Located> targets = new LinkedHashMap<>();

  /** References that were found to lead somewhere, as they were written in each document. */
  private final Map<String, Set<String>> followed = new HashMap<>();

  private final Deque<Located> open = new ArrayDeque<>();
  private final List<Located> links = new ArrayList<>();
  private boolean discriminating;

  /** Those of {@link #followed} that stand in the document being gone through. */
  private Set<String> known = Set.of();

  ReferenceClosure(References references) {
    this.references = references;
  }

  /** Everything that was pointed to and is there, by its address, in the order it was found. */
  Map<String, Located> targets() {
    return targets;
  }

  /** The links of each answer that has any. */
  List<Located> links() {
    return links;
  }

  /** Whether any type tells others apart by a member. */
  boolean isDiscriminating() {
    return discriminating;
  }

  void from(Located start) {
    for (Located next = start; next != null; next = open.poll()) {
      known = followed.computeIfAbsent(next.document(), none -> new HashSet<>());
      if (next.node().isMarked()) {
        through(next.node(), next.document(), false);
      }
    }
  }

  /** Goes through something that is marked. */
  private void through(DataNode node, String document, boolean named) {
    List<DataNode.Mark> marks = node.marksUnread();
    if (marks != null && areFound(marks, node, document)) {
      return;
    }
    for (int i = node.nextMarked(0); i >= 0; i = node.nextMarked(i + 1)) {
      DataNode container = node.container(i);
      String name = node.isObject() && !named ? node.name(i) : "";
      if (container == null) {
        if (name.equals(REF)) {
          reference(node, node.child(i), document);
        }
      } else if (name.equals(LINKS) && container.isObject()) {
        links.add(new Located(container, document));
      } else if (name.equals(MAPPING)) {
        container.forEach(target -> mapped(target, document));
      } else if (container.isMarked() && !PASSED_OVER.contains(name) && !name.startsWith("x-")) {
        through(container, document, NAMED.contains(name));
      }
      discriminating |= name.equals(Subtypes.DISCRIMINATOR);
    }
  }

  /**
   * Whether all that is marked in a node are references to something in its document, which then
   * need not be looked at where they stand.
   */
  private boolean areFound(List<DataNode.Mark> marks, DataNode node, String document) {
    for (DataNode.Mark mark : marks) {
      if (!mark.name().equals(REF) || !mark.text().startsWith("#/")) {
        return false;
      }
    }
    for (DataNode.Mark mark : marks) {
      if (!known.contains(mark.text())) {
        if (!isFound(new Located(node, document), mark.text())) {
          return false;
        }
        known.add(mark.text());
      }
    }
    return true;
  }

  private void reference(DataNode holder, DataNode reference, String document) {
    if (!reference.isString() || known.contains(reference.text())) {
      return;
    }
    Located from = new Located(holder, document);
    if (isFound(from, reference.text())) {
      known.add(reference.text());
    } else {
      references.broken(reference.text(), from.place());
    }
  }

  /**
   * A value of a discriminator means a name as well as a reference, so it need not lead anywhere.
   */
  private void mapped(DataNode target, String document) {
    String text = target.text();
    if (target.isString() && REFERENCE.matcher(text).matches()) {
      isFound(new Located(target, document), text);
    }
  }

  private boolean isFound(Located from, String reference) {
    String target = References.target(from, reference);
    if (targets.containsKey(target)) {
      return true;
    }
    Optional<Located> found = references.find(target, from.place());
    found.ifPresent(
        there -> {
          targets.put(target, there);
          open.add(there);
        });
    return found.isPresent();
  }
}
