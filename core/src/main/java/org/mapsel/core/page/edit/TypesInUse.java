package org.mapsel.core.page.edit;

import java.util.Optional;
import org.mapsel.core.model.FieldRef;
import org.mapsel.core.model.Labels;
import org.mapsel.core.model.Model;
import org.mapsel.core.model.RecordType;
import org.mapsel.core.model.ShapeRef;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Slot;
import org.mapsel.core.page.reach.FieldBehind;
import org.mapsel.core.page.reach.PageReach;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.ref.TypeId;

/** Brings the record types that a page shows fields of into the model. */
final class TypesInUse {

  private TypesInUse() {}

  static App of(App app, Page page, Editing editing) {
    PageReach reach = new PageReach(app, page, editing.services());
    Model model = app.model();
    for (Slot slot : page.slots()) {
      Optional<FieldRef> field =
          reach
              .subject(slot.mapping().source(), reach.of(slot.id()))
              .filter(FieldBehind.Described.class::isInstance)
              .map(described -> ((FieldBehind.Described) described).ref());
      if (field.isPresent()) {
        model = with(model, field.get().owner(), editing);
      }
    }
    return app.with(model);
  }

  /** The model with a type for a shape, unless it has one. */
  static Model with(Model model, ShapeRef shape, Editing editing) {
    if (model.typeOf(shape).isPresent()) {
      return model;
    }
    String name = nameOf(shape.shape());
    return model.with(RecordType.of(new TypeId(editing.ids().next(name)), name, shape));
  }

  /** The last word of the name of a shape. */
  static String nameOf(ShapeId shape) {
    String name = shape.name();
    String last = name.substring(Math.max(name.lastIndexOf('/'), name.lastIndexOf('.')) + 1);
    return Labels.of(last.isEmpty() ? "record" : last);
  }
}
