package org.mapsel.core.read;

import java.net.URI;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import org.mapsel.core.declare.Declarations;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Findings;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.ref.Place;

/**
 * One description being read: what was declared and found so far, and the documents it took. Lives
 * as long as the reading.
 */
public final class Reading {

  /** More documents than this in one description is a loop or an attack. */
  public static final int MAX_DOCUMENTS = 2_000;

  private final Resolver resolver;
  private final Predicate<String> plain;
  private final Declarations declarations;
  private final Findings findings = new Findings();
  private final List<SourceText> documents = new ArrayList<>();
  private final Set<SourceText> clean = Collections.newSetFromMap(new IdentityHashMap<>());
  private final Set<String> asked = new HashSet<>();
  private final Set<String> mentioned = new LinkedHashSet<>();

  /**
   * @param plain the names of values that look secret, but are none as somebody said
   */
  public Reading(SourceText first, Resolver resolver, Predicate<String> plain) {
    this.resolver = resolver;
    this.plain = plain;
    this.declarations = new Declarations(first.address());
    documents.add(first);
  }

  public Declarations declarations() {
    return declarations;
  }

  public Findings findings() {
    return findings;
  }

  /** Whether values of a name are no secrets, whatever the name looks like. */
  public boolean isPlain(String name) {
    return plain.test(name);
  }

  /** Every document read, the one that was given first. */
  public List<SourceText> documents() {
    return documents;
  }

  /**
   * Another document, once for each purpose: asking again for the same address and purpose gives
   * nothing, which also ends circular imports.
   *
   * @param purpose what it is read as, for instance the namespace it is included into
   */
  public Optional<SourceText> open(String location, Place from, String purpose) {
    String address = resolve(from.document(), location);
    declarations.addReference(from.document(), address);
    if (!asked.add(purpose + " " + address)) {
      return Optional.empty();
    }
    for (SourceText known : documents) {
      if (known.address().equals(address)) {
        return Optional.of(known);
      }
    }
    if (documents.size() >= MAX_DOCUMENTS) {
      findings.add(
          Finding.error("READ_DOCUMENTS_TOO_MANY", "limit", String.valueOf(MAX_DOCUMENTS))
              .at(from));
      return Optional.empty();
    }
    Outcome<SourceText> fetched = resolver.fetch(address);
    fetched.findings().stream()
        .map(finding -> finding.places().isEmpty() ? finding.at(from) : finding)
        .forEach(findings::add);
    fetched.value().ifPresent(documents::add);
    return fetched.value();
  }

  /** Keeps a document without what nobody may see, by its reader who knows what that is. */
  public void clean(SourceText given, SourceText kept) {
    documents.replaceAll(document -> document == given ? kept : document);
    clean.add(kept);
  }

  /** Whether the reader of a document has left out what nobody may see. */
  public boolean isClean(SourceText document) {
    return clean.contains(document);
  }

  /** Notes the namespace of a standard that something was named from. */
  public void mention(String namespace) {
    mentioned.add(namespace);
  }

  /** The namespaces of standards that something was named from. */
  public Set<String> mentioned() {
    return mentioned;
  }

  /** Marks the first document as read for a purpose, so that a document naming it is no loop. */
  public void opened(String address, String purpose) {
    asked.add(purpose + " " + address);
  }

  /** The address that a location means in a document. */
  public static String resolve(String base, String location) {
    int inside = base.indexOf("!/");
    try {
      URI relative = URI.create(location.strip().replace(" ", "%20"));
      if (inside >= 0 && !relative.isAbsolute()) {
        // Within an archive only the path in it moves.
        URI path = URI.create(base.substring(inside + 1)).resolve(relative);
        return base.substring(0, inside + 1) + path;
      }
      String resolved = URI.create(base).resolve(relative).toString();
      // The same file must have the same address whether it was given or resolved.
      return resolved.startsWith("file:/") && !resolved.startsWith("file://")
          ? "file://" + resolved.substring("file:".length())
          : resolved;
    } catch (IllegalArgumentException e) {
      // An address that is no URI can only be looked up as it stands.
      return location;
    }
  }
}
