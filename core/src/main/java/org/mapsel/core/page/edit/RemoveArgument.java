package org.mapsel.core.page.edit;

import org.mapsel.core.page.App;
import org.mapsel.core.page.Page;
import org.mapsel.core.ref.PageId;

/**
 * Lets a page no longer be opened with something, and nothing hand it on. What was filled from it
 * is found to have lost its source.
 */
public record RemoveArgument(PageId page, String argument) implements AppEdit {

  @Override
  public String title() {
    return "No longer open a page with " + argument;
  }

  @Override
  public App apply(Editing editing) {
    Page known = editing.page(page);
    Arguments.refuseUnknown(known, argument);
    Page left =
        known.withArguments(
            known.arguments().stream().filter(one -> !one.name().equals(argument)).toList());
    return Arguments.handed(editing.app().with(left), page, argument, (step, mapping) -> step);
  }
}
