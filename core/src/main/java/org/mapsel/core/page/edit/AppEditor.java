package org.mapsel.core.page.edit;

import java.util.function.Supplier;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.page.App;
import org.mapsel.core.page.ServiceLookup;
import org.mapsel.core.pairing.Lexicon;

/** Applies edits to apps. */
public final class AppEditor {

  private final ServiceLookup services;
  private final Supplier<Lexicon> lexicon;

  /** One that knows only the words that are shipped. */
  public AppEditor(ServiceLookup services) {
    this(services, Lexicon::shipped);
  }

  /**
   * @param lexicon the words by which fields are paired, asked for at each edit
   */
  public AppEditor(ServiceLookup services, Supplier<Lexicon> lexicon) {
    this.services = services;
    this.lexicon = lexicon;
  }

  /** The app after the edit, or why it cannot be made. */
  public Outcome<App> apply(App app, AppEdit edit) {
    try {
      Editing editing = new Editing(app, services, lexicon.get());
      App changed = edit.apply(editing);
      return Outcome.of(changed.withoutIdleServices().issued(editing.issued()));
    } catch (EditRefused refused) {
      return Outcome.failed(refused.finding());
    }
  }
}
