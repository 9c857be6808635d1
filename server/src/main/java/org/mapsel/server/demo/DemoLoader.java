package org.mapsel.server.demo;

import static org.mapsel.server.schema.Tables.SETTING;

import java.util.List;
import java.util.Optional;
import org.jooq.DSLContext;
import org.mapsel.core.page.Folio;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.edit.AddPage;
import org.mapsel.core.page.edit.AddPages;
import org.mapsel.core.page.edit.AppEdit;
import org.mapsel.core.page.edit.SetStartPage;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.OperationId;
import org.mapsel.server.apps.Apps;
import org.mapsel.server.apps.Releases;
import org.mapsel.server.secrets.Accesses;
import org.mapsel.server.services.Intakes;
import org.mapsel.server.services.ServiceViews.IntakeView;
import org.mapsel.server.services.ServiceViews.ServiceView;
import org.mapsel.server.services.ServiceViews.TakeRequest;
import org.mapsel.server.services.Workspace;
import org.mapsel.server.web.Problem;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Makes the demo apps from the stand-ins' descriptions, once in the life of a workspace. */
@Component
class DemoLoader {

  private static final Logger LOG = LoggerFactory.getLogger(DemoLoader.class);
  private static final String LOADED = "demo.loaded";
  private static final String FIRST = "The demo as it comes.";

  /** The demo's own tides let everybody in who knows this. */
  private static final String TIDES_KEY = "ebb-and-flow";

  private static final String TIDES_HEADER = "X-Api-Key";

  /** Likewise the demo's own declarations. */
  private static final String CLIENT = "duty-desk";

  private static final String CLIENT_SECRET = "spring-tide";

  private final String standIns;
  private final DSLContext sql;
  private final Intakes intakes;
  private final Workspace workspace;
  private final Accesses accesses;
  private final Apps apps;
  private final Releases releases;

  DemoLoader(
      @Value("${mapsel.demo}") String standIns,
      DSLContext sql,
      Intakes intakes,
      Workspace workspace,
      Accesses accesses,
      Apps apps,
      Releases releases) {
    this.standIns = standIns;
    this.sql = sql;
    this.intakes = intakes;
    this.workspace = workspace;
    this.accesses = accesses;
    this.apps = apps;
    this.releases = releases;
  }

  @EventListener(ApplicationReadyEvent.class)
  void load() {
    if (standIns.isEmpty() || sql.fetchExists(SETTING, SETTING.NAME.eq(LOADED))) {
      return;
    }
    if (workspace.isEmpty() && apps.isEmpty()) {
      try {
        makeYardBoard();
        makeTideWatch();
        ServiceView berthing = taken("/berthing/berthing.wsdl", "BerthingSoap12");
        makeDutyDesk(berthing);
        releases.release(new BerthTicket(apps, berthing).make(), FIRST);
        makeDeclarationDesk(berthing);
      } catch (Problem problem) {
        LOG.warn("The demo apps could not be made: {}", problem.getMessage());
        return;
      }
    }
    sql.insertInto(SETTING).set(SETTING.NAME, LOADED).set(SETTING.CONTENT, "yes").execute();
  }

  /** A stand-in as a service with all its operations. */
  private ServiceView taken(String description, String endpoint) {
    IntakeView read = intakes.readDescription(standIns + description);
    return workspace.take(
        new TakeRequest(
            read.edition(),
            read.operations().stream().map(one -> new OperationId(one.id())).toList(),
            new EndpointId(endpoint)));
  }

  private void makeYardBoard() {
    ServiceView yard = taken("/yard/$metadata", "main");
    var app = apps.create("Yard board");
    app =
        apps.edit(
            app.id(),
            app.version(),
            new AddPages(
                yard.id(),
                yard.edition(),
                new OperationId("Cranes.list"),
                new EndpointId(yard.endpoint()),
                List.of(),
                true));
    apps.edit(app.id(), app.version(), startPage(app.app().pages().getFirst()));
    releases.release(app.id(), FIRST);
  }

  /** Tells how many rows the list of the first page has now. */
  private static AppEdit startPage(Page list) {
    Optional<Folio.Figure> count =
        list.parts().stream()
            .filter(Part.OverRows.class::isInstance)
            .findFirst()
            .map(rows -> new Folio.Figure(rows.id(), "cranes"));
    return new SetStartPage(
        new Folio(
            List.of(
                new Folio.Section(
                    "On the quay",
                    List.of(
                        new Folio.Entry(
                            "",
                            list.id().text(),
                            list.name(),
                            "Every crane, what it can lift and its jobs",
                            count))))));
  }

  private void makeTideWatch() {
    ServiceView tides = taken("/tides/openapi.json", "main");
    accesses.keepKey(tides.id(), new EndpointId(tides.endpoint()), TIDES_HEADER, TIDES_KEY);
    releases.release(new TideWatch(apps, tides).make(), FIRST);
  }

  private void makeDeclarationDesk(ServiceView berthing) {
    ServiceView declarations = taken("/declarations/openapi.json", "main");
    accesses.keepClient(
        declarations.id(),
        new EndpointId(declarations.endpoint()),
        new Accesses.Client(standIns + "/declarations/token", CLIENT, CLIENT_SECRET));
    releases.release(new DeclarationDesk(apps, berthing, declarations).make(), FIRST);
  }

  private void makeDutyDesk(ServiceView berthing) {
    var app = apps.create("Duty desk");
    app =
        apps.edit(
            app.id(),
            app.version(),
            page(
                berthing,
                "ListArrivals",
                FieldPath.of("arrivals", "etaUtc"),
                FieldPath.of("arrivals", "vessel", "name"),
                FieldPath.of("arrivals", "vessel", "hullNumber"),
                FieldPath.of("arrivals", "berth"),
                FieldPath.of("arrivals", "state"),
                FieldPath.of("arrivals", "cargo")));
    for (String operation : List.of("GetVessel", "ReserveBerth", "VesselParticulars")) {
      app = apps.edit(app.id(), app.version(), page(berthing, operation));
    }
    DutyDeskModel model = new DutyDeskModel(berthing.id());
    app = apps.edit(app.id(), app.version(), model.decisions());
    List<Page> pages = app.app().pages();
    app = apps.edit(app.id(), app.version(), DutyDeskModel.uses(pages.getFirst(), pages.getLast()));
    new DutyDeskWay(new DemoApp(apps, app), berthing).make();
    releases.release(app.id(), FIRST);
  }

  private static AppEdit page(ServiceView service, String operation, FieldPath... fields) {
    return new AddPage(
        service.id(),
        service.edition(),
        new OperationId(operation),
        new EndpointId(service.endpoint()),
        List.of(fields));
  }
}
