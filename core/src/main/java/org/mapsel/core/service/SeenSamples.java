package org.mapsel.core.service;

import java.util.List;
import java.util.Set;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.value.RecordValue;

/** What services were really sent and really answered, as far as it is kept. */
public interface SeenSamples {

  /** Nothing was called yet. */
  SeenSamples NONE =
      new SeenSamples() {
        @Override
        public List<RecordValue> sent(String service, OperationId operation) {
          return List.of();
        }

        @Override
        public List<RecordValue> answered(String service, OperationId operation) {
          return List.of();
        }
      };

  /**
   * Parameters of an operation, the newest first.
   *
   * @param service what the service is called where samples are kept
   */
  List<RecordValue> sent(String service, OperationId operation);

  /** Answers of an operation, the newest first; none that was made up. */
  List<RecordValue> answered(String service, OperationId operation);

  /** Likewise, without looking for anything of other operations than these. */
  default SeenSamples among(Set<OperationId> operations) {
    SeenSamples all = this;
    return new SeenSamples() {
      @Override
      public List<RecordValue> sent(String service, OperationId operation) {
        return operations.contains(operation) ? all.sent(service, operation) : List.of();
      }

      @Override
      public List<RecordValue> answered(String service, OperationId operation) {
        return operations.contains(operation) ? all.answered(service, operation) : List.of();
      }
    };
  }
}
