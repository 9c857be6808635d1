package org.mapsel.standins.berthing;

import static org.mapsel.standins.berthing.Xml.MESSAGES;
import static org.mapsel.standins.berthing.Xml.TYPES;

import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.Base64;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.mapsel.standins.Switches;
import org.springframework.ws.server.endpoint.annotation.Endpoint;
import org.springframework.ws.server.endpoint.annotation.PayloadRoot;
import org.springframework.ws.server.endpoint.annotation.RequestPayload;
import org.springframework.ws.server.endpoint.annotation.ResponsePayload;
import org.w3c.dom.Element;

/** The operations of Berthing. */
@Endpoint
class BerthingEndpoint {

  private static final int HUGE = 20_000;

  /** The day at which time stands still here. */
  private static final LocalDate TODAY = LocalDate.of(2031, 5, 14);

  private final Fleet fleet;
  private final Berths berths;
  private final Switches switches;

  BerthingEndpoint(Fleet fleet, Berths berths, Switches switches) {
    this.fleet = fleet;
    this.berths = berths;
    this.switches = switches;
  }

  @PayloadRoot(namespace = MESSAGES, localPart = "ListArrivals")
  @ResponsePayload
  Element listArrivals(@RequestPayload Element request) {
    LocalDate day = LocalDate.parse(Xml.find(request, "day").substring(0, 10));
    List<Fleet.Arrival> found =
        fleet.arrivals(day, Optional.ofNullable(Xml.find(request, "basin")));
    int limit =
        Optional.ofNullable(Xml.find(request, "limit")).map(Integer::valueOf).orElse(found.size());
    Element answer = Xml.message("ListArrivalsResponse");
    Xml.text(answer, MESSAGES, "asOf", day + "T05:00:00Z");
    if (switches.is(Switches.Mode.HUGE)) {
      List<Fleet.Arrival> all = fleet.arrivals();
      Xml.text(answer, MESSAGES, "total", HUGE);
      for (int i = 0; i < HUGE; i++) {
        write(answer, all.get(i % all.size()), i);
      }
      return answer;
    }
    Xml.text(answer, MESSAGES, "total", found.size());
    found.stream().limit(Math.max(0, limit)).forEach(arrival -> write(answer, arrival, 0));
    return answer;
  }

  private static void write(Element answer, Fleet.Arrival arrival, int copy) {
    Element element = Xml.child(answer, MESSAGES, "arrivals");
    Map<String, String> vessel = arrival.vessel().fields();
    Xml.text(element, TYPES, "arrivalId", arrival.id() + copy);
    Element ref = Xml.child(element, TYPES, "vessel");
    for (String field : List.of("name", "hullNumber", "kind", "lengthMetres", "flag")) {
      Xml.text(ref, TYPES, field, vessel.get(field));
    }
    Xml.text(element, TYPES, "etaUtc", arrival.eta() + ":00Z");
    Xml.text(element, TYPES, "etdUtc", arrival.eta().plusHours(20) + ":00Z");
    Xml.text(element, TYPES, "basin", arrival.basin());
    if (!arrival.state().equals("cancelled")) {
      Xml.text(element, TYPES, "berth", arrival.berth());
    }
    Xml.text(element, TYPES, "state", arrival.state());
    Xml.text(element, TYPES, "pilotOrdered", arrival.pilot());
    Xml.text(element, TYPES, "draughtMetres", arrival.vessel().draught());
    Xml.text(element, TYPES, "lastPort", arrival.lastPort());
    Xml.text(element, TYPES, "agent", arrival.agent());
    for (Fleet.Cargo cargo : arrival.cargo()) {
      Element line = Xml.child(element, TYPES, "cargo");
      Xml.text(line, TYPES, "goods", cargo.goods());
      Xml.text(line, TYPES, "tonnes", cargo.tonnes());
      Xml.text(line, TYPES, "packages", cargo.packages());
      Xml.text(line, TYPES, "hazardous", cargo.hazardous());
    }
    Element diag = Xml.child(element, TYPES, "diag");
    Xml.text(diag, TYPES, "node", "bth-2");
    Xml.text(diag, TYPES, "rowVersion", arrival.id() * 31);
    Xml.text(diag, TYPES, "cacheHit", arrival.id() % 3 == 0);
    Xml.text(diag, TYPES, "queryMillis", arrival.id() % 17);
    Xml.text(diag, TYPES, "sourceTable", "ARR_EXP");
    Xml.text(
        diag,
        TYPES,
        "checksum",
        String.format(Locale.ROOT, "%08X", arrival.id() * 2_654_435L & 0xFFFF_FFFFL));
    Xml.text(diag, TYPES, "traceId", "t" + arrival.id());
    Xml.text(diag, TYPES, "partition", arrival.id() % 4);
  }

  @PayloadRoot(namespace = MESSAGES, localPart = "GetVessel")
  @ResponsePayload
  Element getVessel(@RequestPayload Element request) {
    Fleet.Vessel vessel = vessel(request);
    Element answer = Xml.message("GetVesselResponse");
    Element element = Xml.child(answer, MESSAGES, "vessel");
    vessel.fields().forEach((name, value) -> Xml.text(element, TYPES, name, value));
    return answer;
  }

  @PayloadRoot(namespace = MESSAGES, localPart = "GetVesselPicture")
  @ResponsePayload
  Element getVesselPicture(@RequestPayload Element request) {
    Fleet.Vessel vessel = vessel(request);
    Element answer = Xml.message("GetVesselPictureResponse");
    Xml.text(answer, MESSAGES, "mediaType", "image/png");
    Xml.text(answer, MESSAGES, "takenOn", vessel.fields().get("lastSurvey"));
    Xml.text(answer, MESSAGES, "picture", Base64.getEncoder().encodeToString(Pictures.png(vessel)));
    return answer;
  }

  @PayloadRoot(namespace = MESSAGES, localPart = "VesselParticulars")
  @ResponsePayload
  Element vesselParticulars(@RequestPayload Element request) {
    Map<String, String> vessel = vessel(request).fields();
    Element answer = Xml.message("VesselParticularsResponse");
    Xml.text(answer, MESSAGES, "hullNumber", vessel.get("hullNumber"));
    particular(answer, "LOA", vessel.get("lengthMetres"));
    particular(answer, "BM", vessel.get("beamMetres"));
    particular(answer, "DRF_MAX", vessel.get("draughtMetres"));
    particular(answer, "ENG_KW", vessel.get("enginePowerKw"));
    particular(answer, "THR", vessel.get("bowThruster").equals("true") ? "BOW" : "NONE");
    particular(answer, "PAINT", "hull red, deck green");
    particular(answer, "MOOR", "6 lines, 2 springs");
    return answer;
  }

  private static void particular(Element answer, String key, String value) {
    pair(answer, "entry", key, value);
  }

  private static void pair(Element answer, String name, String key, String value) {
    Element entry = Xml.child(answer, MESSAGES, name);
    Xml.text(entry, TYPES, "key", key);
    Xml.text(entry, TYPES, "value", value);
  }

  @PayloadRoot(namespace = MESSAGES, localPart = "PortDay")
  @ResponsePayload
  Element portDay(@RequestPayload Element request) {
    LocalDate day =
        Optional.ofNullable(Xml.find(request, "day"))
            .map(text -> LocalDate.parse(text.substring(0, 10)))
            .orElse(TODAY);
    Element answer = Xml.message("PortDayResponse");
    Xml.text(answer, MESSAGES, "day", day);
    PortDays.of(day).forEach((key, value) -> pair(answer, "setting", key, value));
    return answer;
  }

  @PayloadRoot(namespace = MESSAGES, localPart = "ReserveBerth")
  @ResponsePayload
  Element reserveBerth(@RequestPayload Element request) {
    Fleet.Vessel vessel = vessel(request);
    Berths.Booking booking =
        berths.reserve(
            vessel,
            Xml.find(request, "basin"),
            Optional.ofNullable(Xml.find(request, "berth")),
            time(Xml.find(request, "arrives")),
            Integer.parseInt(Xml.find(request, "nights")));
    Element answer = Xml.message("ReserveBerthResponse");
    Element confirmation = Xml.child(answer, MESSAGES, "confirmation");
    Xml.text(confirmation, TYPES, "number", booking.number());
    Xml.text(confirmation, TYPES, "berth", booking.berth());
    Xml.text(confirmation, TYPES, "basin", booking.basin());
    Xml.text(confirmation, TYPES, "from", booking.from());
    Xml.text(confirmation, TYPES, "until", booking.until());
    Xml.text(confirmation, TYPES, "fee", booking.fee());
    return answer;
  }

  private static OffsetDateTime time(String text) {
    return text.matches(".*(Z|[+-]\\d{2}:\\d{2})$")
        ? OffsetDateTime.parse(text)
        : LocalDateTime.parse(text).atOffset(ZoneOffset.UTC);
  }

  private Fleet.Vessel vessel(Element request) {
    String hullNumber = Xml.find(request, "hullNumber");
    return fleet
        .vessel(hullNumber)
        .orElseThrow(
            () ->
                new Refusal(
                        "UnknownHull", "There is no vessel with hull number " + hullNumber + ".")
                    .with("hullNumber", hullNumber));
  }
}
