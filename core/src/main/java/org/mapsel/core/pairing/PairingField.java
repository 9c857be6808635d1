package org.mapsel.core.pairing;

import java.util.List;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.shape.Facets;
import org.mapsel.core.shape.ScalarType;

/**
 * A simple field of one side.
 *
 * @param path where it is, below the side's root
 * @param names the names that lead to it, its own last
 * @param label what people call it; empty if nobody says
 * @param unit what its number counts; empty if nobody says
 * @param values what samples have for it, as texts
 */
public record PairingField(
    FieldPath path,
    List<String> names,
    String label,
    String documentation,
    ScalarType type,
    Facets facets,
    String unit,
    boolean key,
    boolean required,
    boolean repeated,
    List<String> values) {

  public PairingField {
    names = List.copyOf(names);
    values = List.copyOf(values);
  }

  /** The same field, known by another path. */
  public PairingField at(FieldPath other) {
    return new PairingField(
        other, names, label, documentation, type, facets, unit, key, required, repeated, values);
  }

  String name() {
    return names.getLast();
  }

  /** The names around it. */
  List<String> around() {
    return names.subList(0, names.size() - 1);
  }
}
