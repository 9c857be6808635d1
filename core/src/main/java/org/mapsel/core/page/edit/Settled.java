package org.mapsel.core.page.edit;

import org.mapsel.core.finding.Finding;
import org.mapsel.core.model.Overrides;

/** What may be decided of a field. */
final class Settled {

  private static final int LONGEST = 2_000;

  private Settled() {}

  /** The same, without spaces around words; refused if it cannot be. */
  static Overrides checked(Editing editing, Overrides wished) {
    wished
        .label()
        .ifPresent(
            label -> {
              if (label.isBlank()) {
                throw new EditRefused(Finding.error("APP_LABEL_EMPTY"));
              }
              if (label.length() > Editing.MAX_NAME) {
                throw new EditRefused(
                    Finding.error("APP_NAME_TOO_LONG", "limit", String.valueOf(Editing.MAX_NAME)));
              }
            });
    if (wished.help().filter(help -> help.length() > LONGEST).isPresent()) {
      throw new EditRefused(Finding.error("APP_NAME_TOO_LONG", "limit", String.valueOf(LONGEST)));
    }
    wished
        .list()
        .filter(list -> editing.app().model().list(list).isEmpty())
        .ifPresent(
            list -> {
              throw new EditRefused(Finding.error("MODEL_LIST_MISSING", "list", list.text()));
            });
    return wished.withLabel(wished.label().map(String::strip));
  }
}
