package org.mapsel.core.verify;

import java.util.List;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Findings;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.message.ParameterCheck;
import org.mapsel.core.message.Trail;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Shapes;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;

/** A request or answer that somebody typed: every value must be one that its field can have. */
public final class EditedMessage {

  private final Shapes shapes;
  private final Findings findings = new Findings();

  private EditedMessage(Shapes shapes) {
    this.shapes = shapes;
  }

  /**
   * The message itself, if it could be one. What is left out is no mistake: services leave out too.
   */
  public static Outcome<RecordValue> of(Shapes shapes, ShapeId shape, RecordValue message) {
    EditedMessage edited = new EditedMessage(shapes);
    edited.record(shape, message, Trail.ROOT);
    List<Finding> wrong = edited.findings.toList();
    return wrong.isEmpty() ? Outcome.of(message) : Outcome.failed(wrong);
  }

  private void record(ShapeId shape, RecordValue record, Trail trail) {
    for (Field field : shapes.fieldsOf(shape)) {
      value(field, record.get(field.name()), trail.then(field.name()));
    }
  }

  private void value(Field field, Value value, Trail trail) {
    if (value.isAbsent() || value == Value.NULL) {
      return;
    }
    Shape shape = shapes.get(field.shape());
    switch (value) {
      case ListValue list -> list.items().forEach(item -> value(field, item, trail));
      case RecordValue record -> {
        if (shape instanceof Shape.Scalar scalar) {
          findings.add(
              trail.error("MESSAGE_VALUE_MISTYPED", "text", "{…}", "type", scalar.type().words()));
        } else {
          record(field.shape(), record, trail);
        }
      }
      default -> {
        if (shape instanceof Shape.Scalar scalar) {
          ParameterCheck.of(scalar).text(value, trail, findings);
        } else if (shape instanceof Shape.Record) {
          findings.add(trail.error("MESSAGE_RECORD_EXPECTED"));
        }
      }
    }
  }
}
