package org.mapsel.core.page;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.OperationId;

/**
 * The use of one operation on one page. What it answers is taken by the slots that name it.
 *
 * @param service the service's id in the workspace; the app says which edition
 * @param parameters those that are filled, all others are left out
 */
public record Call(
    CallId id,
    String service,
    OperationId operation,
    EndpointId endpoint,
    List<Parameter> parameters) {

  /** A parameter and what fills it. */
  public record Parameter(FieldPath path, Mapping mapping) {}

  public Call {
    parameters = List.copyOf(parameters);
  }

  public Optional<Mapping> mapping(FieldPath path) {
    return parameters.stream()
        .filter(parameter -> parameter.path().equals(path))
        .map(Parameter::mapping)
        .findFirst();
  }

  /** The call with a parameter filled, or left out. */
  public Call withParameters(List<Parameter> other) {
    return new Call(id, service, operation, endpoint, other);
  }

  public Call with(FieldPath path, Optional<Mapping> mapping) {
    List<Parameter> changed = new ArrayList<>();
    boolean placed = false;
    for (Parameter parameter : parameters) {
      if (!parameter.path().equals(path)) {
        changed.add(parameter);
      } else if (mapping.isPresent()) {
        changed.add(new Parameter(path, mapping.get()));
        placed = true;
      }
    }
    if (mapping.isPresent() && !placed) {
      changed.add(new Parameter(path, mapping.get()));
    }
    return new Call(id, service, operation, endpoint, changed);
  }
}
