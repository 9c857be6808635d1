package org.mapsel.server.samples;

import java.util.Locale;
import java.util.Optional;
import org.mapsel.core.call.RecordedAnswers;
import org.mapsel.core.exchange.Exchange;
import org.mapsel.core.json.ValueJson;
import org.mapsel.core.message.Answer;
import org.mapsel.core.message.OverTheWire;
import org.mapsel.core.message.PersonalData;
import org.mapsel.core.message.http.FirstValues;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.sample.SampleMaker;
import org.mapsel.core.sample.SampleMaker.Extent;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;

/** What operations were sent and answered last, to be shown: recorded, given or made up. */
@Component
public class LastSamples {

  /**
   * Values of an operation to show before anything is sent.
   *
   * @param failure what came back instead of an answer, in words
   */
  public record Sample(
      Origin origin,
      RecordValue parameters,
      Value answer,
      Optional<Recorder.Sent> sent,
      Optional<String> failure) {

    Sample(Origin origin, RecordValue parameters, Value answer, Optional<Recorder.Sent> sent) {
      this(origin, parameters, answer, sent, Optional.empty());
    }

    /** Whether a service has answered this, be it to somebody else. */
    public boolean isKnown() {
      return origin != Origin.GENERATED;
    }
  }

  /** Where an answer comes from: a call from here, one that failed, a given one, or nowhere. */
  public enum Origin {
    RECORDED,
    FAILED,
    GIVEN,
    GENERATED;

    public String label() {
      return name().toLowerCase(Locale.ROOT);
    }
  }

  private final ExchangeStore exchanges;
  private final SampleStore samples;
  private final EditionSamples inEdition;
  private final KnownEditions editions;
  private final PersonalRules personal;

  LastSamples(
      ExchangeStore exchanges,
      SampleStore samples,
      EditionSamples inEdition,
      KnownEditions editions,
      PersonalRules personal) {
    this.personal = personal;
    this.exchanges = exchanges;
    this.samples = samples;
    this.inEdition = inEdition;
    this.editions = editions;
  }

  /** Keeps what was sent last, and what was answered if it was an answer. */
  public void keep(
      String serviceId,
      Service service,
      Operation operation,
      JsonNode parameters,
      Recorder.Recorded recorded) {
    PersonalData data = personal.of(serviceId);
    Optional<JsonNode> answer =
        recorded
            .result()
            .answer()
            .filter(Answer.Returned.class::isInstance)
            .map(given -> ValueJson.write(((Answer.Returned) given).value()))
            .map(data::blankedIn);
    samples.put(
        serviceId,
        operation.id().text(),
        SampleStore.LAST,
        new SampleStore.Kept(
            data.blankedIn(parameters),
            answer,
            recorded.sent().map(Recorder.Sent::exchange),
            Optional.empty(),
            editions.idOf(service),
            new OverTheWire(
                recorded.result().exchange().map(Exchange::request).map(data::blankedIn),
                recorded.result().exchange().flatMap(Exchange::response).map(data::blankedIn))));
  }

  /**
   * What was sent and answered last; as long as nothing was, the answer that came with the
   * description, or one that is made up from it.
   */
  public Sample sample(String serviceId, Service service, Operation operation) {
    return sample(serviceId, service, operation, Optional.empty());
  }

  /**
   * What is kept under a name; where nothing is, what was sent and answered last.
   *
   * @param name nothing for the last
   */
  public Sample sample(
      String serviceId, Service service, Operation operation, Optional<String> name) {
    String id = operation.id().text();
    Optional<SampleStore.Kept> kept =
        name.flatMap(known -> samples.find(serviceId, id, known))
            .or(() -> samples.find(serviceId, id, SampleStore.LAST))
            .map(known -> inEdition.in(serviceId, service, operation, known));
    RecordValue parameters =
        kept.map(
                known ->
                    ValueJson.readRecord(known.parameters(), service.shapes(), operation.input()))
            .orElseGet(() -> FirstValues.of(service, operation, Extent.REQUIRED));
    Optional<SampleStore.Failure> failure = kept.flatMap(SampleStore.Kept::failure);
    if (failure.isPresent()) {
      return new Sample(
          Origin.FAILED,
          parameters,
          RecordValue.empty(),
          Optional.empty(),
          failure.map(SampleStore.Failure::reason));
    }
    Optional<JsonNode> recorded = kept.flatMap(SampleStore.Kept::answer);
    if (recorded.isPresent()) {
      Optional<Recorder.Sent> sent =
          kept.flatMap(SampleStore.Kept::exchange)
              .flatMap(exchanges::find)
              .map(
                  exchange ->
                      new Recorder.Sent(
                          exchange.id(),
                          exchange.status().orElse(null),
                          exchange.tookMillis(),
                          exchange.startedAt()));
      Value answer =
          ValueJson.typed(ValueJson.read(recorded.get()), service.shapes(), operation.output());
      return new Sample(Origin.RECORDED, parameters, answer, sent);
    }
    Optional<RecordValue> given = RecordedAnswers.of(service, operation);
    Value answer =
        given.isPresent()
            ? given.get()
            : SampleMaker.make(service.shapes(), operation.output(), Extent.EVERYTHING);
    return new Sample(
        given.isPresent() ? Origin.GIVEN : Origin.GENERATED, parameters, answer, Optional.empty());
  }

  /** When an answer was kept last, of whatever operation; another number for another answer. */
  public long lastRecordedAt() {
    return samples.lastRecordedAt();
  }

  /** What an operation answered last; absent if it never did. */
  public Value lastAnswer(String serviceId, OperationId operation) {
    return samples
        .find(serviceId, operation.text(), SampleStore.LAST)
        .flatMap(SampleStore.Kept::answer)
        .map(ValueJson::read)
        .orElse(Value.ABSENT);
  }

  /** Reads what was answered last once more, because more is known of what comes back. */
  public void reread(String serviceId, Service service, Operation operation) {
    Optional<SampleStore.Kept> last =
        samples.find(serviceId, operation.id().text(), SampleStore.LAST);
    Optional<JsonNode> read =
        last.flatMap(kept -> kept.wire().came())
            .flatMap(came -> EditionSamples.answer(service, operation, came));
    if (read.isPresent()) {
      samples.put(
          serviceId,
          operation.id().text(),
          SampleStore.LAST,
          new SampleStore.Kept(
              inEdition.in(serviceId, service, operation, last.get()).parameters(),
              read,
              last.get().exchange(),
              Optional.empty(),
              editions.idOf(service),
              last.get().wire()));
    }
  }
}
