package org.mapsel.core.page.edit;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Call;
import org.mapsel.core.page.Item;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.ServiceLookup.Pinned;
import org.mapsel.core.page.Shown;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Shapes;

/**
 * Shows a returned field where it fits, or no longer: inside of rows as a column of the outermost
 * rows around it, elsewhere as a field of a record; a list as a table, or as rows inside a row.
 *
 * @param derived the name of a derived field of the record at the path, empty for the field itself
 */
public record UseField(
    PageId page, CallId call, FieldPath path, Optional<String> derived, boolean used)
    implements AppEdit {

  @Override
  public String title() {
    return (used ? "Show " : "No longer show ") + derived.orElse(path.toString());
  }

  @Override
  public App apply(Editing editing) {
    Page known = editing.page(page);
    Call from = editing.call(known, call);
    if (!used) {
      return editing.app().with(drop(known));
    }
    Pinned pinned = editing.pinned(from);
    Shapes shapes = pinned.service().shapes();
    List<Field> way = shapes.way(pinned.operation().output(), path);
    if (way.isEmpty() && !(derived.isPresent() && path.isRoot())) {
      throw new EditRefused(missing(editing, from.service(), pinned, path));
    }
    Page shown = shown(editing, known, pinned, way);
    return TypesInUse.of(editing.app().with(shown), shown, editing);
  }

  /** Says that there is no such field, and which edition has it if a newer one does. */
  static Finding missing(Editing editing, String service, Pinned pinned, FieldPath path) {
    boolean newer =
        editing
            .services()
            .newest(service)
            .filter(edition -> !editing.app().edition(service).equals(Optional.of(edition)))
            .flatMap(editing.services()::find)
            .flatMap(
                other ->
                    other
                        .findOperation(pinned.operation().id())
                        .map(there -> other.shapes().way(there.output(), path)))
            .filter(way -> !way.isEmpty())
            .isPresent();
    return Finding.error(
        newer ? "APP_FIELD_NEWER" : "APP_FIELD_MISSING",
        "field",
        path.toString(),
        "operation",
        pinned.operation().name(),
        "service",
        service);
  }

  private Page shown(Editing editing, Page known, Pinned pinned, List<Field> way) {
    Shapes shapes = pinned.service().shapes();
    boolean simple =
        derived.isPresent()
            || shapes.get(way.getLast().shape()) instanceof Shape.Scalar
            || shapes.get(way.getLast().shape()) instanceof Shape.Open;
    FieldPath inside = derived.isPresent() ? path.then(derived.get()) : path;
    FieldPath around = rowsAround(shapes, pinned.operation().output(), inside);
    // A list inside of rows stands in a column of theirs.
    boolean column = simple || !around.isRoot() && !around.equals(path);
    FieldPath rows = column ? around : path;
    if (!simple && !way.getLast().isRepeated()) {
      throw new EditRefused(Finding.error("APP_FIELD_GROUP", "field", path.toString()));
    }
    if (rows.isRoot()) {
      return inRecord(editing, known);
    }
    Source list = new Source.Returned(call, rows);
    Optional<Part.OverRows> table = tableOf(known, list);
    Page with = table.isPresent() ? known : withTable(editing, known, list);
    return column
        ? withItem(editing, with, tableOf(with, list).orElseThrow(), Source.Row::new, rows)
        : with;
  }

  private FieldPath rowsAround(Shapes shapes, ShapeId output, FieldPath inside) {
    if (derived.isEmpty()) {
      return shapes.rowsAround(output, inside);
    }
    // The record that is derived from may be a row itself.
    List<Field> way = shapes.way(output, path);
    return !way.isEmpty() && way.getLast().isRepeated() && shapes.rowsAround(output, path).isRoot()
        ? path
        : shapes.rowsAround(output, path);
  }

  private Page withItem(
      Editing editing, Page on, Part part, Function<FieldPath, Source> source, FieldPath base) {
    Source field = source.apply(path.below(base));
    Source value = derived.<Source>map(name -> new Source.Derived(field, name)).orElse(field);
    if (shows(part, value)) {
      return on;
    }
    String wish = derived.orElseGet(path::last);
    List<Item> items = new ArrayList<>(part.items());
    items.add(Shown.of(new PartId(editing.ids().next(wish)), value));
    return on.with(part.withItems(items));
  }

  private static boolean shows(Part part, Source value) {
    return part.items().stream()
        .anyMatch(item -> item.mapping().equals(Optional.of(new Mapping(value))));
  }

  private static Optional<Part.OverRows> tableOf(Page page, Source list) {
    return page.parts().stream()
        .filter(Part.OverRows.class::isInstance)
        .map(Part.OverRows.class::cast)
        .filter(table -> table.rows().equals(Optional.of(new Mapping(list))))
        .findFirst();
  }

  private static Page withTable(Editing editing, Page known, Source list) {
    PartId id = new PartId(editing.ids().next("table"));
    return known.with(Part.Table.of(id, list, List.of()));
  }

  private Page inRecord(Editing editing, Page known) {
    Optional<Part> record =
        known.parts().stream()
            .filter(part -> part instanceof Part.Record && isFilledByCall(part))
            .findFirst();
    Part part =
        record.orElseGet(() -> Part.Record.of(new PartId(editing.ids().next("record")), List.of()));
    return withItem(
        editing, known.with(part), part, below -> new Source.Returned(call, below), FieldPath.ROOT);
  }

  private boolean isFilledByCall(Part part) {
    return part.items().stream()
        .flatMap(item -> item.mapping().stream())
        .anyMatch(
            mapping ->
                root(mapping.source()) instanceof Source.Returned one && one.call().equals(call));
  }

  private static Source root(Source source) {
    return source instanceof Source.Derived made ? made.record() : source;
  }

  /** Takes the field off every part that shows it; a table or record left empty goes too. */
  private Page drop(Page known) {
    Page left = known;
    for (Part part : known.parts()) {
      FieldPath base =
          part instanceof Part.OverRows table
                  && table.rows().map(Mapping::source).orElse(null) instanceof Source.Returned rows
                  && rows.call().equals(call)
              ? rows.path()
              : FieldPath.ROOT;
      if (derived.isEmpty() && !base.isRoot() && base.equals(path)) {
        left = Removal.part(left, part.id());
        continue;
      }
      for (Item item : part.items()) {
        if (item instanceof Shown shown
            && shown.value().filter(value -> isThis(value.source(), base)).isPresent()) {
          left = Removal.item(left, item.id());
        }
      }
    }
    return left;
  }

  private boolean isThis(Source source, FieldPath base) {
    if (source instanceof Source.Derived made) {
      return derived.equals(Optional.of(made.field())) && isAt(made.record(), base);
    }
    return derived.isEmpty() && isAt(source, base);
  }

  private boolean isAt(Source source, FieldPath base) {
    return switch (source) {
      case Source.Row row -> !base.isRoot() && base.then(row.path()).equals(path);
      case Source.Returned returned -> returned.equals(new Source.Returned(call, path));
      default -> false;
    };
  }
}
