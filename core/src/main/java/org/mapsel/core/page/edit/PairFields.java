package org.mapsel.core.page.edit;

import org.mapsel.core.finding.Finding;
import org.mapsel.core.model.FieldRef;
import org.mapsel.core.model.RecordType;
import org.mapsel.core.page.App;
import org.mapsel.core.ref.TypeId;

/** Declares that two fields of shapes that are one record type are one field. */
public record PairFields(TypeId type, FieldRef field, FieldRef other) implements AppEdit {

  @Override
  public String title() {
    return "Take " + field.name() + " and " + other.name() + " for one field";
  }

  @Override
  public App apply(Editing editing) {
    RecordType known = editing.type(type);
    if (!known.shapes().contains(field.owner())
        || !known.shapes().contains(other.owner())
        || field.owner().equals(other.owner())) {
      throw new EditRefused(
          Finding.error("MODEL_PAIR_IMPOSSIBLE", "one", field.name(), "other", other.name()));
    }
    return editing.app().with(editing.app().model().with(known.joining(field, other)));
  }
}
