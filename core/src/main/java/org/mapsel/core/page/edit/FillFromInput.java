package org.mapsel.core.page.edit;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.model.Labels;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Call;
import org.mapsel.core.page.Input;
import org.mapsel.core.page.Item;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.ServiceLookup.Pinned;
import org.mapsel.core.page.reach.Alternatives;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.ref.SlotId;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.FieldTree;
import org.mapsel.core.shape.Shape;

/**
 * Fills a parameter from what a visitor types: a simple one from a new input, a record from an
 * input for each of its fields, a list of records from lines that are filled in, one of several
 * alternatives from an input that says which and others for what is in each of them. New inputs
 * stand in the form of the call or in a new one; those of a parameter inside lines stand in every
 * line.
 */
public record FillFromInput(PageId page, CallId call, FieldPath parameter) implements AppEdit {

  /** Of a record that says nothing of what it needs so many fields are asked for at first. */
  private static final int MOST_AT_FIRST = 12;

  /** More than these nobody wants in one form, however many alternatives there are. */
  private static final int MOST_OF_ALTERNATIVES = 40;

  @Override
  public String title() {
    return "Ask for " + parameter;
  }

  @Override
  public App apply(Editing editing) {
    Page known = editing.page(page);
    Call filled = editing.call(known, call);
    FieldTree.Row row = editing.reach(known).parameters(call).get(parameter);
    if (row == null || !isAsked(row)) {
      throw new EditRefused(
          Finding.error(
              "APP_PARAMETER_MISSING",
              "field",
              parameter.toString(),
              "operation",
              filled.operation().text()));
    }
    if (isAskedFor(filled, parameter)) {
      return editing.app();
    }
    Page asking =
        switch (row.shape()) {
          case Shape.Scalar scalar -> asking(editing, known, parameter);
          case Shape.Open open -> asking(editing, known, parameter);
          case Shape.OneOf oneOf -> alternatives(editing, known, oneOf);
          default -> record(editing, known, row);
        };
    return TypesInUse.of(editing.app().with(asking), asking, editing);
  }

  private static boolean isAsked(FieldTree.Row row) {
    return row.takesText() || row.shape() instanceof Shape.Record || isChosenOnce(row);
  }

  /** An input for which one it is, then those for what is in each alternative. */
  private Page alternatives(Editing editing, Page before, Shape.OneOf oneOf) {
    Page after = askingOnce(editing, before, parameter);
    for (Field alternative : oneOf.alternatives()) {
      FieldPath path = parameter.then(alternative.name());
      FieldTree.Row row = editing.reach(before).parameters(call).get(path);
      if (row == null || row.repeats() || !hasRoom(after)) {
        continue;
      }
      if (row.takesText() && row.field().fixed().isEmpty()) {
        after = askingOnce(editing, after, path);
      } else if (row.shape() instanceof Shape.Record) {
        after = new FillFromInput(page, call, path).record(editing, after, row);
      }
    }
    return after;
  }

  private boolean hasRoom(Page after) {
    return after.call(call).orElseThrow().parameters().stream()
            .filter(filled -> filled.path().startsWith(parameter))
            .count()
        < MOST_OF_ALTERNATIVES;
  }

  private Page askingOnce(Editing editing, Page before, FieldPath field) {
    return isAskedFor(editing.call(before, call), field) ? before : asking(editing, before, field);
  }

  private static boolean isAskedFor(Call call, FieldPath path) {
    return call.mapping(path).map(Mapping::source).orElse(null) instanceof Source.Entered;
  }

  private Page record(Editing editing, Page before, FieldTree.Row row) {
    Page after = row.repeats() ? withLines(editing, withoutInputs(before)) : before;
    for (FieldTree.Row field : fields(editing, before)) {
      after =
          field.shape() instanceof Shape.OneOf oneOf
              ? new FillFromInput(page, call, field.path()).alternatives(editing, after, oneOf)
              : askingOnce(editing, after, field.path());
    }
    return after;
  }

  /** The simple fields and choices of a record that must be filled, or else the first ones. */
  private List<FieldTree.Row> fields(Editing editing, Page before) {
    Map<FieldPath, FieldTree.Row> rows = editing.reach(before).parameters(call);
    List<FieldTree.Row> inside =
        rows.values().stream()
            .filter(row -> row.path().length() > parameter.length())
            .filter(row -> row.path().startsWith(parameter))
            .filter(row -> row.takesText() || isChosenOnce(row))
            .filter(row -> row.field().fixed().isEmpty() && isOwn(rows, row.path()))
            .toList();
    List<FieldTree.Row> needed = inside.stream().filter(FieldTree.Row::needed).toList();
    boolean few = inside.size() <= MOST_AT_FIRST;
    return (few || needed.isEmpty() ? inside : needed).stream().limit(MOST_AT_FIRST).toList();
  }

  private static boolean isChosenOnce(FieldTree.Row row) {
    return Alternatives.isChoice(row) && !row.repeats();
  }

  /**
   * Whether a field can be asked for with the record: no list further inside is around it, whose
   * items need lines of their own, and no choice, which asks for what is in it.
   */
  private boolean isOwn(Map<FieldPath, FieldTree.Row> rows, FieldPath path) {
    for (int length = parameter.length() + 1; length < path.length(); length++) {
      FieldTree.Row around = rows.get(path.first(length));
      if (around != null && (around.repeats() || Alternatives.isChoice(around))) {
        return false;
      }
    }
    return true;
  }

  /** Without the inputs that asked for one item only. */
  private Page withoutInputs(Page before) {
    Page left = before;
    for (Call.Parameter inside : before.call(call).orElseThrow().parameters()) {
      if (inside.path().length() > parameter.length()
          && inside.path().startsWith(parameter)
          && inside.mapping().source() instanceof Source.Entered entered) {
        left =
            Removal.unusedInput(
                left.with(new SlotId.OfParameter(page, call, inside.path()), Optional.empty()),
                entered.input());
      }
    }
    return left;
  }

  /** The page with lines for a repeated parameter, above its first button. */
  private Page withLines(Editing editing, Page before) {
    Pinned pinned = editing.pinned(before.call(call).orElseThrow());
    String name = pinned.service().shapes().nameOfList(pinned.operation().input(), parameter);
    PartId id = new PartId(editing.ids().next(name));
    List<Part> parts = new ArrayList<>(before.parts());
    int button = 0;
    while (button < parts.size() && !(parts.get(button) instanceof Part.Button)) {
      button++;
    }
    parts.add(button == parts.size() ? 0 : button, Part.Lines.of(id, Labels.of(name), List.of()));
    return filled(before.withParts(parts), parameter, id);
  }

  private Page filled(Page before, FieldPath path, PartId from) {
    return before.with(
        new SlotId.OfParameter(page, call, path),
        Optional.of(new Mapping(new Source.Entered(from))));
  }

  private Page asking(Editing editing, Page before, FieldPath path) {
    PartId id = new PartId(editing.ids().next(path.last()));
    Call known = editing.call(before, call);
    Optional<Part> lines =
        before
            .around(known, path)
            .map(Call.Parameter::mapping)
            .flatMap(before::linesOf)
            .map(Part.class::cast);
    Page after =
        lines
            .map(part -> with(before, part, Input.of(id)))
            .orElseGet(() -> withInput(editing, before, known, Input.of(id)));
    return filled(after, path, id);
  }

  private static Page with(Page page, Part part, Input input) {
    List<Item> items = new ArrayList<>(part.items());
    items.add(input);
    return page.with(part.withItems(items));
  }

  /** Beside the inputs that fill the call already, or in the first form, or in a new one on top. */
  private static Page withInput(Editing editing, Page page, Call call, Input input) {
    Optional<Part> form =
        call.parameters().stream()
            .flatMap(
                filled ->
                    filled.mapping().source() instanceof Source.Entered entered
                        ? page.item(entered.input()).stream()
                        : Stream.empty())
            .map(Page.Inside::part)
            .filter(Part.Form.class::isInstance)
            .findFirst()
            .or(() -> page.parts().stream().filter(Part.Form.class::isInstance).findFirst());
    if (form.isPresent()) {
      return with(page, form.get(), input);
    }
    List<Part> parts = new ArrayList<>(page.parts());
    parts.add(0, Part.Form.of(new PartId(editing.ids().next("form")), List.of(input)));
    return page.withParts(parts);
  }
}
