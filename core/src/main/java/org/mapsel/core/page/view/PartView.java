package org.mapsel.core.page.view;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.mapsel.core.model.Choice;
import org.mapsel.core.page.Input;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.Shown;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.value.Value;

/** A part as it is drawn. */
public sealed interface PartView {

  PartId id();

  /** The words over it, or on it; empty if there are none. */
  String heading();

  /** Fields to type or choose in. */
  record FormView(PartId id, String heading, List<InputView> inputs) implements PartView {}

  /**
   * Lines to fill in.
   *
   * @param inputs what each line has, as it is in a new one
   * @param lines what stands in each line, by input
   * @param required whether at least one line must be filled in
   */
  record LinesView(
      PartId id,
      String heading,
      List<InputView> inputs,
      List<Map<String, Value>> lines,
      boolean required)
      implements PartView {}

  /** Holds the parts whose frames say that they stand in it. */
  record GroupView(PartId id, String heading, Part.Group.Way way) implements PartView {}

  /** Rows with columns. */
  record TableView(PartId id, String heading, RowsView rows) implements PartView {}

  /** Rows that stand by themselves. */
  record CardsView(PartId id, String heading, RowsView rows) implements PartView {}

  /**
   * Rows of a list.
   *
   * @param rows those that are drawn, in the order in which they are seen
   * @param from the place of the first of them in that order
   * @param total how many are to be seen
   * @param all how many there are, also those that are not looked for
   * @param chosen the number of the chosen one
   * @param choosing whether it matters which one is chosen
   * @param by the column that orders them, nothing for the order of the answer
   * @param find what is looked for
   * @param buttons those that stand in every row
   * @param totals what is said of all rows that are to be seen
   */
  record RowsView(
      List<ColumnView> columns,
      List<LineView> rows,
      int from,
      int total,
      int all,
      Optional<Integer> chosen,
      boolean choosing,
      Optional<PartId> by,
      boolean descending,
      String find,
      List<ButtonView> buttons,
      List<TotalView> totals,
      Content content) {}

  /**
   * A row that is drawn.
   *
   * @param number its place in the answer
   * @param without the buttons that are not shown in this row
   */
  record LineView(int number, List<CellView> cells, List<PartId> without) {}

  /** What is said of a column as a whole. */
  record TotalView(PartId column, Shown.Total total, String text) {}

  /**
   * Numbers of rows as a drawing.
   *
   * @param along what the first column has for each row, in words
   * @param at where these stand on an even scale: numbers, or milliseconds since 1970; empty where
   *     they stand one after the other
   * @param times whether the scale is one of time
   * @param total how many rows there are; of more than are drawn, those in between are left out
   */
  record ChartView(
      PartId id,
      String heading,
      Part.Chart.Drawing drawing,
      String alongLabel,
      List<String> along,
      List<Double> at,
      boolean times,
      List<SeriesView> series,
      int total,
      Content content)
      implements PartView {

    /**
     * One line of a drawing.
     *
     * @param values numbers, null where a row has none
     */
    public record SeriesView(PartId id, String label, List<Value> values) {}
  }

  /** One thing with its fields. */
  record RecordView(PartId id, String heading, List<FactView> fields, Content content)
      implements PartView {

    /** A field and its value. */
    public record FactView(ColumnView column, CellView cell) {}
  }

  /** Something to press. */
  record ButtonView(PartId id, String heading, Part.Button.Manner manner) implements PartView {}

  /** Words. */
  record TextView(PartId id, String heading) implements PartView {}

  /**
   * An input.
   *
   * @param value what stands in it, null if nothing does
   * @param several whether it takes any number of values
   * @param reported whether something follows when its value changes
   * @param hidden not asked for just now: another alternative is chosen; only builders see it
   */
  record InputView(
      PartId id,
      String label,
      Input.Kind kind,
      boolean required,
      List<Choice> choices,
      Value value,
      String help,
      boolean several,
      boolean reported,
      boolean hidden) {}

  /**
   * A column, or the label of a field.
   *
   * @param display how its values are drawn
   * @param inside the labels of the columns of rows inside the row; none for single values
   */
  record ColumnView(PartId id, String label, Display display, List<InnerColumnView> inside) {
    public ColumnView {
      inside = List.copyOf(inside);
    }
  }

  /** A column of rows that stand inside a row. */
  record InnerColumnView(String label, Display display) {}

  /**
   * A value in words.
   *
   * @param value the value itself where it is drawn and not written, null elsewhere
   * @param inside the rows inside the row, cell by cell: only the first of very many
   */
  record CellView(String text, Value value, Optional<List<List<CellView>>> inside) {}

  /** How values are drawn. */
  enum Display {
    TEXT,
    /** Rows of their own. */
    ROWS,
    /** On lines of its own. */
    LONG_TEXT,
    NUMBER,
    /** In one line whatever happens. */
    TIME,
    PICTURE,
    LINK,
    TELEPHONE,
    MAIL,
    PROGRESS
  }

  /** How far what a part shows has come. */
  enum Content {
    /** Nobody has asked for it. */
    NONE,
    WAITING,
    /** It was asked for and there is nothing. */
    EMPTY,
    FAILED,
    FILLED
  }
}
