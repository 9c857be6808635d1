package org.mapsel.server.checks;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.json.ValueJson;
import org.mapsel.core.message.Answer;
import org.mapsel.core.message.Header;
import org.mapsel.core.message.OverTheWire;
import org.mapsel.core.message.Response;
import org.mapsel.core.message.http.FirstValues;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.sample.LongestValues;
import org.mapsel.core.sample.SampleMaker;
import org.mapsel.core.serve.GivenSample;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.shape.Shapes;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.verify.Check;
import org.mapsel.core.verify.EditedMessage;
import org.mapsel.core.verify.Sample;
import org.mapsel.core.verify.SampleMove;
import org.mapsel.server.checks.KnownOperations.Known;
import org.mapsel.server.checks.SampleViews.CameMessage;
import org.mapsel.server.checks.SampleViews.CheckRunView;
import org.mapsel.server.checks.SampleViews.CheckView;
import org.mapsel.server.checks.SampleViews.GivenRequest;
import org.mapsel.server.checks.SampleViews.MadeKind;
import org.mapsel.server.checks.SampleViews.NewSample;
import org.mapsel.server.checks.SampleViews.SampleContent;
import org.mapsel.server.checks.SampleViews.SampleLine;
import org.mapsel.server.checks.SampleViews.SampleOrigin;
import org.mapsel.server.checks.SampleViews.SampleWire;
import org.mapsel.server.checks.SampleViews.SampledService;
import org.mapsel.server.checks.SampleViews.SamplesView;
import org.mapsel.server.checks.SampleViews.SentMessage;
import org.mapsel.server.checks.SampleViews.VerdictView;
import org.mapsel.server.samples.BodyText;
import org.mapsel.server.samples.EditionSamples;
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
  private final EditionSamples inEdition;

  Samples(
      SampleStore store,
      CheckRunStore runs,
      Replay replay,
      Workspace workspace,
      Editions editions,
      JsonMapper json,
      KnownOperations operations,
      EditionSamples inEdition) {
    this.inEdition = inEdition;
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
      store.keep(
          service,
          operation,
          name,
          known.failed(
              firstParameters(known), new SampleStore.Failure("", failing(known.operation()))),
          SampleOrigin.MADE.name());
      return all();
    }
    if (wanted.made() != null) {
      store.keep(
          service,
          operation,
          name,
          known.answered(firstParameters(known), ValueJson.write(made(known, wanted.made()))),
          SampleOrigin.MADE.name());
      return all();
    }
    SampleStore.Kept last =
        store
            .find(service, operation, SampleStore.LAST)
            .filter(kept -> kept.answer().isPresent())
            .orElseThrow(() -> Problem.conflict("SERVER_SAMPLE_NONE"));
    store.keep(service, operation, name, last, SampleOrigin.RECORDED.name());
    return all();
  }

  private static JsonNode firstParameters(Known known) {
    return ValueJson.write(
        FirstValues.of(known.service(), known.operation(), SampleMaker.Extent.REQUIRED));
  }

  private static String checked(String wished) {
    String name = wished.strip();
    if (name.isEmpty() || name.length() > LONGEST_NAME) {
      throw Problem.refused(
          Finding.error("SERVER_SAMPLE_NAME_WRONG", "limit", String.valueOf(LONGEST_NAME)));
    }
    return name;
  }

  /** Keeps what was recorded elsewhere under a name, be it an answer or a failure. */
  void keep(Known known, String name, SampleStore.Kept kept) {
    store.keep(
        known.id(),
        known.operation().id().text(),
        checked(name),
        kept,
        SampleOrigin.RECORDED.name());
  }

  /** A failure as it is kept. */
  static SampleStore.Failure failure(Answer.Failed failed) {
    return new SampleStore.Failure(failed.code(), failed.reason());
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
          known,
          i == 0 ? name : name + " " + (i + 1),
          known
              .answered(
                  ValueJson.write(all.get(i).parameters()), ValueJson.write(all.get(i).answer()))
              .from(all.get(i).wire()));
    }
    return all();
  }

  /** What is in a sample, to be changed by hand. */
  SampleContent content(String service, String operation, String name) {
    Known known = operations.get(service, operation);
    SampleStore.Kept kept = kept(known, line(service, operation, name));
    return new SampleContent(
        typed(kept.parameters(), known, known.operation().input()),
        kept.answer().map(answer -> typed(answer, known, known.operation().output())).orElse(null));
  }

  /** What a sample was read from. */
  SampleWire wire(String service, String operation, String name) {
    OverTheWire wire = line(service, operation, name).kept().wire();
    return new SampleWire(
        wire.sent()
            .map(
                sent ->
                    new SentMessage(
                        sent.method(),
                        sent.address(),
                        sent.headers(),
                        new String(sent.body(), StandardCharsets.UTF_8)))
            .orElse(null),
        wire.came()
            .map(
                came ->
                    new CameMessage(
                        came.status(), headers(came), BodyText.of(came), came.body().length))
            .orElse(null));
  }

  private static List<Header> headers(Response came) {
    return came.headers().entrySet().stream()
        .flatMap(
            header ->
                header.getValue().stream().map(value -> new Header(header.getKey(), value, "")))
        .toList();
  }

  private static JsonNode typed(JsonNode message, Known known, ShapeId shape) {
    return ValueJson.writeForDoubles(
        ValueJson.typed(ValueJson.read(message), known.service().shapes(), shape));
  }

  /** Keeps a sample with another request or answer, as somebody typed it. */
  SamplesView change(String service, String operation, String name, SampleContent content) {
    Known known = operations.get(service, operation);
    SampleStore.Kept kept = kept(known, line(service, operation, name));
    if (kept.answer().isPresent() != (content.answer() != null)) {
      throw Problem.conflict("SERVER_SAMPLE_FAILURE", "name", name);
    }
    JsonNode parameters = edited(content.parameters(), known, known.operation().input());
    store.keep(
        service,
        operation,
        name,
        content.answer() == null
            ? known.failed(parameters, kept.failure().orElseThrow())
            : known.answered(
                parameters, edited(content.answer(), known, known.operation().output())),
        SampleOrigin.MADE.name());
    return all();
  }

  private static JsonNode edited(JsonNode message, Known known, ShapeId shape) {
    Shapes shapes = known.service().shapes();
    Outcome<RecordValue> edited =
        EditedMessage.of(shapes, shape, ValueJson.readRecord(message, shapes, shape));
    return ValueJson.write(edited.value().orElseThrow(() -> Problem.refused(edited.findings())));
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
    SampleStore.Kept kept = line.kept();
    // What is shown instead of an answer stands there without an exchange.
    store.keep(
        service,
        operation,
        SampleStore.LAST,
        new SampleStore.Kept(
            kept.parameters(),
            kept.answer(),
            Optional.empty(),
            kept.failure(),
            kept.edition(),
            kept.wire()),
        SampleOrigin.RECORDED.name());
    return all();
  }

  /** What is kept of a sample, with its fields where the newest edition has them. */
  SampleStore.Kept kept(Known known, SampleStore.Line line) {
    return inEdition.in(known.id(), known.service(), known.operation(), line.kept());
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

  /**
   * The samples of services as they go along with an app.
   *
   * @param used the editions that it is pinned to, by service
   */
  public List<Sample> of(Map<String, String> used) {
    return store.all().stream()
        .filter(line -> used.containsKey(line.service()))
        .map(line -> sample(line, used.get(line.service())))
        .toList();
  }

  /** A sample as an edition has its fields. */
  Sample sample(SampleStore.Line line, String edition) {
    OperationId operation = new OperationId(line.operation());
    Optional<Service> service = editions.service(edition);
    Optional<Operation> known = service.flatMap(one -> one.findOperation(operation));
    SampleStore.Kept kept =
        known
            .map(one -> inEdition.in(line.service(), service.get(), one, line.kept()))
            .orElse(line.kept());
    Optional<SampleMove> move =
        known.flatMap(
            one -> inEdition.move(line.service(), line.kept().edition(), service.get(), one));
    return new Sample(
        line.service(),
        operation,
        line.name(),
        kept.parameters(),
        kept.answer(),
        kept.failure().map(SampleStore.Failure::code),
        check(line).map(check -> move.map(one -> one.check(check)).orElse(check)),
        kept.wire());
  }

  /** What must hold of a sample, with the fields of the edition that it was taken with. */
  Optional<Check> check(SampleStore.Line line) {
    return line.pinned().map(pinned -> json.treeToValue(pinned, CheckView.class).check());
  }

  /**
   * Keeps samples that came along with an app; those that have a name here already stay.
   *
   * @param used the editions that it is pinned to, by service
   */
  public void restore(List<Sample> samples, Map<String, String> used) {
    for (Sample sample : samples) {
      String operation = sample.operation().text();
      if (store.line(sample.service(), operation, sample.name()).isEmpty()
          && !sample.name().isBlank()) {
        store.keep(
            sample.service(),
            operation,
            sample.name(),
            new SampleStore.Kept(
                sample.parameters(),
                sample.answer(),
                Optional.empty(),
                sample.failure().map(code -> new SampleStore.Failure(code, code)),
                Optional.ofNullable(used.get(sample.service())),
                sample.wire()),
            SampleOrigin.RECORDED.name());
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
