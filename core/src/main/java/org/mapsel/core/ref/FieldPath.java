package org.mapsel.core.ref;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/** The way to a field, from the outside in. */
public record FieldPath(List<Step> steps) implements Comparable<FieldPath> {

  public static final FieldPath ROOT = new FieldPath(List.of());

  public FieldPath {
    steps = List.copyOf(steps);
  }

  /** A path of names only. */
  public static FieldPath of(String... names) {
    return ofNames(Arrays.asList(names));
  }

  /** A path of names only. */
  public static FieldPath ofNames(List<String> names) {
    return new FieldPath(names.stream().<Step>map(Step.Name::new).toList());
  }

  public FieldPath then(String name) {
    return then(new Step.Name(name));
  }

  public FieldPath then(Step step) {
    List<Step> longer = new ArrayList<>(steps);
    longer.add(step);
    return new FieldPath(longer);
  }

  /** This path with another one below it. */
  public FieldPath then(FieldPath below) {
    List<Step> longer = new ArrayList<>(steps);
    longer.addAll(below.steps);
    return new FieldPath(longer);
  }

  public boolean isRoot() {
    return steps.isEmpty();
  }

  public int length() {
    return steps.size();
  }

  /** The name at a place, counted from 0; empty if the step there is none. */
  public String name(int place) {
    return steps.get(place) instanceof Step.Name name ? name.name() : "";
  }

  /** The last name; the root has none. */
  public String last() {
    return steps.reversed().stream()
        .filter(Step.Name.class::isInstance)
        .map(step -> ((Step.Name) step).name())
        .findFirst()
        .orElseThrow(() -> new IllegalStateException("A path without names has no last one."));
  }

  /** The path without its last step. */
  public FieldPath parent() {
    return first(steps.size() - 1);
  }

  /** The first so many steps. */
  public FieldPath first(int length) {
    return new FieldPath(steps.subList(0, length));
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

  /** The key of the last item that is picked on the way, if one is. */
  public Optional<String> key() {
    return steps.reversed().stream()
        .filter(Step.PickByKey.class::isInstance)
        .map(step -> ((Step.PickByKey) step).value())
        .findFirst();
  }

  /** Whether it goes on where descriptions end: picks an item, or cuts a text. */
  public boolean isDerived() {
    return !steps.stream().allMatch(Step.Name.class::isInstance);
  }

  /**
   * The described fields that must be known to follow this path: itself if it has no step but
   * names; the last one is what it ends in, or what is cut.
   */
  public List<FieldPath> asked() {
    List<FieldPath> asked = new ArrayList<>();
    FieldPath here = ROOT;
    for (Step step : steps) {
      if (step instanceof Step.Cut) {
        break;
      }
      if (step instanceof Step.PickByKey pick) {
        asked.add(here.then(pick.field()));
      } else if (step instanceof Step.Name name) {
        here = here.then(name);
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
    return steps.stream().map(Step::toString).collect(Collectors.joining(" › "));
  }
}
