package org.mapsel.core.page.view;

import java.util.List;
import java.util.Optional;
import org.mapsel.core.model.Choice;
import org.mapsel.core.page.Input;
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
   * Rows with columns.
   *
   * @param rows those that are drawn, from the first one on
   * @param from the number of the first one
   * @param total how many there are
   * @param chosen the number of the chosen one
   */
  record TableView(
      PartId id,
      String heading,
      List<ColumnView> columns,
      List<List<CellView>> rows,
      int from,
      int total,
      Optional<Integer> chosen,
      Content content)
      implements PartView {}

  /** One thing with its fields. */
  record RecordView(PartId id, String heading, List<FactView> fields, Content content)
      implements PartView {

    /** A field and its value. */
    public record FactView(ColumnView column, CellView cell) {}
  }

  /** Something to press. */
  record ButtonView(PartId id, String heading) implements PartView {}

  /** Words. */
  record TextView(PartId id, String heading) implements PartView {}

  /**
   * An input.
   *
   * @param value what stands in it, null if nothing does
   * @param several whether it takes any number of values
   */
  record InputView(
      PartId id,
      String label,
      Input.Kind kind,
      boolean required,
      List<Choice> choices,
      Value value,
      String help,
      boolean several) {}

  /**
   * A column, or the label of a field.
   *
   * @param display how its values are drawn
   */
  record ColumnView(PartId id, String label, Display display) {}

  /**
   * A value in words.
   *
   * @param value the value itself where it is drawn and not written, null elsewhere
   */
  record CellView(String text, Value value) {}

  /** How values are drawn. */
  enum Display {
    TEXT,
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
