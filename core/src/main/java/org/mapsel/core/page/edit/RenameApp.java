package org.mapsel.core.page.edit;

import org.mapsel.core.page.App;

/** Gives the app another name. */
public record RenameApp(String name) implements AppEdit {

  @Override
  public String title() {
    return "Rename the app to " + name;
  }

  @Override
  public App apply(Editing editing) {
    return editing.app().withName(Editing.name(name));
  }
}
