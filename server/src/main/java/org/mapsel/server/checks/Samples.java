package org.mapsel.server.checks;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiPredicate;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.json.ValueJson;
import org.mapsel.core.message.Answer;
import org.mapsel.core.message.http.FirstValues;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.sample.LongestValues;
import org.mapsel.core.sample.SampleMaker;
import org.mapsel.core.serve.GivenSample;
import org.mapsel.core.service.Operation;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.verify.Check;
import org.mapsel.core.verify.Sample;
import org.mapsel.core.verify.Verdict;
import org.mapsel.core.verify.Verifier;
import org.mapsel.server.checks.KnownOperations.Known;
import org.mapsel.server.checks.SampleViews.CheckRunView;
import org.mapsel.server.checks.SampleViews.CheckView;
import org.mapsel.server.checks.SampleViews.DeviationView;
import org.mapsel.server.checks.SampleViews.GivenRequest;
import org.mapsel.server.checks.SampleViews.MadeKind;
import org.mapsel.server.checks.SampleViews.NewSample;
import org.mapsel.server.checks.SampleViews.PinRequest;
import org.mapsel.server.checks.SampleViews.SampleLine;
import org.mapsel.server.checks.SampleViews.SampleOrigin;
import org.mapsel.server.checks.SampleViews.SampledService;
import org.mapsel.server.checks.SampleViews.SamplesView;
import org.mapsel.server.checks.SampleViews.ScheduleRequest;
import org.mapsel.server.checks.SampleViews.VerdictView;
import org.mapsel.server.samples.Recorder;
import org.mapsel.server.samples.Replay;
import org.mapsel.server.samples.SampleStore;
import org.mapsel.server.services.Editions;
import org.mapsel.server.services.Workspace;
import org.mapsel.server.web.Problem;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Samples by their names: kept, made, used, pinned as checks and run. */
@Component
public class Samples {

  private static final int LONGEST_NAME = 200;
  private static final int MANY = 50;

  /** A week. */
  private static final int LONGEST_PAUSE = 10_080;

  private final SampleStore store;
  private final CheckRunStore runs;
  private final Recorder recorder;
  private final Replay replay;
  private final Workspace workspace;
  private final Editions editions;
  private final JsonMapper json;
  private final KnownOperations operations;
  private final Clock clock;

  Samples(
      SampleStore store,
      CheckRunStore runs,
      Recorder recorder,
      Replay replay,
      Workspace workspace,
      Editions editions,
      JsonMapper json,
      KnownOperations operations,
      Clock clock) {
    this.operations = operations;
    this.store = store;
    this.runs = runs;
    this.recorder = recorder;
    this.replay = replay;
    this.workspace = workspace;
    this.editions = editions;
    this.json = json;
    this.clock = clock;
  }

  SamplesView all() {
    Set<String> replayed = replay.services();
    Map<CheckRunStore.Key, List<CheckRunView>> ran = runs.newest();
    return new SamplesView(
        workspace.names().entrySet().stream()
            .map(
                one ->
                    new SampledService(
                        one.getKey(), one.getValue(), replayed.contains(one.getKey())))
            .toList(),
        store.all().stream().map(line -> view(line, ran)).toList());
  }

  private static CheckRunStore.Key key(SampleStore.Line line) {
    return new CheckRunStore.Key(line.service(), line.operation(), line.name());
  }

  private SampleLine view(SampleStore.Line line, Map<CheckRunStore.Key, List<CheckRunView>> ran) {
    return new SampleLine(
        line.service(),
        line.operation(),
        name(line),
        line.name(),
        SampleOrigin.valueOf(line.origin()),
        line.recordedAt(),
        line.pinned().map(pinned -> json.treeToValue(pinned, CheckView.class)).orElse(null),
        line.verdict().map(verdict -> json.treeToValue(verdict, VerdictView.class)).orElse(null),
        line.everyMinutes().orElse(null),
        ran.getOrDefault(key(line), List.of()));
  }

  private String name(SampleStore.Line line) {
    return workspace
        .newestEdition(line.service())
        .flatMap(editions::find)
        .flatMap(edition -> edition.service().findOperation(new OperationId(line.operation())))
        .map(Operation::name)
        .orElse(line.operation());
  }

  /** Keeps what was sent and answered last under a name, or makes something up. */
  SamplesView keep(String service, String operation, NewSample wanted) {
    String name = checked(wanted.name());
    Known known = operations.get(service, operation);
    if (wanted.made() == MadeKind.FAULT) {
      store.keepFailure(
          service,
          operation,
          name,
          ValueJson.write(
              FirstValues.of(known.service(), known.operation(), SampleMaker.Extent.REQUIRED)),
          new SampleStore.Failure("", failing(known.operation())),
          SampleOrigin.MADE.name());
      return all();
    }
    if (wanted.made() != null) {
      RecordValue parameters =
          FirstValues.of(known.service(), known.operation(), SampleMaker.Extent.REQUIRED);
      store.keep(
          service,
          operation,
          name,
          ValueJson.write(parameters),
          Optional.of(ValueJson.write(made(known, wanted.made()))),
          "MADE");
      return all();
    }
    SampleStore.Kept last =
        store
            .find(service, operation, SampleStore.LAST)
            .filter(kept -> kept.answer().isPresent())
            .orElseThrow(() -> Problem.conflict("SERVER_SAMPLE_NONE"));
    store.keep(service, operation, name, last.parameters(), last.answer(), "RECORDED");
    return all();
  }

  private static String checked(String wished) {
    String name = wished.strip();
    if (name.isEmpty() || name.length() > LONGEST_NAME) {
      throw Problem.refused(
          Finding.error("SERVER_SAMPLE_NAME_WRONG", "limit", String.valueOf(LONGEST_NAME)));
    }
    return name;
  }

  /** Keeps what was recorded elsewhere under a name. */
  void keep(String service, String operation, String name, JsonNode parameters, JsonNode answer) {
    store.keep(
        service,
        operation,
        checked(name),
        parameters,
        Optional.of(answer),
        SampleOrigin.RECORDED.name());
  }

  /** Keeps a failure under a name. */
  void keepFailure(
      String service, String operation, String name, JsonNode parameters, Answer.Failed failed) {
    store.keepFailure(
        service,
        operation,
        checked(name),
        parameters,
        new SampleStore.Failure(failed.code(), failed.reason()),
        SampleOrigin.RECORDED.name());
  }

  /** Keeps what somebody gives as text; several of an archive get numbers behind the name. */
  SamplesView keepGiven(String service, String operation, GivenRequest given) {
    String name = checked(given.name());
    Known known = operations.get(service, operation);
    Outcome<List<GivenSample>> read =
        GivenSample.of(known.service(), known.operation(), known.endpoint(), given.text());
    List<GivenSample> all = read.value().orElseThrow(() -> Problem.refused(read.findings()));
    for (int i = 0; i < all.size(); i++) {
      keep(
          service,
          operation,
          i == 0 ? name : name + " " + (i + 1),
          ValueJson.write(all.get(i).parameters()),
          ValueJson.write(all.get(i).answer()));
    }
    return all();
  }

  /** What is said where a service refuses, by the first of the faults that it describes. */
  private static String failing(Operation operation) {
    return operation.faults().stream()
        .findFirst()
        .map(fault -> "The service says that it did not work: " + fault.name() + ".")
        .orElse("The service says that it did not work.");
  }

  private static RecordValue made(Known known, MadeKind kind) {
    int rows =
        switch (kind) {
          case EMPTY -> 0;
          case ONE_ROW -> 1;
          case MANY_ROWS -> MANY;
          case LONGEST -> 3;
          case FAULT -> throw new IllegalArgumentException("no answer is made for a fault");
        };
    RecordValue made =
        SampleMaker.make(
            known.service().shapes(),
            known.operation().output(),
            SampleMaker.Extent.EVERYTHING,
            rows);
    return kind == MadeKind.LONGEST
        ? LongestValues.of(known.service().shapes(), known.operation().output(), made)
        : made;
  }

  /** Lets fields and pages show a sample, as if it had been answered just now. */
  SamplesView use(String service, String operation, String name) {
    SampleStore.Line line = line(service, operation, name);
    if (line.failure().isPresent()) {
      store.keepFailure(
          service,
          operation,
          SampleStore.LAST,
          line.parameters(),
          line.failure().get(),
          SampleOrigin.RECORDED.name());
    } else {
      store.put(
          service, operation, SampleStore.LAST, line.parameters(), line.answer(), Optional.empty());
    }
    return all();
  }

  private SampleStore.Line line(String service, String operation, String name) {
    return store
        .line(service, operation, name)
        .orElseThrow(() -> Problem.missing("SERVER_SAMPLE_MISSING", "name", name));
  }

  SamplesView remove(String service, String operation, String name) {
    store.remove(service, operation, name);
    return all();
  }

  SamplesView pin(String service, String operation, String name, PinRequest request) {
    SampleStore.Line line = line(service, operation, name);
    if (request.check() == null) {
      runs.schedule(key(line), Optional.empty());
    }
    store.pin(
        service,
        operation,
        name,
        Optional.ofNullable(request.check()).map(check -> json.<JsonNode>valueToTree(check)));
    return all();
  }

  /** Says how often a check runs by itself. */
  SamplesView schedule(String service, String operation, String name, ScheduleRequest wanted) {
    SampleStore.Line line = line(service, operation, name);
    Optional<Integer> minutes = Optional.ofNullable(wanted.everyMinutes());
    if (minutes.filter(every -> every < 1 || every > LONGEST_PAUSE).isPresent()) {
      throw Problem.refused(
          Finding.error("SERVER_CHECK_PAUSE_WRONG", "most", String.valueOf(LONGEST_PAUSE)));
    }
    if (minutes.isPresent() && line.pinned().isEmpty()) {
      throw Problem.conflict("SERVER_SAMPLE_NO_CHECK", "name", name);
    }
    runs.schedule(key(line), minutes);
    return all();
  }

  /** Runs the checks of a service, or all of them. */
  SamplesView verify(Optional<String> service) {
    store.all().stream()
        .filter(line -> line.pinned().isPresent())
        .filter(line -> service.map(line.service()::equals).orElse(true))
        .forEach(line -> verify(line.service(), line.operation(), line.name()));
    return all();
  }

  /**
   * Runs the checks of some operations.
   *
   * @param called whether a service and an operation of it are among them
   * @return these checks, each with what came of it
   */
  public List<SampleLine> verify(BiPredicate<String, String> called) {
    return store.all().stream()
        .filter(line -> line.pinned().isPresent())
        .filter(line -> called.test(line.service(), line.operation()))
        .map(
            line -> {
              verify(line.service(), line.operation(), line.name());
              return view(line(line.service(), line.operation(), line.name()), Map.of());
            })
        .toList();
  }

  /** Runs one check and remembers what came of it. */
  SamplesView verify(String service, String operation, String name) {
    SampleStore.Line line = line(service, operation, name);
    Known known = operations.get(service, operation);
    Check check =
        line.pinned()
            .map(pinned -> json.treeToValue(pinned, CheckView.class).check())
            .orElse(Check.SHAPE);
    Sample sample =
        new Sample(
            service,
            known.operation().id(),
            name,
            line.parameters(),
            line.answer(),
            line.failure().map(SampleStore.Failure::code),
            Optional.of(check));
    Recorder.Recorded recorded = recorder.call(known.wanted(sample.parameters(known.service())));
    Verdict verdict = Verifier.verdict(known.service(), sample, recorded.result());
    VerdictView view =
        new VerdictView(
            verdict.holds(),
            verdict.deviations().stream().map(DeviationView::of).toList(),
            verdict.took(),
            OffsetDateTime.now(clock));
    store.putVerdict(service, operation, name, json.valueToTree(view));
    runs.add(key(line), new CheckRunView(view.at(), view.holds(), view.tookMillis()));
    return all();
  }

  /** Records a sample again: what is answered now is what is known from now on. */
  SamplesView recordAgain(String service, String operation, String name) {
    SampleStore.Line line = line(service, operation, name);
    Known known = operations.get(service, operation);
    RecordValue parameters =
        ValueJson.readRecord(
            line.parameters(), known.service().shapes(), known.operation().input());
    Recorder.Recorded recorded = recorder.call(known.wanted(parameters));
    Optional<Answer> answer = recorded.result().answer();
    if (line.failure().isPresent() && answer.orElse(null) instanceof Answer.Failed failed) {
      keepFailure(service, operation, name, line.parameters(), failed);
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
        line.parameters(),
        Optional.of(ValueJson.write(returned.value())),
        "RECORDED");
    return verify(service, operation, name);
  }

  SamplesView replay(String service, boolean on) {
    if (workspace.newestEdition(service).isEmpty()) {
      throw Problem.missing("SERVER_SERVICE_MISSING", "service", service);
    }
    replay.set(service, on);
    return all();
  }

  /** The samples of the services as they go along with an app. */
  public List<Sample> of(Set<String> services) {
    return store.all().stream()
        .filter(line -> services.contains(line.service()))
        .map(
            line ->
                new Sample(
                    line.service(),
                    new OperationId(line.operation()),
                    line.name(),
                    line.parameters(),
                    line.answer(),
                    line.failure().map(SampleStore.Failure::code),
                    line.pinned().map(pinned -> json.treeToValue(pinned, CheckView.class).check())))
        .toList();
  }

  /** Keeps samples that came along with an app; those that have a name here already stay. */
  public void restore(List<Sample> samples) {
    for (Sample sample : samples) {
      String operation = sample.operation().text();
      if (store.line(sample.service(), operation, sample.name()).isEmpty()
          && !sample.name().isBlank()) {
        if (sample.failure().isPresent()) {
          store.keepFailure(
              sample.service(),
              operation,
              sample.name(),
              sample.parameters(),
              new SampleStore.Failure(sample.failure().get(), sample.failure().get()),
              SampleOrigin.RECORDED.name());
        } else {
          store.keep(
              sample.service(),
              operation,
              sample.name(),
              sample.parameters(),
              sample.answer(),
              SampleOrigin.RECORDED.name());
        }
        sample
            .check()
            .ifPresent(
                check ->
                    store.pin(
                        sample.service(),
                        operation,
                        sample.name(),
                        Optional.of(json.valueToTree(CheckView.of(check)))));
      }
    }
  }
}
