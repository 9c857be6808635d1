package org.mapsel.core.page.check;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.mapsel.core.drift.Difference;
import org.mapsel.core.model.FieldRef;
import org.mapsel.core.page.edit.AppEdit;
import org.mapsel.core.page.edit.FollowField;
import org.mapsel.core.page.edit.FollowOperation;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.shape.Field;

/** The edits that follow fields and operations which are elsewhere in another edition. */
record FollowedFields(String service, Service before, Service after) {

  /** The deepest first: a field is found by the groups around it, as long as these are there. */
  List<AppEdit> follow(List<Difference> differences) {
    Map<AppEdit, Integer> follows = new LinkedHashMap<>();
    Map<OperationId, OperationId> renamed = new HashMap<>();
    for (Difference one : differences) {
      if (!one.operationNow().equals(one.operation())) {
        renamed.put(one.operation(), one.operationNow());
        follows.put(new FollowOperation(service, one.operation(), one.operationNow()), 0);
      }
    }
    for (Difference one : differences) {
      if (one.renamed().isPresent() && one.side().isPresent()) {
        follow(one, renamed.getOrDefault(one.operation(), one.operation()), follows);
      }
    }
    return follows.entrySet().stream()
        .sorted(Comparator.comparing(Map.Entry<AppEdit, Integer>::getValue).reversed())
        .map(Map.Entry::getKey)
        .toList();
  }

  private void follow(Difference one, OperationId now, Map<AppEdit, Integer> follows) {
    Ways ways =
        new Ways(
            root(before, one.operation(), one),
            one.path(),
            root(after, now, one),
            one.renamed().orElseThrow());
    List<Integer> levels = ways.renamedLevels();
    if (!levels.isEmpty()) {
      for (int level : levels) {
        ways.edit(level, level, level - 1).ifPresent(edit -> follows.put(edit, level));
      }
      return;
    }
    int common = ways.common();
    if (!ways.crossLists(common)) {
      int length = ways.was.length();
      ways.edit(length, ways.is.length(), common).ifPresent(edit -> follows.put(edit, length));
    }
  }

  private static ShapeId root(Service service, OperationId id, Difference one) {
    Operation operation = service.getOperation(id);
    return one.side().orElseThrow() == Difference.Side.IN ? operation.input() : operation.output();
  }

  /** The way to a field in one edition beside that in the other. */
  private final class Ways {

    private final ShapeId oldRoot;
    private final FieldPath was;
    private final ShapeId newRoot;
    private final FieldPath is;
    private final List<Field> old;
    private final List<Field> now;

    Ways(ShapeId oldRoot, FieldPath was, ShapeId newRoot, FieldPath is) {
      this.oldRoot = oldRoot;
      this.was = was;
      this.newRoot = newRoot;
      this.is = is;
      this.old = before.shapes().way(oldRoot, was);
      this.now = after.shapes().way(newRoot, is);
    }

    /**
     * The lengths of the ways at which something is called otherwise, where that is all that
     * differs: what has a new name has left the old one, and nothing else had the new one.
     */
    List<Integer> renamedLevels() {
      List<Integer> levels = new ArrayList<>();
      boolean other = was.length() != is.length() || old.size() != now.size();
      for (int i = 0; i < was.length() && !other; i++) {
        if (!was.steps().get(i).equals(is.steps().get(i))) {
          levels.add(i + 1);
          FieldPath oldName = is.first(i).then(was.steps().get(i));
          FieldPath newName = was.first(i).then(is.steps().get(i));
          other =
              old.get(i).isRepeated() != now.get(i).isRepeated()
                  || !after.shapes().way(newRoot, oldName).isEmpty()
                  || !before.shapes().way(oldRoot, newName).isEmpty();
        }
      }
      return other ? List.of() : levels;
    }

    /** The length of the way that both have before they part. */
    int common() {
      int common = 0;
      while (common < Math.min(was.length(), is.length()) - 1
          && was.steps().get(common).equals(is.steps().get(common))) {
        common++;
      }
      return common;
    }

    /** Whether one leads through a list after they have parted: then it is of other rows. */
    boolean crossLists(int common) {
      return old.isEmpty()
          || now.isEmpty()
          || old.subList(common, old.size() - 1).stream().anyMatch(Field::isRepeated)
          || now.subList(common, now.size() - 1).stream().anyMatch(Field::isRepeated);
    }

    private Optional<AppEdit> edit(int oldLength, int newLength, int common) {
      FieldPath from = was.first(oldLength);
      FieldPath to = is.first(newLength);
      Optional<FieldRef> field = FieldRef.at(service, before.shapes(), oldRoot, from);
      Optional<FieldRef> next = FieldRef.at(service, after.shapes(), newRoot, to);
      return field.isEmpty() || next.isEmpty()
          ? Optional.empty()
          : Optional.of(
              new FollowField(
                  field.get(),
                  next.get(),
                  from.below(was.first(common)),
                  to.below(is.first(common))));
    }
  }
}
