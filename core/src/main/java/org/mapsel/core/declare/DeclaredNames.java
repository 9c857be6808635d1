package org.mapsel.core.declare;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.mapsel.core.ref.Name;

/**
 * What is declared under the names of one kind. The first declaration of a name counts; what other
 * documents declare under it is kept beside, for {@link Versions} to tell what to make of it.
 */
final class DeclaredNames<T> {

  /** A declaration, written with other names for what it refers to. */
  @FunctionalInterface
  interface Rewriting<T> {
    T rewrite(Renaming renaming, T declaration);
  }

  /** A declaration that knows itself by another name. */
  @FunctionalInterface
  interface Keying<T> {
    T keyed(T declaration, Name key);
  }

  /** One document's declaration. */
  record Declared<T>(T declaration, String document) {}

  /** A name that one more document declares. */
  private record Again(Name name, String document) {}

  private final Set<Again> again = new HashSet<>();
  private final Renaming.Kind kind;
  private final Rewriting<T> rewriting;
  private final Keying<T> keying;
  private final Map<Name, T> counting = new LinkedHashMap<>();
  private final Map<Name, List<Declared<T>>> all = new LinkedHashMap<>();

  DeclaredNames(Renaming.Kind kind, Rewriting<T> rewriting, Keying<T> keying) {
    this.kind = kind;
    this.rewriting = rewriting;
    this.keying = keying;
  }

  Renaming.Kind kind() {
    return kind;
  }

  /** A second declaration in one document, as of a schema included twice, is passed over. */
  void add(Name name, T declaration, String document) {
    counting.putIfAbsent(name, declaration);
    List<Declared<T>> declared = all.computeIfAbsent(name, none -> new ArrayList<>(1));
    if (declared.isEmpty()
        || !declared.getFirst().document().equals(document)
            && again.add(new Again(name, document))) {
      declared.add(new Declared<>(declaration, document));
    }
  }

  /** The declarations that count, by name. */
  Map<Name, T> counting() {
    return counting;
  }

  /** The names that several documents declare. */
  List<Name> repeated() {
    return all.keySet().stream().filter(name -> all.get(name).size() > 1).toList();
  }

  /** The documents that declare a name, the one that counts first. */
  List<String> documents(Name name) {
    return all.get(name).stream().map(Declared::document).toList();
  }

  /** Whether all documents that declare a name say the same. */
  boolean isAlike(Name name) {
    T first = all.get(name).get(0).declaration();
    return all.get(name).stream().allMatch(other -> Alike.are(first, other.declaration()));
  }

  /** What the declarations of a name refer to. */
  Set<Symbol> references(Name name) {
    Set<Symbol> referred = new HashSet<>();
    Renaming recording =
        new Renaming(
            (to, reference) -> {
              referred.add(new Symbol(to, reference));
              return reference;
            });
    all.get(name).forEach(declared -> rewriting.rewrite(recording, declared.declaration()));
    return referred;
  }

  /** Writes every declaration anew with the names of its document; versions under their own. */
  void settle(Versions versions) {
    all.forEach(
        (name, declared) -> {
          Symbol symbol = new Symbol(kind, name);
          int counted = versions.has(symbol) ? declared.size() : 1;
          for (Declared<T> one : declared.subList(0, counted)) {
            Name key = versions.key(symbol, one.document());
            T written = rewriting.rewrite(versions.seenFrom(one.document()), one.declaration());
            counting.put(key, key.equals(name) ? written : keying.keyed(written, key));
          }
        });
  }
}
