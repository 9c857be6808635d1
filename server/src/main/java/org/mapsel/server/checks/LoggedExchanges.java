package org.mapsel.server.checks;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.mapsel.core.call.Caller;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.json.ValueJson;
import org.mapsel.core.message.Answer;
import org.mapsel.core.message.OverTheWire;
import org.mapsel.core.message.PersonalData;
import org.mapsel.core.serve.IncomingRequest;
import org.mapsel.core.serve.ReadRequest;
import org.mapsel.core.serve.RequestReader;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.verify.Check;
import org.mapsel.core.verify.Comparison;
import org.mapsel.server.checks.KnownOperations.Known;
import org.mapsel.server.checks.LoggedViews.ComparisonView;
import org.mapsel.server.checks.LoggedViews.SentAgain;
import org.mapsel.server.checks.LoggedViews.ShownAgain;
import org.mapsel.server.checks.SampleViews.DeviationView;
import org.mapsel.server.checks.SampleViews.SamplesView;
import org.mapsel.server.samples.LoggedMessages;
import org.mapsel.server.samples.Recorder;
import org.mapsel.server.samples.SampleStore;
import org.mapsel.server.web.FindingView;
import org.mapsel.server.web.Problem;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;

/**
 * Exchanges of the log put to use: sent again, shown in the field sheet, kept as samples, compared.
 * Their requests are read back as the service would read them.
 */
@Component
class LoggedExchanges {

  private static final Check SAME_VALUES =
      new Check(
          Check.Holds.VALUES,
          List.of(),
          List.of(),
          List.of(),
          Check.SHAPE.tolerance(),
          Optional.empty());

  private final Recorder recorder;
  private final LoggedMessages messages;
  private final KnownOperations operations;
  private final SampleStore store;
  private final Samples samples;

  LoggedExchanges(
      Recorder recorder,
      LoggedMessages messages,
      KnownOperations operations,
      SampleStore store,
      Samples samples) {
    this.messages = messages;
    this.recorder = recorder;
    this.operations = operations;
    this.store = store;
    this.samples = samples;
  }

  /** An exchange, with the operation that it was of. */
  private record Read(LoggedMessages.Exchanged logged, Known known) {

    RecordValue parameters() {
      return IncomingRequest.of(logged.request())
          .filter(request -> logged.whole())
          .flatMap(new RequestReader(known.service())::read)
          .filter(read -> read.operation().equals(known.operation().id()))
          .map(ReadRequest::parameters)
          .orElseThrow(() -> Problem.conflict("SERVER_EXCHANGE_UNREADABLE"));
    }

    Outcome<Answer> outcome() {
      return logged
          .response()
          .filter(response -> logged.whole())
          .map(
              response ->
                  Caller.answer(
                      known.service(),
                      known.operation(),
                      known
                          .operation()
                          .wire(known.endpoint())
                          .orElse(known.operation().wires().getFirst()),
                      response,
                      Set.of()))
          .orElse(Outcome.failed(Finding.error("SERVER_EXCHANGE_NO_ANSWER")));
    }

    RecordValue answer() {
      Outcome<Answer> answer = outcome();
      return answer.value().orElse(null) instanceof Answer.Returned returned
          ? returned.value()
          : refused(answer.findings());
    }

    private static RecordValue refused(List<Finding> findings) {
      throw Problem.refused(
          findings.isEmpty() ? List.of(Finding.error("SERVER_EXCHANGE_NO_ANSWER")) : findings);
    }
  }

  private Read read(String exchange) {
    LoggedMessages.Exchanged logged =
        messages.find(exchange).orElseThrow(() -> Problem.missing("SERVER_EXCHANGE_MISSING"));
    return new Read(logged, operations.get(logged.service(), logged.operation()));
  }

  /** Sends what was sent once more, with the access that there is now. */
  SentAgain again(String exchange) {
    Read read = read(exchange);
    RecordValue parameters = read.parameters();
    if (isBlanked(ValueJson.write(parameters))) {
      throw Problem.conflict("SERVER_EXCHANGE_BLANKED");
    }
    Recorder.Recorded recorded = recorder.call(read.known().wanted(parameters));
    return new SentAgain(
        recorded.sent().map(Recorder.Sent::exchange).orElse(null),
        FindingView.of(recorded.result().findings()));
  }

  /** Whether something was not kept of what was sent, because it tells of a person. */
  private static boolean isBlanked(JsonNode values) {
    return values.isContainer()
        ? values.valueStream().anyMatch(LoggedExchanges::isBlanked)
        : values.asString("").equals(PersonalData.BLANK);
  }

  /** Shows what was sent, and the answer if it was one, in the field sheet of its operation. */
  ShownAgain show(String exchange) {
    Read read = read(exchange);
    boolean answered =
        read.logged().response().filter(response -> response.status() < 300).isPresent();
    store.put(
        read.known().id(),
        read.known().operation().id().text(),
        SampleStore.LAST,
        new SampleStore.Kept(
            ValueJson.write(read.parameters()),
            answered ? Optional.of(ValueJson.write(read.answer())) : Optional.empty(),
            Optional.of(exchange),
            Optional.empty(),
            Optional.of(read.known().edition()),
            new OverTheWire(
                Optional.of(read.logged().request()),
                read.logged().response().filter(response -> answered))));
    return new ShownAgain(read.known().id(), read.known().operation().id().text());
  }

  /** Keeps what was sent and answered as a sample, also where it failed. */
  SamplesView keep(String exchange, String name) {
    Read read = read(exchange);
    Known known = read.known();
    JsonNode parameters = ValueJson.write(read.parameters());
    SampleStore.Kept kept =
        read.outcome().value().orElse(null) instanceof Answer.Failed failed
            ? known.failed(parameters, Samples.failure(failed))
            : known.answered(parameters, ValueJson.write(read.answer()));
    samples.keep(
        known,
        name,
        kept.from(new OverTheWire(Optional.of(read.logged().request()), read.logged().response())));
    return samples.all();
  }

  /** What the answer of one exchange has that that of another has not. */
  ComparisonView compare(String exchange, String other) {
    Read known = read(exchange);
    Read now = read(other);
    if (!known.known().id().equals(now.known().id())
        || !known.known().operation().equals(now.known().operation())) {
      throw Problem.conflict("SERVER_EXCHANGES_APART");
    }
    return new ComparisonView(
        Comparison.of(known.answer(), now.answer(), SAME_VALUES).stream()
            .map(DeviationView::of)
            .toList());
  }
}
