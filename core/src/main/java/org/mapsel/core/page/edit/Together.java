package org.mapsel.core.page.edit;

import java.util.List;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.page.App;

/** Several edits as one step of undo; all of them or none. */
public record Together(String title, List<AppEdit> edits) implements AppEdit {

  /** More than this nobody chooses by hand. */
  private static final int MOST = 10_000;

  public Together {
    edits = List.copyOf(edits);
  }

  @Override
  public App apply(Editing editing) {
    if (edits.size() > MOST) {
      throw new EditRefused(Finding.error("APP_EDITS_TOO_MANY", "limit", String.valueOf(MOST)));
    }
    App app = editing.app();
    for (AppEdit edit : edits) {
      app = edit.apply(editing.after(app));
    }
    return app;
  }
}
