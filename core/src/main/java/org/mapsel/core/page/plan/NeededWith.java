package org.mapsel.core.page.plan;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.page.Call;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.reach.PageReach;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.SlotId;
import org.mapsel.core.shape.FieldTree;

/**
 * Finds the records that cannot be sent without what an input fills, though they may be left out.
 */
final class NeededWith {

  private NeededWith() {}

  /**
   * The ways to these records by the parameter that they need, from the inside out. What must be
   * sent in any case is not among them, nor what is filled on lines.
   */
  static Map<SlotId, List<FieldPath>> of(Page page, PageReach reach) {
    Map<SlotId, List<FieldPath>> all = new LinkedHashMap<>();
    for (Call call : page.calls()) {
      Map<FieldPath, FieldTree.Row> rows = reach.parameters(call.id());
      for (Call.Parameter parameter : call.parameters()) {
        SlotId.OfParameter slot = new SlotId.OfParameter(page.id(), call.id(), parameter.path());
        if (parameter.mapping().source() instanceof Source.Entered
            && page.linesOf(parameter.mapping()).isEmpty()
            && page.around(call, parameter.path()).isEmpty()
            && !reach.isNeeded(slot)) {
          List<FieldPath> records = records(rows, parameter.path());
          if (!records.isEmpty()) {
            all.put(slot, records);
          }
        }
      }
    }
    return all;
  }

  private static List<FieldPath> records(Map<FieldPath, FieldTree.Row> rows, FieldPath parameter) {
    List<FieldPath> records = new ArrayList<>();
    FieldPath path = parameter;
    while (path.length() > 1 && isRequired(rows, path)) {
      path = path.first(path.length() - 1);
      records.add(path);
    }
    return records;
  }

  /** Whether what is right around a field must have a value of it that nobody else gives. */
  private static boolean isRequired(Map<FieldPath, FieldTree.Row> rows, FieldPath path) {
    return PageReach.isRequiredWithin(rows, path)
        && !rows.get(path).field().nillable()
        && rows.get(path).field().assumed().isEmpty();
  }
}
