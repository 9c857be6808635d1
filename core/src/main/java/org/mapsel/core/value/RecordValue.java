package org.mapsel.core.value;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.BiConsumer;

/**
 * Named values. Two records are equal when the same names that are not absent have equal values.
 */
public final class RecordValue implements Value {

  private final Layout layout;
  private final Value[] values;
  private final int present;

  private RecordValue(Layout layout, Value[] values, int present) {
    this.layout = layout;
    this.values = values;
    this.present = present;
  }

  /** Takes the array over: whoever built it must not touch it again. Null slots mean absent. */
  public static RecordValue owning(Layout layout, Value[] values) {
    int present = 0;
    for (int i = 0; i < values.length; i++) {
      Value value = Objects.requireNonNullElse(values[i], ABSENT);
      values[i] = value;
      present += value.isAbsent() ? 0 : 1;
    }
    return new RecordValue(layout, values, present);
  }

  public static RecordValue of(Map<String, Value> named) {
    return owning(Layout.of(new ArrayList<>(named.keySet())), named.values().toArray(new Value[0]));
  }

  public static RecordValue empty() {
    return of(Map.of());
  }

  public Value get(String name) {
    int index = layout.indexOf(name);
    return index < 0 ? ABSENT : values[index];
  }

  /** Like {@link #get}, quicker where the field stands at the expected place. */
  public Value get(int expected, String name) {
    List<String> names = layout.names();
    return expected < values.length && names.get(expected).equals(name)
        ? values[expected]
        : get(name);
  }

  Layout layout() {
    return layout;
  }

  /** The value at a place of the layout. */
  Value at(int index) {
    return values[index];
  }

  /** The same record with one field set or replaced. */
  public RecordValue with(String name, Value value) {
    Map<String, Value> named = toMap();
    named.put(name, value);
    return of(named);
  }

  public List<String> names() {
    return layout.names();
  }

  /** How many fields are there. */
  public int present() {
    return present;
  }

  /** Every field that is there, in order. */
  public void forEach(BiConsumer<String, Value> action) {
    for (int i = 0; i < values.length; i++) {
      if (!values[i].isAbsent()) {
        action.accept(layout.names().get(i), values[i]);
      }
    }
  }

  /** Every field that is there, in order, as a map of its own. */
  public Map<String, Value> toMap() {
    Map<String, Value> named = new LinkedHashMap<>();
    forEach(named::put);
    return named;
  }

  @Override
  public boolean equals(Object other) {
    if (other instanceof RecordValue that) {
      return layout == that.layout
          ? Arrays.equals(values, that.values)
          : toMap().equals(that.toMap());
    }
    return false;
  }

  @Override
  public int hashCode() {
    return toMap().hashCode();
  }

  @Override
  public String toString() {
    return toMap().toString();
  }
}
