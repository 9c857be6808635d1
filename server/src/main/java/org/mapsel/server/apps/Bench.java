package org.mapsel.server.apps;

import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Function;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.mapping.DerivedValues;
import org.mapsel.core.mapping.Expected;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.mapping.MappingPlanner;
import org.mapsel.core.mapping.Planned;
import org.mapsel.core.mapping.Reach;
import org.mapsel.core.mapping.Scope;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.model.Formats;
import org.mapsel.core.model.RecordType;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Argument;
import org.mapsel.core.page.Call;
import org.mapsel.core.page.Item;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.kind.SlotTypes;
import org.mapsel.core.page.offer.PairSuggestion;
import org.mapsel.core.page.offer.PairSuggestions;
import org.mapsel.core.page.offer.SourceOffers;
import org.mapsel.core.page.plan.PagePlan;
import org.mapsel.core.page.reach.PageReach;
import org.mapsel.core.page.run.DryRun;
import org.mapsel.core.page.run.Rows;
import org.mapsel.core.page.run.StateScope;
import org.mapsel.core.page.view.PageView;
import org.mapsel.core.page.view.PageViews;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.ref.SlotId;
import org.mapsel.core.service.SeenSamples;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.ScalarType;
import org.mapsel.core.shape.ValueType;
import org.mapsel.server.apps.BenchViews.ArgumentView;
import org.mapsel.server.apps.BenchViews.BenchView;
import org.mapsel.server.apps.BenchViews.CallView;
import org.mapsel.server.apps.BenchViews.FilledView;
import org.mapsel.server.apps.BenchViews.FormulaView;
import org.mapsel.server.apps.BenchViews.OfferView;
import org.mapsel.server.apps.BenchViews.PairView;
import org.mapsel.server.apps.BenchViews.PairsView;
import org.mapsel.server.apps.BenchViews.ShownView;
import org.mapsel.server.apps.BenchViews.VariableView;
import org.mapsel.server.samples.LastSamples;
import org.mapsel.server.samples.SampleStore;
import org.mapsel.server.services.Operations;
import org.mapsel.server.services.ServiceViews.OperationView;
import org.mapsel.server.web.FindingView;
import org.mapsel.server.web.Problem;
import org.springframework.stereotype.Component;

/** Pages while they are built. */
@Component
class Bench {

  private static final int MOST_INSIDE = 200;

  private final Apps apps;
  private final SampleState samples;
  private final ShownSampleStore shown;
  private final SampleStore named;
  private final Operations operations;
  private final Vocabulary vocabulary;
  private final SeenSamples seen;
  private final Clock clock;

  Bench(
      Apps apps,
      SampleState samples,
      ShownSampleStore shown,
      SampleStore named,
      Operations operations,
      Vocabulary vocabulary,
      SeenSamples seen,
      Clock clock) {
    this.seen = seen;
    this.vocabulary = vocabulary;
    this.apps = apps;
    this.samples = samples;
    this.shown = shown;
    this.named = named;
    this.operations = operations;
    this.clock = clock;
  }

  private BenchPage known(String appId, String pageId) {
    Apps.CheckedApp checked = apps.checked(appId);
    App app = checked.kept().app();
    Page page = page(app, pageId);
    PagePlan plan = checked.checked().pages().get(page.id()).plan();
    PageReach reach = new PageReach(app, page, apps.services());
    return new BenchPage(
        appId, checked.checked(), app, page, plan, reach, new PageWords(app, page, plan, reach));
  }

  static Page page(App app, String id) {
    return app.find(new PageId(id))
        .orElseThrow(() -> Problem.missing("APP_PAGE_MISSING", "page", id));
  }

  BenchView view(String appId, String pageId, Locale locale) {
    BenchPage known = known(appId, pageId);
    SampleState.Sampled sampled =
        samples.of(known.id(), known.checked(), known.page(), apps.services());
    Formats formats = new Formats(locale);
    PageView page =
        new PageViews(known.plan(), sampled.state(), formats, clock.instant(), true).page();
    DryRun dryRun = new DryRun(known.plan(), sampled.state(), formats, clock.instant());
    return new BenchView(
        page,
        known.page().calls().stream().map(call -> call(known, call, sampled)).toList(),
        new BenchItems(known).of(page),
        new BenchReactions(known, dryRun, formats).all(),
        known.page().arguments().stream()
            .map(one -> new ArgumentView(one.name(), words(known.checked().app(), one)))
            .toList());
  }

  private static String words(App app, Argument argument) {
    return argument
        .record()
        .map(shape -> app.model().typeOf(shape).map(RecordType::name).orElse("record"))
        .orElseGet(() -> argument.scalar().words());
  }

  private static CallView call(BenchPage known, Call call, SampleState.Sampled sampled) {
    Optional<LastSamples.Sample> sample = Optional.ofNullable(sampled.samples().get(call.id()));
    List<FilledView> filled =
        call.parameters().stream()
            .map(
                parameter ->
                    new FilledView(
                        parameter.path(),
                        parameter.mapping().source(),
                        known.told().words(parameter.mapping().source()),
                        parameter.mapping().likely()))
            .toList();
    return new CallView(
        call.id(),
        call.service(),
        call.operation(),
        known.told().nameOf(call),
        call.endpoint(),
        sample.map(one -> one.origin().label()).orElse("gone"),
        sampled.chosen().get(call.id()),
        filled,
        shown(known, call));
  }

  /** Where the fields that a call returns are shown. */
  private static List<ShownView> shown(BenchPage known, Call call) {
    List<ShownView> shown = new ArrayList<>();
    for (Part part : known.page().parts()) {
      Optional<FieldPath> rows =
          part instanceof Part.OverRows table
              ? table.rows().flatMap(mapping -> path(mapping.source(), call, Optional.empty()))
              : Optional.empty();
      String name = known.told().nameOf(part);
      rows.ifPresent(path -> shown.add(new ShownView(path, part.id(), null, "rows of " + name)));
      for (int i = 0; i < part.items().size(); i++) {
        Item item = part.items().get(i);
        String words = name + " · " + (i + 1);
        item.mapping()
            .flatMap(mapping -> path(mapping.source(), call, rows))
            .ifPresent(path -> shown.add(new ShownView(path, part.id(), item.id(), words)));
      }
    }
    return shown;
  }

  /** Where a source leads in the answer of a call, as the field sheet has it. */
  private static Optional<FieldPath> path(Source source, Call call, Optional<FieldPath> rows) {
    return switch (source) {
      case Source.Returned returned ->
          returned.call().equals(call.id()) ? Optional.of(returned.path()) : Optional.empty();
      case Source.Row row -> rows.map(list -> list.then(row.path()));
      case Source.Derived derived ->
          path(derived.record(), call, rows)
              .map(record -> record.then(DerivedValues.MEMBER).then(derived.field()));
      default -> Optional.empty();
    };
  }

  /** The field sheet of a call, in the edition that the app is pinned to. */
  OperationView sheet(String appId, String pageId, String callId) {
    App app = apps.get(appId).app();
    Page page = page(app, pageId);
    Call call = call(page, callId);
    String edition =
        app.edition(call.service())
            .orElseThrow(() -> Problem.missing("APP_SERVICE_MISSING", "service", call.service()));
    return operations.view(
        call.service(),
        edition,
        call.operation(),
        app.model(),
        Optional.ofNullable(shown.of(appId, page.id()).get(call.id())));
  }

  private static Call call(Page page, String id) {
    return page.call(new CallId(id))
        .orElseThrow(() -> Problem.missing("APP_CALL_MISSING", "page", page.name()));
  }

  /** Shows a page with a sample of one of its calls from now on, or with what is answered last. */
  void show(String appId, String pageId, String callId, Optional<String> sample) {
    Page page = page(apps.get(appId).app(), pageId);
    Call call = call(page, callId);
    sample
        .filter(name -> named.line(call.service(), call.operation().text(), name).isEmpty())
        .ifPresent(
            name -> {
              throw Problem.missing("SERVER_SAMPLE_MISSING", "name", name);
            });
    shown.show(appId, page.id(), call.id(), sample);
  }

  List<OfferView> offers(
      String appId, String pageId, BenchViews.OffersRequest request, Locale locale) {
    BenchPage known = known(appId, pageId);
    Formats formats = new Formats(locale);
    return new SourceOffers(known.app(), known.plan(), known.reach(), scope(known, request.slot()))
        .of(request.slot(), request.find()).stream()
            .map(
                offer ->
                    new OfferView(
                        offer.source(),
                        offer.group(),
                        offer.words(),
                        HappeningWords.shown(formats, offer.value()),
                        offer.note()))
            .toList();
  }

  /** What on the page looks to belong to the parameters of a call. */
  PairsView pairsOfCall(String appId, String pageId, String callId, Locale locale) {
    BenchPage known = known(appId, pageId);
    return pairs(known, suggestions(known).of(call(known.page(), callId)), locale);
  }

  /** What on the page looks to belong into the inputs of a form. */
  PairsView pairsOfForm(String appId, String pageId, String part, Locale locale) {
    BenchPage known = known(appId, pageId);
    Part.Form form =
        known
            .page()
            .part(new PartId(part))
            .filter(Part.Form.class::isInstance)
            .map(Part.Form.class::cast)
            .orElseThrow(() -> Problem.missing("APP_ITEM_MISSING", "item", part));
    return pairs(known, suggestions(known).of(form), locale);
  }

  private PairSuggestions suggestions(BenchPage known) {
    return new PairSuggestions(
        known.app(), known.page(), known.reach(), vocabulary.lexicon(), seen);
  }

  private PairsView pairs(BenchPage known, PairSuggestions.Found found, Locale locale) {
    SampleState.Sampled sampled =
        samples.of(known.id(), known.checked(), known.page(), apps.services());
    Scope scope =
        new StateScope(known.page(), known.plan().plan(), sampled.state(), clock.instant());
    Formats formats = new Formats(locale);
    Function<PairSuggestion, PairView> view = pair -> pair(known, pair, scope, formats);
    return new PairsView(
        found.pairs().stream().map(view).toList(), found.next().stream().map(view).toList());
  }

  private static PairView pair(BenchPage known, PairSuggestion pair, Scope scope, Formats formats) {
    String value =
        new MappingPlanner(known.app().model())
            .plan(new Mapping(pair.source()), Expected.ANYTHING, known.reach().outside())
            .value()
            .map(one -> HappeningWords.shown(formats, one.value(scope)))
            .orElse("");
    return new PairView(
        pair.slot(),
        pair.slot() instanceof SlotId.OfPart input
            ? known.plan().inputs().get(input.owner()).look().heading()
            : pair.parameter().parameter().toString(),
        pair.parameter().call(),
        pair.parameter().parameter(),
        pair.given(),
        pair.source(),
        known.told().words(pair.source()),
        value,
        pair.converted(),
        pair.score(),
        pair.grade(),
        pair.reasons());
  }

  /** What sources give in the samples; of rows the first. */
  private Scope scope(BenchPage known, SlotId slot) {
    SampleState.Sampled sampled =
        samples.of(known.id(), known.checked(), known.page(), apps.services());
    Scope scope =
        new StateScope(known.page(), known.plan().plan(), sampled.state(), clock.instant());
    Optional<PartId> table =
        slot instanceof SlotId.OfPart part
            ? known.page().item(part.owner()).map(inside -> inside.part().id())
            : Optional.empty();
    return table
        .map(id -> new SlotId.OfPart(known.page().id(), id, Part.OverRows.ROWS))
        .map(rows -> Rows.of(known.plan().plan().value(rows, scope)))
        .filter(rows -> !rows.isEmpty())
        .map(rows -> scope.at(rows.get(0)))
        .orElse(scope);
  }

  FormulaView formula(
      String appId, String pageId, BenchViews.FormulaRequest request, Locale locale) {
    BenchPage known = known(appId, pageId);
    Scope scope = scope(known, request.slot());
    Reach reach = known.reach().of(request.slot());
    MappingPlanner planner = new MappingPlanner(known.app().model());
    Outcome<Planned> planned =
        planner.plan(
            new Mapping(new Source.Formula(request.text())),
            SlotTypes.expected(known.page(), known.reach(), request.slot()),
            reach);
    Formats formats = new Formats(locale);
    List<VariableView> variables = new ArrayList<>();
    reach
        .variables()
        .forEach(
            (name, source) ->
                planner
                    .plan(new Mapping(source), Expected.ANYTHING, reach)
                    .value()
                    .ifPresent(
                        one ->
                            variables.add(
                                new VariableView(
                                    name,
                                    one.type().scalar().map(ScalarType::words).orElse("record"),
                                    one.type().scalar().isPresent()
                                        ? HappeningWords.shown(formats, one.value(scope))
                                        : "",
                                    inside(one.type())))));
    return new FormulaView(
        planned.value().map(one -> HappeningWords.shown(formats, one.value(scope))).orElse(null),
        FindingView.of(planned.findings()),
        variables);
  }

  private static List<String> inside(ValueType type) {
    return type instanceof ValueType.Shaped shaped
        ? shaped.shapes().fieldsOf(shaped.shape()).stream()
            .limit(MOST_INSIDE)
            .map(Field::name)
            .toList()
        : List.of();
  }
}
