package org.mapsel.server.apps;

import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.mapping.DerivedValues;
import org.mapsel.core.mapping.Expected;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.mapping.MappingPlanner;
import org.mapsel.core.mapping.Planned;
import org.mapsel.core.mapping.Reach;
import org.mapsel.core.mapping.Scope;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.model.FieldRef;
import org.mapsel.core.model.Formats;
import org.mapsel.core.model.Look;
import org.mapsel.core.model.Looks;
import org.mapsel.core.model.Model;
import org.mapsel.core.model.Overrides;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Call;
import org.mapsel.core.page.Input;
import org.mapsel.core.page.Item;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.Reaction;
import org.mapsel.core.page.Sources;
import org.mapsel.core.page.kind.PartKinds;
import org.mapsel.core.page.kind.SlotTypes;
import org.mapsel.core.page.offer.SourceOffers;
import org.mapsel.core.page.plan.PagePlan;
import org.mapsel.core.page.reach.FieldBehind;
import org.mapsel.core.page.reach.PageReach;
import org.mapsel.core.page.reach.SourceWords;
import org.mapsel.core.page.run.Rows;
import org.mapsel.core.page.run.StateScope;
import org.mapsel.core.page.view.PageView;
import org.mapsel.core.page.view.PageViews;
import org.mapsel.core.page.view.PartView;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.ref.SlotId;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.ScalarType;
import org.mapsel.core.shape.ValueType;
import org.mapsel.core.value.BooleanValue;
import org.mapsel.core.value.NumberValue;
import org.mapsel.core.value.TimeValue;
import org.mapsel.core.value.Value;
import org.mapsel.server.apps.BenchViews.BenchView;
import org.mapsel.server.apps.BenchViews.CallView;
import org.mapsel.server.apps.BenchViews.FieldPlace;
import org.mapsel.server.apps.BenchViews.FilledView;
import org.mapsel.server.apps.BenchViews.FormulaView;
import org.mapsel.server.apps.BenchViews.ItemView;
import org.mapsel.server.apps.BenchViews.OfferView;
import org.mapsel.server.apps.BenchViews.ReactionView;
import org.mapsel.server.apps.BenchViews.ShownView;
import org.mapsel.server.apps.BenchViews.VariableView;
import org.mapsel.server.samples.Recorder;
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
  private final Operations operations;
  private final Clock clock;

  Bench(Apps apps, SampleState samples, Operations operations, Clock clock) {
    this.apps = apps;
    this.samples = samples;
    this.operations = operations;
    this.clock = clock;
  }

  /** A page with all that is known of it. */
  private record Known(App app, Page page, PagePlan plan, PageReach reach, Looks looks) {

    String words(Source source) {
      return SourceWords.of(page, reach, looks, source);
    }
  }

  private Known known(String appId, String pageId) {
    Apps.CheckedApp checked = apps.checked(appId);
    App app = checked.kept().app();
    Page page = page(app, pageId);
    return new Known(
        app,
        page,
        checked.checked().pages().get(page.id()).plan(),
        new PageReach(app, page, apps.services()),
        new Looks(app.model()));
  }

  static Page page(App app, String id) {
    return app.find(new PageId(id))
        .orElseThrow(() -> Problem.missing("APP_PAGE_MISSING", "page", id));
  }

  BenchView view(String appId, String pageId, Locale locale) {
    Known known = known(appId, pageId);
    SampleState.Sampled sampled = samples.of(known.page(), known.reach());
    PageView page =
        new PageViews(known.plan(), sampled.state(), new Formats(locale), clock.instant()).page();
    return new BenchView(
        page,
        known.page().calls().stream()
            .map(call -> call(known, call, Optional.ofNullable(sampled.samples().get(call.id()))))
            .toList(),
        items(known, page),
        known.page().reactions().stream().map(reaction -> reaction(known, reaction)).toList());
  }

  private static CallView call(Known known, Call call, Optional<Recorder.Sample> sample) {
    List<FilledView> filled =
        call.parameters().stream()
            .map(
                parameter ->
                    new FilledView(
                        parameter.path(),
                        parameter.mapping().source(),
                        known.words(parameter.mapping().source())))
            .toList();
    return new CallView(
        call.id(),
        call.service(),
        call.operation(),
        known
            .reach()
            .pinned(call.id())
            .map(pinned -> pinned.operation().name())
            .orElse(call.operation().text()),
        call.endpoint(),
        sample.map(one -> one.origin().label()).orElse("gone"),
        filled,
        shown(known, call));
  }

  /** Where the fields that a call returns are shown. */
  private static List<ShownView> shown(Known known, Call call) {
    List<ShownView> shown = new ArrayList<>();
    for (Part part : known.page().parts()) {
      Optional<FieldPath> rows =
          part instanceof Part.Table table
              ? table.rows().flatMap(mapping -> path(mapping.source(), call, Optional.empty()))
              : Optional.empty();
      String name = nameOf(known, part);
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

  private static String nameOf(Known known, Part part) {
    String heading =
        part.heading()
            .map(mapping -> mapping.source() instanceof Source.Fixed fixed ? fixed.text() : "")
            .orElseGet(() -> known.plan().headings().getOrDefault(part.id(), ""));
    return heading.isEmpty() ? "the " + PartKinds.name(part) : heading;
  }

  private static List<ItemView> items(Known known, PageView view) {
    List<ItemView> items = new ArrayList<>();
    for (Part part : known.page().parts()) {
      SlotId heading = new SlotId.OfPart(known.page().id(), part.id(), Part.HEADING);
      Optional<Source> words = part.heading().map(mapping -> mapping.source());
      items.add(
          new ItemView(
              part.id(),
              null,
              PartKinds.name(part),
              view.parts().stream()
                  .filter(drawn -> drawn.id().equals(part.id()))
                  .map(PartView::heading)
                  .findFirst()
                  .orElse(""),
              heading,
              words.orElse(null),
              words.map(known::words).orElse(""),
              null,
              Overrides.NONE,
              Overrides.NONE,
              null));
      part.items().forEach(item -> items.add(item(known, part, item)));
    }
    return items;
  }

  private static ItemView item(Known known, Part part, Item item) {
    Reach around = known.reach().inside(part);
    Optional<FieldBehind> behind =
        item instanceof Input input
            ? known.reach().subject(input).map(FieldBehind.class::cast)
            : item.mapping().flatMap(value -> known.reach().subject(value.source(), around));
    Look look =
        item instanceof Input
            ? known.plan().inputs().get(item.id()).look()
            : known.plan().looks().get(item.id());
    Optional<Source> source = item.mapping().map(mapping -> mapping.source());
    return new ItemView(
        part.id(),
        item.id(),
        kind(part),
        look.label(),
        new SlotId.OfPart(known.page().id(), item.id(), item.slot()),
        source.orElse(null),
        source.map(known::words).orElse(""),
        behind.map(Bench::place).orElse(null),
        behind.map(field -> set(known.app().model(), field)).orElse(Overrides.NONE),
        item.only(),
        look);
  }

  private static String kind(Part part) {
    return switch (part) {
      case Part.Form form -> "input";
      case Part.Table table -> "column";
      default -> "field";
    };
  }

  private static FieldPlace place(FieldBehind behind) {
    return switch (behind) {
      case FieldBehind.Described described -> new FieldPlace(described.ref(), null, null);
      case FieldBehind.Made made ->
          new FieldPlace(
              new FieldRef(made.owner().shapes().get(0), made.field().name()),
              made.owner().id(),
              made.field().name());
    };
  }

  private static Overrides set(Model model, FieldBehind behind) {
    return switch (behind) {
      case FieldBehind.Described described -> model.set(described.ref());
      case FieldBehind.Made made -> made.field().set();
    };
  }

  private static ReactionView reaction(Known known, Reaction reaction) {
    List<CallId> calls =
        reaction.steps().stream()
            .map(
                step ->
                    switch (step) {
                      case Reaction.Step.MakeCall make -> make.call();
                    })
            .toList();
    List<String> fills =
        known.page().parts().stream()
            .filter(part -> calls.stream().anyMatch(call -> shows(known.page(), part, call)))
            .map(part -> nameOf(known, part))
            .toList();
    String words =
        switch (reaction.when()) {
          case Reaction.Trigger.Opened opened -> "";
          case Reaction.Trigger.Pressed pressed ->
              known.page().part(pressed.button()).map(part -> nameOf(known, part)).orElse("");
        };
    return new ReactionView(reaction.id(), reaction.when(), words, calls, fills);
  }

  private static boolean shows(Page page, Part part, CallId call) {
    return part.showsFields()
        && page.slots().stream()
            .filter(
                slot ->
                    slot.id() instanceof SlotId.OfPart one
                        && (one.owner().equals(part.id())
                            || part.items().stream()
                                .anyMatch(item -> item.id().equals(one.owner()))))
            .anyMatch(slot -> Sources.isFrom(slot.mapping().source(), call));
  }

  /** The field sheet of a call, in the edition that the app is pinned to. */
  OperationView sheet(String appId, String pageId, String callId) {
    App app = apps.get(appId).app();
    Page page = page(app, pageId);
    Call call =
        page.call(new CallId(callId))
            .orElseThrow(() -> Problem.missing("APP_CALL_MISSING", "page", page.name()));
    String edition =
        app.edition(call.service())
            .orElseThrow(() -> Problem.missing("APP_SERVICE_MISSING", "service", call.service()));
    return operations.view(call.service(), edition, call.operation(), app.model());
  }

  List<OfferView> offers(
      String appId, String pageId, BenchViews.OffersRequest request, Locale locale) {
    Known known = known(appId, pageId);
    Formats formats = new Formats(locale);
    return new SourceOffers(known.app(), known.page(), known.reach(), scope(known, request.slot()))
        .of(request.slot(), request.find()).stream()
            .map(
                offer ->
                    new OfferView(
                        offer.source(),
                        offer.group(),
                        offer.words(),
                        shown(formats, offer.value()),
                        offer.note()))
            .toList();
  }

  /** What sources give in the samples; of rows the first. */
  private Scope scope(Known known, SlotId slot) {
    SampleState.Sampled sampled = samples.of(known.page(), known.reach());
    Scope scope =
        new StateScope(known.page(), known.plan().plan(), sampled.state(), clock.instant());
    Optional<PartId> table =
        slot instanceof SlotId.OfPart part
            ? known.page().item(part.owner()).map(inside -> inside.part().id())
            : Optional.empty();
    return table
        .map(id -> new SlotId.OfPart(known.page().id(), id, Part.Table.ROWS))
        .map(rows -> Rows.of(known.plan().plan().value(rows, scope)))
        .filter(rows -> !rows.isEmpty())
        .map(rows -> scope.at(rows.get(0)))
        .orElse(scope);
  }

  private static String shown(Formats formats, Value value) {
    ScalarType type =
        switch (value) {
          case NumberValue number -> ScalarType.DECIMAL;
          case BooleanValue yes -> ScalarType.BOOLEAN;
          case TimeValue time ->
              time.kind() == TimeValue.Kind.DATE ? ScalarType.DATE : ScalarType.DATE_TIME;
          default -> ScalarType.TEXT;
        };
    return value.isAbsent()
        ? ""
        : formats.show(value, Look.words(new ValueType.Simple(type, false)));
  }

  FormulaView formula(
      String appId, String pageId, BenchViews.FormulaRequest request, Locale locale) {
    Known known = known(appId, pageId);
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
                                        ? shown(formats, one.value(scope))
                                        : "",
                                    inside(one.type())))));
    return new FormulaView(
        planned.value().map(one -> shown(formats, one.value(scope))).orElse(null),
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
