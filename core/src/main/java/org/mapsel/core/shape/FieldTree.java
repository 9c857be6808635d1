package org.mapsel.core.shape;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.shape.Shape.OneOf.Reason;

/** The fields below a shape as rows, depth first, each type that contains itself cut once. */
public final class FieldTree {

  /**
   * One field.
   *
   * @param wire the names that lead to it in a message; none for a field without one of its own
   * @param repeats whether it may stand more than once there: it repeats, or a group around it does
   *     that has no name in the message
   * @param needed whether it must have a value whatever else is left out: it and everything around
   *     it is required, and no alternative could stand in its place
   * @param rows the path of the nearest repeated field around it, the root if there is none
   * @param recursive its type is already open further up; nothing below it is listed
   * @param more something below it was left out because of a limit
   */
  public record Row(
      FieldPath path,
      List<String> wire,
      Field field,
      Shape shape,
      boolean repeats,
      boolean needed,
      FieldPath rows,
      boolean recursive,
      boolean more) {

    /** Whether a value can be typed for it: a simple one, or anything. */
    public boolean takesText() {
      return shape instanceof Shape.Scalar || shape instanceof Shape.Open;
    }
  }

  /**
   * How much of a tree is listed.
   *
   * @param depth names that lead to a field in a message
   * @param rows rows in all
   * @param variants whether what may stand in for a field is listed too: derived types, members of
   *     its substitution group
   * @param way what travels only the other way is not listed, nor what is below it
   */
  public record Limit(int depth, int rows, boolean variants, Hints.Direction way) {

    /** What a screen can use at once of a type. */
    public static final Limit SCREEN = new Limit(10, 5_000, true, Hints.Direction.BOTH);

    /** The same of a type as it is sent. */
    public static final Limit SENT = SCREEN.travelling(Hints.Direction.SENT_ONLY);

    /** The same of a type as it comes back. */
    public static final Limit RETURNED = SCREEN.travelling(Hints.Direction.RETURNED_ONLY);

    public Limit travelling(Hints.Direction other) {
      return new Limit(depth, rows, variants, other);
    }
  }

  /** Where the walk is: what it came through. */
  private record Here(
      FieldPath path,
      List<String> wire,
      boolean mixed,
      boolean elementRepeats,
      boolean groupRepeats,
      boolean needed,
      FieldPath rows) {}

  private final Shapes shapes;
  private final Limit limit;
  private final List<Row> rows = new ArrayList<>();
  private final Set<ShapeId> open = new HashSet<>();

  private FieldTree(Shapes shapes, Limit limit) {
    this.shapes = shapes;
    this.limit = limit;
  }

  public static List<Row> rows(Shapes shapes, ShapeId root, Limit limit) {
    return rows(shapes, root, List.of(), limit);
  }

  /**
   * @param wire the names in a message that lead to what the root's fields stand in
   */
  public static List<Row> rows(Shapes shapes, ShapeId root, List<String> wire, Limit limit) {
    FieldTree tree = new FieldTree(shapes, limit);
    tree.open.add(root);
    tree.below(
        root,
        new Here(FieldPath.ROOT, wire, tree.isMixed(root), false, false, true, FieldPath.ROOT));
    return tree.rows;
  }

  private void below(ShapeId id, Here around) {
    boolean neededHere = around.needed && !(shapes.get(id) instanceof Shape.OneOf);
    for (Field field : listed(id)) {
      if (rows.size() >= limit.rows()) {
        return;
      }
      if (!field.hints().direction().isAmong(limit.way())) {
        continue;
      }
      if (!limit.variants() && isVariant(shapes.get(id), shapes.get(field.shape()), field)) {
        continue;
      }
      boolean inside = !shapes.fieldsOf(field.shape()).isEmpty();
      boolean group = field.wire() instanceof Wire.Group || field.wire() instanceof Wire.Kind;
      boolean text = field.wire() instanceof Wire.XmlText;
      boolean whole = isWhole(field.wire());
      FieldPath path = around.path.then(field.name());
      List<String> wire = group || text || whole ? around.wire : step(around.wire, field);
      boolean recursive = inside && open.contains(field.shape());
      boolean variant = !limit.variants() && field.wire() instanceof Wire.Variant;
      boolean more = inside && !recursive && !group && (variant || wire.size() >= limit.depth());
      boolean needed = neededHere && field.isRequired();
      boolean repeats = text ? around.elementRepeats : field.isRepeated() || around.groupRepeats;
      rows.add(
          new Row(
              path,
              group || text && around.mixed || whole && inside ? List.of() : wire,
              field,
              shapes.get(field.shape()),
              repeats,
              needed,
              around.rows,
              recursive,
              more));
      if (inside && !recursive && !more) {
        open.add(field.shape());
        below(
            field.shape(),
            new Here(
                path,
                wire,
                isMixed(field.shape()),
                group ? around.elementRepeats : repeats,
                group && repeats,
                needed,
                field.isRepeated() ? path : around.rows));
        open.remove(field.shape());
      }
    }
  }

  /** Whether it has no name in a message because it is all that stands there. */
  private static boolean isWhole(Wire wire) {
    return wire instanceof Wire.Whole
        || wire instanceof Wire.Body
        || wire instanceof Wire.Variant
        || wire instanceof Wire.EntryName;
  }

  /** Whether text stands between elements, and so has no place of its own. */
  private boolean isMixed(ShapeId id) {
    List<Field> fields = shapes.fieldsOf(id);
    return fields.stream().anyMatch(field -> field.wire() instanceof Wire.XmlText)
        && fields.stream()
            .anyMatch(
                field ->
                    field.wire() instanceof Wire.XmlElement
                        || field.wire() instanceof Wire.XmlAny
                        || field.wire() instanceof Wire.Group && !isKind(field));
  }

  /** Where what stands in for an abstract field is not listed, the field itself is. */
  private List<Field> listed(ShapeId id) {
    return !limit.variants()
            && shapes.get(id) instanceof Shape.OneOf oneOf
            && oneOf.declared().isPresent()
        ? List.of(oneOf.declared().get())
        : shapes.fieldsOf(id);
  }

  private boolean isKind(Field field) {
    return shapes.get(field.shape()) instanceof Shape.OneOf kinds
        && kinds.reason() == Reason.DERIVATION;
  }

  private static boolean isVariant(Shape around, Shape shape, Field field) {
    return shape instanceof Shape.OneOf kinds && kinds.reason() == Reason.DERIVATION
        || around instanceof Shape.OneOf members
            && members.reason() == Reason.SUBSTITUTION
            && members.declared().isEmpty()
            && !members.alternatives().get(0).equals(field);
  }

  private static List<String> step(List<String> around, Field field) {
    if (field.wire() instanceof Wire.SoapHeader header) {
      return List.of(header.name().local());
    }
    List<String> wire = new ArrayList<>(around.size() + 1);
    wire.addAll(around);
    wire.add(field.wire().label());
    return List.copyOf(wire);
  }
}
