package org.mapsel.core.message.json;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.message.json.JsonPlan.Slot;
import org.mapsel.core.shape.ScalarType;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Wire;
import tools.jackson.databind.JsonNode;

/** Tells which of several types a value is of. */
final class Variants {

  private static final int NO_FIT = -1_000;

  private Variants() {}

  /** The type that the value says it is, else the one that it looks most like. */
  static @Nullable Slot best(List<Slot> alternatives, JsonNode node) {
    Slot best = null;
    int most = NO_FIT;
    for (Slot slot : alternatives) {
      if (isSaid(slot, node)) {
        return slot;
      }
      int fit = fit(slot, node);
      if (fit > most) {
        most = fit;
        best = slot;
      }
    }
    return best;
  }

  /** Whether every type would be told by a member, and the value is said to be none of them. */
  static boolean isSilent(List<Slot> alternatives, JsonNode node) {
    return alternatives.stream()
        .allMatch(
            slot ->
                slot.field().wire() instanceof Wire.Variant variant
                    && variant.member().isPresent()
                    && !isSaid(slot, node));
  }

  private static boolean isSaid(Slot slot, JsonNode node) {
    if (!(slot.field().wire() instanceof Wire.Variant variant) || variant.member().isEmpty()) {
      return false;
    }
    String said = node.path(variant.member().get()).asString("");
    // OData may write the address of the metadata before the mark (JSON Format 4.01, section
    // 4.6.3).
    return said.equals(variant.value())
        || variant.value().startsWith("#") && said.endsWith(variant.value());
  }

  private static int fit(Slot slot, JsonNode node) {
    if (slot.field().isRepeated()) {
      return node.isArray() ? 1 : NO_FIT;
    }
    return switch (slot.shape()) {
      case Shape.Scalar scalar -> scalarFit(scalar.type(), node);
      case Shape.Open open -> 0;
      case Shape.Record record -> slot.plan() == null ? 0 : recordFit(slot.plan(), node);
      case Shape.OneOf oneOf -> node.isObject() ? 0 : NO_FIT;
      case Shape.Repeated repeated -> node.isArray() ? 1 : NO_FIT;
    };
  }

  private static int scalarFit(ScalarType type, JsonNode node) {
    boolean fits =
        switch (type) {
          case INTEGER -> node.isIntegralNumber();
          case DECIMAL, FLOAT -> node.isNumber();
          case BOOLEAN -> node.isBoolean();
          default -> node.isString();
        };
    return fits ? 1 : NO_FIT;
  }

  /** Members that are announced speak for a type, required ones that are missing against it. */
  private static int recordFit(JsonPlan plan, JsonNode node) {
    if (!node.isObject()) {
      return plan.whole() != null ? 0 : NO_FIT;
    }
    int fit = 0;
    for (String name : plan.names()) {
      fit += node.has(name) ? 1 : 0;
    }
    for (Slot slot : plan.required()) {
      fit -= node.has(slot.field().wire().label()) ? 0 : 3;
    }
    return fit;
  }
}
