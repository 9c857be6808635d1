package org.mapsel.core.page;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.mapping.Target;
import org.mapsel.core.page.AppEditor.EditRefused;
import org.mapsel.core.ref.PartId;

/** Edits of the parts of a page. */
final class PartEdits {

  private PartEdits() {}

  static Page relabel(Page page, PartId partId, Optional<PartId> itemId, String label) {
    Part part = part(page, partId);
    if (itemId.isEmpty()) {
      return page.with(part.withLabel(label.strip()));
    }
    if (label.isBlank()) {
      throw new EditRefused(Finding.error("APP_LABEL_EMPTY"));
    }
    String words = label.strip();
    return page.with(
        switch (part) {
          case Part.Form form ->
              form.withInputs(
                  change(form.inputs(), Input::id, itemId.get(), input -> input.withLabel(words)));
          case Part.Table table ->
              table.withItems(
                  change(table.items(), Item::id, itemId.get(), item -> item.withLabel(words)));
          case Part.Record record ->
              record.withItems(
                  change(record.items(), Item::id, itemId.get(), item -> item.withLabel(words)));
          case Part.Button button -> button;
          case Part.Text text -> text;
        });
  }

  static Page moveItem(Page page, PartId partId, PartId itemId, int by) {
    return page.with(
        switch (part(page, partId)) {
          case Part.Form form ->
              form.withInputs(moved(form.inputs(), index(form.inputs(), Input::id, itemId), by));
          case Part.Table table ->
              table.withItems(moved(table.items(), index(table.items(), Item::id, itemId), by));
          case Part.Record record ->
              record.withItems(moved(record.items(), index(record.items(), Item::id, itemId), by));
          case Part.Button button -> button;
          case Part.Text text -> text;
        });
  }

  static Page movePart(Page page, PartId partId, int by) {
    return page.withParts(moved(page.parts(), index(page.parts(), Part::id, partId), by));
  }

  static Page addText(Page page, String text) {
    List<Part> parts = new ArrayList<>(page.parts());
    parts.add(0, new Part.Text(Bindings.newId(page, "text"), text.strip()));
    return page.withParts(parts);
  }

  /** Takes a part away with the mappings to and from it and the reactions to it. */
  static Page remove(Page page, PartId partId) {
    Part gone = part(page, partId);
    Page left =
        page.withParts(page.parts().stream().filter(part -> !part.id().equals(partId)).toList());
    for (Call call : left.calls()) {
      left =
          left.with(
              call.withComesBack(
                      call.comesBack().stream()
                          .filter(mapping -> !goesTo(mapping, partId))
                          .toList())
                  .withGoesIn(
                      call.goesIn().stream()
                          .filter(mapping -> !comesFrom(mapping, gone))
                          .toList()));
    }
    List<Reaction> reactions =
        left.reactions().stream()
            .filter(reaction -> !reaction.when().equals(new Reaction.Trigger.Pressed(partId)))
            .toList();
    return new Page(left.id(), left.name(), left.parts(), left.calls(), reactions);
  }

  private static boolean goesTo(Mapping mapping, PartId part) {
    return switch (mapping.target()) {
      case Target.Rows rows -> rows.part().equals(part);
      case Target.Shown item -> item.part().equals(part);
      case Target.Parameter none -> false;
    };
  }

  private static boolean comesFrom(Mapping mapping, Part part) {
    return part instanceof Part.Form form
        && mapping.source() instanceof Source.Entered entered
        && form.inputs().stream().anyMatch(input -> input.id().equals(entered.input()));
  }

  /** Takes an input, column or field away with its mappings; a part left empty goes too. */
  static Page removeItem(Page page, PartId partId, PartId itemId) {
    Part part =
        switch (part(page, partId)) {
          case Part.Form form ->
              form.withInputs(
                  form.inputs().stream().filter(input -> !input.id().equals(itemId)).toList());
          case Part.Table table -> table.withItems(without(table.items(), itemId));
          case Part.Record record -> record.withItems(without(record.items(), itemId));
          case Part.Button button -> button;
          case Part.Text text -> text;
        };
    Page changed = isEmpty(part) ? remove(page, partId) : page.with(part);
    for (Call call : changed.calls()) {
      changed =
          changed.with(
              call.withComesBack(
                  call.comesBack().stream()
                      .filter(mapping -> !mapping.target().equals(new Target.Shown(partId, itemId)))
                      .toList()));
    }
    return changed;
  }

  private static boolean isEmpty(Part part) {
    return switch (part) {
      case Part.Form form -> form.inputs().isEmpty();
      case Part.Table table -> table.items().isEmpty();
      case Part.Record record -> record.items().isEmpty();
      case Part.Button button -> false;
      case Part.Text text -> false;
    };
  }

  private static List<Item> without(List<Item> items, PartId id) {
    return items.stream().filter(item -> !item.id().equals(id)).toList();
  }

  private static Part part(Page page, PartId id) {
    return page.part(id)
        .orElseThrow(
            () ->
                new EditRefused(
                    Finding.error("APP_PART_MISSING", "part", id.text(), "page", page.name())));
  }

  private static <T> int index(List<T> things, Function<T, PartId> idOf, PartId wanted) {
    for (int i = 0; i < things.size(); i++) {
      if (idOf.apply(things.get(i)).equals(wanted)) {
        return i;
      }
    }
    throw new EditRefused(Finding.error("APP_ITEM_MISSING", "item", wanted.text()));
  }

  private static <T> List<T> change(
      List<T> things, Function<T, PartId> idOf, PartId wanted, UnaryOperator<T> change) {
    int index = index(things, idOf, wanted);
    List<T> changed = new ArrayList<>(things);
    changed.set(index, change.apply(changed.get(index)));
    return changed;
  }

  /** Moving beyond either end stops there. */
  private static <T> List<T> moved(List<T> things, int index, int by) {
    List<T> changed = new ArrayList<>(things);
    T thing = changed.remove(index);
    changed.add(Math.clamp((long) index + by, 0, changed.size()), thing);
    return changed;
  }
}
