package org.mapsel.core.page.view;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.mapsel.core.mapping.Scope;
import org.mapsel.core.model.Formats;
import org.mapsel.core.model.Look;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.Shown;
import org.mapsel.core.page.plan.PagePlan;
import org.mapsel.core.page.run.PageState;
import org.mapsel.core.page.run.Rows;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.ref.SlotId;
import org.mapsel.core.shape.ScalarType;
import org.mapsel.core.shape.ValueType;
import org.mapsel.core.value.Value;

/** Draws rows: as many as are seen, in the order in which the visitor wants them. */
final class RowViews {

  private final PagePlan plan;
  private final PageState state;
  private final Scope scope;
  private final Formats formats;
  private final boolean building;
  private final Cells cells;
  private final Contents contents;
  private final ShownParts shown;
  private final Headings headings;
  private final ChosenParts choosing;

  RowViews(Drawing drawing) {
    this.plan = drawing.plan();
    this.state = drawing.state();
    this.scope = drawing.scope();
    this.formats = drawing.formats();
    this.building = drawing.building();
    this.cells = new Cells(drawing);
    this.contents = new Contents(drawing);
    this.shown = new ShownParts(drawing);
    this.headings = new Headings(drawing);
    this.choosing = new ChosenParts(plan.page());
  }

  /** All that is to be seen of a part over rows, to take along. */
  TakenRows taken(Part.OverRows over) {
    List<Value> all = all(over);
    return new TakenRows(
        over.items().stream().map(column -> cells.look(column).heading()).toList(),
        seen(over, all).stream().map(number -> line(over, all.get(number))).toList());
  }

  private List<TakenRows.Cell> line(Part.OverRows over, Value row) {
    Scope here = scope.at(row);
    return over.items().stream()
        .map(
            column -> {
              PartView.CellView cell = cells.cell(column, here);
              return new TakenRows.Cell(
                  cell.inside()
                      .filter(rows -> !rows.isEmpty())
                      .map(rows -> inOneCell(rows, cell.text()))
                      .orElseGet(cell::text),
                  cells.value(column, here));
            })
        .toList();
  }

  /**
   * Rows inside a row, in the one cell that a file has for them.
   *
   * @param count how many there are in all
   */
  private static String inOneCell(List<List<PartView.CellView>> rows, String count) {
    String rest = count.equals(String.valueOf(rows.size())) ? "" : "; …";
    return rows.stream()
        .map(
            row ->
                row.stream()
                    .map(PartView.CellView::text)
                    .filter(text -> !text.isEmpty())
                    .collect(Collectors.joining(", ")))
        .collect(Collectors.joining("; ", "", rest));
  }

  /** All rows that a part is over. */
  List<Value> all(Part.OverRows part) {
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
                    cells.value(
                        column(part, arrangement.by().orElseThrow()), scope.at(rows.get(row)))
                : row -> Value.ABSENT,
            arrangement.descending(),
            arrangement.find(),
            row ->
                part.items().stream()
                    .map(column -> cells.cell(column, scope.at(rows.get(row))).text()));
  }

  private static Shown column(Part.OverRows part, PartId id) {
    return part.items().stream()
        .filter(column -> column.id().equals(id))
        .findFirst()
        .orElseGet(() -> part.items().getFirst());
  }

  /** Some of the rows of a part, as they are seen. */
  PartView.RowsView of(Part.OverRows part, int from, int count) {
    List<Value> all = all(part);
    List<Integer> seen = seen(part, all);
    int first = Math.clamp(from, 0, seen.size());
    int end = Math.min(seen.size(), first + count);
    List<Shown> columns = part.items();
    List<Part.Button> buttons = plan.page().buttonsIn(part);
    Optional<PageState.Arrangement> arrangement =
        Optional.ofNullable(state.arranged().get(part.id()));
    return new PartView.RowsView(
        columns.stream().map(cells::column).toList(),
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
        buttons.stream().map(headings::button).toList(),
        totals(columns, seen.stream().map(all::get).toList()),
        contents.of(part.rows().stream(), all.isEmpty()));
  }

  private PartView.LineView line(
      int number, Scope here, List<Shown> columns, List<Part.Button> buttons) {
    return new PartView.LineView(
        number,
        columns.stream().map(column -> cells.cell(column, here)).toList(),
        buttons.stream()
            .filter(button -> !building && !shown.isShown(button, here))
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
                                      .map(row -> cells.value(column, scope.at(row)))
                                      .filter(value -> value != Value.NULL && !value.isAbsent()));
                          return new PartView.TotalView(
                              column.id(), total, words(column, total, said));
                        }))
        .toList();
  }

  private String words(Shown column, Shown.Total total, Value said) {
    Look look = cells.look(column);
    return said.isAbsent()
        ? ""
        : formats.show(
            said,
            total == Shown.Total.COUNT
                ? Look.words(new ValueType.Simple(ScalarType.INTEGER, false))
                : look);
  }
}
