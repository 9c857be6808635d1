package org.mapsel.server.demo;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.page.Action;
import org.mapsel.core.page.Call;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.Reaction;
import org.mapsel.core.page.Trigger;
import org.mapsel.core.page.edit.AddButton;
import org.mapsel.core.page.edit.AddCall;
import org.mapsel.core.page.edit.AddPage;
import org.mapsel.core.page.edit.AddReaction;
import org.mapsel.core.page.edit.AddStep;
import org.mapsel.core.page.edit.AppEdit;
import org.mapsel.core.page.edit.CallOnOpening;
import org.mapsel.core.page.edit.FillSlot;
import org.mapsel.core.page.edit.PassArgument;
import org.mapsel.core.page.edit.RemovePart;
import org.mapsel.core.page.edit.RenamePage;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.ref.SlotId;
import org.mapsel.server.apps.Apps;
import org.mapsel.server.apps.KeptApp;
import org.mapsel.server.services.ServiceViews.ServiceView;

/** The way through the duty desk: from an arrival to its vessel, to a berth for it, and back. */
final class DutyDeskWay {

  private static final FieldPath HULL = FieldPath.of("vessel", "hullNumber");

  private final Apps apps;
  private final ServiceView berthing;
  private KeptApp app;

  DutyDeskWay(Apps apps, KeptApp app, ServiceView berthing) {
    this.apps = apps;
    this.app = app;
    this.berthing = berthing;
  }

  private void edit(AppEdit edit) {
    app = apps.edit(app.id(), app.version(), edit);
  }

  private Page page(PageId id) {
    return app.app().find(id).orElseThrow();
  }

  private static Reaction last(Page page) {
    return page.reactions().getLast();
  }

  private PageId start(String operation, String name, FieldPath... fields) {
    edit(
        new AddPage(
            berthing.id(),
            berthing.edition(),
            new OperationId(operation),
            new EndpointId(berthing.endpoint()),
            List.of(fields)));
    PageId id = app.app().pages().getLast().id();
    edit(new RenamePage(id, name));
    return id;
  }

  void make() {
    PageId arrivals = app.app().pages().getFirst().id();
    PageId vessel =
        start(
            "GetVessel",
            "Vessel",
            FieldPath.of("vessel", "name"),
            FieldPath.of("vessel", "hullNumber"),
            FieldPath.of("vessel", "callSign"),
            FieldPath.of("vessel", "kind"),
            FieldPath.of("vessel", "homePort"),
            FieldPath.of("vessel", "lengthMetres"),
            FieldPath.of("vessel", "draughtMetres"));
    PageId berth =
        start("ReserveBerth", "Berth for an arrival", FieldPath.of("confirmation", "number"));
    leadTo(arrivals, vessel);
    readAtOnce(vessel);
    withPicture(vessel);
    offerBerth(vessel, berth);
    reserve(berth);
  }

  /** A chosen arrival opens the page of its vessel. */
  private void leadTo(PageId arrivals, PageId vessel) {
    PartId table =
        page(arrivals).parts().stream()
            .filter(Part.OverRows.class::isInstance)
            .findFirst()
            .orElseThrow()
            .id();
    edit(
        new AddReaction(
            arrivals, new Trigger.RowChosen(table), List.of(new Action.GoTo(vessel, Set.of()))));
    edit(
        new PassArgument(
            arrivals,
            last(page(arrivals)).steps().getFirst().id(),
            Optional.empty(),
            new Source.Chosen(table, FieldPath.ROOT)));
  }

  private Source ofArrival(FieldPath path) {
    return new Source.Argument("arrival", path);
  }

  private void fill(PageId page, Call call, Source source, String... parameter) {
    edit(
        new FillSlot(
            new SlotId.OfParameter(page, call.id(), FieldPath.of(parameter)), Optional.of(source)));
  }

  private void readAtOnce(PageId vessel) {
    Call call = page(vessel).calls().getLast();
    PartId button =
        page(vessel).parts().stream().filter(Part.Button.class::isInstance).toList().getLast().id();
    fill(vessel, call, ofArrival(HULL), "hullNumber");
    edit(new RemovePart(vessel, button));
    edit(new CallOnOpening(vessel, call.id(), true));
  }

  private void withPicture(PageId vessel) {
    edit(
        new AddCall(
            vessel,
            berthing.id(),
            berthing.edition(),
            new OperationId("GetVesselPicture"),
            new EndpointId(berthing.endpoint()),
            List.of(FieldPath.of("picture"))));
    readAtOnce(vessel);
  }

  private void offerBerth(PageId vessel, PageId berth) {
    edit(new AddButton(vessel, "Reserve a berth"));
    edit(new AddStep(vessel, last(page(vessel)).id(), false, new Action.GoTo(berth, Set.of())));
    edit(
        new PassArgument(
            vessel,
            last(page(vessel)).steps().getLast().id(),
            Optional.empty(),
            ofArrival(FieldPath.ROOT)));
  }

  private void reserve(PageId berth) {
    Call call = page(berth).calls().getLast();
    fill(berth, call, ofArrival(HULL), "reservation", "hullNumber");
    fill(berth, call, new Source.Fixed("2"), "priority");
    Reaction pressed = last(page(berth));
    edit(new AddStep(berth, pressed.id(), false, new Action.Say()));
    edit(new AddStep(berth, pressed.id(), false, new Action.GoBack()));
    edit(
        new FillSlot(
            new SlotId.OfPart(berth, last(page(berth)).steps().get(1).id(), Action.WORDS),
            Optional.of(
                new Source.Formula("'Reserved as ' + ReserveBerth.confirmation.number + '.'"))));
  }
}
