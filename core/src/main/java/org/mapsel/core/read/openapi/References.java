package org.mapsel.core.read.openapi;

import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.document.DataDocument;
import org.mapsel.core.document.DataNode;
import org.mapsel.core.document.Limits;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.read.Reading;
import org.mapsel.core.ref.Place;

/**
 * Follows references within a document and into others (RFC 6901, section 6). A type that is
 * pointed to has one name, its address, however it was written.
 *
 * <p>Everything that operations lead to is gone through while the description is read; then all
 * documents are there and all has been said of what leads nowhere. What is made of it later, when
 * somebody asks, opens nothing and says nothing.
 */
final class References {

  private static final String REF = "$ref";
  private static final int MAX_STEPS = 64;

  /** That of operations, and of the types that they use. */
  private static final int DEPTH = 4;

  /** What opens documents and takes findings; null once everything was gone through. */
  private @Nullable Reading reading;

  private final Map<String, Optional<DataNode>> documents = new LinkedHashMap<>();
  private final Map<String, Map<String, DataNode>> anchors = new HashMap<>();
  private final ReferenceClosure reach = new ReferenceClosure(this);

  References(Reading reading) {
    this.reading = reading;
  }

  /** Reads the first document; nothing if there is nothing to read in it. */
  Optional<Located> start(SourceText source) {
    Optional<DataNode> root = load(source).root();
    documents.put(source.address(), root);
    return root.map(node -> new Located(node, source.address()));
  }

  private DataDocument load(SourceText source) {
    DataDocument read =
        DataDocument.read(source, Limits.DESCRIPTION, ReferenceClosure.MARKS, DEPTH);
    read.problem().ifPresent(this::tell);
    return read;
  }

  /** Goes through everything that something leads to. */
  void reach(Located start) {
    reach.from(start);
  }

  /** What is pointed to from what was gone through. */
  ReferenceClosure reached() {
    return reach;
  }

  /** Whatever comes now must be there already, so nothing of the reading is held any longer. */
  void close() {
    reading = null;
  }

  /** The documents that were read, by their addresses. */
  Map<String, DataNode> documents() {
    Map<String, DataNode> read = new LinkedHashMap<>();
    documents.forEach((address, root) -> root.ifPresent(node -> read.put(address, node)));
    return read;
  }

  /** The address of what a reference means. */
  static String target(Located from, String reference) {
    int hash = reference.indexOf('#');
    String location = hash < 0 ? reference : reference.substring(0, hash);
    String fragment = hash < 0 ? "" : reference.substring(hash + 1);
    String document =
        location.isEmpty() ? from.document() : Reading.resolve(from.document(), location);
    return document + "#" + decoded(fragment);
  }

  private static String decoded(String fragment) {
    try {
      return fragment.indexOf('%') < 0
          ? fragment
          : URLDecoder.decode(fragment.replace("+", "%2B"), StandardCharsets.UTF_8);
    } catch (IllegalArgumentException e) {
      // A stray percent sign is meant as it stands.
      return fragment;
    }
  }

  /** What stands at an address. */
  Optional<Located> find(String target, Place from) {
    int hash = target.indexOf('#');
    String document = target.substring(0, hash);
    String pointer = target.substring(hash + 1);
    Optional<DataNode> root = document(document, from);
    return root.flatMap(node -> at(node, document, pointer))
        .map(node -> new Located(node, document));
  }

  private Optional<DataNode> at(DataNode root, String document, String pointer) {
    return pointer.isEmpty() || pointer.startsWith("/")
        ? root.at(pointer)
        : Optional.ofNullable(
            anchors.computeIfAbsent(document, name -> Anchors.in(root)).get(pointer));
  }

  private Optional<DataNode> document(String address, Place from) {
    Optional<DataNode> known = documents.get(address);
    if (known == null) {
      known =
          reading == null
              ? Optional.empty()
              : reading
                  .open(address, from, "reference")
                  .map(this::load)
                  .flatMap(DataDocument::root);
      documents.put(address, known);
    }
    return known;
  }

  /** What an object that may be a reference stands for; nothing, with a finding, if for nothing. */
  Optional<Located> follow(Located given) {
    Located here = given;
    for (int i = 0; i < MAX_STEPS; i++) {
      Optional<String> reference = here.node().findText(REF);
      if (reference.isEmpty()) {
        return Optional.of(here);
      }
      Optional<Located> next = find(target(here, reference.get()), here.place());
      if (next.isEmpty()) {
        broken(reference.get(), here.place());
        return Optional.empty();
      }
      here = next.get();
    }
    broken(given.node().text(REF), given.place());
    return Optional.empty();
  }

  /** Says of a type that not all those derived from it are offered. */
  void tooManyKinds(String type, int most, Place at) {
    tell(Finding.note("OPENAPI_KINDS_MANY", "type", type, "most", String.valueOf(most)).at(at));
  }

  void broken(String reference, Place from) {
    tell(Finding.error("OPENAPI_REFERENCE_BROKEN", "reference", reference).at(from));
  }

  private void tell(Finding finding) {
    if (reading != null) {
      reading.findings().add(finding);
    }
  }
}
