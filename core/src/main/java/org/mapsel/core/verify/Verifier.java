package org.mapsel.core.verify;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.mapsel.core.call.CallResult;
import org.mapsel.core.call.Caller;
import org.mapsel.core.call.Question;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.FindingText;
import org.mapsel.core.message.Access;
import org.mapsel.core.message.Answer;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.value.RecordValue;

/** Asks operations once more and compares what they answer with what is known. */
public final class Verifier {

  private final Caller caller;

  public Verifier(Caller caller) {
    this.caller = caller;
  }

  /**
   * Runs a check.
   *
   * @param endpoint where to ask
   */
  public Verdict verify(Service service, Sample sample, EndpointId endpoint, Access access) {
    Optional<Operation> operation = service.findOperation(sample.operation());
    if (operation.isEmpty()) {
      return new Verdict(
          sample,
          List.of(outcome("the operation " + sample.operation(), "there is no such operation")),
          List.of(),
          0);
    }
    CallResult result =
        caller.call(
            new Question(
                service, operation.get(), endpoint, sample.parameters(service), access, Set.of()));
    return verdict(service, sample, result);
  }

  /** What an answer that is there already comes to. */
  public static Verdict verdict(Service service, Sample sample, CallResult result) {
    Check check = sample.check().orElse(Check.SHAPE);
    long took = result.exchange().map(exchange -> exchange.took().toMillis()).orElse(0L);
    List<Deviation> deviations = new ArrayList<>();
    deviations.addAll(
        result
            .answer()
            .map(answer -> answered(sample.answer(service), sample.failure(), answer, check))
            .orElseGet(() -> List.of(outcome("an answer", reason(result)))));
    check
        .within()
        .filter(most -> took > most)
        .ifPresent(
            most ->
                deviations.add(
                    new Deviation(
                        Deviation.Kind.TIME, FieldPath.ROOT, most + " ms", took + " ms")));
    return new Verdict(sample, deviations, result.findings(), took);
  }

  private static String reason(CallResult result) {
    return result.findings().stream()
        .filter(Finding::isError)
        .map(FindingText::message)
        .findFirst()
        .orElse("no answer");
  }

  private static List<Deviation> answered(
      Optional<RecordValue> expected, Optional<String> failure, Answer answer, Check check) {
    return switch (answer) {
      case Answer.Returned returned ->
          expected
              .map(known -> Comparison.of(known, returned.value(), check))
              .orElseGet(() -> List.of(outcome("failure " + failure.orElse(""), "an answer")));
      case Answer.Failed failed -> {
        String actual = "failure " + failed.code() + ": " + failed.reason();
        yield failure.isEmpty()
            ? List.of(outcome("an answer", actual))
            : failure.get().equals(failed.code())
                ? List.of()
                : List.of(outcome("failure " + failure.get(), actual));
      }
    };
  }

  private static Deviation outcome(String expected, String actual) {
    return new Deviation(Deviation.Kind.OUTCOME, FieldPath.ROOT, expected, actual);
  }
}
