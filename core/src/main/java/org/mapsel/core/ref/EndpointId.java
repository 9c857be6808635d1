package org.mapsel.core.ref;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;

/** Points at an endpoint of one service. */
public record EndpointId(@JsonValue String text) implements Comparable<EndpointId> {

  @JsonCreator(mode = JsonCreator.Mode.DELEGATING)
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
