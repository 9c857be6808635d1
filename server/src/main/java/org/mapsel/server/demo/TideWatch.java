package org.mapsel.server.demo;

import java.util.List;
import java.util.Optional;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.model.Overrides;
import org.mapsel.core.page.Action;
import org.mapsel.core.page.Input;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.Trigger;
import org.mapsel.core.page.edit.AddReaction;
import org.mapsel.core.page.edit.AppEdit;
import org.mapsel.core.page.edit.RemoveItem;
import org.mapsel.core.page.edit.RemovePart;
import org.mapsel.core.page.edit.SetOnlyHere;
import org.mapsel.core.page.edit.SetOptions;
import org.mapsel.core.page.edit.TurnInto;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;
import org.mapsel.server.apps.Apps;
import org.mapsel.server.services.ServiceViews.ServiceView;

/**
 * The tide watch: a station is chosen from those that there are, the heights of a day are drawn,
 * and warnings are read again every minute.
 */
final class TideWatch {

  private static final int MINUTE = 60;
  private static final String DAY = "2031-05-14";

  private final DemoApp app;
  private final ServiceView tides;

  TideWatch(Apps apps, ServiceView tides) {
    this.app = new DemoApp(apps, "Tide watch");
    this.tides = tides;
  }

  private void edit(AppEdit edit) {
    app.edit(edit);
  }

  private Page page() {
    return app.app().pages().getFirst();
  }

  private PageId id() {
    return page().id();
  }

  /** Makes the app and returns its id. */
  String make() {
    app.start(
        tides,
        "getHeights",
        "Heights and warnings",
        FieldPath.of("heights", "at"),
        FieldPath.of("heights", "metres"));
    CallId heights = page().calls().getFirst().id();
    edit(new TurnInto(id(), rows().getFirst().id(), TurnInto.Way.CHART));
    CallId stations = app.add(id(), tides, "listStations");
    edit(new RemovePart(id(), rows().getLast().id()));
    atOnce(stations);
    chooseStation(heights, stations);
    CallId warnings =
        app.add(
            id(),
            tides,
            "listWarnings",
            FieldPath.of("warnings", "level"),
            FieldPath.of("warnings", "station"),
            FieldPath.of("warnings", "text"),
            FieldPath.of("warnings", "until"));
    atOnce(warnings);
    edit(new AddReaction(id(), new Trigger.Every(MINUTE), List.of(new Action.MakeCall(warnings))));
    return app.id();
  }

  private List<Part> rows() {
    return page().parts().stream().filter(Part.OverRows.class::isInstance).toList();
  }

  /** Called when the page is opened, not by a button, and without asking for anything. */
  private void atOnce(CallId call) {
    app.withoutButton(id());
    page().parts().stream()
        .filter(Part.Form.class::isInstance)
        .skip(1)
        .map(Part::id)
        .forEach(form -> edit(new RemovePart(id(), form)));
    app.callOnOpening(id(), call);
  }

  private void chooseStation(CallId heights, CallId stations) {
    List<Input> inputs =
        page().parts().stream()
            .filter(Part.Form.class::isInstance)
            .flatMap(form -> ((Part.Form) form).items().stream())
            .map(Input.class::cast)
            .toList();
    PartId station = inputs.get(0).id();
    edit(
        new SetOptions(
            id(),
            station,
            Optional.of(new Source.Returned(stations, FieldPath.of("items"))),
            Optional.of(FieldPath.of("code")),
            Optional.of(FieldPath.of("name"))));
    app.startsWith(id(), inputs.get(1).id(), new Source.Fixed(DAY));
    edit(new SetOnlyHere(id(), station, Overrides.labelled("Station")));
    edit(new RemoveItem(id(), inputs.get(2).id()));
    edit(
        new AddReaction(id(), new Trigger.Changed(station), List.of(new Action.MakeCall(heights))));
  }
}
