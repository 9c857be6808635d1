package org.mapsel.core.page.plan;

import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.mapping.Reach;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.page.Input;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.Slot;
import org.mapsel.core.page.reach.PageReach;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.SlotId;

/** The returned fields that a page needs; nothing else of an answer has to be read. */
final class WantedFields {

  private final Page page;
  private final PageReach reach;
  private final Map<CallId, Set<FieldPath>> wanted = new HashMap<>();

  private WantedFields(Page page, PageReach reach) {
    this.page = page;
    this.reach = reach;
  }

  static Map<CallId, Set<FieldPath>> of(Page page, PageReach reach) {
    WantedFields fields = new WantedFields(page, reach);
    for (Slot slot : page.slots()) {
      if (!isRowsWithColumns(page, slot.id())) {
        Reach around = reach.of(slot.id());
        fields.add(slot.mapping().source(), around, fields.rowsAround(slot.id()));
      }
    }
    page.inputs()
        .flatMap(input -> input.options().stream())
        .forEach(
            options -> {
              if (options.rows().source() instanceof Source.Returned returned) {
                fields.add(returned.call(), returned.path().then(options.value()));
                fields.add(returned.call(), returned.path().then(options.words()));
              }
            });
    // Of an answer that is wanted as a whole nothing may be left out.
    fields.wanted.values().removeIf(paths -> paths.contains(FieldPath.ROOT));
    return fields.wanted;
  }

  /** Rows alone would keep everything inside them; their columns say what is needed. */
  private static boolean isRowsWithColumns(Page page, SlotId slot) {
    return slot instanceof SlotId.OfPart part
            && part.name().equals(Part.OverRows.ROWS)
            && page.part(part.owner()).filter(table -> !table.items().isEmpty()).isPresent()
        || slot instanceof SlotId.OfPart options && options.name().equals(Input.OPTIONS);
  }

  private Optional<Source> rowsAround(SlotId slot) {
    return switch (slot) {
      case SlotId.OfPart part ->
          page.item(part.owner())
              .map(Page.Inside::part)
              .or(() -> page.part(part.owner()).flatMap(page::rowsAround))
              .flatMap(
                  around ->
                      around instanceof Part.OverRows table
                          ? table.rows().map(Mapping::source)
                          : Optional.empty());
      case SlotId.OfParameter parameter ->
          page.call(parameter.call())
              .flatMap(call -> page.around(call, parameter.parameter()))
              .map(around -> around.mapping().source());
    };
  }

  private void add(Source source, Reach around, Optional<Source> rows) {
    switch (source) {
      case Source.Returned returned -> add(returned.call(), returned.path());
      case Source.Row row ->
          rows.ifPresent(
              list -> {
                if (list instanceof Source.Returned returned) {
                  add(returned.call(), returned.path().then(row.path()));
                }
              });
      case Source.Chosen chosen ->
          page.rowsPart(chosen.part())
              .flatMap(Part.OverRows::rows)
              .ifPresent(
                  list -> {
                    if (list.source() instanceof Source.Returned returned) {
                      add(returned.call(), returned.path().then(chosen.path()));
                    }
                  });
      case Source.Derived derived -> add(derived.record(), around, rows);
      case Source.Formula formula ->
          around
              .variables()
              .forEach(
                  (name, from) -> {
                    if (formula.text().contains(name)) {
                      add(from, around, rows);
                    }
                  });
      case Source.Entered entered -> {}
      case Source.Fixed fixed -> {}
      case Source.Argument argument -> {}
      case Source.Run run -> {}
    }
  }

  private void add(CallId call, FieldPath path) {
    wanted.computeIfAbsent(call, none -> new HashSet<>()).addAll(path.asked());
  }
}
