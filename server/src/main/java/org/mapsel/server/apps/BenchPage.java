package org.mapsel.server.apps;

import java.util.Optional;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.model.Look;
import org.mapsel.core.model.Looks;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Call;
import org.mapsel.core.page.Input;
import org.mapsel.core.page.Item;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.check.Checked;
import org.mapsel.core.page.kind.PartKinds;
import org.mapsel.core.page.plan.PagePlan;
import org.mapsel.core.page.reach.PageReach;
import org.mapsel.core.page.reach.SourceWords;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.ref.SlotId;
import org.mapsel.server.apps.BenchViews.SlotView;

/** A page that is built, with all that is known of it. */
record BenchPage(Checked checked, App app, Page page, PagePlan plan, PageReach reach, Looks looks) {

  /** Where a value comes from, as people say it. */
  String words(Source source) {
    return SourceWords.of(page, reach, looks, source);
  }

  /** What people call a part. */
  String nameOf(Part part) {
    String heading =
        part.heading()
            .map(mapping -> mapping.source() instanceof Source.Fixed fixed ? fixed.text() : "")
            .orElseGet(() -> plan.headings().getOrDefault(part.id(), ""));
    return heading.isEmpty() ? "the " + PartKinds.name(part) : heading;
  }

  /** What people call a call. */
  String nameOf(Call call) {
    return reach
        .pinned(call.id())
        .map(pinned -> pinned.operation().name())
        .orElse(call.operation().text());
  }

  /** What people call an input, a column or a field. */
  String nameOf(Item item) {
    Look look =
        item instanceof Input ? plan.inputs().get(item.id()).look() : plan.looks().get(item.id());
    return look.label();
  }

  /** A slot of a part, of a thing in one, of a reaction or of a step, and what fills it. */
  SlotView slot(PartId owner, String name) {
    SlotId id = new SlotId.OfPart(page.id(), owner, name);
    Optional<Source> source = page.mapping(id).map(Mapping::source);
    return new SlotView(name, id, source.orElse(null), source.map(this::words).orElse(""));
  }
}
