package org.mapsel.core.verify;

import java.util.Optional;
import org.mapsel.core.json.ValueJson;
import org.mapsel.core.message.OverTheWire;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.service.Service;
import org.mapsel.core.value.RecordValue;
import tools.jackson.databind.JsonNode;

/**
 * What an operation was asked once, and what it answered.
 *
 * @param service what the service is called where the sample is kept
 * @param name what people call the sample
 * @param parameters and {@code answer} in the model's names; no answer where it was a failure
 * @param failure the code of the failure that came back
 * @param check what must hold of it; nothing if it is only a sample
 * @param wire what it was read from
 */
public record Sample(
    String service,
    OperationId operation,
    String name,
    JsonNode parameters,
    Optional<JsonNode> answer,
    Optional<String> failure,
    Optional<Check> check,
    OverTheWire wire) {

  /** The sample with something that must hold of it. */
  public Sample with(Check held) {
    return new Sample(
        service, operation, name, parameters, answer, failure, Optional.of(held), wire);
  }

  /** The parameters as the operation types them. */
  public RecordValue parameters(Service known) {
    return typed(parameters, known, known.getOperation(operation).input());
  }

  /** The answer as the operation types it; nothing if it was a failure. */
  public Optional<RecordValue> answer(Service known) {
    return answer.map(json -> typed(json, known, known.getOperation(operation).output()));
  }

  private static RecordValue typed(JsonNode json, Service service, ShapeId shape) {
    return ValueJson.typed(ValueJson.read(json), service.shapes(), shape)
            instanceof RecordValue record
        ? record
        : RecordValue.empty();
  }
}
