package org.mapsel.core.drift;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Supplier;
import java.util.stream.Stream;
import org.mapsel.core.pairing.Grade;
import org.mapsel.core.pairing.Lexicon;
import org.mapsel.core.pairing.Pairer;
import org.mapsel.core.pairing.PairingField;
import org.mapsel.core.pairing.PairingFields;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.service.Endpoint;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.OperationWire;
import org.mapsel.core.service.SeenSamples;
import org.mapsel.core.service.Service;
import org.mapsel.core.shape.Facets;
import org.mapsel.core.shape.FieldTree;
import org.mapsel.core.shape.Hints;
import org.mapsel.core.shape.ScalarType;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Shapes;
import org.mapsel.core.value.RecordValue;

/** Compares two editions of a service. */
public final class Drift {

  private static final FieldTree.Limit LIMIT =
      new FieldTree.Limit(10, 5_000, false, Hints.Direction.BOTH);
  private static final Set<ScalarType> NUMBERS =
      Set.of(ScalarType.INTEGER, ScalarType.DECIMAL, ScalarType.FLOAT);

  private final Service before;
  private final Service after;
  private final String service;
  private final SeenSamples seen;
  private final List<Difference> differences = new ArrayList<>();

  private final Trees.Edition treesBefore;
  private final Trees.Edition treesAfter;

  private Drift(Service before, Service after, String service, SeenSamples seen) {
    this.before = before;
    this.after = after;
    this.service = service;
    this.seen = seen;
    Trees trees = new Trees();
    treesBefore = trees.new Edition(before.shapes());
    treesAfter = trees.new Edition(after.shapes());
  }

  /** Everything that differs, the worst first, else in the order of the old edition. */
  public static List<Difference> between(Service before, Service after) {
    return between(before, after, "", SeenSamples.NONE);
  }

  /**
   * Likewise; fields that are called otherwise are recognised by values too.
   *
   * @param service what the service is called where samples are kept
   * @param seen what was sent and answered, in whichever of both editions
   */
  public static List<Difference> between(
      Service before, Service after, String service, SeenSamples seen) {
    Drift drift = new Drift(before, after, service, seen);
    drift.operations();
    return drift.sorted();
  }

  /** Everything that differs between an operation in one edition and in another, likewise. */
  public static List<Difference> between(
      Service before,
      Operation was,
      Service after,
      Operation is,
      String service,
      SeenSamples seen) {
    Drift drift = new Drift(before, after, service, seen);
    drift.compare(was, is);
    return drift.sorted();
  }

  private List<Difference> sorted() {
    return differences.stream().sorted(Comparator.comparing(Difference::harm)).toList();
  }

  /** The operations that are called otherwise now: the new ids by the old ones. */
  public static Map<OperationId, OperationId> renamedOperations(Service before, Service after) {
    return new Drift(before, after, "", SeenSamples.NONE).renamedOperations();
  }

  private Map<OperationId, OperationId> renamedOperations() {
    return RenamedOperations.between(before, treesBefore, after, treesAfter);
  }

  private void operations() {
    Map<OperationId, OperationId> renamed = renamedOperations();
    Set<OperationId> newNames = Set.copyOf(renamed.values());
    for (OperationId id : before.operations().ids()) {
      Optional<Operation> now = after.findOperation(renamed.getOrDefault(id, id));
      if (now.isEmpty()) {
        whole(Harm.BREAKS, Difference.Kind.REMOVED, id, id.text(), "");
        continue;
      }
      if (renamed.containsKey(id)) {
        whole(Harm.BREAKS, Difference.Kind.RENAMED, id, id.text(), renamed.get(id).text());
      }
      compare(before.getOperation(id), now.get());
    }
    for (OperationId id : after.operations().ids()) {
      if (before.findOperation(id).isEmpty() && !newNames.contains(id)) {
        whole(Harm.ADDS, Difference.Kind.ADDED, id, "", id.text());
      }
    }
  }

  private void whole(Harm harm, Difference.Kind kind, OperationId id, String was, String is) {
    differences.add(
        new Difference(
            harm, kind, id, Optional.empty(), FieldPath.ROOT, Optional.empty(), was, is));
  }

  private void compare(Operation was, Operation is) {
    String from = address(before, was);
    String to = address(after, is);
    if (!from.equals(to)) {
      whole(Harm.MAY_BREAK, Difference.Kind.ADDRESS, was.id(), from, to);
    }
    compare(was.id(), is.id(), Difference.Side.IN, was.input(), is.input());
    compare(was.id(), is.id(), Difference.Side.OUT, was.output(), is.output());
  }

  /** Where an operation is asked, over the endpoint that is preferred. */
  private static String address(Service service, Operation operation) {
    return operation.wires().stream()
        .findFirst()
        .map(
            wire -> {
              String base = service.findEndpoint(wire.endpoint()).map(Endpoint::address).orElse("");
              return switch (wire) {
                case OperationWire.Rest rest -> rest.method() + " " + base + rest.path();
                case OperationWire.Entities entities ->
                    entities.method() + " " + base + entities.path();
                default -> base;
              };
            })
        .orElse("");
  }

  private void compare(
      OperationId id, OperationId idNow, Difference.Side side, ShapeId was, ShapeId is) {
    if (treesBefore.number(was) == treesAfter.number(is)) {
      return;
    }
    Map<FieldPath, FieldTree.Row> old = rows(before.shapes(), was);
    Map<FieldPath, FieldTree.Row> now = rows(after.shapes(), is);
    Map<FieldPath, FieldPath> renamed = renamed(old, now, was, is, () -> seen(id, idNow, side));
    Set<FieldPath> met = new HashSet<>(renamed.values());
    for (FieldTree.Row row : old.values()) {
      FieldPath path = row.path();
      FieldTree.Row other = now.get(path);
      if (other != null) {
        fields(id, side, row, other);
      } else if (renamed.containsKey(path)) {
        FieldPath to = renamed.get(path);
        differences.add(
            new Difference(
                Harm.BREAKS,
                Difference.Kind.RENAMED,
                id,
                Optional.of(side),
                path,
                Optional.of(to),
                path.toString(),
                to.toString()));
        fields(id, side, row, now.get(to));
      } else if (!isBelowGone(path, now) && !isGroupOf(path, renamed)) {
        add(Harm.BREAKS, Difference.Kind.REMOVED, id, side, path, type(row), "");
      }
    }
    for (FieldTree.Row row : now.values()) {
      if (!old.containsKey(row.path())
          && !met.contains(row.path())
          && !isBelowGone(row.path(), old)
          && !isGroupOf(row.path(), inverted(renamed))) {
        boolean asked =
            side == Difference.Side.IN
                && row.field().isRequired()
                && row.field().assumed().isEmpty();
        add(
            asked ? Harm.BREAKS : Harm.ADDS,
            Difference.Kind.ADDED,
            id,
            side,
            row.path(),
            "",
            type(row) + (asked ? ", required" : ""));
      }
    }
  }

  private static Map<FieldPath, FieldPath> inverted(Map<FieldPath, FieldPath> pairs) {
    Map<FieldPath, FieldPath> inverted = new HashMap<>();
    pairs.forEach((one, other) -> inverted.put(other, one));
    return inverted;
  }

  /** What was sent or answered under either name. */
  private List<RecordValue> seen(OperationId id, OperationId idNow, Difference.Side side) {
    return Stream.of(id, idNow)
        .distinct()
        .flatMap(
            one ->
                (side == Difference.Side.IN ? seen.sent(service, one) : seen.answered(service, one))
                    .stream())
        .toList();
  }

  private static Map<FieldPath, FieldTree.Row> rows(Shapes shapes, ShapeId root) {
    Map<FieldPath, FieldTree.Row> rows = new LinkedHashMap<>();
    FieldTree.rows(shapes, root, LIMIT).forEach(row -> rows.put(row.path(), row));
    return rows;
  }

  /** What stands in a group that is not there any more is told of once, with the group. */
  private static boolean isBelowGone(FieldPath path, Map<FieldPath, FieldTree.Row> there) {
    return path.length() > 1 && !there.containsKey(path.first(path.length() - 1));
  }

  /** A group whose fields all have other places now is told of by them. */
  private static boolean isGroupOf(FieldPath path, Map<FieldPath, FieldPath> renamed) {
    return renamed.keySet().stream()
        .anyMatch(one -> one.length() > path.length() && one.startsWith(path));
  }

  /** Fields that are gone, with those that are new and look to be the same. */
  private Map<FieldPath, FieldPath> renamed(
      Map<FieldPath, FieldTree.Row> old,
      Map<FieldPath, FieldTree.Row> now,
      ShapeId was,
      ShapeId is,
      Supplier<List<RecordValue>> values) {
    if (now.keySet().containsAll(old.keySet()) || old.keySet().containsAll(now.keySet())) {
      return Map.of();
    }
    List<RecordValue> known = values.get();
    List<PairingField> gone =
        PairingFields.of(before.shapes(), was, FieldPath.ROOT, Hints.Direction.BOTH, known).stream()
            .filter(field -> !now.containsKey(field.path()))
            .toList();
    List<PairingField> added =
        PairingFields.of(after.shapes(), is, FieldPath.ROOT, Hints.Direction.BOTH, known).stream()
            .filter(field -> !old.containsKey(field.path()))
            .toList();
    Map<FieldPath, FieldPath> renamed = new HashMap<>();
    if (!gone.isEmpty() && !added.isEmpty()) {
      new Pairer(Lexicon.shipped())
          .pair(gone, added).pairs().stream()
              .filter(pair -> pair.grade() != Grade.GUESS)
              .forEach(pair -> renamed.put(pair.left().path(), pair.right().path()));
    }
    return renamed;
  }

  private void add(
      Harm harm,
      Difference.Kind kind,
      OperationId id,
      Difference.Side side,
      FieldPath path,
      String was,
      String is) {
    differences.add(
        new Difference(harm, kind, id, Optional.of(side), path, Optional.empty(), was, is));
  }

  private static String type(FieldTree.Row row) {
    return row.shape() instanceof Shape.Scalar scalar ? scalar.type().words() : "group";
  }

  private void fields(OperationId id, Difference.Side side, FieldTree.Row was, FieldTree.Row is) {
    boolean in = side == Difference.Side.IN;
    FieldPath path = was.path();
    types(id, side, was, is);
    if (was.repeats() != is.repeats()) {
      add(
          Harm.BREAKS,
          Difference.Kind.REPEATED,
          id,
          side,
          path,
          was.repeats() ? "several" : "one",
          is.repeats() ? "several" : "one");
    }
    boolean needed = was.field().isRequired();
    boolean needs = is.field().isRequired();
    if (needed != needs) {
      Harm harm = in ? needs ? Harm.BREAKS : Harm.ADDS : needs ? Harm.ADDS : Harm.MAY_BREAK;
      add(
          harm,
          Difference.Kind.REQUIRED,
          id,
          side,
          path,
          needed ? "required" : "optional",
          needs ? "required" : "optional");
    }
    if (!was.field().documentation().equals(is.field().documentation())) {
      add(
          Harm.ADDS,
          Difference.Kind.DOCUMENTATION,
          id,
          side,
          path,
          was.field().documentation(),
          is.field().documentation());
    }
  }

  private void types(OperationId id, Difference.Side side, FieldTree.Row was, FieldTree.Row is) {
    if (!type(was).equals(type(is))) {
      add(
          harm(side, was.shape(), is.shape()),
          Difference.Kind.TYPE,
          id,
          side,
          was.path(),
          type(was),
          type(is));
      return;
    }
    if (was.shape() instanceof Shape.Scalar one && is.shape() instanceof Shape.Scalar other) {
      codes(id, side, was.path(), one.facets(), other.facets());
      LimitChange.between(one.facets(), other.facets())
          .ifPresent(
              change ->
                  add(
                      side == Difference.Side.IN && change.narrower() ? Harm.MAY_BREAK : Harm.ADDS,
                      Difference.Kind.LIMITS,
                      id,
                      side,
                      was.path(),
                      change.before(),
                      change.after()));
    }
  }

  /** Any value of the old type may fit the new one, if that is sent; the other way for answers. */
  private static Harm harm(Difference.Side side, Shape was, Shape is) {
    if (!(was instanceof Shape.Scalar one) || !(is instanceof Shape.Scalar other)) {
      return Harm.BREAKS;
    }
    ScalarType narrow = side == Difference.Side.IN ? one.type() : other.type();
    ScalarType wide = side == Difference.Side.IN ? other.type() : one.type();
    boolean fits =
        wide == ScalarType.TEXT || narrow == ScalarType.INTEGER && NUMBERS.contains(wide);
    boolean numbers = NUMBERS.contains(narrow) && NUMBERS.contains(wide);
    return fits ? Harm.ADDS : numbers || narrow == ScalarType.TEXT ? Harm.MAY_BREAK : Harm.BREAKS;
  }

  private void codes(OperationId id, Difference.Side side, FieldPath path, Facets was, Facets is) {
    Set<String> gone = new TreeSet<>(was.enumeration());
    is.enumeration().forEach(gone::remove);
    Set<String> added = new TreeSet<>(is.enumeration());
    was.enumeration().forEach(added::remove);
    boolean in = side == Difference.Side.IN;
    if (is.enumeration().isEmpty() && !was.enumeration().isEmpty()) {
      add(
          in ? Harm.ADDS : Harm.MAY_BREAK,
          Difference.Kind.CODES,
          id,
          side,
          path,
          String.join(", ", was.enumeration()),
          "anything");
      return;
    }
    if (!gone.isEmpty() || was.enumeration().isEmpty() && !is.enumeration().isEmpty()) {
      add(
          in ? Harm.BREAKS : Harm.ADDS,
          Difference.Kind.CODES,
          id,
          side,
          path,
          gone.isEmpty() ? "anything" : String.join(", ", gone),
          gone.isEmpty() ? String.join(", ", is.enumeration()) : "");
    }
    if (!added.isEmpty() && !was.enumeration().isEmpty()) {
      add(
          in ? Harm.ADDS : Harm.MAY_BREAK,
          Difference.Kind.CODES,
          id,
          side,
          path,
          "",
          String.join(", ", added));
    }
  }
}
