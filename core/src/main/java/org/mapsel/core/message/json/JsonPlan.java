package org.mapsel.core.message.json;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.message.Wanted;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.Hints;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Shapes;
import org.mapsel.core.shape.Wire;
import org.mapsel.core.value.Layout;

/**
 * How to read an object into a record: which member goes where, decided once before any message is
 * read. Fields that nobody wants are not even in the layout.
 */
final class JsonPlan {

  /**
   * Where a member goes.
   *
   * @param index its place in the record; -1 if nobody wants it
   * @param plan how to read what is inside; null for a simple value
   */
  record Slot(Field field, Shape shape, int index, @Nullable JsonPlan plan) {}

  private final Plans plans;
  private final Shape shape;
  private final Wanted wanted;
  private @Nullable Layout layout;
  private final Map<String, Slot> members = new HashMap<>();
  private final Map<String, Followed> followed = new HashMap<>();
  private @Nullable Followed lastMember;
  private final Set<String> told = new HashSet<>();
  private List<Slot> required = List.of();
  private @Nullable Slot whole;
  private @Nullable Slot entries;
  private @Nullable Slot kind;
  private List<Slot> alternatives = List.of();

  private JsonPlan(Plans plans, Shape shape, Wanted wanted) {
    this.plans = plans;
    this.shape = shape;
    this.wanted = wanted;
  }

  /** Plans of one reading; whole types are planned once, so recursion ends. */
  private static final class Plans {
    final Shapes shapes;
    final Map<ShapeId, JsonPlan> known = new HashMap<>();

    Plans(Shapes shapes) {
      this.shapes = shapes;
    }

    JsonPlan plan(ShapeId id, Wanted wanted) {
      if (!wanted.isEverything()) {
        return new JsonPlan(this, shapes.get(id), wanted);
      }
      JsonPlan plan = known.get(id);
      if (plan == null) {
        plan = new JsonPlan(this, shapes.get(id), wanted);
        known.put(id, plan);
      }
      return plan;
    }
  }

  /** The plan for a record; an empty set of wanted paths keeps everything. */
  static JsonPlan of(Shapes shapes, ShapeId record, Set<FieldPath> wanted) {
    return new Plans(shapes).plan(record, Wanted.of(wanted));
  }

  Layout layout() {
    Layout known = layout;
    if (known == null) {
      List<Field> fields = plans.shapes.fieldsOf(shape.id());
      known = Layout.of(fields.stream().filter(this::isKept).map(Field::name).toList());
      layout = known;
      fill(fields, known);
    }
    return known;
  }

  private void fill(List<Field> fields, Layout own) {
    List<Slot> always = new ArrayList<>();
    List<Slot> options = new ArrayList<>();
    for (Field field : fields) {
      Shape inner = plans.shapes.get(field.shape());
      boolean keep = isKept(field);
      boolean simple = inner instanceof Shape.Scalar || inner instanceof Shape.Open;
      JsonPlan inside =
          simple || !keep && !(shape instanceof Shape.OneOf)
              ? null
              : plans.plan(field.shape(), keep ? wanted.below(field.name()) : Wanted.everything());
      Slot slot = new Slot(field, inner, keep ? own.indexOf(field.name()) : -1, inside);
      if (shape instanceof Shape.OneOf) {
        options.add(slot);
        continue;
      }
      switch (field.wire()) {
        case Wire.Whole none -> whole = slot;
        case Wire.Entries none -> entries = slot;
        case Wire.Group none -> kind = slot;
        default -> {
          members.put(field.wire().label(), slot);
          // Of what is only ever sent nothing is missing in an answer.
          if (keep
              && field.isRequired()
              && field.hints().direction() != Hints.Direction.SENT_ONLY) {
            always.add(slot);
          }
        }
      }
    }
    required = always;
    alternatives = options;
  }

  private boolean isKept(Field field) {
    return wanted.has(field.name());
  }

  /** Where the member of a name goes; null if it was not announced. */
  @Nullable Slot member(String name) {
    // Members come in the same order in every object.
    Followed last = lastMember;
    Followed here = last == null ? null : last.next;
    if (here == null || !here.name.equals(name)) {
      here = followed.get(name);
      if (here == null) {
        Slot slot = members.get(name);
        if (slot == null) {
          return null;
        }
        here = new Followed(name, slot);
        followed.put(name, here);
      }
      if (last != null) {
        last.next = here;
      }
    }
    lastMember = here;
    return here.slot;
  }

  /** A member that came, and what came after it the last time. */
  private static final class Followed {
    final String name;
    final Slot slot;
    @Nullable Followed next;

    Followed(String name, Slot slot) {
      this.name = name;
      this.slot = slot;
    }
  }

  Shape shape() {
    return shape;
  }

  /** The fields that must be there. */
  List<Slot> required() {
    layout();
    return required;
  }

  /** The field that is all there is of the record. */
  @Nullable Slot whole() {
    layout();
    return whole;
  }

  /** Where members go that nobody declared. */
  @Nullable Slot entries() {
    return entries;
  }

  /** Where the members of one of several types go. */
  @Nullable Slot kind() {
    layout();
    return kind;
  }

  /** The types to choose from. */
  List<Slot> alternatives() {
    layout();
    return alternatives;
  }

  /** Names of the members that are announced. */
  Set<String> names() {
    layout();
    return members.keySet();
  }

  /** Whether this is the first time that something is told of a field of this plan. */
  boolean isNews(String field, String what) {
    return told.add(what + " " + field);
  }

  static JsonPlan inside(Slot slot) {
    return Objects.requireNonNull(slot.plan());
  }
}
