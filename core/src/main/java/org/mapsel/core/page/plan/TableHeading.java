package org.mapsel.core.page.plan;

import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.model.Labels;
import org.mapsel.core.model.RecordType;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Call;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.reach.PageReach;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.Step;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.OperationWire;

/** The words over a table that nobody gave any: what is in it. */
final class TableHeading {

  /** What lists are called that say nothing of what is in them. */
  private static final Set<String> EMPTY_WORDS =
      Set.of(
          "rows",
          "row",
          "items",
          "item",
          "results",
          "result",
          "entries",
          "entry",
          "list",
          "value",
          "values",
          "data",
          "records",
          "record",
          "body",
          "content",
          "elements",
          "return");

  private TableHeading() {}

  static String of(App app, Page page, PageReach reach, Part.OverRows table) {
    if (!(table.rows().map(Mapping::source).orElse(null) instanceof Source.Returned rows)) {
      return "";
    }
    String name = nameOf(reach, rows);
    if (!EMPTY_WORDS.contains(name.toLowerCase(Locale.ROOT)) && !name.isEmpty()) {
      return Labels.of(name);
    }
    Optional<Call> call = page.call(rows.call());
    return reach
        .pinned(rows.call())
        .flatMap(pinned -> entities(pinned.operation()))
        .or(() -> reach.recordType(rows, reach.outside()).map(RecordType::name))
        .or(() -> call.map(known -> Labels.of(known.operation().text())))
        .orElse(Labels.of(name));
  }

  private static String nameOf(PageReach reach, Source.Returned rows) {
    if (rows.path().isRoot() || !hasName(rows.path())) {
      return "";
    }
    return reach
        .pinned(rows.call())
        .map(at -> at.service().shapes().nameOfList(at.operation().output(), rows.path()))
        .orElse(rows.path().last());
  }

  private static boolean hasName(FieldPath path) {
    return path.steps().stream().anyMatch(Step.Name.class::isInstance);
  }

  /** A set of entities, or the way from one to others. */
  private static Optional<String> entities(Operation operation) {
    return operation.wires().stream()
        .filter(OperationWire.Entities.class::isInstance)
        .map(wire -> lastStep((OperationWire.Entities) wire))
        .map(Labels::of)
        .findFirst();
  }

  /**
   * The last step of the way to entities: their set, a navigation, or what a function is called.
   */
  private static String lastStep(OperationWire.Entities entities) {
    String path = entities.path().replaceAll("\\([^)]*\\)", "");
    return path.substring(Math.max(path.lastIndexOf('/'), path.lastIndexOf('.')) + 1);
  }
}
