package org.mapsel.core.ref;

/** A name in a namespace, as descriptions write it; the namespace is empty where there is none. */
public record Name(String namespace, String local) implements Comparable<Name> {

  public static Name of(String namespace, String local) {
    return new Name(namespace, local);
  }

  @Override
  public int compareTo(Name other) {
    int byNamespace = namespace.compareTo(other.namespace);
    return byNamespace != 0 ? byNamespace : local.compareTo(other.local);
  }

  /** Prints {@code {namespace}local}, or just the local name when there is no namespace. */
  @Override
  public String toString() {
    return namespace.isEmpty() ? local : "{" + namespace + "}" + local;
  }
}
