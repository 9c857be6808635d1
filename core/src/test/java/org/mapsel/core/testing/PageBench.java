package org.mapsel.core.testing;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.finding.Severity;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.model.Formats;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Call;
import org.mapsel.core.page.Input;
import org.mapsel.core.page.Item;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.ServiceLookup;
import org.mapsel.core.page.check.AppFinding;
import org.mapsel.core.page.check.Checked;
import org.mapsel.core.page.check.Checker;
import org.mapsel.core.page.edit.AddCall;
import org.mapsel.core.page.edit.AddPage;
import org.mapsel.core.page.edit.AppEdit;
import org.mapsel.core.page.edit.AppEditor;
import org.mapsel.core.page.edit.FillSlot;
import org.mapsel.core.page.edit.UseField;
import org.mapsel.core.page.plan.PagePlan;
import org.mapsel.core.page.run.Happening;
import org.mapsel.core.page.run.PageEffect;
import org.mapsel.core.page.run.PageEvent;
import org.mapsel.core.page.run.PageRunner;
import org.mapsel.core.page.run.PageState;
import org.mapsel.core.page.view.PageView;
import org.mapsel.core.page.view.PageViews;
import org.mapsel.core.page.view.PartView;
import org.mapsel.core.page.view.TakenRows;
import org.mapsel.core.pairing.Lexicon;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.SlotId;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;

/** Speaks like somebody who builds pages and uses them: edits one after the other, then events. */
public final class PageBench {

  public static final Instant NOW = Instant.parse("2031-05-14T05:00:00Z");

  private final Map<String, Service> services = new LinkedHashMap<>();
  private final Map<String, Value> answers = new HashMap<>();
  private int answered;
  private final Map<String, String> newest = new HashMap<>();
  private final ServiceLookup lookup =
      new ServiceLookup() {
        @Override
        public Optional<Service> find(String edition) {
          return Optional.ofNullable(services.get(edition));
        }

        @Override
        public Value answered(String service, OperationId operation) {
          return answers.getOrDefault(service + " " + operation, Value.ABSENT);
        }

        @Override
        public Optional<String> newest(String service) {
          return Optional.ofNullable(newest.get(service));
        }

        @Override
        public long answers() {
          return answered;
        }
      };
  private Lexicon lexicon = Lexicon.shipped();
  private final AppEditor editor = new AppEditor(lookup, () -> lexicon);
  private App app = App.named("Test");
  private Optional<Checked> checked = Optional.empty();
  private Optional<PageId> at = Optional.empty();
  private PageState state = PageState.EMPTY;

  /** A service under its id, read from a description; its edition is called like it. */
  public PageBench with(String id, String resource) {
    services.put(id, Descriptions.service(resource));
    return this;
  }

  /** An edition of a service that was read elsewhere. */
  public PageBench with(String edition, Service service) {
    services.put(edition, service);
    return this;
  }

  /** Words that mean the same in this workspace. */
  public PageBench knowing(String... words) {
    lexicon = Lexicon.with(List.of(List.of(words)));
    return this;
  }

  /** Another edition of a service, which was read last. */
  public PageBench newer(String id, String edition, String resource) {
    services.put(edition, Descriptions.service(resource));
    newest.put(id, edition);
    return this;
  }

  public PageBench answered(String service, String operation, Value answer) {
    answers.put(service + " " + operation, answer);
    answered++;
    return this;
  }

  public Service service(String id) {
    return services.get(id);
  }

  public ServiceLookup lookup() {
    return lookup;
  }

  public App app() {
    return app;
  }

  public PageBench app(App other) {
    app = other;
    checked = Optional.empty();
    return this;
  }

  /** Makes a page from an operation, over its first endpoint. */
  public PageBench start(String service, String operation, FieldPath... fields) {
    Operation known = Descriptions.operation(services.get(service), operation);
    return edit(
        new AddPage(
            service, service, known.id(), known.wires().get(0).endpoint(), List.of(fields)));
  }

  /** Adds an operation to the last page. */
  public PageBench add(String service, String operation, FieldPath... fields) {
    Operation known = Descriptions.operation(services.get(service), operation);
    return edit(
        new AddCall(
            page().id(),
            service,
            service,
            known.id(),
            known.wires().get(0).endpoint(),
            List.of(fields)));
  }

  public PageBench edit(AppEdit edit) {
    app = editor.apply(app, edit).get();
    return this;
  }

  /** The codes of why an edit cannot be made. */
  public List<String> refused(AppEdit edit) {
    Outcome<App> outcome = editor.apply(app, edit);
    assertThat(outcome.value()).as(edit.title()).isEmpty();
    return outcome.findings().stream().map(Finding::code).toList();
  }

  public PageBench use(String... path) {
    return edit(new UseField(page().id(), call().id(), FieldPath.of(path), Optional.empty(), true));
  }

  public PageBench drop(String... path) {
    return edit(
        new UseField(page().id(), call().id(), FieldPath.of(path), Optional.empty(), false));
  }

  /** Fills a parameter of the last call. */
  public PageBench fill(String parameter, Source source) {
    return edit(new FillSlot(parameter(parameter), Optional.of(source)));
  }

  public SlotId parameter(String... path) {
    return new SlotId.OfParameter(page().id(), call().id(), FieldPath.of(path));
  }

  /** Goes on with the page of that name. */
  public PageBench on(String name) {
    at =
        Optional.of(
            app.pages().stream()
                .filter(page -> page.name().equals(name))
                .findFirst()
                .orElseThrow()
                .id());
    state = PageState.EMPTY;
    return this;
  }

  /** The page that was gone to, or else the last one. */
  public Page page() {
    return at.flatMap(app::find).orElseGet(() -> app.pages().getLast());
  }

  /** The last call of the last page. */
  public Call call() {
    return page().calls().getLast();
  }

  /** The last part of a kind. */
  public <P extends Part> P part(Class<P> kind) {
    return page().parts().reversed().stream()
        .filter(kind::isInstance)
        .map(kind::cast)
        .findFirst()
        .orElseThrow();
  }

  /** The input, column or field that is called so. */
  public Item item(String label) {
    PagePlan plan = plan();
    return page()
        .items()
        .map(Page.Inside::item)
        .filter(item -> label(plan, item).equals(label))
        .findFirst()
        .orElseThrow(() -> new AssertionError("Nothing is called " + label));
  }

  private static String label(PagePlan plan, Item item) {
    return item instanceof Input
        ? plan.inputs().get(item.id()).look().heading()
        : plan.looks().get(item.id()).heading();
  }

  public Checked check() {
    Checked now = new Checker(lookup).check(app, checked);
    checked = Optional.of(now);
    return now;
  }

  public PagePlan plan() {
    return check().pages().get(page().id()).plan();
  }

  /** The codes of what there is to say about the app, the notes left out. */
  public List<String> findings() {
    return check().findings().stream()
        .map(AppFinding::finding)
        .filter(finding -> finding.severity() != Severity.NOTE)
        .map(Finding::code)
        .toList();
  }

  /** A line for every part of the last page, as a reader would tell it. */
  public List<String> parts() {
    PagePlan plan = plan();
    PageView view = view();
    return view.parts().stream()
        .map(
            part -> {
              List<String> items =
                  page().part(part.id()).orElseThrow().items().stream()
                      .map(item -> label(plan, item))
                      .toList();
              return switch (part) {
                case PartView.FormView form -> "form " + items;
                case PartView.TableView table -> "table " + table.heading() + " " + items;
                case PartView.CardsView cards -> "cards " + cards.heading() + " " + items;
                case PartView.ChartView chart -> "chart " + chart.heading() + " " + items;
                case PartView.RecordView record -> "record " + items;
                case PartView.ButtonView button -> "button " + button.heading();
                case PartView.LinesView lines -> "lines " + lines.heading() + " " + items;
                case PartView.GroupView group -> "group " + group.heading();
                case PartView.TextView text -> "text " + text.heading();
              };
            })
        .toList();
  }

  // ---- using the page

  public PageView view() {
    return views().page();
  }

  private PageViews views() {
    return new PageViews(plan(), state, new Formats(Locale.UK), NOW, false);
  }

  /** The rows of the last table as a file has them. */
  public TakenRows taken() {
    return views().taken(part(Part.OverRows.class).id()).orElseThrow();
  }

  public PageState state() {
    return state;
  }

  public List<PageEffect> step(PageEvent event) {
    return stepped(event).effects();
  }

  /** What happens on an event. */
  public List<Happening> told(PageEvent event) {
    return stepped(event).happenings();
  }

  private PageRunner.Stepped stepped(PageEvent event) {
    PageRunner.Stepped stepped =
        new PageRunner(plan(), new Formats(Locale.UK), NOW).step(state, event);
    state = stepped.state();
    return stepped;
  }

  /** Types into the input that is called so. */
  public PageBench type(String label, String text) {
    step(new PageEvent.Entered(Map.of(item(label).id(), Value.text(text))));
    return this;
  }

  public List<PageEffect> press() {
    return step(new PageEvent.Pressed(part(Part.Button.class).id()));
  }

  /** Presses the last button and lets every call be answered so. */
  public PageBench pressAndAnswer(RecordValue answer) {
    for (PageEffect effect : press()) {
      step(new PageEvent.Answered((PageEffect.RunCall) effect, answer, "x1"));
    }
    return this;
  }

  /** The cells of the last table, row by row. */
  public List<List<String>> cells() {
    return views()
        .rows(part(Part.OverRows.class).id(), 0, PageViews.ROWS)
        .orElseThrow()
        .rows()
        .stream()
        .map(row -> row.cells().stream().map(PartView.CellView::text).toList())
        .toList();
  }

  /** The fields of the last record. */
  public List<String> fields() {
    return view().parts().reversed().stream()
        .filter(PartView.RecordView.class::isInstance)
        .map(PartView.RecordView.class::cast)
        .findFirst()
        .orElseThrow()
        .fields()
        .stream()
        .map(field -> field.cell().text())
        .toList();
  }
}
