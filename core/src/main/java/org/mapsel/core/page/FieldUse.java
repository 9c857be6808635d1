package org.mapsel.core.page;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.mapping.Target;
import org.mapsel.core.page.AppEditor.EditRefused;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.service.Operation;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Shapes;

/** Puts a returned field on a page where it fits, or takes it off. */
final class FieldUse {

  private final Page page;
  private final Call call;
  private final Shapes shapes;
  private final Operation operation;

  FieldUse(Page page, Call call, Shapes shapes, Operation operation) {
    this.page = page;
    this.call = call;
    this.shapes = shapes;
    this.operation = operation;
  }

  /** Inside rows it becomes a column, elsewhere a field of a record; a repeated group a table. */
  Page use(FieldPath path) {
    if (isUsed(path)) {
      return page;
    }
    List<Field> way = shapes.way(operation.output(), path);
    if (way.isEmpty()) {
      throw new EditRefused(
          Finding.error(
              "APP_FIELD_MISSING", "field", path.toString(), "operation", operation.name()));
    }
    Field field = way.get(way.size() - 1);
    if (!(shapes.get(field.shape()) instanceof Shape.Scalar)) {
      return field.isRepeated() ? addTable(path) : refuseGroup(path);
    }
    Optional<PartId> table =
        Bindings.tableFor(call, path).filter(part -> page.part(part).isPresent());
    if (table.isPresent()) {
      return addItem(page, call, table.get(), path, field);
    }
    Optional<FieldPath> rows = rowsAround(way, path);
    if (rows.isPresent()) {
      Page withTable = addTable(rows.get());
      Call changed = withTable.call(call.id()).orElseThrow();
      return addItem(
          withTable, changed, Bindings.tableFor(changed, path).orElseThrow(), path, field);
    }
    return addToRecord(path, field);
  }

  private boolean isUsed(FieldPath path) {
    return call.comesBack().stream()
        .anyMatch(mapping -> mapping.source().equals(new Source.Returned(path)));
  }

  private static Page refuseGroup(FieldPath path) {
    throw new EditRefused(Finding.error("APP_FIELD_GROUP", "field", path.toString()));
  }

  /** The outermost repeated field on the way: its items are the rows. */
  private static Optional<FieldPath> rowsAround(List<Field> way, FieldPath path) {
    for (int i = 0; i < way.size() - 1; i++) {
      if (way.get(i).isRepeated()) {
        return Optional.of(new FieldPath(path.steps().subList(0, i + 1)));
      }
    }
    return Optional.empty();
  }

  private Page addTable(FieldPath rows) {
    PartId id = Bindings.newId(page, "table");
    List<Mapping> mappings = new ArrayList<>(call.comesBack());
    mappings.add(new Mapping(new Target.Rows(id), new Source.Returned(rows)));
    return page.with(new Part.Table(id, Bindings.tableLabel(rows), List.of()))
        .with(call.withComesBack(mappings));
  }

  private Page addToRecord(FieldPath path, Field field) {
    for (Part part : page.parts()) {
      if (part instanceof Part.Record record && isFilledByCall(record.id())) {
        return addItem(page, call, record.id(), path, field);
      }
    }
    PartId id = Bindings.newId(page, "record");
    return addItem(page.with(new Part.Record(id, "", List.of())), call, id, path, field);
  }

  private boolean isFilledByCall(PartId part) {
    return call.comesBack().stream()
        .anyMatch(
            mapping -> mapping.target() instanceof Target.Shown item && item.part().equals(part));
  }

  private Page addItem(Page on, Call from, PartId partId, FieldPath path, Field field) {
    PartId id = Bindings.newId(on, path.last());
    Item item = Bindings.item(shapes, id, path, field);
    Part part =
        on.part(partId)
            .map(
                known ->
                    switch (known) {
                      case Part.Table table -> table.withItems(plus(table.items(), item));
                      case Part.Record record -> record.withItems(plus(record.items(), item));
                      case Part.Form form -> form;
                      case Part.Button button -> button;
                      case Part.Text text -> text;
                    })
            .orElseThrow();
    List<Mapping> mappings = new ArrayList<>(from.comesBack());
    mappings.add(Bindings.shown(partId, id, path));
    return on.with(part).with(from.withComesBack(mappings));
  }

  private static List<Item> plus(List<Item> items, Item item) {
    List<Item> more = new ArrayList<>(items);
    more.add(item);
    return more;
  }

  /** Takes the field off every part that shows it; a table or record left empty goes too. */
  Page drop(FieldPath path) {
    Page changed = page;
    for (Mapping mapping : call.comesBack()) {
      if (mapping.source().equals(new Source.Returned(path))) {
        changed =
            switch (mapping.target()) {
              case Target.Rows rows -> PartEdits.remove(changed, rows.part());
              case Target.Shown item -> PartEdits.removeItem(changed, item.part(), item.item());
              case Target.Parameter none -> changed;
            };
      }
    }
    return changed;
  }
}
