package org.mapsel.core.drift;

import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiPredicate;
import java.util.function.Function;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.OperationWire;
import org.mapsel.core.service.Service;

/** Operations that are gone, with those that are new and look to be the same. */
final class RenamedOperations {

  private static final Pattern PLACE = Pattern.compile("\\{[^}]*+\\}");
  private static final Pattern WORD_ENDS = Pattern.compile("(?<=[a-z0-9])(?=[A-Z])|[^A-Za-z0-9]+");

  private final Service before;
  private final Service after;
  private final Map<OperationId, OperationId> renamed = new HashMap<>();
  private final Set<OperationId> paired = new HashSet<>();

  private RenamedOperations(Service before, Service after) {
    this.before = before;
    this.after = after;
  }

  /**
   * The new ids by the old ones: what is asked in the same way at the same path; else what takes
   * and gives the very same to the same effect and shares a word of its name, where just one of
   * either edition does.
   */
  static Map<OperationId, OperationId> between(
      Service before, Trees.Edition treesBefore, Service after, Trees.Edition treesAfter) {
    RenamedOperations found = new RenamedOperations(before, after);
    found.pair(RenamedOperations::line, RenamedOperations::line, (one, other) -> true);
    found.pair(
        one -> fields(one, before, treesBefore),
        one -> fields(one, after, treesAfter),
        RenamedOperations::shareWord);
    return found.renamed;
  }

  private void pair(
      Function<Operation, Optional<?>> looksBefore,
      Function<Operation, Optional<?>> looksAfter,
      BiPredicate<OperationId, OperationId> may) {
    Map<Object, List<OperationId>> gone = byLook(before, after, looksBefore);
    Map<Object, List<OperationId>> added = byLook(after, before, looksAfter);
    gone.forEach(
        (look, ids) -> {
          List<OperationId> others = added.getOrDefault(look, List.of());
          if (ids.size() == 1
              && others.size() == 1
              && may.test(ids.getFirst(), others.getFirst())) {
            renamed.put(ids.getFirst(), others.getFirst());
            paired.add(ids.getFirst());
            paired.add(others.getFirst());
          }
        });
  }

  /** The operations of a service that the other one has not, by what they look like. */
  private Map<Object, List<OperationId>> byLook(
      Service service, Service other, Function<Operation, Optional<?>> look) {
    return service.operations().ids().stream()
        .filter(id -> other.findOperation(id).isEmpty())
        .filter(id -> !paired.contains(id))
        .filter(id -> look.apply(service.getOperation(id)).isPresent())
        .collect(Collectors.groupingBy(id -> look.apply(service.getOperation(id)).get()));
  }

  private static Optional<?> line(Operation operation) {
    return operation.wires().stream()
        .findFirst()
        .flatMap(
            wire ->
                switch (wire) {
                  case OperationWire.Rest rest ->
                      Optional.of(List.of(rest.method(), named(rest.path())));
                  case OperationWire.Entities entities ->
                      Optional.of(List.of(entities.method(), entities.path()));
                  default -> Optional.empty();
                });
  }

  /** Places in a path are the same whatever they are called. */
  private static String named(String path) {
    return PLACE.matcher(path).replaceAll("{}");
  }

  /** An operation that gives nothing back looks like any other. */
  private static Optional<?> fields(Operation operation, Service service, Trees.Edition trees) {
    return service.shapes().fieldsOf(operation.output()).isEmpty()
        ? Optional.empty()
        : Optional.of(
            List.of(
                operation.effect(),
                trees.number(operation.input()),
                trees.number(operation.output())));
  }

  private static boolean shareWord(OperationId one, OperationId other) {
    return !Collections.disjoint(words(one), words(other));
  }

  private static Set<String> words(OperationId id) {
    return WORD_ENDS
        .splitAsStream(id.text())
        .map(word -> word.toLowerCase(Locale.ROOT))
        .filter(word -> word.length() > 2)
        .collect(Collectors.toSet());
  }
}
