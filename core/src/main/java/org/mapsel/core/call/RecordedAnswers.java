package org.mapsel.core.call;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.message.Answer;
import org.mapsel.core.message.Response;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.OperationWire;
import org.mapsel.core.service.RecordedRequest;
import org.mapsel.core.service.RecordedRequest.GivenAnswer;
import org.mapsel.core.service.Service;
import org.mapsel.core.value.RecordValue;

/** The answers that came along with the sample of a request. */
public final class RecordedAnswers {

  private RecordedAnswers() {}

  /** What the answer says; nothing if none was given, or if it is not to be read. */
  public static Optional<RecordValue> of(Service service, Operation operation) {
    for (OperationWire wire : operation.wires()) {
      Optional<GivenAnswer> given = wire.given().flatMap(RecordedRequest::answer);
      if (given.isPresent()) {
        return read(service, operation, wire, given.get());
      }
    }
    return Optional.empty();
  }

  private static Optional<RecordValue> read(
      Service service, Operation operation, OperationWire wire, GivenAnswer given) {
    Map<String, List<String>> headers =
        given.mediaType().isEmpty()
            ? Map.of()
            : Map.of("Content-Type", List.of(withoutCharset(given.mediaType())));
    Response response =
        new Response(given.status(), headers, given.body().getBytes(StandardCharsets.UTF_8));
    Outcome<Answer> read = Caller.answer(service, operation, wire, response, Set.of());
    return read.value()
        .filter(Answer.Returned.class::isInstance)
        .map(answer -> ((Answer.Returned) answer).value());
  }

  /** What was given as a text is in no encoding any more. */
  private static String withoutCharset(String mediaType) {
    return mediaType.replaceAll("(?i)\\s*;\\s*charset=[^;]*", "");
  }
}
