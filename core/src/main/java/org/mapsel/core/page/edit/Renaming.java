package org.mapsel.core.page.edit;

import java.util.Optional;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Slot;

/** Lets mappings follow what was renamed. */
final class Renaming {

  private Renaming() {}

  /** The app in which every source that named a derived field names it anew. */
  static App derived(App app, String before, String after) {
    App changed = app;
    for (Page page : app.pages()) {
      Page renamed = page;
      for (Slot slot : page.slots()) {
        if (slot.mapping().source() instanceof Source.Derived made && made.field().equals(before)) {
          Mapping mapping = slot.mapping().with(new Source.Derived(made.record(), after));
          renamed = renamed.with(slot.id(), Optional.of(mapping));
        }
      }
      changed = renamed == page ? changed : changed.with(renamed);
    }
    return changed;
  }
}
