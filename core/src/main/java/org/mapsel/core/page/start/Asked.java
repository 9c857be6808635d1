package org.mapsel.core.page.start;

import java.util.Set;
import java.util.stream.Collectors;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.FieldTree.Row;
import org.mapsel.core.shape.Wire;

/** Which parameters a form asks for. */
public final class Asked {

  /**
   * The header that says which state of a record is changed: it travels without being asked for.
   */
  private static final String STATE = "If-Match";

  /** Parameters that narrow or order what comes back. */
  private final Set<String> questions;

  public Asked(Service service, Operation operation) {
    this.questions =
        service.shapes().fieldsOf(operation.input()).stream()
            .filter(field -> isQuestion(field.wire()))
            .map(Field::name)
            .collect(Collectors.toSet());
  }

  private static boolean isQuestion(Wire wire) {
    return wire instanceof Wire.Parameter parameter
        && parameter.name().startsWith("$")
        && !parameter.name().equals("$search");
  }

  /** Whether a parameter says which state of a record is changed. */
  static boolean isState(Field field) {
    return field.wire() instanceof Wire.Parameter parameter
        && parameter.name().equalsIgnoreCase(STATE);
  }

  /**
   * Whether people are asked for a parameter: not if the service makes it or knows one value, nor
   * if it is sent as a sample has it or belongs to the protocol.
   */
  public boolean isAsked(Row leaf) {
    return !isState(leaf.field())
        && leaf.field().fixed().isEmpty()
        && !leaf.field().hints().given()
        && !questions.contains(leaf.path().name(0));
  }
}
