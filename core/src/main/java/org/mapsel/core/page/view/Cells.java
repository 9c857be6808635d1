package org.mapsel.core.page.view;

import java.util.List;
import java.util.Optional;
import org.mapsel.core.mapping.Scope;
import org.mapsel.core.model.Format;
import org.mapsel.core.model.Formats;
import org.mapsel.core.model.Look;
import org.mapsel.core.page.Shown;
import org.mapsel.core.page.plan.PagePlan;
import org.mapsel.core.page.run.Rows;
import org.mapsel.core.ref.SlotId;
import org.mapsel.core.value.BinaryValue;
import org.mapsel.core.value.Value;

/** Draws what single fields hold. */
final class Cells {

  /** Of rows inside a row no more are drawn; whoever needs all wants a page of their own. */
  private static final int MOST_INSIDE = 100;

  private final PagePlan plan;
  private final Formats formats;

  Cells(Drawing drawing) {
    this.plan = drawing.plan();
    this.formats = drawing.formats();
  }

  /** The look of a field. */
  Look look(Shown shown) {
    return plan.looks().get(shown.id());
  }

  PartView.ColumnView column(Shown shown) {
    Look look = look(shown);
    PagePlan.InnerRows inside = plan.inner().get(shown.id());
    return inside == null
        ? new PartView.ColumnView(shown.id(), look.heading(), display(look), List.of())
        : new PartView.ColumnView(
            shown.id(),
            look.heading(),
            PartView.Display.ROWS,
            inside.columns().stream()
                .map(
                    column ->
                        new PartView.InnerColumnView(
                            column.look().heading(), display(column.look())))
                .toList());
  }

  Value value(Shown shown, Scope here) {
    return plan.plan().value(new SlotId.OfPart(plan.page().id(), shown.id(), Shown.VALUE), here);
  }

  PartView.CellView cell(Shown shown, Scope here) {
    Look look = look(shown);
    Value value = value(shown, here);
    PagePlan.InnerRows inside = plan.inner().get(shown.id());
    return inside == null ? cell(look, value) : rows(look, value, inside.columns());
  }

  private PartView.CellView rows(Look look, Value value, List<PagePlan.InnerColumn> columns) {
    List<Value> rows = Rows.of(value);
    return new PartView.CellView(
        rows.isEmpty() ? look.empty() : String.valueOf(rows.size()),
        Value.NULL,
        Optional.of(
            rows.stream()
                .limit(MOST_INSIDE)
                .map(
                    row ->
                        columns.stream()
                            .map(column -> cell(column.look(), row.at(column.path())))
                            .toList())
                .toList()));
  }

  private PartView.CellView cell(Look look, Value value) {
    boolean drawn =
        switch (display(look)) {
          case PICTURE, LINK, TELEPHONE, MAIL, PROGRESS -> true;
          case TEXT, LONG_TEXT, NUMBER, TIME, ROWS -> value instanceof BinaryValue;
        };
    String text =
        value.isAbsent() || value == Value.NULL ? look.empty() : formats.show(value, look);
    return new PartView.CellView(
        text, drawn && !value.isAbsent() ? value : Value.NULL, Optional.empty());
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
}
