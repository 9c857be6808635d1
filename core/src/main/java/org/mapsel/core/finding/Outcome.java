package org.mapsel.core.finding;

import java.util.List;
import java.util.Optional;

/** What came out of a piece of work, if anything, together with what there is to say about it. */
public record Outcome<T>(Optional<T> value, List<Finding> findings) {

  public Outcome {
    findings = List.copyOf(findings);
  }

  public static <T> Outcome<T> of(T value, List<Finding> findings) {
    return new Outcome<>(Optional.of(value), findings);
  }

  public static <T> Outcome<T> of(T value) {
    return new Outcome<>(Optional.of(value), List.of());
  }

  public static <T> Outcome<T> failed(List<Finding> findings) {
    if (findings.stream().noneMatch(Finding::isError)) {
      throw new IllegalArgumentException("A failed outcome needs an error that says why.");
    }
    return new Outcome<>(Optional.empty(), findings);
  }

  public static <T> Outcome<T> failed(Finding finding) {
    return failed(List.of(finding));
  }

  /** The value; asking for one that is not there is a mistake of the caller. */
  public T get() {
    return value.orElseThrow(
        () -> new IllegalStateException("No value came out: " + FindingText.lines(findings)));
  }
}
