package org.mapsel.core.message;

import java.util.HashSet;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.ref.FieldPath;

/** Which fields of an answer anybody wants, from where one stands in it. */
public final class Wanted {

  private static final Wanted EVERYTHING = new Wanted(null);

  private final @Nullable Set<FieldPath> paths;

  private Wanted(@Nullable Set<FieldPath> paths) {
    this.paths = paths;
  }

  /** An empty set wants everything. */
  public static Wanted of(Set<FieldPath> paths) {
    return paths.isEmpty() ? EVERYTHING : new Wanted(paths);
  }

  public static Wanted everything() {
    return EVERYTHING;
  }

  public boolean isEverything() {
    return paths == null;
  }

  /** Whether a field is wanted, or something in it. */
  public boolean has(String field) {
    return paths == null
        || paths.stream().anyMatch(path -> !path.isRoot() && path.name(0).equals(field));
  }

  /** What is wanted inside of a field that is. */
  public Wanted below(String field) {
    if (paths == null) {
      return this;
    }
    Set<FieldPath> below = new HashSet<>();
    for (FieldPath path : paths) {
      if (!path.isRoot() && path.name(0).equals(field)) {
        if (path.length() == 1) {
          return EVERYTHING;
        }
        below.add(path.below(FieldPath.of(field)));
      }
    }
    return new Wanted(below);
  }
}
