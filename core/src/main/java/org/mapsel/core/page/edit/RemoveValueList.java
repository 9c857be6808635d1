package org.mapsel.core.page.edit;

import java.util.Optional;
import org.mapsel.core.model.DerivedField;
import org.mapsel.core.model.Model;
import org.mapsel.core.model.ModelField;
import org.mapsel.core.model.Overrides;
import org.mapsel.core.model.RecordType;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Page;
import org.mapsel.core.ref.ListId;

/** Removes a value list; fields that used it are as the description has them again. */
public record RemoveValueList(ListId list) implements AppEdit {

  @Override
  public String title() {
    return "Remove a value list";
  }

  @Override
  public App apply(Editing editing) {
    Model model = editing.app().model();
    for (RecordType type : model.types()) {
      RecordType changed = type;
      for (ModelField field : type.fields()) {
        if (field.set().list().equals(Optional.of(list))) {
          changed = changed.with(field.at().get(0), field.set().withList(Optional.empty()));
        }
      }
      for (DerivedField field : type.derived()) {
        if (field.set().list().equals(Optional.of(list))) {
          changed = changed.with(field.with(field.set().withList(Optional.empty())));
        }
      }
      model = changed == type ? model : model.with(changed);
    }
    App app = editing.app().with(model.without(list));
    for (Page page : app.pages()) {
      Page changed = page;
      for (Page.Inside inside : page.items().toList()) {
        Overrides only = inside.item().only();
        if (only.list().equals(Optional.of(list))) {
          changed =
              changed.with(
                  changed.part(inside.part().id()).orElseThrow(),
                  inside.item().with(only.withList(Optional.empty())));
        }
      }
      app = changed == page ? app : app.with(changed);
    }
    return app;
  }
}
