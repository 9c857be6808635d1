package org.mapsel.core.serve;

import java.util.Optional;
import org.mapsel.core.message.Response;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.OperationWire;
import org.mapsel.core.value.RecordValue;

/** One family of protocols, seen from the side of those who answer. */
interface Serving {

  /**
   * What is asked.
   *
   * @param query system query options, where the protocol has any
   */
  record Question(
      Operation operation, OperationWire wire, RecordValue parameters, RowQuery query) {}

  /**
   * Finds the operation and reads its parameters.
   *
   * @param asked with the path below the endpoint
   * @return nothing if it is for somebody else
   * @throws Refusal if it is for this one and cannot be understood
   */
  Optional<Question> read(IncomingRequest asked);

  /**
   * What goes back.
   *
   * @throws Refusal if the value is none that the description lets pass
   */
  Response write(Question question, RecordValue value);

  /** What goes back where the question cannot be answered. */
  Response refuse(Refusal refusal);
}
