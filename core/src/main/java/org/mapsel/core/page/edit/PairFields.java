package org.mapsel.core.page.edit;

import java.util.ArrayList;
import java.util.List;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.model.FieldRef;
import org.mapsel.core.model.ModelField;
import org.mapsel.core.model.Overrides;
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
    ModelField one =
        known
            .field(field)
            .orElseGet(() -> new ModelField(freeName(known), List.of(field), Overrides.NONE));
    Overrides gone = known.field(other).map(ModelField::set).orElse(Overrides.NONE);
    ModelField both = one.alsoAt(other).with(one.set().over(gone));
    List<ModelField> fields = new ArrayList<>();
    boolean placed = false;
    for (ModelField each : known.fields()) {
      if (each.name().equals(both.name())) {
        fields.add(both);
        placed = true;
      } else if (!each.standsFor(other)) {
        fields.add(each);
      }
    }
    if (!placed) {
      fields.add(both);
    }
    return editing.app().with(editing.app().model().with(known.withFields(fields)));
  }

  private String freeName(RecordType known) {
    String name = field.name();
    for (int i = 2; ; i++) {
      String wish = name;
      if (known.fields().stream().noneMatch(each -> each.name().equals(wish))) {
        return name;
      }
      name = field.name() + " " + i;
    }
  }
}
