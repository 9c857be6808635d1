package org.mapsel.core.page.view;

import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.mapsel.core.mapping.Scope;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.Shown;
import org.mapsel.core.value.NumberValue;
import org.mapsel.core.value.TimeValue;
import org.mapsel.core.value.Value;

/** Draws charts. */
final class ChartViews {

  /** A drawing is no clearer with more points than it is wide. */
  private static final int POINTS = 2_000;

  private final Scope scope;
  private final Cells cells;
  private final Contents contents;

  ChartViews(Drawing drawing) {
    this.scope = drawing.scope();
    this.cells = new Cells(drawing);
    this.contents = new Contents(drawing);
  }

  PartView.ChartView of(Part.Chart chart, String heading, List<Value> all) {
    int step = Math.max(1, (all.size() + POINTS - 1) / POINTS);
    List<Value> drawn =
        IntStream.range(0, all.size()).filter(row -> row % step == 0).mapToObj(all::get).toList();
    Optional<Shown> along = chart.items().stream().findFirst();
    List<String> words =
        drawn.stream()
            .map(row -> along.map(first -> cells.cell(first, scope.at(row)).text()).orElse(""))
            .toList();
    List<Optional<Double>> at =
        drawn.stream()
            .map(row -> along.flatMap(first -> Scale.place(cells.value(first, scope.at(row)))))
            .toList();
    boolean even = !at.isEmpty() && at.stream().allMatch(Optional::isPresent);
    boolean times =
        along.isPresent()
            && !drawn.isEmpty()
            && cells.value(along.get(), scope.at(drawn.getFirst())) instanceof TimeValue;
    return new PartView.ChartView(
        chart.id(),
        heading,
        chart.drawing(),
        along.map(first -> cells.look(first).heading()).orElse(""),
        words,
        even ? at.stream().map(Optional::orElseThrow).toList() : List.of(),
        even && times,
        chart.items().stream().skip(1).map(line -> series(line, drawn)).toList(),
        all.size(),
        contents.of(chart.rows().stream(), all.isEmpty()));
  }

  private PartView.ChartView.SeriesView series(Shown line, List<Value> rows) {
    return new PartView.ChartView.SeriesView(
        line.id(),
        cells.look(line).heading(),
        rows.stream()
            .map(row -> cells.value(line, scope.at(row)))
            .map(value -> value instanceof NumberValue ? value : Value.NULL)
            .toList());
  }
}
