package org.mapsel.core.page.edit;

import java.util.ArrayList;
import java.util.List;
import org.mapsel.core.model.DerivedField;
import org.mapsel.core.model.FieldRef;
import org.mapsel.core.model.ModelField;
import org.mapsel.core.model.RecordType;
import org.mapsel.core.model.ShapeRef;
import org.mapsel.core.page.App;
import org.mapsel.core.ref.TypeId;

/**
 * Declares that two record types are one: what the second stands for, the first stands for from now
 * on. Their fields are paired one by one.
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
    return editing.app().with(editing.app().model().without(gone.id()).with(both));
  }
}
