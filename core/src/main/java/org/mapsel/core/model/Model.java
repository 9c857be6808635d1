package org.mapsel.core.model;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.mapsel.core.ref.ListId;
import org.mapsel.core.ref.TypeId;

/** The record types and value lists of an app. Immutable. */
public final class Model {

  public static final Model EMPTY = new Model(List.of(), List.of());

  private final List<RecordType> types;
  private final List<ValueList> lists;
  private final Map<ShapeRef, RecordType> byShape = new HashMap<>();

  public Model(List<RecordType> types, List<ValueList> lists) {
    this.types = List.copyOf(types);
    this.lists = List.copyOf(lists);
    for (RecordType type : this.types) {
      type.shapes().forEach(shape -> byShape.putIfAbsent(shape, type));
    }
  }

  public List<RecordType> types() {
    return types;
  }

  public List<ValueList> lists() {
    return lists;
  }

  public Optional<RecordType> typeOf(ShapeRef shape) {
    return Optional.ofNullable(byShape.get(shape));
  }

  public Optional<RecordType> type(TypeId id) {
    return types.stream().filter(type -> type.id().equals(id)).findFirst();
  }

  public Optional<ValueList> list(ListId id) {
    return lists.stream().filter(list -> list.id().equals(id)).findFirst();
  }

  /** What was decided of a field for all pages. */
  public Overrides set(FieldRef field) {
    return typeOf(field.owner())
        .flatMap(type -> type.field(field))
        .map(ModelField::set)
        .orElse(Overrides.NONE);
  }

  /** The model with one type put in place of the one with its id, or added at the end. */
  public Model with(RecordType type) {
    List<RecordType> changed = new ArrayList<>(types);
    if (type(type.id()).isPresent()) {
      changed.replaceAll(known -> known.id().equals(type.id()) ? type : known);
    } else {
      changed.add(type);
    }
    return new Model(changed, lists);
  }

  public Model without(TypeId gone) {
    return new Model(types.stream().filter(type -> !type.id().equals(gone)).toList(), lists);
  }

  /** The model with one list put in place of the one with its id, or added at the end. */
  public Model with(ValueList list) {
    List<ValueList> changed = new ArrayList<>(lists);
    if (list(list.id()).isPresent()) {
      changed.replaceAll(known -> known.id().equals(list.id()) ? list : known);
    } else {
      changed.add(list);
    }
    return new Model(types, changed);
  }

  public Model without(ListId gone) {
    return new Model(types, lists.stream().filter(list -> !list.id().equals(gone)).toList());
  }

  @Override
  public boolean equals(Object other) {
    return other instanceof Model that && types.equals(that.types) && lists.equals(that.lists);
  }

  @Override
  public int hashCode() {
    return Objects.hash(types, lists);
  }
}
