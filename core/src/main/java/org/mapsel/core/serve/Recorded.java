package org.mapsel.core.serve;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.shape.ScalarText;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;

/** Answers that were recorded, or made by somebody, for the operations of a service. */
public interface Recorded {

  /** None at all. */
  Recorded NOTHING = operation -> List.of();

  /**
   * One of them.
   *
   * @param failure why the operation did not work, where it did not
   */
  record Sample(RecordValue parameters, RecordValue answer, Optional<String> failure) {

    public Sample(RecordValue parameters, RecordValue answer) {
      this(parameters, answer, Optional.empty());
    }
  }

  /** The samples of an operation. */
  List<Sample> of(OperationId operation);

  /** The sample whose parameters are most like those that are asked with, the first of several. */
  default Optional<Sample> nearest(OperationId operation, RecordValue parameters) {
    Set<String> wanted = leaves(parameters);
    Sample best = null;
    long most = -1;
    for (Sample sample : of(operation)) {
      long same = leaves(sample.parameters()).stream().filter(wanted::contains).count();
      if (same > most) {
        best = sample;
        most = same;
      }
    }
    return Optional.ofNullable(best);
  }

  private static Set<String> leaves(RecordValue record) {
    Set<String> leaves = new HashSet<>();
    leaves(record, "", leaves);
    return leaves;
  }

  private static void leaves(Value value, String path, Set<String> leaves) {
    switch (value) {
      case RecordValue record ->
          record.forEach((name, inside) -> leaves(inside, path + "/" + name, leaves));
      case ListValue list -> list.items().forEach(item -> leaves(item, path + "/", leaves));
      default -> leaves.add(path + "=" + ScalarText.print(value));
    }
  }
}
