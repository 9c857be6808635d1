package org.mapsel.core.page.view;

import java.time.Instant;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.mapping.Scope;
import org.mapsel.core.model.Choice;
import org.mapsel.core.model.Format;
import org.mapsel.core.model.Formats;
import org.mapsel.core.model.Look;
import org.mapsel.core.page.Frame;
import org.mapsel.core.page.Input;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.Reaction;
import org.mapsel.core.page.Shown;
import org.mapsel.core.page.Sources;
import org.mapsel.core.page.Trigger;
import org.mapsel.core.page.kind.InputLook;
import org.mapsel.core.page.plan.PagePlan;
import org.mapsel.core.page.run.PageState;
import org.mapsel.core.page.run.Rows;
import org.mapsel.core.page.run.StateScope;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.ref.SlotId;
import org.mapsel.core.shape.ScalarType;
import org.mapsel.core.shape.ValueType;
import org.mapsel.core.value.BinaryValue;
import org.mapsel.core.value.BooleanValue;
import org.mapsel.core.value.NumberValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.TextValue;
import org.mapsel.core.value.TimeValue;
import org.mapsel.core.value.Value;
import org.mapsel.core.value.Walker;

/** Draws pages: what stands in each part, in the words of a person with a language. */
public final class PageViews {

  /** Rows that are drawn at once; the others are asked for as they come into sight. */
  public static final int ROWS = 200;

  /** More than these nobody chooses from; finding in a table is for that. */
  private static final int CHOICES = 2_000;

  /** A drawing is no clearer with more points than it is wide. */
  private static final int POINTS = 2_000;

  private final PagePlan plan;
  private final PageState state;
  private final Scope scope;
  private final Formats formats;
  private final boolean building;
  private final ChosenParts choosing;

  /**
   * @param building whether for somebody who builds the page, and sees also what is hidden
   */
  public PageViews(PagePlan plan, PageState state, Formats formats, Instant now, boolean building) {
    this.plan = plan;
    this.state = state;
    this.scope = new StateScope(plan.page(), plan.plan(), state, now);
    this.formats = formats;
    this.building = building;
    this.choosing = new ChosenParts(plan.page());
  }

  /** The page with the first rows of each part. */
  public PageView page() {
    return new PageView(
        plan.page().name(),
        alone().filter(part -> building || isShown(part)).map(this::part).toList(),
        alone().map(this::frame).filter(frame -> !isUsual(frame)).toList(),
        state.messages().stream()
            .map(message -> new PageView.MessageView(message.failed(), message.text()))
            .toList(),
        state.asking().map(PageState.Asking::words),
        plan.page().reactions().stream()
            .map(Reaction::when)
            .filter(Trigger.Every.class::isInstance)
            .map(when -> ((Trigger.Every) when).seconds())
            .distinct()
            .toList());
  }

  /** The parts that are no buttons in rows. */
  private Stream<Part> alone() {
    return plan.page().parts().stream().filter(part -> plan.page().rowsAround(part).isEmpty());
  }

  /** Whether a visitor sees a part just now; a button in rows is seen only there. */
  public boolean shows(PartId part) {
    return plan.page()
        .part(part)
        .filter(known -> plan.page().rowsAround(known).isEmpty())
        .filter(this::isShown)
        .isPresent();
  }

  /**
   * Whether a visitor sees a button in one of the rows around it.
   *
   * @param row the number of the row in the answer
   */
  public boolean shows(PartId button, int row) {
    Optional<Part> known = plan.page().part(button);
    Optional<Part.OverRows> around =
        known.flatMap(plan.page()::rowsAround).map(Part.OverRows.class::cast);
    if (around.isEmpty() || !isShown(around.get())) {
      return false;
    }
    List<Value> all = allRows(around.get());
    return row >= 0 && row < all.size() && isShown(known.get(), scope.at(all.get(row)));
  }

  /** What stands in a group that is not shown is not shown either. */
  private boolean isShown(Part part) {
    return isShown(part, scope)
        && plan.page().groupAround(part).map(group -> isShown(group, scope)).orElse(true);
  }

  private boolean isShown(Part part, Scope here) {
    SlotId slot = new SlotId.OfPart(plan.page().id(), part.id(), Part.SHOWN_IF);
    return !part.frame().buildersOnly()
        && (!part.slots().containsKey(Part.SHOWN_IF)
            || plan.plan().value(slot, here) == BooleanValue.TRUE);
  }

  private PageView.FrameView frame(Part part) {
    return new PageView.FrameView(
        part.id(),
        part.frame().width(),
        part.frame().whenEmpty(),
        !isShown(part),
        plan.page().groupAround(part).map(Part::id));
  }

  private static boolean isUsual(PageView.FrameView frame) {
    return frame.width() == Frame.Width.FULL
        && frame.whenEmpty().isEmpty()
        && !frame.hidden()
        && frame.within().isEmpty();
  }

  private PartView part(Part part) {
    return switch (part) {
      case Part.Form form ->
          new PartView.FormView(
              form.id(), heading(form), form.items().stream().map(this::input).toList());
      case Part.Table table ->
          new PartView.TableView(table.id(), heading(table), rows(table, 0, ROWS));
      case Part.Cards cards ->
          new PartView.CardsView(cards.id(), heading(cards), rows(cards, 0, ROWS));
      case Part.Chart chart -> chart(chart);
      case Part.Record record -> record(record);
      case Part.Lines lines -> lines(lines);
      case Part.Group group -> new PartView.GroupView(group.id(), heading(group), group.way());
      case Part.Button button -> button(button);
      case Part.Text text -> new PartView.TextView(text.id(), heading(text));
    };
  }

  private PartView.ButtonView button(Part.Button button) {
    return new PartView.ButtonView(button.id(), heading(button), button.manner());
  }

  private PartView.LinesView lines(Part.Lines part) {
    List<Map<String, Value>> typed =
        Rows.of(state.inputs().getOrDefault(part.id(), Value.ABSENT)).stream()
            .map(
                line ->
                    line instanceof RecordValue record ? record.toMap() : Map.<String, Value>of())
            .toList();
    return new PartView.LinesView(
        part.id(),
        heading(part),
        part.items().stream().map(this::input).toList(),
        typed,
        plan.needed().containsKey(part.id()));
  }

  private String heading(Part part) {
    SlotId slot = new SlotId.OfPart(plan.page().id(), part.id(), Part.HEADING);
    return plan.plan()
        .find(slot)
        .map(planned -> formats.show(planned.value(scope), Look.words(planned.type())))
        .orElseGet(() -> plan.headings().getOrDefault(part.id(), ""));
  }

  private PartView.InputView input(Input input) {
    InputLook look = plan.inputs().get(input.id());
    Value typed = state.inputs().get(input.id());
    Value value = typed == null ? scope.entered(input.id()) : typed;
    return new PartView.InputView(
        input.id(),
        look.look().heading(),
        look.kind(),
        look.required(),
        input.options().map(options -> choices(input, options)).orElse(look.look().choices()),
        value.isAbsent() ? Value.NULL : value,
        look.look().help(),
        look.several(),
        plan.page().reactions().stream()
            .anyMatch(reaction -> reaction.when().equals(new Trigger.Changed(input.id()))));
  }

  private List<Choice> choices(Input input, Input.Options options) {
    SlotId slot = new SlotId.OfPart(plan.page().id(), input.id(), Input.OPTIONS);
    Walker value = Walker.of(options.value());
    Walker words = Walker.of(options.words());
    Map<String, Choice> choices = new LinkedHashMap<>();
    for (Value row : Rows.of(plan.plan().value(slot, scope))) {
      String code = plain(value.one(row));
      if (!code.isEmpty() && choices.size() < CHOICES) {
        String read = plain(words.one(row));
        choices.putIfAbsent(code, new Choice(code, read.isEmpty() ? code : read));
      }
    }
    return List.copyOf(choices.values());
  }

  private String plain(Value value) {
    return switch (value) {
      case TextValue text -> text.text();
      case NumberValue number -> number.number().toPlainString();
      case BooleanValue yes -> String.valueOf(yes.isTrue());
      case TimeValue time -> time.iso();
      default -> "";
    };
  }

  /** Some of the rows of a part; nothing if there is no such part. */
  public Optional<PartView.RowsView> rows(PartId part, int from, int count) {
    return plan.page().rowsPart(part).map(rows -> rows(rows, from, Math.min(count, ROWS)));
  }

  /** All that is to be seen of a part over rows, to take along. */
  public Optional<TakenRows> taken(PartId part) {
    return plan.page()
        .rowsPart(part)
        .map(
            over -> {
              List<Value> all = allRows(over);
              return new TakenRows(
                  over.items().stream()
                      .map(column -> plan.looks().get(column.id()).heading())
                      .toList(),
                  seen(over, all).stream().map(number -> line(over, all.get(number))).toList());
            });
  }

  private List<TakenRows.Cell> line(Part.OverRows over, Value row) {
    Scope here = scope.at(row);
    return over.items().stream()
        .map(column -> new TakenRows.Cell(cell(column, here).text(), value(column, here)))
        .toList();
  }

  private List<Value> allRows(Part.OverRows part) {
    SlotId slot = new SlotId.OfPart(plan.page().id(), part.id(), Part.OverRows.ROWS);
    return Rows.of(plan.plan().value(slot, scope));
  }

  /** The numbers of the rows that are to be seen, in the order in which they are. */
  private List<Integer> seen(Part.OverRows part, List<Value> rows) {
    PageState.Arrangement arrangement = state.arranged().get(part.id());
    if (arrangement == null) {
      return IntStream.range(0, rows.size()).boxed().toList();
    }
    return new RowOrder(formats.locale())
        .of(
            rows.size(),
            arrangement.by().flatMap(plan.page()::item).map(Page.Inside::item).isPresent()
                ? row ->
                    value(column(part, arrangement.by().orElseThrow()), scope.at(rows.get(row)))
                : row -> Value.ABSENT,
            arrangement.descending(),
            arrangement.find(),
            row ->
                part.items().stream().map(column -> cell(column, scope.at(rows.get(row))).text()));
  }

  private static Shown column(Part.OverRows part, PartId id) {
    return part.items().stream()
        .filter(column -> column.id().equals(id))
        .findFirst()
        .orElseGet(() -> part.items().getFirst());
  }

  private PartView.RowsView rows(Part.OverRows part, int from, int count) {
    List<Value> all = allRows(part);
    List<Integer> seen = seen(part, all);
    int first = Math.clamp(from, 0, seen.size());
    int end = Math.min(seen.size(), first + count);
    List<Shown> columns = part.items();
    List<Part.Button> buttons = plan.page().buttonsIn(part);
    Optional<PageState.Arrangement> arrangement =
        Optional.ofNullable(state.arranged().get(part.id()));
    return new PartView.RowsView(
        columns.stream().map(this::column).toList(),
        seen.subList(first, end).stream()
            .map(number -> line(number, scope.at(all.get(number)), columns, buttons))
            .toList(),
        first,
        seen.size(),
        all.size(),
        Optional.ofNullable(state.chosen().get(part.id())).filter(row -> row < all.size()),
        choosing.of(part.id()),
        arrangement.flatMap(PageState.Arrangement::by),
        arrangement.map(PageState.Arrangement::descending).orElse(false),
        arrangement.map(PageState.Arrangement::find).orElse(""),
        buttons.stream().map(this::button).toList(),
        totals(columns, seen.stream().map(all::get).toList()),
        content(part.rows().stream(), all.isEmpty()));
  }

  private PartView.LineView line(
      int number, Scope here, List<Shown> columns, List<Part.Button> buttons) {
    return new PartView.LineView(
        number,
        columns.stream().map(column -> cell(column, here)).toList(),
        buttons.stream()
            .filter(button -> !building && !isShown(button, here))
            .map(Part.Button::id)
            .toList());
  }

  private List<PartView.TotalView> totals(List<Shown> columns, List<Value> rows) {
    return columns.stream()
        .flatMap(
            column ->
                column.total().stream()
                    .map(
                        total -> {
                          Value said =
                              Totals.of(
                                  total,
                                  rows.stream()
                                      .map(row -> value(column, scope.at(row)))
                                      .filter(value -> value != Value.NULL && !value.isAbsent()));
                          return new PartView.TotalView(
                              column.id(), total, words(column, total, said));
                        }))
        .toList();
  }

  private String words(Shown column, Shown.Total total, Value said) {
    Look look = plan.looks().get(column.id());
    return said.isAbsent()
        ? ""
        : formats.show(
            said,
            total == Shown.Total.COUNT
                ? Look.words(new ValueType.Simple(ScalarType.INTEGER, false))
                : look);
  }

  private PartView.ChartView chart(Part.Chart chart) {
    List<Value> all = allRows(chart);
    int step = Math.max(1, (all.size() + POINTS - 1) / POINTS);
    List<Value> drawn =
        IntStream.range(0, all.size()).filter(row -> row % step == 0).mapToObj(all::get).toList();
    Optional<Shown> along = chart.items().stream().findFirst();
    List<String> words =
        drawn.stream()
            .map(row -> along.map(first -> cell(first, scope.at(row)).text()).orElse(""))
            .toList();
    List<Optional<Double>> at =
        drawn.stream()
            .map(row -> along.flatMap(first -> Scale.place(value(first, scope.at(row)))))
            .toList();
    boolean even = !at.isEmpty() && at.stream().allMatch(Optional::isPresent);
    boolean times =
        along.isPresent()
            && !drawn.isEmpty()
            && value(along.get(), scope.at(drawn.getFirst())) instanceof TimeValue;
    return new PartView.ChartView(
        chart.id(),
        heading(chart),
        chart.drawing(),
        along.map(first -> plan.looks().get(first.id()).heading()).orElse(""),
        words,
        even ? at.stream().map(Optional::orElseThrow).toList() : List.of(),
        even && times,
        chart.items().stream().skip(1).map(line -> series(line, drawn)).toList(),
        all.size(),
        content(chart.rows().stream(), all.isEmpty()));
  }

  private PartView.ChartView.SeriesView series(Shown line, List<Value> rows) {
    return new PartView.ChartView.SeriesView(
        line.id(),
        plan.looks().get(line.id()).heading(),
        rows.stream()
            .map(row -> value(line, scope.at(row)))
            .map(value -> value instanceof NumberValue ? value : Value.NULL)
            .toList());
  }

  private PartView.RecordView record(Part.Record record) {
    List<PartView.RecordView.FactView> fields =
        record.items().stream()
            .map(field -> new PartView.RecordView.FactView(column(field), cell(field, scope)))
            .toList();
    boolean empty = record.items().stream().allMatch(field -> value(field, scope).isAbsent());
    return new PartView.RecordView(
        record.id(),
        heading(record),
        fields,
        content(record.items().stream().flatMap(field -> field.value().stream()), empty));
  }

  private PartView.ColumnView column(Shown shown) {
    Look look = plan.looks().get(shown.id());
    return new PartView.ColumnView(shown.id(), look.heading(), display(look));
  }

  private Value value(Shown shown, Scope here) {
    return plan.plan().value(new SlotId.OfPart(plan.page().id(), shown.id(), Shown.VALUE), here);
  }

  private PartView.CellView cell(Shown shown, Scope here) {
    Look look = plan.looks().get(shown.id());
    Value value = value(shown, here);
    boolean drawn =
        switch (display(look)) {
          case PICTURE, LINK, TELEPHONE, MAIL, PROGRESS -> true;
          case TEXT, LONG_TEXT, NUMBER, TIME -> value instanceof BinaryValue;
        };
    String text =
        value.isAbsent() || value == Value.NULL ? look.empty() : formats.show(value, look);
    return new PartView.CellView(text, drawn && !value.isAbsent() ? value : Value.NULL);
  }

  private static PartView.Display display(Look look) {
    if (!look.choices().isEmpty()) {
      return PartView.Display.TEXT;
    }
    return switch (look.format()) {
      case Format.Plain plain -> PartView.Display.TEXT;
      case Format.LongText text -> PartView.Display.LONG_TEXT;
      case Format.Number number -> PartView.Display.NUMBER;
      case Format.Money money -> PartView.Display.NUMBER;
      case Format.Date date -> PartView.Display.TIME;
      case Format.Time time -> PartView.Display.TIME;
      case Format.DateTime both -> PartView.Display.TIME;
      case Format.YesNo words -> PartView.Display.TEXT;
      case Format.Picture picture -> PartView.Display.PICTURE;
      case Format.Link link -> PartView.Display.LINK;
      case Format.Telephone telephone -> PartView.Display.TELEPHONE;
      case Format.Mail mail -> PartView.Display.MAIL;
      case Format.Progress progress -> PartView.Display.PROGRESS;
    };
  }

  /** How far the calls have come that a part shows something of. */
  private PartView.Content content(Stream<Mapping> shown, boolean empty) {
    Set<CallId> calls = new HashSet<>();
    shown.forEach(mapping -> calls.addAll(Sources.calls(plan.page(), mapping.source())));
    List<PageState.Answer> answers =
        calls.stream()
            .flatMap(call -> Optional.ofNullable(state.answers().get(call)).stream())
            .toList();
    if (answers.stream().anyMatch(PageState.Answer.Answered.class::isInstance)) {
      return empty ? PartView.Content.EMPTY : PartView.Content.FILLED;
    }
    if (answers.stream().anyMatch(PageState.Answer.Failed.class::isInstance)) {
      return PartView.Content.FAILED;
    }
    if (answers.stream().anyMatch(PageState.Answer.Asked.class::isInstance)) {
      return PartView.Content.WAITING;
    }
    return calls.isEmpty() && !empty ? PartView.Content.FILLED : PartView.Content.NONE;
  }
}
