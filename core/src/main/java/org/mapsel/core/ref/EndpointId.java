package org.mapsel.core.ref;

/** Points at an endpoint of one service. */
public record EndpointId(String text) implements Comparable<EndpointId> {

  public EndpointId {
    if (text.isBlank()) {
      throw new IllegalArgumentException("A EndpointId needs a text.");
    }
  }

  @Override
  public int compareTo(EndpointId other) {
    return text.compareTo(other.text);
  }

  @Override
  public String toString() {
    return text;
  }
}
