package org.mapsel.core.page.edit;

import java.util.ArrayList;
import java.util.List;
import org.mapsel.core.model.DerivedField;
import org.mapsel.core.model.FieldRef;
import org.mapsel.core.model.ModelField;
import org.mapsel.core.model.RecordType;
import org.mapsel.core.model.ShapeRef;
import org.mapsel.core.page.App;
import org.mapsel.core.pairing.Grade;
import org.mapsel.core.pairing.Pairer;
import org.mapsel.core.pairing.Pairing;
import org.mapsel.core.pairing.PairingField;
import org.mapsel.core.pairing.PairingFields;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.TypeId;
import org.mapsel.core.service.Service;
import org.mapsel.core.shape.Hints;

/**
 * Declares that two record types are one: what the second stands for, the first stands for from now
 * on. Those of their fields are paired that are likely to be the same; others are paired one by
 * one.
 */
public record PairTypes(TypeId type, TypeId other) implements AppEdit {

  @Override
  public String title() {
    return "Take two record types for one";
  }

  @Override
  public App apply(Editing editing) {
    RecordType kept = editing.type(type);
    RecordType gone = editing.type(other);
    if (kept.equals(gone)) {
      return editing.app();
    }
    List<ShapeRef> shapes = new ArrayList<>(kept.shapes());
    shapes.addAll(gone.shapes());
    RecordType both = new RecordType(kept.id(), kept.name(), shapes, kept.fields(), kept.derived());
    for (ModelField field : gone.fields()) {
      for (FieldRef at : field.at()) {
        both = both.with(at, field.set());
      }
    }
    for (DerivedField derived : gone.derived()) {
      both = both.derived(derived.name()).isPresent() ? both : both.with(derived);
    }
    for (ShapeRef shape : gone.shapes()) {
      both = paired(editing, both, kept.shapes().getFirst(), shape);
    }
    return editing.app().with(editing.app().model().without(gone.id()).with(both));
  }

  private static RecordType paired(
      Editing editing, RecordType type, ShapeRef left, ShapeRef right) {
    RecordType paired = type;
    Pairing pairing =
        new Pairer(editing.lexicon()).pair(fields(editing, left), fields(editing, right));
    for (Pairing.Pair pair : pairing.pairs()) {
      if (pair.grade() != Grade.GUESS) {
        paired =
            paired.joining(
                new FieldRef(left, pair.left().path().name(0)),
                new FieldRef(right, pair.right().path().name(0)));
      }
    }
    return paired;
  }

  /** The fields of a shape itself, not what is in them; none of a shape that is not there now. */
  private static List<PairingField> fields(Editing editing, ShapeRef ref) {
    return editing
        .app()
        .edition(ref.service())
        .flatMap(editing.services()::find)
        .map(Service::shapes)
        .filter(shapes -> shapes.find(ref.shape()).isPresent())
        .map(
            shapes ->
                PairingFields.of(
                    shapes, ref.shape(), FieldPath.ROOT, Hints.Direction.BOTH, List.of()))
        .orElse(List.of())
        .stream()
        .filter(field -> field.path().length() == 1)
        .toList();
  }
}
