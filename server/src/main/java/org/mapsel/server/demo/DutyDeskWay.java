package org.mapsel.server.demo;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.page.Action;
import org.mapsel.core.page.Trigger;
import org.mapsel.core.page.edit.AddButton;
import org.mapsel.core.page.edit.AddReaction;
import org.mapsel.core.page.edit.AddStep;
import org.mapsel.core.page.edit.PassArgument;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;
import org.mapsel.server.services.ServiceViews.ServiceView;

/** The way through the duty desk: from an arrival to its vessel, to a berth for it, and back. */
final class DutyDeskWay {

  private static final FieldPath HULL = FieldPath.of("vessel", "hullNumber");

  private final DemoApp app;
  private final ServiceView berthing;

  DutyDeskWay(DemoApp app, ServiceView berthing) {
    this.app = app;
    this.berthing = berthing;
  }

  void make() {
    PageId arrivals = app.app().pages().getFirst().id();
    PageId vessel =
        app.start(
            berthing,
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
        app.start(
            berthing,
            "ReserveBerth",
            "Berth for an arrival",
            FieldPath.of("confirmation", "number"));
    leadTo(arrivals, vessel);
    readAtOnce(vessel);
    withPicture(vessel);
    offerBerth(vessel, berth);
    reserve(berth);
  }

  /** A chosen arrival opens the page of its vessel. */
  private void leadTo(PageId arrivals, PageId vessel) {
    PartId table = app.rows(arrivals);
    app.edit(
        new AddReaction(
            arrivals, new Trigger.RowChosen(table), List.of(new Action.GoTo(vessel, Set.of()))));
    app.edit(
        new PassArgument(
            arrivals,
            DemoApp.last(app.page(arrivals)).steps().getFirst().id(),
            Optional.empty(),
            new Source.Chosen(table, FieldPath.ROOT)));
  }

  private Source ofArrival(FieldPath path) {
    return new Source.Argument("arrival", path);
  }

  private void readAtOnce(PageId vessel) {
    CallId call = app.page(vessel).calls().getLast().id();
    app.fill(vessel, call, ofArrival(HULL), "hullNumber");
    app.withoutButton(vessel);
    app.callOnOpening(vessel, call);
  }

  private void withPicture(PageId vessel) {
    app.add(vessel, berthing, "GetVesselPicture", FieldPath.of("picture"));
    readAtOnce(vessel);
  }

  private void offerBerth(PageId vessel, PageId berth) {
    app.edit(new AddButton(vessel, "Reserve a berth"));
    app.edit(
        new AddStep(
            vessel, DemoApp.last(app.page(vessel)).id(), false, new Action.GoTo(berth, Set.of())));
    app.edit(
        new PassArgument(
            vessel,
            DemoApp.last(app.page(vessel)).steps().getLast().id(),
            Optional.empty(),
            ofArrival(FieldPath.ROOT)));
  }

  private void reserve(PageId berth) {
    CallId call = app.page(berth).calls().getLast().id();
    app.fill(berth, call, ofArrival(HULL), "reservation", "hullNumber");
    app.fill(berth, call, new Source.Fixed("2"), "priority");
    app.say(berth, "'Reserved as ' + ReserveBerth.confirmation.number + '.'");
    app.step(berth, new Action.GoBack());
  }
}
