package org.mapsel.server.apps;

import org.mapsel.core.mapping.Source;
import org.mapsel.core.model.Look;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Call;
import org.mapsel.core.page.Input;
import org.mapsel.core.page.Item;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.Trigger;
import org.mapsel.core.page.kind.PartKinds;
import org.mapsel.core.page.plan.PagePlan;
import org.mapsel.core.page.plan.SourceWords;
import org.mapsel.core.page.reach.PageReach;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;

/** What people call the things of a page. */
public record PageWords(App app, Page page, PagePlan plan, PageReach reach) {

  /** Where a value comes from, as people say it. */
  public String words(Source source) {
    return SourceWords.of(plan, source);
  }

  /** What people call a part. */
  public String nameOf(Part part) {
    String heading =
        part.heading()
            .map(mapping -> mapping.source() instanceof Source.Fixed fixed ? fixed.text() : "")
            .orElseGet(() -> plan.headings().getOrDefault(part.id(), ""));
    return heading.isEmpty() ? "the " + PartKinds.name(part) : heading;
  }

  /** What people call a call. */
  public String nameOf(Call call) {
    return reach
        .pinned(call.id())
        .map(pinned -> pinned.operation().name())
        .orElse(call.operation().text());
  }

  /** What people call an input, a column or a field. */
  public String nameOf(Item item) {
    Look look =
        item instanceof Input ? plan.inputs().get(item.id()).look() : plan.looks().get(item.id());
    return look.fullLabel();
  }

  /** What people call a part. */
  public String part(PartId id) {
    return page.part(id).map(this::nameOf).orElse("something that is gone");
  }

  /** What people call an input, a column or a field, or all lines of a part. */
  public String item(PartId id) {
    return page.item(id)
        .map(inside -> nameOf(inside.item()))
        .or(() -> page.part(id).map(this::nameOf))
        .orElse("something that is gone");
  }

  /** What people call a call. */
  public String call(CallId id) {
    return page.call(id).map(this::nameOf).orElse("a call that is gone");
  }

  /** What people call a page of the app. */
  public String page(PageId id) {
    return app.find(id).map(Page::name).orElse("a page that is gone");
  }

  /** The thing that a reaction waits for, by its name; empty if it waits for nothing with one. */
  public String words(Trigger when) {
    return switch (when) {
      case Trigger.Pressed pressed -> part(pressed.button());
      case Trigger.RowChosen chosen -> part(chosen.part());
      case Trigger.Changed changed -> item(changed.input());
      case Trigger.Answered answered -> call(answered.call());
      case Trigger.Opened opened -> "";
      case Trigger.CameBack back -> "";
      case Trigger.Every every -> "";
    };
  }
}
