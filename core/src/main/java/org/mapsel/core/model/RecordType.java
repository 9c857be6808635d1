package org.mapsel.core.model;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import org.mapsel.core.ref.TypeId;

/**
 * A type of record that pages use, and what was decided of its fields.
 *
 * @param shapes what it stands for, of one or several services; a shape belongs to one type only
 * @param fields those of which something was decided; all others are as the shapes have them
 */
public record RecordType(
    TypeId id,
    String name,
    List<ShapeRef> shapes,
    List<ModelField> fields,
    List<DerivedField> derived) {

  public RecordType {
    shapes = List.copyOf(shapes);
    fields = List.copyOf(fields);
    derived = List.copyOf(derived);
  }

  public static RecordType of(TypeId id, String name, ShapeRef shape) {
    return new RecordType(id, name, List.of(shape), List.of(), List.of());
  }

  public Optional<ModelField> field(FieldRef field) {
    return fields.stream().filter(known -> known.standsFor(field)).findFirst();
  }

  public Optional<DerivedField> derived(String wanted) {
    return derived.stream().filter(known -> known.name().equals(wanted)).findFirst();
  }

  public RecordType named(String other) {
    return new RecordType(id, other, shapes, fields, derived);
  }

  /** The type with something decided of a field; deciding nothing takes the decision back. */
  public RecordType with(FieldRef field, Overrides set) {
    ModelField changed =
        field(field).orElseGet(() -> new ModelField(freeName(field.name()), List.of(field), set));
    List<ModelField> others = new ArrayList<>();
    boolean placed = false;
    for (ModelField known : fields) {
      if (known.name().equals(changed.name())) {
        placed = true;
        keep(others, known.with(set));
      } else {
        others.add(known);
      }
    }
    if (!placed) {
      keep(others, changed);
    }
    return withFields(others);
  }

  /**
   * The type with two fields of different shapes taken for one. What was decided of the first goes
   * over what was decided of the other.
   */
  public RecordType joining(FieldRef field, FieldRef other) {
    ModelField one =
        field(field)
            .orElseGet(
                () -> new ModelField(freeName(field.name()), List.of(field), Overrides.NONE));
    Overrides gone = field(other).map(ModelField::set).orElse(Overrides.NONE);
    ModelField both = one.alsoAt(other).with(one.set().over(gone));
    List<ModelField> others = new ArrayList<>();
    boolean placed = false;
    for (ModelField known : fields) {
      if (known.name().equals(both.name())) {
        others.add(both);
        placed = true;
      } else if (!known.standsFor(other)) {
        others.add(known);
      }
    }
    if (!placed) {
      others.add(both);
    }
    return withFields(others);
  }

  private static void keep(List<ModelField> fields, ModelField field) {
    if (!field.set().saysNothing() || field.at().size() > 1) {
      fields.add(field);
    }
  }

  private String freeName(String wished) {
    String name = wished;
    for (int i = 2; isTaken(name); i++) {
      name = wished + " " + i;
    }
    return name;
  }

  private boolean isTaken(String name) {
    return fields.stream().anyMatch(field -> field.name().equals(name));
  }

  public RecordType withDerived(List<DerivedField> other) {
    return new RecordType(id, name, shapes, fields, other);
  }

  public RecordType withFields(List<ModelField> other) {
    return new RecordType(id, name, shapes, other, derived);
  }

  /** The type with a derived field put in place of the one of its name, or added at the end. */
  public RecordType with(DerivedField field) {
    List<DerivedField> changed = new ArrayList<>(derived);
    Predicate<DerivedField> same = known -> known.name().equals(field.name());
    if (changed.stream().anyMatch(same)) {
      changed.replaceAll(known -> same.test(known) ? field : known);
    } else {
      changed.add(field);
    }
    return new RecordType(id, name, shapes, fields, changed);
  }

  public RecordType withoutDerived(String gone) {
    return new RecordType(
        id,
        name,
        shapes,
        fields,
        derived.stream().filter(field -> !field.name().equals(gone)).toList());
  }
}
