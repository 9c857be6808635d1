package org.mapsel.core.page.view;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.mapsel.core.mapping.Scope;
import org.mapsel.core.model.Formats;
import org.mapsel.core.page.Frame;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.Reaction;
import org.mapsel.core.page.Trigger;
import org.mapsel.core.page.plan.PagePlan;
import org.mapsel.core.page.run.Conflicts;
import org.mapsel.core.page.run.PageState;
import org.mapsel.core.page.run.StateScope;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.value.Value;

/** Draws pages: what stands in each part, in the words of a person with a language. */
public final class PageViews {

  /** Rows that are drawn at once; the others are asked for as they come into sight. */
  public static final int ROWS = 200;

  private final PagePlan plan;
  private final PageState state;
  private final Scope scope;
  private final boolean building;
  private final Formats formats;
  private final Headings headings;
  private final ShownParts shown;
  private final InputViews inputs;
  private final RowViews rows;
  private final ChartViews charts;
  private final Cells cells;
  private final Contents contents;

  /**
   * @param building whether for somebody who builds the page, and sees also what is hidden
   */
  public PageViews(PagePlan plan, PageState state, Formats formats, Instant now, boolean building) {
    this.plan = plan;
    this.state = state;
    this.scope = new StateScope(plan.page(), plan.plan(), state, now);
    this.building = building;
    this.formats = formats;
    Drawing drawing = new Drawing(plan, state, scope, formats, building);
    this.headings = new Headings(drawing);
    this.shown = new ShownParts(drawing);
    this.inputs = new InputViews(drawing);
    this.rows = new RowViews(drawing);
    this.charts = new ChartViews(drawing);
    this.cells = new Cells(drawing);
    this.contents = new Contents(drawing);
  }

  /** The page with the first rows of each part. */
  public PageView page() {
    return new PageView(
        plan.page().name(),
        alone().filter(part -> building || shown.isShown(part)).map(this::part).toList(),
        alone().map(this::frame).filter(frame -> !isUsual(frame)).toList(),
        state.messages().stream()
            .map(message -> new PageView.MessageView(message.failed(), message.text()))
            .toList(),
        state.asking().map(this::asking),
        plan.page().reactions().stream()
            .map(Reaction::when)
            .filter(Trigger.Every.class::isInstance)
            .map(when -> ((Trigger.Every) when).seconds())
            .distinct()
            .toList());
  }

  private PageView.AskingView asking(PageState.Asking asking) {
    return new PageView.AskingView(
        asking.words(),
        asking.conflict().isPresent(),
        asking
            .conflict()
            .map(call -> new Conflicts(plan).differences(call, state, scope, formats))
            .orElse(List.of()));
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
        .filter(shown::isShown)
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
    if (around.isEmpty() || !shown.isShown(around.get())) {
      return false;
    }
    List<Value> all = rows.all(around.get());
    return row >= 0 && row < all.size() && shown.isShown(known.get(), scope.at(all.get(row)));
  }

  private PageView.FrameView frame(Part part) {
    return new PageView.FrameView(
        part.id(),
        part.frame().width(),
        part.frame().words(),
        !shown.isShown(part),
        plan.page().groupAround(part).map(Part::id));
  }

  private static boolean isUsual(PageView.FrameView frame) {
    return frame.width() == Frame.Width.FULL
        && frame.words().equals(Frame.StateWords.USUAL)
        && !frame.hidden()
        && frame.within().isEmpty();
  }

  private PartView part(Part part) {
    return switch (part) {
      case Part.Form form ->
          new PartView.FormView(
              form.id(),
              headings.of(form),
              form.items().stream()
                  .filter(input -> building || inputs.isAsked(input))
                  .map(inputs::input)
                  .toList());
      case Part.Table table ->
          new PartView.TableView(table.id(), headings.of(table), rows.of(table, 0, ROWS));
      case Part.Cards cards ->
          new PartView.CardsView(cards.id(), headings.of(cards), rows.of(cards, 0, ROWS));
      case Part.Chart chart -> charts.of(chart, headings.of(chart), rows.all(chart));
      case Part.Record record -> record(record);
      case Part.Lines lines -> inputs.lines(lines, headings.of(lines));
      case Part.Group group -> new PartView.GroupView(group.id(), headings.of(group), group.way());
      case Part.Button button -> headings.button(button);
      case Part.Text text -> new PartView.TextView(text.id(), headings.of(text));
    };
  }

  /** Some of the rows of a part; nothing if there is no such part. */
  public Optional<PartView.RowsView> rows(PartId part, int from, int count) {
    return plan.page().rowsPart(part).map(over -> rows.of(over, from, Math.min(count, ROWS)));
  }

  /** All that is to be seen of a part over rows, to take along. */
  public Optional<TakenRows> taken(PartId part) {
    return plan.page().rowsPart(part).map(rows::taken);
  }

  private PartView.RecordView record(Part.Record record) {
    List<PartView.RecordView.FactView> fields =
        record.items().stream()
            .map(
                field ->
                    new PartView.RecordView.FactView(cells.column(field), cells.cell(field, scope)))
            .toList();
    boolean empty = record.items().stream().allMatch(field -> cells.value(field, scope).isAbsent());
    return new PartView.RecordView(
        record.id(),
        headings.of(record),
        fields,
        contents.of(record.items().stream().flatMap(field -> field.value().stream()), empty));
  }
}
