package org.mapsel.core.link;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.mapsel.core.declare.Declarations;
import org.mapsel.core.declare.ElementDeclaration;
import org.mapsel.core.declare.TypeDeclaration;
import org.mapsel.core.declare.TypeRef;
import org.mapsel.core.ref.Name;

/** What may stand in for what: types derived from others, members of substitution groups. */
final class Derivations {

  private final Declarations declarations;
  private final Map<Name, List<Name>> derived = new HashMap<>();
  private final Map<Name, List<Name>> substitutes = new HashMap<>();

  Derivations(Declarations declarations) {
    this.declarations = declarations;
    declarations
        .types()
        .forEach(
            (name, type) ->
                base(type)
                    .ifPresent(
                        base ->
                            derived.computeIfAbsent(base, none -> new ArrayList<>()).add(name)));
    declarations
        .elements()
        .forEach(
            (name, element) ->
                element
                    .substitutes()
                    .ifPresent(
                        head ->
                            substitutes
                                .computeIfAbsent(head, none -> new ArrayList<>())
                                .add(name)));
  }

  /** The complex type that a complex type is derived from, if it says so by name. */
  static Optional<Name> base(TypeDeclaration type) {
    return type instanceof TypeDeclaration.Complex complex
            && complex.derivation().isPresent()
            && complex.derivation().get().base() instanceof TypeRef.Named named
            && BuiltInTypes.find(named.name()).isEmpty()
        ? Optional.of(named.name())
        : Optional.empty();
  }

  /** The types derived from one, however far, that values can be of. */
  List<Name> derivedFrom(Name base) {
    if (!derived.containsKey(base)) {
      return List.of();
    }
    return below(base, derived).stream()
        .filter(
            name ->
                declarations.types().get(name) instanceof TypeDeclaration.Complex complex
                    && !complex.isAbstract()
                    && !name.local().endsWith("~original"))
        .toList();
  }

  /** The elements that may stand in for one, however far, and are not abstract themselves. */
  List<ElementDeclaration> substitutesOf(Name head) {
    if (!substitutes.containsKey(head)) {
      return List.of();
    }
    return below(head, substitutes).stream()
        .map(name -> declarations.elements().get(name))
        .filter(element -> !element.isAbstract())
        .toList();
  }

  private static Set<Name> below(Name start, Map<Name, List<Name>> next) {
    Set<Name> found = new LinkedHashSet<>();
    List<Name> waiting = new ArrayList<>(next.getOrDefault(start, List.of()));
    for (int i = 0; i < waiting.size(); i++) {
      if (found.add(waiting.get(i))) {
        waiting.addAll(next.getOrDefault(waiting.get(i), List.of()));
      }
    }
    return found;
  }
}
