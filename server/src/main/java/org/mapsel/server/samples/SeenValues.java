package org.mapsel.server.samples;

import java.util.List;
import java.util.function.Function;
import java.util.stream.Stream;
import org.mapsel.core.json.ValueJson;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.service.SeenSamples;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;

/** What the samples of the workspace have of operations. */
@Component
class SeenValues implements SeenSamples {

  private final SampleStore samples;

  SeenValues(SampleStore samples) {
    this.samples = samples;
  }

  @Override
  public List<RecordValue> sent(String service, OperationId operation) {
    return records(service, operation, kept -> Stream.of(kept.parameters()));
  }

  @Override
  public List<RecordValue> answered(String service, OperationId operation) {
    return records(service, operation, kept -> kept.answer().stream());
  }

  private List<RecordValue> records(
      String service, OperationId operation, Function<SampleStore.Kept, Stream<JsonNode>> wanted) {
    return samples.recorded(service, operation.text()).stream()
        .flatMap(wanted)
        .map(ValueJson::read)
        .flatMap(SeenValues::record)
        .toList();
  }

  private static Stream<RecordValue> record(Value value) {
    return value instanceof RecordValue record ? Stream.of(record) : Stream.empty();
  }
}
