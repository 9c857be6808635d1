package org.mapsel.server.demo;

import java.util.List;
import java.util.Optional;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.page.Action;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Call;
import org.mapsel.core.page.Input;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.Reaction;
import org.mapsel.core.page.edit.AddCall;
import org.mapsel.core.page.edit.AddPage;
import org.mapsel.core.page.edit.AddStep;
import org.mapsel.core.page.edit.AppEdit;
import org.mapsel.core.page.edit.CallOnOpening;
import org.mapsel.core.page.edit.FillSlot;
import org.mapsel.core.page.edit.RemovePart;
import org.mapsel.core.page.edit.RenamePage;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.ref.SlotId;
import org.mapsel.server.apps.Apps;
import org.mapsel.server.apps.StoredApp;
import org.mapsel.server.services.ServiceViews.ServiceView;

/** An app of the demo while it is made, by the edits that a person would make. */
final class DemoApp {

  private final Apps apps;
  private StoredApp kept;

  DemoApp(Apps apps, String name) {
    this(apps, apps.create(name));
  }

  DemoApp(Apps apps, StoredApp kept) {
    this.apps = apps;
    this.kept = kept;
  }

  String id() {
    return kept.id();
  }

  App app() {
    return kept.app();
  }

  Apps apps() {
    return apps;
  }

  void edit(AppEdit edit) {
    kept = apps.edit(kept.id(), kept.version(), edit);
  }

  Page page(PageId id) {
    return app().find(id).orElseThrow();
  }

  /** A new page for an operation, under a name of its own. */
  PageId start(ServiceView service, String operation, String name, FieldPath... fields) {
    edit(
        new AddPage(
            service.id(),
            service.edition(),
            new OperationId(operation),
            new EndpointId(service.endpoint()),
            List.of(fields)));
    PageId id = app().pages().getLast().id();
    edit(new RenamePage(id, name));
    return id;
  }

  /** One more call on a page. */
  CallId add(PageId page, ServiceView service, String operation, FieldPath... fields) {
    edit(
        new AddCall(
            page,
            service.id(),
            service.edition(),
            new OperationId(operation),
            new EndpointId(service.endpoint()),
            List.of(fields)));
    return page(page).calls().getLast().id();
  }

  void fill(PageId page, CallId call, Source source, String... parameter) {
    edit(
        new FillSlot(
            new SlotId.OfParameter(page, call, FieldPath.of(parameter)), Optional.of(source)));
  }

  void fill(PageId page, PartId owner, String slot, Source source) {
    edit(new FillSlot(new SlotId.OfPart(page, owner, slot), Optional.of(source)));
  }

  /** The last button of a page goes: what it did happens otherwise. */
  void withoutButton(PageId page) {
    PartId button =
        page(page).parts().stream().filter(Part.Button.class::isInstance).toList().getLast().id();
    edit(new RemovePart(page, button));
  }

  void callOnOpening(PageId page, CallId call) {
    edit(new CallOnOpening(page, call, true));
  }

  static Reaction last(Page page) {
    return page.reactions().getLast();
  }

  /** Adds a step at the end of the last reaction of a page. */
  PartId step(PageId page, Action action) {
    edit(new AddStep(page, last(page(page)).id(), false, action));
    return last(page(page)).steps().getLast().id();
  }

  /** Adds a step for when a step of the last reaction failed. */
  PartId otherwise(PageId page, Action action) {
    edit(new AddStep(page, last(page(page)).id(), true, action));
    return last(page(page)).failure().getLast().id();
  }

  /** Puts a value into an input, as the next step of the last reaction. */
  void set(PageId page, PartId input, Source value) {
    fill(page, step(page, new Action.SetInput(input)), Action.VALUE, value);
  }

  /** Says something, as the next step of the last reaction. */
  void say(PageId page, String formula) {
    fill(page, step(page, new Action.Say()), Action.WORDS, new Source.Formula(formula));
  }

  /** The rows part of a page, which may be its only one. */
  PartId rows(PageId page) {
    return page(page).parts().stream()
        .filter(Part.OverRows.class::isInstance)
        .findFirst()
        .orElseThrow()
        .id();
  }

  /** The input that fills a parameter. */
  PartId input(PageId page, CallId call, String... parameter) {
    Call known = page(page).call(call).orElseThrow();
    Source source = known.mapping(FieldPath.of(parameter)).orElseThrow().source();
    return ((Source.Entered) source).input();
  }

  void startsWith(PageId page, PartId input, Source source) {
    fill(page, input, Input.START, source);
  }
}
