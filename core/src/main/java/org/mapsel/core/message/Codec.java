package org.mapsel.core.message;

import java.util.Optional;
import java.util.Set;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.OperationWire;
import org.mapsel.core.service.Service;
import org.mapsel.core.value.RecordValue;

/** Builds and reads the messages of one family of protocols. */
public interface Codec {

  /**
   * The request for an operation at one of its endpoints.
   *
   * @param values a record of the operation's input shape; what is absent is left out
   * @param access how the endpoint is reached
   */
  Outcome<Request> write(
      Service service,
      Operation operation,
      OperationWire wire,
      RecordValue values,
      Access access,
      Stamp stamp);

  /**
   * What a response says.
   *
   * @param wanted the returned fields to keep, with all below them; none keeps everything
   */
  Outcome<Answer> read(
      Service service,
      Operation operation,
      OperationWire wire,
      Response response,
      Set<FieldPath> wanted);

  /**
   * The same question asking for no more than is wanted, where the protocol can say so.
   *
   * @param wanted the returned fields to keep; none keeps everything
   */
  default RecordValue narrowed(
      Service service, Operation operation, RecordValue values, Set<FieldPath> wanted) {
    return values;
  }

  /** How such a request goes together with others; nothing where each goes by itself. */
  default Optional<Batch> batch(Service service, OperationWire wire) {
    return Optional.empty();
  }

  /**
   * Where more of a list is; nothing if this was all, or if the protocol knows no such thing.
   *
   * @return an address, perhaps relative to the one that was asked
   */
  default Optional<String> next(AnswerPart part) {
    return Optional.empty();
  }

  /** What was read before, and after it what came with this part. */
  default RecordValue joined(RecordValue before, AnswerPart part) {
    return before;
  }
}
