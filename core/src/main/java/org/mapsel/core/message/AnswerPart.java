package org.mapsel.core.message;

import org.mapsel.core.service.Operation;
import org.mapsel.core.service.OperationWire;
import org.mapsel.core.service.Service;
import org.mapsel.core.value.RecordValue;

/**
 * One part of a list that may come in several, with all that tells whether there are more.
 *
 * @param number of the part, from 1
 * @param request what was sent for this part
 * @param value what this part brought
 * @param whole all parts so far
 */
public record AnswerPart(
    Service service,
    Operation operation,
    OperationWire wire,
    int number,
    Request request,
    Response response,
    RecordValue value,
    RecordValue whole) {

  /** What came after this one; all so far stays what it was until the two are joined. */
  public AnswerPart then(Request asked, Response came, RecordValue brought) {
    return new AnswerPart(service, operation, wire, number + 1, asked, came, brought, whole);
  }

  public AnswerPart withWhole(RecordValue joined) {
    return new AnswerPart(service, operation, wire, number, request, response, value, joined);
  }
}
