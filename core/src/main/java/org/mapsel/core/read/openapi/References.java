package org.mapsel.core.read.openapi;

import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
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
 */
final class References {

  private static final String REF = "$ref";
  private static final int MAX_STEPS = 64;

  private final Reading reading;
  private final Map<String, Optional<DataNode>> documents = new HashMap<>();
  private final Set<String> asked = new HashSet<>();
  private final Map<String, Place> waiting = new LinkedHashMap<>();
  private final Map<String, Place> named = new HashMap<>();
  private final Map<String, Map<String, DataNode>> anchors = new HashMap<>();

  References(Reading reading) {
    this.reading = reading;
  }

  /** Reads the first document; nothing if there is nothing to read in it. */
  Optional<Located> start(SourceText source) {
    Optional<DataNode> root = load(source);
    documents.put(source.address(), root);
    return root.map(node -> new Located(node, source.address()));
  }

  private Optional<DataNode> load(SourceText source) {
    DataDocument read = DataDocument.read(source, Limits.DESCRIPTION);
    read.problem().ifPresent(reading.findings()::add);
    return read.root();
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

  /** Remembers that a type is pointed to, so that it gets read. */
  String want(Located from, String reference) {
    String target = target(from, reference);
    if (asked.add(target)) {
      waiting.put(target, from.place());
    }
    return target;
  }

  /** A type that is pointed to and was not read yet; none when all are. */
  Optional<String> next() {
    Optional<String> first = waiting.keySet().stream().findFirst();
    first.ifPresent(target -> named.put(target, waiting.remove(target)));
    return first;
  }

  /** Where a type was first pointed to. */
  Place namedAt(String target) {
    return named.getOrDefault(target, Place.in(target));
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
      known = reading.open(address, from, "reference").flatMap(this::load);
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
    reading
        .findings()
        .add(Finding.note("OPENAPI_KINDS_MANY", "type", type, "most", String.valueOf(most)).at(at));
  }

  void broken(String reference, Place from) {
    reading
        .findings()
        .add(Finding.error("OPENAPI_REFERENCE_BROKEN", "reference", reference).at(from));
  }
}
