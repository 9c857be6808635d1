package org.mapsel.core.page.view;

import java.time.Instant;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.mapping.Scope;
import org.mapsel.core.model.Format;
import org.mapsel.core.model.Formats;
import org.mapsel.core.model.Look;
import org.mapsel.core.page.Input;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.Shown;
import org.mapsel.core.page.Sources;
import org.mapsel.core.page.kind.InputLook;
import org.mapsel.core.page.plan.PagePlan;
import org.mapsel.core.page.run.PageState;
import org.mapsel.core.page.run.Rows;
import org.mapsel.core.page.run.StateScope;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.ref.SlotId;
import org.mapsel.core.value.BinaryValue;
import org.mapsel.core.value.Value;

/** Draws pages: what stands in each part, in the words of a person with a language. */
public final class PageViews {

  /** Rows that are drawn at once; the others are asked for as they come into sight. */
  public static final int ROWS = 200;

  private final PagePlan plan;
  private final PageState state;
  private final Scope scope;
  private final Formats formats;

  public PageViews(PagePlan plan, PageState state, Formats formats, Instant now) {
    this.plan = plan;
    this.state = state;
    this.scope = new StateScope(plan.page(), plan.plan(), state, now);
    this.formats = formats;
  }

  /** The page with the first rows of each table. */
  public PageView page() {
    return new PageView(
        plan.page().name(),
        plan.page().parts().stream().map(this::part).toList(),
        state.messages().stream()
            .map(message -> new PageView.MessageView(message.failed(), message.text()))
            .toList());
  }

  private PartView part(Part part) {
    return switch (part) {
      case Part.Form form ->
          new PartView.FormView(
              form.id(), heading(form), form.items().stream().map(this::input).toList());
      case Part.Table table -> table(table, 0, ROWS);
      case Part.Record record -> record(record);
      case Part.Button button -> new PartView.ButtonView(button.id(), heading(button));
      case Part.Text text -> new PartView.TextView(text.id(), heading(text));
    };
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
        look.look().choices(),
        value.isAbsent() ? Value.NULL : value,
        look.look().help(),
        look.several());
  }

  /** A table with some of its rows; nothing if there is no such table. */
  public Optional<PartView.TableView> rows(PartId table, int from, int count) {
    return plan.page()
        .part(table)
        .filter(Part.Table.class::isInstance)
        .map(part -> table((Part.Table) part, from, Math.min(count, ROWS)));
  }

  private PartView.TableView table(Part.Table table, int from, int count) {
    SlotId slot = new SlotId.OfPart(plan.page().id(), table.id(), Part.Table.ROWS);
    List<Value> rows = Rows.of(plan.plan().value(slot, scope));
    int first = Math.clamp(from, 0, rows.size());
    int end = Math.min(rows.size(), first + count);
    List<Shown> columns = table.items();
    return new PartView.TableView(
        table.id(),
        heading(table),
        columns.stream().map(this::column).toList(),
        rows.subList(first, end).stream()
            .map(row -> columns.stream().map(column -> cell(column, scope.at(row))).toList())
            .toList(),
        first,
        rows.size(),
        Optional.ofNullable(state.chosen().get(table.id())).filter(row -> row < rows.size()),
        content(table.rows().stream(), rows.isEmpty()));
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
