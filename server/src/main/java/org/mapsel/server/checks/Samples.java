package org.mapsel.server.checks;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
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
import org.mapsel.core.verify.EditedAnswer;
import org.mapsel.core.verify.Sample;
import org.mapsel.server.checks.KnownOperations.Known;
import org.mapsel.server.checks.SampleViews.CheckRunView;
import org.mapsel.server.checks.SampleViews.CheckView;
import org.mapsel.server.checks.SampleViews.GivenRequest;
import org.mapsel.server.checks.SampleViews.MadeKind;
import org.mapsel.server.checks.SampleViews.NewSample;
import org.mapsel.server.checks.SampleViews.SampleContent;
import org.mapsel.server.checks.SampleViews.SampleLine;
import org.mapsel.server.checks.SampleViews.SampleOrigin;
import org.mapsel.server.checks.SampleViews.SampledService;
import org.mapsel.server.checks.SampleViews.SamplesView;
import org.mapsel.server.checks.SampleViews.VerdictView;
import org.mapsel.server.samples.Replay;
import org.mapsel.server.samples.SampleStore;
import org.mapsel.server.services.Editions;
import org.mapsel.server.services.Workspace;
import org.mapsel.server.web.Problem;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Samples by their names: kept, made, given and used. */
@Component
public class Samples {

  private static final int LONGEST_NAME = 200;
  private static final int MANY = 50;

  private final SampleStore store;
  private final CheckRunStore runs;
  private final Replay replay;
  private final Workspace workspace;
  private final Editions editions;
  private final JsonMapper json;
  private final KnownOperations operations;

  Samples(
      SampleStore store,
      CheckRunStore runs,
      Replay replay,
      Workspace workspace,
      Editions editions,
      JsonMapper json,
      KnownOperations operations) {
    this.operations = operations;
    this.store = store;
    this.runs = runs;
    this.replay = replay;
    this.workspace = workspace;
    this.editions = editions;
    this.json = json;
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

  static CheckRunStore.Key key(SampleStore.Line line) {
    return new CheckRunStore.Key(line.service(), line.operation(), line.name());
  }

  SampleLine view(SampleStore.Line line, Map<CheckRunStore.Key, List<CheckRunView>> ran) {
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
          SampleOrigin.MADE.name());
      return all();
    }
    SampleStore.Kept last =
        store
            .find(service, operation, SampleStore.LAST)
            .filter(kept -> kept.answer().isPresent())
            .orElseThrow(() -> Problem.conflict("SERVER_SAMPLE_NONE"));
    store.keep(
        service, operation, name, last.parameters(), last.answer(), SampleOrigin.RECORDED.name());
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

  /** What is in a sample, to be changed by hand. */
  SampleContent content(String service, String operation, String name) {
    SampleStore.Line line = line(service, operation, name);
    Known known = operations.get(service, operation);
    return new SampleContent(
        line.answer()
            .map(
                answer ->
                    ValueJson.writeForDoubles(
                        ValueJson.typed(
                            ValueJson.read(answer),
                            known.service().shapes(),
                            known.operation().output())))
            .orElseThrow(() -> Problem.conflict("SERVER_SAMPLE_FAILURE", "name", name)));
  }

  /** Keeps a sample with another answer, as somebody typed it. */
  SamplesView change(String service, String operation, String name, SampleContent content) {
    SampleStore.Line line = line(service, operation, name);
    Known known = operations.get(service, operation);
    Outcome<RecordValue> answer =
        EditedAnswer.of(
            known.service().shapes(),
            known.operation().output(),
            ValueJson.readRecord(
                content.answer(), known.service().shapes(), known.operation().output()));
    store.keep(
        service,
        operation,
        name,
        line.parameters(),
        Optional.of(
            ValueJson.write(answer.value().orElseThrow(() -> Problem.refused(answer.findings())))),
        SampleOrigin.MADE.name());
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

  SampleStore.Line line(String service, String operation, String name) {
    return store
        .line(service, operation, name)
        .orElseThrow(() -> Problem.missing("SERVER_SAMPLE_MISSING", "name", name));
  }

  SamplesView remove(String service, String operation, String name) {
    store.remove(service, operation, name);
    return all();
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
