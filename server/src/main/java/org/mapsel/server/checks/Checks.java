package org.mapsel.server.checks;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiPredicate;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.json.ValueJson;
import org.mapsel.core.message.Answer;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.verify.Check;
import org.mapsel.core.verify.Sample;
import org.mapsel.core.verify.Verdict;
import org.mapsel.core.verify.Verifier;
import org.mapsel.server.checks.KnownOperations.Known;
import org.mapsel.server.checks.SampleViews.CheckRunView;
import org.mapsel.server.checks.SampleViews.DeviationView;
import org.mapsel.server.checks.SampleViews.PinRequest;
import org.mapsel.server.checks.SampleViews.SampleLine;
import org.mapsel.server.checks.SampleViews.SampleOrigin;
import org.mapsel.server.checks.SampleViews.SamplesView;
import org.mapsel.server.checks.SampleViews.ScheduleRequest;
import org.mapsel.server.checks.SampleViews.VerdictView;
import org.mapsel.server.samples.Recorder;
import org.mapsel.server.samples.SampleStore;
import org.mapsel.server.web.Problem;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Samples as checks: pinned, run by hand or by themselves, and taken as new. */
@Component
public class Checks {

  /** A week. */
  private static final int LONGEST_PAUSE = 10_080;

  private final SampleStore store;
  private final CheckRunStore runs;
  private final Samples samples;
  private final Recorder recorder;
  private final KnownOperations operations;
  private final JsonMapper json;
  private final Clock clock;

  Checks(
      SampleStore store,
      CheckRunStore runs,
      Samples samples,
      Recorder recorder,
      KnownOperations operations,
      JsonMapper json,
      Clock clock) {
    this.store = store;
    this.runs = runs;
    this.samples = samples;
    this.recorder = recorder;
    this.operations = operations;
    this.json = json;
    this.clock = clock;
  }

  SamplesView pin(String service, String operation, String name, PinRequest request) {
    SampleStore.Line line = samples.line(service, operation, name);
    if (request.check() == null) {
      runs.schedule(Samples.key(line), Optional.empty());
    }
    store.pin(
        service,
        operation,
        name,
        Optional.ofNullable(request.check()).map(check -> json.<JsonNode>valueToTree(check)));
    return samples.all();
  }

  /** Says how often a check runs by itself. */
  SamplesView schedule(String service, String operation, String name, ScheduleRequest wanted) {
    SampleStore.Line line = samples.line(service, operation, name);
    Optional<Integer> minutes = Optional.ofNullable(wanted.everyMinutes());
    if (minutes.filter(every -> every < 1 || every > LONGEST_PAUSE).isPresent()) {
      throw Problem.refused(
          Finding.error("SERVER_CHECK_PAUSE_WRONG", "most", String.valueOf(LONGEST_PAUSE)));
    }
    if (minutes.isPresent() && line.pinned().isEmpty()) {
      throw Problem.conflict("SERVER_SAMPLE_NO_CHECK", "name", name);
    }
    runs.schedule(Samples.key(line), minutes);
    return samples.all();
  }

  /** Runs the checks of a service, or all of them. */
  SamplesView verify(Optional<String> service) {
    store.all().stream()
        .filter(line -> line.pinned().isPresent())
        .filter(line -> service.map(line.service()::equals).orElse(true))
        .forEach(line -> verify(line.service(), line.operation(), line.name()));
    return samples.all();
  }

  /**
   * Runs the checks of some operations.
   *
   * @param called whether a service and an operation of it are among them
   * @param environments where services are asked, by service; others as described
   * @return these checks, each with what came of it
   */
  public List<SampleLine> verify(
      BiPredicate<String, String> called, Map<String, String> environments) {
    return store.all().stream()
        .filter(line -> line.pinned().isPresent())
        .filter(line -> called.test(line.service(), line.operation()))
        .map(
            line -> {
              String environment = environments.getOrDefault(line.service(), "");
              verify(line.service(), line.operation(), line.name(), Optional.of(environment));
              return samples.view(
                  samples.line(line.service(), line.operation(), line.name()), Map.of());
            })
        .toList();
  }

  /** Runs one check and remembers what came of it. */
  SamplesView verify(String service, String operation, String name) {
    verify(service, operation, name, Optional.empty());
    return samples.all();
  }

  private void verify(String service, String operation, String name, Optional<String> environment) {
    SampleStore.Line line = samples.line(service, operation, name);
    Known known = operations.get(service, operation);
    Sample sample = samples.sample(line, known.edition());
    if (sample.check().isEmpty()) {
      sample = sample.with(Check.SHAPE);
    }
    Recorder.Recorded recorded =
        recorder.call(known.wanted(sample.parameters(known.service()), environment));
    Verdict verdict = Verifier.verdict(known.service(), sample, recorded.result());
    VerdictView view =
        new VerdictView(
            verdict.holds(),
            verdict.deviations().stream().map(DeviationView::of).toList(),
            verdict.took(),
            OffsetDateTime.now(clock));
    store.putVerdict(service, operation, name, json.valueToTree(view));
    runs.add(Samples.key(line), new CheckRunView(view.at(), view.holds(), view.tookMillis()));
  }

  /** Records a sample again: what is answered now is what is known from now on. */
  SamplesView recordAgain(String service, String operation, String name) {
    SampleStore.Line line = samples.line(service, operation, name);
    Known known = operations.get(service, operation);
    SampleStore.Kept kept = samples.kept(known, line);
    RecordValue parameters =
        ValueJson.readRecord(
            kept.parameters(), known.service().shapes(), known.operation().input());
    Recorder.Recorded recorded = recorder.call(known.wanted(parameters));
    Optional<Answer> answer = recorded.result().answer();
    if (kept.failure().isPresent() && answer.orElse(null) instanceof Answer.Failed failed) {
      samples.keep(known, name, known.failed(kept.parameters(), Samples.failure(failed)));
      return verify(service, operation, name);
    }
    if (!(answer.orElse(null) instanceof Answer.Returned returned)) {
      throw Problem.refused(
          recorded.result().findings().isEmpty()
              ? List.of(Finding.error("SERVER_SAMPLE_FAILED"))
              : recorded.result().findings());
    }
    store.keep(
        service,
        operation,
        name,
        known.answered(kept.parameters(), ValueJson.write(returned.value())),
        SampleOrigin.RECORDED.name());
    return verify(service, operation, name);
  }
}
