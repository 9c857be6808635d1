package org.mapsel.server.demo;

import java.util.List;
import java.util.Optional;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.model.DerivedField;
import org.mapsel.core.model.Overrides;
import org.mapsel.core.model.ShapeRef;
import org.mapsel.core.page.Action;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.edit.FillFromInput;
import org.mapsel.core.page.edit.MovePart;
import org.mapsel.core.page.edit.PutDerivedField;
import org.mapsel.core.page.edit.RemovePart;
import org.mapsel.core.page.edit.SetOnlyHere;
import org.mapsel.core.page.edit.Together;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.server.apps.Apps;
import org.mapsel.server.services.ServiceViews.ServiceView;

/**
 * The berth ticket: a form that begins with how the day is set, and that <em>Look up</em> fills
 * with what is known of a vessel.
 */
final class BerthTicket {

  private static final String BASIN = "Basin of the day";
  private static final String CHANNEL = "Radio channel";
  private static final FieldPath VESSEL = FieldPath.of("vessel");

  private final DemoApp app;
  private final ServiceView berthing;

  BerthTicket(Apps apps, ServiceView berthing) {
    this.app = new DemoApp(apps, "Berth ticket");
    this.berthing = berthing;
  }

  /** Makes the app and returns its id. */
  String make() {
    PageId page =
        app.start(
            berthing,
            "ReserveBerth",
            "Berth ticket",
            FieldPath.of("confirmation", "number"),
            FieldPath.of("confirmation", "berth"),
            FieldPath.of("confirmation", "fee"));
    CallId reserve = app.page(page).calls().getFirst().id();
    words(
        page,
        app.page(page).parts().stream()
            .filter(Part.Button.class::isInstance)
            .toList()
            .getFirst()
            .id(),
        "Make out the ticket");
    app.say(page, "'Ticket ' + ReserveBerth.confirmation.number + ' is made out.'");
    for (String field : List.of("name", "channel")) {
      app.edit(new FillFromInput(page, reserve, FieldPath.of("reservation", "contact", field)));
    }
    app.edit(
        new SetOnlyHere(
            page,
            app.input(page, reserve, "reservation", "contact", "name"),
            Overrides.labelled("Whom to call")));
    CallId day = settingsOfTheDay(page, reserve);
    CallId vessel = lookUp(page, reserve);
    app.fill(
        page,
        reserve,
        new Source.Returned(vessel, VESSEL.then(FieldPath.of("hullNumber"))),
        "reservation",
        "hullNumber");
    app.callOnOpening(page, day);
    askFirst(page, vessel);
    return app.id();
  }

  private void words(PageId page, PartId part, String words) {
    app.fill(page, part, Part.HEADING, new Source.Fixed(words));
  }

  /** Keyed values, which the form begins with. */
  private CallId settingsOfTheDay(PageId page, CallId reserve) {
    int before = app.page(page).parts().size();
    CallId day = app.add(page, berthing, "PortDay");
    ShapeRef answer =
        new ShapeRef(berthing.id(), new ShapeId("urn:saltmere:berthing", "//PortDayResponse"));
    app.edit(
        new Together(
            "Name the settings of the day",
            List.of(keyed(answer, BASIN, "BASIN"), keyed(answer, CHANNEL, "VHF"))));
    removeAfter(page, before);
    app.startsWith(page, app.input(page, reserve, "reservation", "basin"), of(day, BASIN));
    app.startsWith(
        page, app.input(page, reserve, "reservation", "contact", "channel"), of(day, CHANNEL));
    return day;
  }

  private static PutDerivedField keyed(ShapeRef shape, String name, String key) {
    return new PutDerivedField(
        shape,
        name,
        new DerivedField.Rule.LookedUp(
            FieldPath.of("setting"), "key", key, "value", Optional.empty()),
        Optional.empty());
  }

  private static Source of(CallId call, String derived) {
    return new Source.Derived(new Source.Returned(call, FieldPath.ROOT), derived);
  }

  private void removeAfter(PageId page, int before) {
    List<Part> parts = app.page(page).parts();
    parts
        .subList(before, parts.size())
        .forEach(
            part -> {
              if (app.page(page).part(part.id()).isPresent()) {
                app.edit(new RemovePart(page, part.id()));
              }
            });
  }

  /** What was typed is asked for, replaced by the name, and more is filled. */
  private CallId lookUp(PageId page, CallId reserve) {
    CallId call = app.add(page, berthing, "GetVessel", VESSEL.then(FieldPath.of("name")));
    PartId typed = app.input(page, call, "hullNumber");
    app.edit(new SetOnlyHere(page, typed, Overrides.labelled("Vessel, by its hull number")));
    List<Part> parts = app.page(page).parts();
    PartId button = parts.stream().filter(Part.Button.class::isInstance).toList().getLast().id();
    words(page, button, "Look up");
    app.set(page, typed, returned(call, "name"));
    app.set(
        page, app.input(page, reserve, "reservation", "contact", "name"), returned(call, "master"));
    app.set(
        page,
        app.input(page, reserve, "priority"),
        new Source.Formula("GetVessel.vessel.kind == 'ferry' ? '1' : '3'"));
    app.say(page, "GetVessel.vessel.name + ' was found.'");
    app.fill(
        page,
        app.otherwise(page, new Action.Say()),
        Action.WORDS,
        new Source.Fixed("No vessel has this hull number. They look like S-20417."));
    parts.stream()
        .filter(Part.Record.class::isInstance)
        .reduce((one, other) -> other)
        .ifPresent(record -> app.edit(new RemovePart(page, record.id())));
    return call;
  }

  /** The vessel is looked up before the rest is filled in. */
  private void askFirst(PageId page, CallId vessel) {
    PartId typed = app.input(page, vessel, "hullNumber");
    PartId form = app.page(page).item(typed).orElseThrow().part().id();
    int first = app.page(page).parts().indexOf(app.page(page).part(form).orElseThrow());
    app.edit(new MovePart(page, form, -first));
    app.edit(new MovePart(page, app.page(page).parts().getLast().id(), -first));
  }

  private static Source returned(CallId call, String field) {
    return new Source.Returned(call, VESSEL.then(FieldPath.of(field)));
  }
}
