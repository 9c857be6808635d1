package org.mapsel.core.page.edit;

import java.util.ArrayList;
import java.util.List;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.model.ModelField;
import org.mapsel.core.model.RecordType;
import org.mapsel.core.model.ShapeRef;
import org.mapsel.core.page.App;
import org.mapsel.core.ref.TypeId;

/** Makes a shape that was taken into a record type a type of its own again. */
public record UnpairType(TypeId type, ShapeRef shape) implements AppEdit {

  @Override
  public String title() {
    return "Take a record type apart";
  }

  @Override
  public App apply(Editing editing) {
    RecordType known = editing.type(type);
    if (!known.shapes().contains(shape) || known.shapes().size() == 1) {
      throw new EditRefused(Finding.error("MODEL_TYPE_MISSING", "type", known.name()));
    }
    List<ShapeRef> shapes = new ArrayList<>(known.shapes());
    shapes.remove(shape);
    List<ModelField> fields =
        known.fields().stream()
            .map(field -> field.notAt(shape))
            .filter(field -> !field.at().isEmpty())
            .toList();
    RecordType left = new RecordType(known.id(), known.name(), shapes, fields, known.derived());
    return editing.app().with(TypesInUse.with(editing.app().model().with(left), shape, editing));
  }
}
