package org.mapsel.core.serve;

import java.util.Optional;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.sample.SampleMaker;
import org.mapsel.core.service.Operation;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Shapes;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;

/** Decides what is answered: what was recorded, or else what the description lets expect. */
final class Answers {

  private static final int FAILED = 500;

  private final Shapes shapes;
  private final Recorded recorded;

  Answers(Shapes shapes, Recorded recorded) {
    this.shapes = shapes;
    this.recorded = recorded;
  }

  RecordValue of(Operation operation, RecordValue parameters) {
    return recorded
        .nearest(operation.id(), parameters)
        .map(Answers::again)
        .orElseGet(() -> made(operation, parameters));
  }

  /** What failed once fails again, with the same reason. */
  private static RecordValue again(Recorded.Sample sample) {
    if (sample.failure().isPresent()) {
      throw new Refusal(FAILED, sample.failure().get());
    }
    return sample.answer();
  }

  /** Whether nothing was recorded of an operation. */
  boolean isMade(Operation operation) {
    return recorded.of(operation.id()).isEmpty();
  }

  /** What an operation answers when it works; nothing if it was only recorded as failing. */
  Optional<RecordValue> working(Operation operation, RecordValue parameters) {
    if (isMade(operation)) {
      return Optional.of(made(operation, parameters));
    }
    Recorded working =
        id -> recorded.of(id).stream().filter(one -> one.failure().isEmpty()).toList();
    return working.nearest(operation.id(), parameters).map(Recorded.Sample::answer);
  }

  /** A made answer is about what was asked for, where fields are called alike. */
  private RecordValue made(Operation operation, RecordValue parameters) {
    RecordValue made = SampleMaker.make(shapes, operation.output(), SampleMaker.Extent.EVERYTHING);
    RecordValue echoed = echoed(made, operation.output(), parameters);
    for (Field field : shapes.fieldsOf(operation.output())) {
      if (!field.isRepeated() && echoed.get(field.name()) instanceof RecordValue inside) {
        echoed = echoed.with(field.name(), echoed(inside, field.shape(), parameters));
      }
    }
    return echoed;
  }

  private RecordValue echoed(RecordValue record, ShapeId shape, RecordValue parameters) {
    RecordValue echoed = record;
    for (Field field : shapes.fieldsOf(shape)) {
      Value asked = parameters.get(field.name());
      boolean simple = !field.isRepeated() && shapes.get(field.shape()) instanceof Shape.Scalar;
      if (simple
          && !asked.isAbsent()
          && !(asked instanceof RecordValue)
          && !record.get(field.name()).isAbsent()
          && record.get(field.name()).getClass() == asked.getClass()) {
        echoed = echoed.with(field.name(), asked);
      }
    }
    return echoed;
  }
}
