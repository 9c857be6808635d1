package org.mapsel.core.page.edit;

import org.mapsel.core.model.RecordType;
import org.mapsel.core.page.App;
import org.mapsel.core.ref.TypeId;

/** Removes a derived field; what showed it is left without a source, which is told. */
public record RemoveDerivedField(TypeId type, String name) implements AppEdit {

  @Override
  public String title() {
    return "Remove the derived field " + name;
  }

  @Override
  public App apply(Editing editing) {
    RecordType known = editing.type(type);
    return editing.app().with(editing.app().model().with(known.withoutDerived(name)));
  }
}
