package org.mapsel.server.demo;

import java.util.List;
import java.util.Optional;
import org.mapsel.core.model.Choice;
import org.mapsel.core.model.DerivedField;
import org.mapsel.core.model.FieldRef;
import org.mapsel.core.model.Format;
import org.mapsel.core.model.Overrides;
import org.mapsel.core.model.ShapeRef;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.edit.AppEdit;
import org.mapsel.core.page.edit.PutDerivedField;
import org.mapsel.core.page.edit.PutValueList;
import org.mapsel.core.page.edit.SetModelField;
import org.mapsel.core.page.edit.Together;
import org.mapsel.core.page.edit.UseField;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.ShapeId;

/** What the people at the duty desk decided of the berthing service: names, units, zones, words. */
final class DutyDeskModel {

  private static final String MESSAGES = "urn:saltmere:berthing";
  private static final String TYPES = "urn:saltmere:berthing:types";
  private static final String BERTHED_FOR = "Berthed for";
  private static final String LENGTH = "Length over all";

  private final String service;

  DutyDeskModel(String service) {
    this.service = service;
  }

  /** Names and formats, a value list, and what is derived from returned fields. */
  AppEdit decisions() {
    Format moment = new Format.DateTime(Format.Length.MEDIUM, Optional.of("Europe/London"));
    Format metres = new Format.Number(Optional.of(1), true, false);
    return new Together(
        "Name the fields of the duty desk",
        List.of(
            set("arrival", "etaUtc", look("Due", moment, Optional.empty())),
            set("arrival", "etdUtc", look("Leaves", moment, Optional.empty())),
            set("arrival", "draughtMetres", look("Draught", metres, Optional.of("m"))),
            set("vesselRef", "name", Overrides.labelled("Vessel")),
            set("vesselRef", "hullNumber", Overrides.labelled("Hull")),
            set("vesselRef", "lengthMetres", look("Length", metres, Optional.of("m"))),
            set("vessel", "lengthMetres", look("Length", metres, Optional.of("m"))),
            set("vessel", "beamMetres", look("Beam", metres, Optional.of("m"))),
            set("vessel", "draughtMetres", look("Draught", metres, Optional.of("m"))),
            set("vessel", "airDraughtMetres", look("Air draught", metres, Optional.of("m"))),
            new PutValueList(
                Optional.empty(),
                "States of an arrival",
                List.of(
                    new Choice("expected", "on its way"),
                    new Choice("delayed", "late"),
                    new Choice("alongside", "at its berth"),
                    new Choice("cancelled", "not coming")),
                Optional.of(field("arrival", "state"))),
            new PutDerivedField(
                new ShapeRef(service, new ShapeId(TYPES, "arrival")),
                BERTHED_FOR,
                new DerivedField.Rule.Computed("round(hoursBetween(etaUtc, etdUtc), 0) + ' h'"),
                Optional.empty()),
            new PutDerivedField(
                new ShapeRef(service, new ShapeId(MESSAGES, "//VesselParticularsResponse")),
                LENGTH,
                new DerivedField.Rule.LookedUp(
                    FieldPath.of("entry"), "key", "LOA", "value", Optional.empty()),
                Optional.empty())));
  }

  /** Shows what is derived on the pages for arrivals and for particulars. */
  static AppEdit uses(Page arrivals, Page particulars) {
    return new Together(
        "Show derived fields",
        List.of(
            show(arrivals, FieldPath.of("arrivals"), BERTHED_FOR),
            show(particulars, FieldPath.ROOT, LENGTH)));
  }

  private static AppEdit show(Page page, FieldPath record, String derived) {
    return new UseField(page.id(), page.calls().get(0).id(), record, Optional.of(derived), true);
  }

  private AppEdit set(String type, String field, Overrides set) {
    return new SetModelField(field(type, field), Optional.empty(), Optional.empty(), set);
  }

  private FieldRef field(String type, String field) {
    return new FieldRef(new ShapeRef(service, new ShapeId(TYPES, type)), field);
  }

  private static Overrides look(String label, Format format, Optional<String> unit) {
    return Overrides.labelled(label).withFormat(Optional.of(format)).withUnit(unit);
  }
}
