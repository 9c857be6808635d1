package org.mapsel.server.apps;

import java.util.Optional;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.check.Checked;
import org.mapsel.core.page.plan.PagePlan;
import org.mapsel.core.page.reach.PageReach;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.ref.SlotId;
import org.mapsel.server.apps.BenchViews.SlotView;

/**
 * A page that is built, with all that is known of it.
 *
 * @param id of the app
 */
record BenchPage(
    String id,
    Checked checked,
    App app,
    Page page,
    PagePlan plan,
    PageReach reach,
    PageWords told) {

  /** A slot of a part, of a thing in one, of a reaction or of a step, and what fills it. */
  SlotView slot(PartId owner, String name) {
    SlotId id = new SlotId.OfPart(page.id(), owner, name);
    Optional<Source> source = page.mapping(id).map(Mapping::source);
    return new SlotView(name, id, source.orElse(null), source.map(told::words).orElse(""));
  }
}
