package org.mapsel.core.ref;

/**
 * Points at a shape. Declared types keep their own name; a type written in place is named after the
 * way to it, for instance {@code /ListArrivals/vessel}.
 */
public record ShapeId(String namespace, String name) implements Comparable<ShapeId> {

  public static ShapeId of(Name name) {
    return new ShapeId(name.namespace(), name.local());
  }

  /** The id of a type written in place inside this one. */
  public ShapeId inner(String step) {
    return new ShapeId(namespace, (name.startsWith("/") ? name : "/" + name) + "/" + step);
  }

  @Override
  public int compareTo(ShapeId other) {
    int byNamespace = namespace.compareTo(other.namespace);
    return byNamespace != 0 ? byNamespace : name.compareTo(other.name);
  }

  @Override
  public String toString() {
    return namespace.isEmpty() ? name : "{" + namespace + "}" + name;
  }
}
