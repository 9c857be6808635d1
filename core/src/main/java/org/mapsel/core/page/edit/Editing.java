package org.mapsel.core.page.edit;

import org.mapsel.core.finding.Finding;
import org.mapsel.core.model.RecordType;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Call;
import org.mapsel.core.page.Ids;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.ServiceLookup;
import org.mapsel.core.page.ServiceLookup.Pinned;
import org.mapsel.core.page.reach.PageReach;
import org.mapsel.core.pairing.Lexicon;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.ref.TypeId;

/** The app that an edit works on, and what it needs for that. */
final class Editing {

  /** Names are shown in one line everywhere. */
  static final int MAX_NAME = 200;

  private final App app;
  private final ServiceLookup services;

  /** Shared with the edits that this one consists of. */
  private final Ids ids;

  /** By what is paired. */
  private final Lexicon lexicon;

  Editing(App app, ServiceLookup services, Lexicon lexicon) {
    this(app, services, lexicon, new Ids(app.issued()));
  }

  private Editing(App app, ServiceLookup services, Lexicon lexicon, Ids ids) {
    this.lexicon = lexicon;
    this.app = app;
    this.services = services;
    this.ids = ids;
  }

  /** The same for the next of several edits. */
  Editing after(App changed) {
    return new Editing(changed, services, lexicon, ids);
  }

  App app() {
    return app;
  }

  ServiceLookup services() {
    return services;
  }

  Lexicon lexicon() {
    return lexicon;
  }

  long issued() {
    return ids.issued();
  }

  Ids ids() {
    return ids;
  }

  Page page(PageId id) {
    return app.find(id)
        .orElseThrow(() -> new EditRefused(Finding.error("APP_PAGE_MISSING", "page", id.text())));
  }

  Part part(Page page, PartId id) {
    return page.part(id)
        .orElseThrow(
            () ->
                new EditRefused(
                    Finding.error("APP_PART_MISSING", "part", id.text(), "page", page.name())));
  }

  Page.Inside item(Page page, PartId id) {
    return page.item(id)
        .orElseThrow(() -> new EditRefused(Finding.error("APP_ITEM_MISSING", "item", id.text())));
  }

  Call call(Page page, CallId id) {
    return page.call(id)
        .orElseThrow(() -> new EditRefused(Finding.error("APP_CALL_MISSING", "page", page.name())));
  }

  RecordType type(TypeId id) {
    return app.model()
        .type(id)
        .orElseThrow(() -> new EditRefused(Finding.error("MODEL_TYPE_MISSING", "type", id.text())));
  }

  PageReach reach(Page page) {
    return new PageReach(app, page, services);
  }

  /** The operation of a call, in the edition that the app is pinned to. */
  Pinned pinned(Call call) {
    return pinned(call.service(), call.operation());
  }

  Pinned pinned(String service, OperationId operation) {
    if (app.edition(service).flatMap(services::find).isEmpty()) {
      throw new EditRefused(Finding.error("APP_SERVICE_MISSING", "service", service));
    }
    return services
        .pinned(app, service, operation)
        .orElseThrow(
            () ->
                new EditRefused(
                    Finding.error(
                        "APP_OPERATION_MISSING",
                        "operation",
                        operation.text(),
                        "service",
                        service)));
  }

  /** The same, refused where it is not reached at an endpoint. */
  Pinned callable(String service, OperationId operation, EndpointId endpoint) {
    Pinned pinned = pinned(service, operation);
    if (pinned.operation().wire(endpoint).isEmpty()) {
      throw new EditRefused(
          Finding.error(
              "CALL_ENDPOINT_MISSING",
              "operation",
              pinned.operation().name(),
              "endpoint",
              endpoint.text()));
    }
    return pinned;
  }

  /** A name that may be given: one line, not empty, not endless. */
  static String name(String wished) {
    String name = wished.strip();
    if (name.isEmpty()) {
      throw new EditRefused(Finding.error("APP_NAME_EMPTY"));
    }
    if (name.length() > MAX_NAME) {
      throw new EditRefused(Finding.error("APP_NAME_TOO_LONG", "limit", String.valueOf(MAX_NAME)));
    }
    return name;
  }
}
