package org.mapsel.core.page.start;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.mapsel.core.model.FieldRef;
import org.mapsel.core.model.Model;
import org.mapsel.core.page.ServiceLookup.Pinned;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.shape.FieldTree;
import org.mapsel.core.shape.FieldTree.Row;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Wire;

/** What an operation answers: which list it is about, and which of its fields tell most. */
final class AnswerFields {

  private static final int USUAL_COLUMNS = 6;
  private static final int USUAL_FIELDS = 14;

  /**
   * A simple field.
   *
   * @param list the outermost list that it stands in, as tables have it; the root if in none
   */
  private record Leaf(Row row, FieldPath list) {

    boolean isDirectlyIn(FieldPath other) {
      return row.rows().equals(other);
    }
  }

  private final Pinned pinned;
  private final DescribedColumns columns;
  private final List<Leaf> leaves;

  private AnswerFields(Pinned pinned, DescribedColumns columns, List<Leaf> leaves) {
    this.pinned = pinned;
    this.columns = columns;
    this.leaves = leaves;
  }

  static AnswerFields of(Service service, Operation operation) {
    return of(new Pinned(service, operation));
  }

  static AnswerFields of(Pinned pinned) {
    DescribedColumns columns = DescribedColumns.of(pinned.service(), pinned.operation());
    Map<FieldPath, FieldPath> outermost = new HashMap<>();
    outermost.put(FieldPath.ROOT, FieldPath.ROOT);
    Set<FieldPath> entries = new HashSet<>();
    List<Leaf> leaves = new ArrayList<>();
    for (Row row :
        FieldTree.rows(
            pinned.service().shapes(), pinned.operation().output(), FieldTree.Limit.RETURNED)) {
      FieldPath list = outermost.get(row.rows());
      if (row.field().isRepeated()) {
        outermost.put(row.path(), list.isRoot() ? row.path() : list);
      }
      if (row.field().wire() instanceof Wire.Entries) {
        entries.add(row.path());
      }
      // Of entries that may be anything, names alone tell little.
      boolean told =
          row.shape() instanceof Shape.Scalar
              || row.shape() instanceof Shape.Open
                  && entries.contains(row.path().first(row.path().length() - 1));
      if (told && columns.isOwn(row, list)) {
        leaves.add(new Leaf(row, list));
      }
    }
    return new AnswerFields(pinned, columns, leaves);
  }

  /**
   * The list that an answer is about: the one with most fields, the outermost of equals. The root
   * if there is none, or the answer is one thing whatever lists that has.
   */
  FieldPath rows() {
    return columns.isOne() ? FieldPath.ROOT : largestList();
  }

  private FieldPath largestList() {
    Map<FieldPath, Integer> weight = new LinkedHashMap<>();
    for (Leaf leaf : leaves) {
      if (!leaf.list().isRoot()) {
        weight.merge(leaf.list(), 1, Integer::sum);
      }
    }
    FieldPath best = FieldPath.ROOT;
    for (Map.Entry<FieldPath, Integer> entry : weight.entrySet()) {
      if (best.isRoot() || entry.getValue() > weight.get(best)) {
        best = entry.getKey();
      }
    }
    return best;
  }

  /**
   * The fields that a page shows if nobody says which: those of the list, after those around it if
   * they are more.
   *
   * @param service its id in the workspace
   */
  List<FieldPath> telling(String service, Model model) {
    FieldPath list = largestList();
    List<Leaf> single = visible(FieldPath.ROOT, service, model);
    if (list.isRoot()) {
      return paths(described(single, FieldPath.ROOT, USUAL_FIELDS));
    }
    List<Leaf> listed = described(visible(list, service, model), list, USUAL_COLUMNS);
    boolean isOne = columns.isOne() || single.size() > visible(list, service, model).size();
    return isOne
        ? paths(
            Stream.concat(described(single, FieldPath.ROOT, USUAL_FIELDS).stream(), listed.stream())
                .toList())
        : paths(listed);
  }

  /** Those of a list itself, of lists in it only if it has none; hidden ones only if all are. */
  private List<Leaf> visible(FieldPath list, String service, Model model) {
    List<Leaf> inside = leaves.stream().filter(leaf -> leaf.list().equals(list)).toList();
    List<Leaf> direct = inside.stream().filter(leaf -> leaf.isDirectlyIn(list)).toList();
    List<Leaf> all = direct.isEmpty() ? inside : direct;
    List<Leaf> shown = all.stream().filter(leaf -> !isHidden(service, model, leaf.row())).toList();
    return shown.isEmpty() ? all : shown;
  }

  private List<Leaf> described(List<Leaf> from, FieldPath list, int usual) {
    List<FieldPath> named = columns.described(list);
    List<Leaf> described =
        named.stream()
            .flatMap(path -> from.stream().filter(leaf -> leaf.row().path().equals(path)))
            .toList();
    return described.isEmpty() ? from.stream().limit(usual).toList() : described;
  }

  private static List<FieldPath> paths(List<Leaf> leaves) {
    return leaves.stream().map(leaf -> leaf.row().path()).toList();
  }

  private boolean isHidden(String service, Model model, Row leaf) {
    return FieldRef.at(service, pinned.service().shapes(), pinned.operation().output(), leaf.path())
        .flatMap(ref -> model.set(ref).hidden())
        .orElse(leaf.field().hints().hidden());
  }
}
