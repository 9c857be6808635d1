package org.mapsel.core.page.edit;

import org.mapsel.core.page.App;
import org.mapsel.core.page.Call;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.PageId;

/**
 * Offers a parameter never again with something that only looks to belong to it.
 *
 * @param given as suggestions have it
 */
public record RefusePair(PageId page, CallId call, FieldPath parameter, FieldPath given)
    implements AppEdit {

  @Override
  public String title() {
    return "No longer pair " + parameter + " with " + given;
  }

  @Override
  public App apply(Editing editing) {
    Call known = editing.call(editing.page(page), call);
    return editing
        .app()
        .refusing(new App.RefusedPair(known.service(), known.operation(), parameter, given));
  }
}
