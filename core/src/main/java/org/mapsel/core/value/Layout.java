package org.mapsel.core.value;

import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** The field names of records of one shape, shared by all of them. */
public final class Layout {

  private final List<String> names;
  private final Map<String, Integer> indexes;

  private Layout(List<String> names) {
    this.names = List.copyOf(names);
    this.indexes = new HashMap<>();
    for (int i = 0; i < this.names.size(); i++) {
      indexes.put(this.names.get(i), i);
    }
  }

  public static Layout of(List<String> names) {
    return new Layout(names);
  }

  public List<String> names() {
    return names;
  }

  public int size() {
    return names.size();
  }

  /** Where the field stands, or -1. */
  public int indexOf(String name) {
    return indexes.getOrDefault(name, -1);
  }
}
