package org.mapsel.server.demo;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.model.FieldRef;
import org.mapsel.core.model.Overrides;
import org.mapsel.core.page.Action;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.ServiceLookup.Pinned;
import org.mapsel.core.page.Trigger;
import org.mapsel.core.page.edit.AddReaction;
import org.mapsel.core.page.edit.AppEdit;
import org.mapsel.core.page.edit.FillSlot;
import org.mapsel.core.page.edit.SetModelField;
import org.mapsel.core.page.edit.Together;
import org.mapsel.core.page.offer.PairSuggestions;
import org.mapsel.core.page.reach.PageReach;
import org.mapsel.core.pairing.Grade;
import org.mapsel.core.pairing.Lexicon;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.service.SeenSamples;
import org.mapsel.server.apps.Apps;
import org.mapsel.server.services.ServiceViews.ServiceView;

/**
 * The declaration desk: an arrival is chosen, its vessel is read, and what an authority wants to
 * know of both is paired in one press; advice on mooring comes with its reasons.
 */
final class DeclarationDesk {

  private static final String DAY = "2031-05-14";

  private final DemoApp app;
  private final ServiceView berthing;
  private final ServiceView declarations;

  DeclarationDesk(Apps apps, ServiceView berthing, ServiceView declarations) {
    this.app = new DemoApp(apps, "Declaration desk");
    this.berthing = berthing;
    this.declarations = declarations;
  }

  /** Makes the app and returns its id. */
  String make() {
    PageId page =
        app.start(
            berthing,
            "ListArrivals",
            "Declare an arrival",
            FieldPath.of("arrivals", "etaUtc"),
            FieldPath.of("arrivals", "vessel", "name"),
            FieldPath.of("arrivals", "vessel", "hullNumber"),
            FieldPath.of("arrivals", "basin"),
            FieldPath.of("arrivals", "lastPort"));
    CallId arrivals = app.page(page).calls().getFirst().id();
    app.startsWith(page, app.input(page, arrivals, "day"), new Source.Fixed(DAY));
    app.callOnOpening(page, arrivals);
    PartId table = app.rows(page);
    CallId vessel =
        app.add(
            page,
            berthing,
            "GetVessel",
            FieldPath.of("vessel", "name"),
            FieldPath.of("vessel", "callSign"),
            FieldPath.of("vessel", "lengthMetres"),
            FieldPath.of("vessel", "crew"));
    app.fill(
        page, vessel, new Source.Chosen(table, FieldPath.of("vessel", "hullNumber")), "hullNumber");
    app.withoutButton(page);
    app.edit(
        new AddReaction(page, new Trigger.RowChosen(table), List.of(new Action.MakeCall(vessel))));
    CallId declare =
        app.add(
            page, declarations, "declare", FieldPath.of("decl_no"), FieldPath.of("rmks", "txt"));
    paired(page, declare);
    CallId advice =
        app.add(
            page,
            declarations,
            "adviseMooring",
            FieldPath.of("score"),
            FieldPath.of("grade"),
            FieldPath.of("rsns", "txt"),
            FieldPath.of("rsns", "pts"));
    paired(page, advice);
    named(page, declare, advice);
    return app.id();
  }

  /** The short names of the authority in full. */
  private void named(PageId page, CallId declare, CallId advice) {
    PageReach reach = new PageReach(app.app(), app.page(page), app.apps().services());
    app.edit(
        new Together(
            "Name the fields of the declaration desk",
            List.of(
                asked(reach, declare, "Declared by", "body", "desk", "decl_by"),
                asked(reach, declare, "Reason", "body", "desk", "decl_rsn"),
                asked(reach, advice, "Wind (knots)", "body", "wnd_kn"),
                told(reach, declare, "Declaration", "decl_no"),
                told(reach, declare, "Remark", "rmks", "txt"),
                told(reach, advice, "Because", "rsns", "txt"),
                told(reach, advice, "Points off", "rsns", "pts"))));
    List<Part> tables =
        app.page(page).parts().stream().filter(Part.OverRows.class::isInstance).toList();
    app.fill(page, tables.get(1).id(), Part.HEADING, new Source.Fixed("Remarks of the office"));
    app.fill(page, tables.get(2).id(), Part.HEADING, new Source.Fixed("Why the score is so"));
  }

  private static AppEdit asked(PageReach reach, CallId call, String label, String... parameter) {
    return label(reach.parameter(call, FieldPath.of(parameter)).orElseThrow().ref(), label);
  }

  private AppEdit told(PageReach reach, CallId call, String label, String... field) {
    Pinned pinned = reach.pinned(call).orElseThrow();
    return label(
        FieldRef.at(
                declarations.id(),
                pinned.service().shapes(),
                pinned.operation().output(),
                FieldPath.of(field))
            .orElseThrow(),
        label);
  }

  private static AppEdit label(FieldRef field, String label) {
    return new SetModelField(field, Optional.empty(), Optional.empty(), Overrides.labelled(label));
  }

  /**
   * What is sure or likely is paired; what else must be filled is asked for since the call is
   * there.
   */
  private void paired(PageId id, CallId call) {
    Page page = app.page(id);
    PageReach reach = new PageReach(app.app(), page, app.apps().services());
    List<AppEdit> edits = new ArrayList<>();
    new PairSuggestions(app.app(), page, reach, Lexicon.shipped(), SeenSamples.NONE)
        .of(page.call(call).orElseThrow()).pairs().stream()
            .filter(pair -> pair.grade() != Grade.GUESS)
            .forEach(pair -> edits.add(new FillSlot(pair.slot(), Optional.of(pair.source()))));
    app.edit(new Together("Pair what belongs together", edits));
  }
}
