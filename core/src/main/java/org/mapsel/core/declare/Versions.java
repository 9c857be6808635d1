package org.mapsel.core.declare;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Findings;
import org.mapsel.core.ref.Name;
import org.mapsel.core.ref.Place;

/**
 * Names that several documents of one description declare otherwise, as where a new version of a
 * service came to stand beside the old one. Each version has a name of its own, and each reference
 * means the one nearest to its document: in it, in what it includes and imports, or in what the
 * documents see that include and import it.
 */
final class Versions {

  /** Steps from document to document; after that a reference means the first version. */
  private static final int MOST_STEPS = 5_000_000;

  private final List<DeclaredNames<?>> tables;
  private final Map<String, Set<String>> refersTo;
  private final Map<String, Set<String>> referredBy = new HashMap<>();
  private final Map<Symbol, Map<String, Name>> keys = new LinkedHashMap<>();
  private final Set<Name> given = new HashSet<>();
  private final Map<String, List<String>> nearest = new HashMap<>();
  private int steps;

  /**
   * @param refersTo the documents that each document includes or imports
   */
  Versions(List<DeclaredNames<?>> tables, Map<String, Set<String>> refersTo) {
    this.tables = tables;
    this.refersTo = refersTo;
    refersTo.forEach(
        (from, all) ->
            all.forEach(
                to -> referredBy.computeIfAbsent(to, none -> new LinkedHashSet<>()).add(from)));
    differing().forEach(this::name);
  }

  boolean isEmpty() {
    return keys.isEmpty();
  }

  boolean has(Symbol symbol) {
    return keys.containsKey(symbol);
  }

  /** The name of the version that a document declares. */
  Name key(Symbol symbol, String document) {
    Map<String, Name> versions = keys.get(symbol);
    return versions == null ? symbol.name() : versions.getOrDefault(document, symbol.name());
  }

  /** Gives every reference the name of the version that it means in a document. */
  Renaming seenFrom(String document) {
    return new Renaming((kind, name) -> meant(new Symbol(kind, name), document));
  }

  /** What names stand for that a version has instead of its declared one. */
  Map<Name, Name> declaredNames() {
    Map<Name, Name> declared = new HashMap<>();
    keys.forEach(
        (symbol, versions) ->
            versions.values().stream()
                .filter(key -> !key.equals(symbol.name()))
                .forEach(key -> declared.put(key, symbol.name())));
    return declared;
  }

  /** Says once for each namespace that there is more than one version of it, and where. */
  void tell(Findings findings) {
    Set<String> told = new HashSet<>();
    keys.forEach(
        (symbol, versions) -> {
          if (told.add(symbol.name().namespace())) {
            List<String> documents = List.copyOf(versions.keySet());
            findings.add(
                Finding.warning(
                        "XSD_NAMESPACE_TWICE",
                        "namespace",
                        symbol.name().namespace(),
                        "name",
                        symbol.name().local(),
                        "first",
                        documents.get(0),
                        "second",
                        documents.get(1))
                    .at(Place.in(documents.get(1))));
          }
        });
  }

  /** Those said otherwise by another document, and those that refer to one of them. */
  private Set<Symbol> differing() {
    Deque<Symbol> waiting = new ArrayDeque<>();
    Map<Symbol, List<Symbol>> users = new HashMap<>();
    for (DeclaredNames<?> table : tables) {
      for (Name name : table.repeated()) {
        Symbol symbol = new Symbol(table.kind(), name);
        if (table.isAlike(name)) {
          table
              .references(name)
              .forEach(to -> users.computeIfAbsent(to, none -> new ArrayList<>()).add(symbol));
        } else {
          waiting.add(symbol);
        }
      }
    }
    Set<Symbol> found = new LinkedHashSet<>();
    while (!waiting.isEmpty()) {
      Symbol next = waiting.poll();
      if (found.add(next)) {
        waiting.addAll(users.getOrDefault(next, List.of()));
      }
    }
    return found;
  }

  private void name(Symbol symbol) {
    DeclaredNames<?> table =
        tables.stream().filter(one -> one.kind() == symbol.kind()).findFirst().orElseThrow();
    Map<String, Name> versions = new LinkedHashMap<>();
    int number = 2;
    for (String document : table.documents(symbol.name())) {
      Name key = symbol.name();
      while (!versions.isEmpty() && isTaken(key)) {
        key = Name.of(symbol.name().namespace(), symbol.name().local() + "-" + number++);
      }
      versions.put(document, key);
      given.add(key);
    }
    keys.put(symbol, versions);
  }

  /** One name for one version in all kinds, so that what is made of it has an id of its own. */
  private boolean isTaken(Name key) {
    return given.contains(key)
        || tables.stream().anyMatch(table -> table.counting().containsKey(key));
  }

  private Name meant(Symbol symbol, String document) {
    Map<String, Name> versions = keys.get(symbol);
    if (versions == null) {
      return symbol.name();
    }
    Name own = versions.get(document);
    if (own != null) {
      return own;
    }
    for (String near : nearest.computeIfAbsent(document, this::byNearness)) {
      if (versions.containsKey(near)) {
        return versions.get(near);
      }
      if (steps++ >= MOST_STEPS) {
        break;
      }
    }
    return symbol.name();
  }

  /** What a document sees, then what those see that refer to it, and so on. */
  private List<String> byNearness(String document) {
    Set<String> seen = new LinkedHashSet<>();
    Set<String> above = new LinkedHashSet<>();
    Deque<String> up = new ArrayDeque<>(List.of(document));
    while (!up.isEmpty() && steps < MOST_STEPS) {
      String from = up.poll();
      if (above.add(from)) {
        reach(from, seen);
        up.addAll(referredBy.getOrDefault(from, Set.of()));
      }
    }
    return List.copyOf(seen);
  }

  private void reach(String from, Set<String> seen) {
    Deque<String> waiting = new ArrayDeque<>(List.of(from));
    while (!waiting.isEmpty() && steps++ < MOST_STEPS) {
      String next = waiting.poll();
      if (seen.add(next)) {
        waiting.addAll(refersTo.getOrDefault(next, Set.of()));
      }
    }
  }
}
