package org.mapsel.core.service;

import java.util.Map;
import java.util.Optional;
import org.mapsel.core.ref.OperationId;

/**
 * Where the answer of an operation leads: another operation, and what is handed on to it (OpenAPI
 * 3.1, Link Object). What is handed on is told by runtime expressions, for instance {@code
 * $response.body#/code}, or as it stands.
 *
 * @param target the operation that comes next
 * @param parameters expressions by the name of the parameter, perhaps with the place of it before:
 *     {@code path.code}
 * @param body an expression for the body
 */
public record Link(
    String name,
    OperationId target,
    Map<String, String> parameters,
    Optional<String> body,
    String documentation) {

  public Link {
    parameters = Map.copyOf(parameters);
  }
}
