package org.mapsel.core.page.edit;

import org.mapsel.core.model.Model;
import org.mapsel.core.model.RecordType;
import org.mapsel.core.page.App;
import org.mapsel.core.ref.TypeId;

/** Gives a record type another name. */
public record RenameType(TypeId type, String name) implements AppEdit {

  @Override
  public String title() {
    return "Rename a record type to " + name;
  }

  @Override
  public App apply(Editing editing) {
    RecordType known = editing.type(type);
    Model model = editing.app().model();
    return editing.app().with(model.with(known.named(Editing.name(name))));
  }
}
