package org.mapsel.core.ref;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** The way to a field: names from the outside in. Stored as a JSON array of names. */
public record FieldPath(@JsonValue List<String> steps) implements Comparable<FieldPath> {

  public static final FieldPath ROOT = new FieldPath(List.of());

  @JsonCreator(mode = JsonCreator.Mode.DELEGATING)
  public FieldPath {
    steps = List.copyOf(steps);
  }

  public static FieldPath of(String... steps) {
    return new FieldPath(List.of(steps));
  }

  public FieldPath then(String step) {
    List<String> longer = new ArrayList<>(steps);
    longer.add(step);
    return new FieldPath(longer);
  }

  public boolean isRoot() {
    return steps.isEmpty();
  }

  public int length() {
    return steps.size();
  }

  /** The last name; the root has none. */
  public String last() {
    if (steps.isEmpty()) {
      throw new IllegalStateException("The root path has no last name.");
    }
    return steps.get(steps.size() - 1);
  }

  public boolean startsWith(FieldPath prefix) {
    return steps.size() >= prefix.steps.size()
        && steps.subList(0, prefix.steps.size()).equals(prefix.steps);
  }

  /** What is left of this path below {@code prefix}, which it must start with. */
  public FieldPath below(FieldPath prefix) {
    if (!startsWith(prefix)) {
      throw new IllegalArgumentException(this + " does not start with " + prefix);
    }
    return new FieldPath(steps.subList(prefix.steps.size(), steps.size()));
  }

  /** The last item that is picked on the way, if one is. */
  public Optional<Selector> selected() {
    return steps.reversed().stream().flatMap(step -> Selector.in(step).stream()).findFirst();
  }

  /** Whether it goes on where descriptions end: picks an item by its key, or cuts a text. */
  public boolean isDerived() {
    return steps.stream()
        .anyMatch(step -> Selector.in(step).isPresent() || Cut.in(step).isPresent());
  }

  /**
   * The described fields that must be known to follow this path: itself if it has no step but
   * names; the last one is what it ends in, or what is cut.
   */
  public List<FieldPath> asked() {
    List<FieldPath> asked = new ArrayList<>();
    FieldPath here = ROOT;
    for (String step : steps) {
      Optional<Selector> selector = Selector.in(step);
      if (Cut.in(step).isPresent() && !here.isRoot()) {
        break;
      }
      if (selector.isPresent()) {
        asked.add(here.then(selector.get().field()));
      } else {
        here = here.then(step);
      }
    }
    asked.add(here);
    return asked;
  }

  @Override
  public int compareTo(FieldPath other) {
    return toString().compareTo(other.toString());
  }

  /** As people read it: {@code arrivals › vessel › name}. */
  @Override
  public String toString() {
    return String.join(" › ", steps);
  }
}
