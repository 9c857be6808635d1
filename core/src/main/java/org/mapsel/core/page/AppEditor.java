package org.mapsel.core.page;

import java.util.Optional;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.sample.SeenFields;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;

/** Applies edits to apps. An edit that points at something that is not there changes nothing. */
public final class AppEditor {

  /** Names are shown in one line everywhere. */
  public static final int MAX_NAME = 200;

  private final ServiceLookup services;

  public AppEditor(ServiceLookup services) {
    this.services = services;
  }

  /** The app after the edit, or why it cannot be made. */
  public Outcome<App> apply(App app, AppEdit edit) {
    try {
      return Outcome.of(applied(app, edit));
    } catch (EditRefused refused) {
      return Outcome.failed(refused.finding);
    }
  }

  /** Carries a finding out of the middle of an edit; never leaves this package. */
  static final class EditRefused extends RuntimeException {
    private static final long serialVersionUID = 1L;

    private final transient Finding finding;

    EditRefused(Finding finding) {
      super(finding.code(), null, false, false);
      this.finding = finding;
    }
  }

  private App applied(App app, AppEdit edit) {
    return switch (edit) {
      case AppEdit.RenameApp rename -> app.withName(name(rename.name()));
      case AppEdit.AddPage add -> addPage(app, add);
      case AppEdit.AddOperation add -> addOperation(app, add);
      case AppEdit.RenamePage rename ->
          app.with(page(app, rename.page()).withName(name(rename.name())));
      case AppEdit.RemovePage remove -> app.without(page(app, remove.page()).id());
      case AppEdit.UseField use -> {
        Page page = page(app, use.page());
        Call call = call(page, use.call());
        Service service = seen(service(app, call), call.service(), call.operation());
        FieldUse uses =
            new FieldUse(page, call, service.shapes(), operation(service, call.operation()));
        yield app.with(use.used() ? uses.use(use.path()) : uses.drop(use.path()));
      }
      case AppEdit.FillParameter fill -> {
        Page page = page(app, fill.page());
        Call call = call(page, fill.call());
        Service service = service(app, call);
        yield app.with(
            new ParameterFill(page, call, service.shapes(), operation(service, call.operation()))
                .fill(fill.path(), fill.source()));
      }
      case AppEdit.Relabel relabel ->
          app.with(
              PartEdits.relabel(
                  page(app, relabel.page()), relabel.part(), relabel.item(), relabel.label()));
      case AppEdit.MoveItem move ->
          app.with(PartEdits.moveItem(page(app, move.page()), move.part(), move.item(), move.by()));
      case AppEdit.MovePart move ->
          app.with(PartEdits.movePart(page(app, move.page()), move.part(), move.by()));
      case AppEdit.RemovePart remove ->
          app.with(PartEdits.remove(page(app, remove.page()), remove.part()));
      case AppEdit.AddText add -> app.with(PartEdits.addText(page(app, add.page()), add.text()));
      case AppEdit.CallOnOpening opening -> {
        Page page = page(app, opening.page());
        CallId call = call(page, opening.call()).id();
        yield app.with(opening.made() ? page.callingOnOpening(call) : page.notOpeningWith(call));
      }
    };
  }

  private static String name(String wished) {
    String name = wished.strip();
    if (name.isEmpty()) {
      throw new EditRefused(Finding.error("APP_NAME_EMPTY"));
    }
    if (name.length() > MAX_NAME) {
      throw new EditRefused(Finding.error("APP_NAME_TOO_LONG", "limit", String.valueOf(MAX_NAME)));
    }
    return name;
  }

  private App addPage(App app, AppEdit.AddPage add) {
    App using = app.using(new App.ServiceUse(add.service(), add.edition()));
    Service service = seen(service(using, add.service()), add.service(), add.operation());
    Operation operation = operation(service, add.operation(), add.endpoint());
    int number = 1;
    while (using.find(new PageId("page" + number)).isPresent()) {
      number++;
    }
    PageId id = new PageId("page" + number);
    Page empty = PageStarter.empty(id, operation);
    Page page =
        PageStarter.extend(empty, add.service(), service, operation, add.endpoint(), add.fields());
    return using.with(page.withName(freeName(using, page.name())));
  }

  private App addOperation(App app, AppEdit.AddOperation add) {
    Page page = page(app, add.page());
    App using = app.using(new App.ServiceUse(add.service(), add.edition()));
    Service service = seen(service(using, add.service()), add.service(), add.operation());
    Operation operation = operation(service, add.operation(), add.endpoint());
    return using.with(
        PageStarter.extend(page, add.service(), service, operation, add.endpoint(), add.fields()));
  }

  private static Operation operation(Service service, OperationId id, EndpointId endpoint) {
    Operation operation = operation(service, id);
    if (operation.wire(endpoint).isEmpty()) {
      throw new EditRefused(
          Finding.error(
              "CALL_ENDPOINT_MISSING", "operation", operation.name(), "endpoint", endpoint.text()));
    }
    return operation;
  }

  private static String freeName(App app, String wish) {
    String name = wish;
    for (int i = 2; isTaken(app, name); i++) {
      name = wish + " " + i;
    }
    return name;
  }

  private static boolean isTaken(App app, String name) {
    return app.pages().stream().anyMatch(page -> page.name().equals(name));
  }

  private static Page page(App app, PageId id) {
    return app.find(id)
        .orElseThrow(() -> new EditRefused(Finding.error("APP_PAGE_MISSING", "page", id.text())));
  }

  private static Call call(Page page, CallId id) {
    return page.call(id)
        .orElseThrow(() -> new EditRefused(Finding.error("APP_CALL_MISSING", "page", page.name())));
  }

  private Service service(App app, Call call) {
    return service(app, call.service());
  }

  private Service service(App app, String id) {
    Optional<Service> service = app.edition(id).flatMap(services::find);
    return service.orElseThrow(
        () -> new EditRefused(Finding.error("APP_SERVICE_MISSING", "service", id)));
  }

  /** The service with what its last answer tells of what the description leaves open. */
  private Service seen(Service service, String id, OperationId operation) {
    return SeenFields.in(service, operation(service, operation), services.answered(id, operation));
  }

  private static Operation operation(Service service, OperationId id) {
    return service
        .findOperation(id)
        .orElseThrow(
            () ->
                new EditRefused(
                    Finding.error(
                        "APP_OPERATION_MISSING",
                        "operation",
                        id.text(),
                        "service",
                        service.name())));
  }
}
