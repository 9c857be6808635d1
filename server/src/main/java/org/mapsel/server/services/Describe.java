package org.mapsel.server.services;

import java.util.List;
import java.util.Locale;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.service.Endpoint;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.server.services.ServiceViews.EndpointView;
import org.mapsel.server.services.ServiceViews.FieldBrief;
import org.mapsel.server.services.ServiceViews.OperationBrief;
import org.mapsel.server.services.ServiceViews.OperationColumns;

/** Services of the core in the words of the API. */
final class Describe {

  private Describe() {}

  static List<EndpointView> endpoints(Service service) {
    return service.endpoints().stream().map(Describe::endpoint).toList();
  }

  private static EndpointView endpoint(Endpoint endpoint) {
    return new EndpointView(endpoint.id().text(), endpoint.protocol().label(), endpoint.address());
  }

  static List<OperationBrief> operations(Service service, List<OperationId> ids) {
    return ids.stream()
        .flatMap(id -> service.findOperation(id).stream())
        .map(Describe::brief)
        .toList();
  }

  static OperationBrief brief(Operation operation) {
    return new OperationBrief(
        operation.id().text(), operation.name(), effect(operation), operation.documentation());
  }

  static OperationColumns columns(Service service, Operation operation) {
    return new OperationColumns(
        operation.id().text(),
        briefs(service, operation.input()),
        briefs(service, operation.output()),
        operation.wires().stream().map(wire -> wire.endpoint().text()).toList());
  }

  static String effect(Operation operation) {
    return operation.effect().name().toLowerCase(Locale.ROOT);
  }

  private static List<FieldBrief> briefs(Service service, ShapeId shape) {
    return service.shapes().fieldsOf(shape).stream()
        .map(field -> new FieldBrief(field.name(), field.isRequired(), field.isRepeated()))
        .toList();
  }
}
