package org.mapsel.core.message.soap;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.Name;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Shapes;
import org.mapsel.core.shape.Wire;
import org.mapsel.core.value.Layout;

/**
 * How to read the content of an element into a record: which child goes where, decided once before
 * any message is read. Fields that nobody wants are not even in the layout.
 */
final class ReadPlan {

  private final Plans plans;
  private final List<Field> fields;
  private final boolean choice;

  /** The fields wanted inside; null keeps everything. */
  private final @Nullable Set<FieldPath> wanted;

  private @Nullable Layout layout;
  private final Map<String, List<Slot>> elements = new HashMap<>();
  private final Map<String, List<Slot>> headers = new HashMap<>();
  private final Map<String, Slot> attributes = new HashMap<>();
  private @Nullable Slot text;
  private @Nullable Slot any;

  private ReadPlan(
      Plans plans, List<Field> fields, boolean choice, @Nullable Set<FieldPath> wanted) {
    this.plans = plans;
    this.fields = fields;
    this.choice = choice;
    this.wanted = wanted;
  }

  /** The plan for a record; an empty set of wanted paths keeps everything. */
  static ReadPlan of(Shapes shapes, ShapeId record, Set<FieldPath> wanted) {
    return new Plans(shapes).plan(record, wanted.isEmpty() ? null : wanted);
  }

  /** Plans of one reading; whole types are planned once, so recursion ends. */
  private static final class Plans {

    final Shapes shapes;
    final Map<ShapeId, ReadPlan> whole = new HashMap<>();

    Plans(Shapes shapes) {
      this.shapes = shapes;
    }

    ReadPlan plan(ShapeId id, @Nullable Set<FieldPath> wanted) {
      if (wanted != null) {
        return create(id, wanted);
      }
      ReadPlan known = whole.get(id);
      if (known == null) {
        known = create(id, null);
        whole.put(id, known);
      }
      return known;
    }

    private ReadPlan create(ShapeId id, @Nullable Set<FieldPath> wanted) {
      return new ReadPlan(this, shapes.fieldsOf(id), shapes.get(id) instanceof Shape.OneOf, wanted);
    }
  }

  Layout layout() {
    Layout known = layout;
    if (known == null) {
      known = Layout.of(fields.stream().filter(this::isKept).map(Field::name).toList());
      layout = known;
      fillSlots(this, List.of(), new HashSet<>(), true);
    }
    return known;
  }

  boolean isChoice() {
    return choice;
  }

  private boolean isKept(Field field) {
    return wanted == null
        || wanted.stream()
            .anyMatch(path -> !path.isRoot() && path.steps().get(0).equals(field.name()));
  }

  /** What is wanted below a field: null for everything. */
  private @Nullable Set<FieldPath> wantedBelow(Field field) {
    if (wanted == null) {
      return null;
    }
    Set<FieldPath> below = new HashSet<>();
    for (FieldPath path : wanted) {
      if (!path.isRoot() && path.steps().get(0).equals(field.name())) {
        if (path.length() == 1) {
          return null;
        }
        below.add(path.below(FieldPath.of(field.name())));
      }
    }
    return below;
  }

  /** What is not kept gets slots too: it is announced, and so nothing to wonder about. */
  private void fillSlots(
      ReadPlan target, List<Slot.GroupStep> groups, Set<ShapeId> open, boolean keepAny) {
    Layout own = layout();
    for (Field field : fields) {
      boolean keep = keepAny && isKept(field);
      int index = own.indexOf(field.name());
      Shape shape = plans.shapes.get(field.shape());
      boolean simple = shape instanceof Shape.Scalar || shape instanceof Shape.Open;
      ReadPlan inside = simple || !keep ? null : plans.plan(field.shape(), wantedBelow(field));
      switch (field.wire()) {
        case Wire.XmlElement element ->
            put(
                target.elements,
                new Slot(field, element.name(), groups, index, shape, inside, keep));
        case Wire.SoapHeader header ->
            put(target.headers, new Slot(field, header.name(), groups, index, shape, inside, keep));
        case Wire.XmlAttribute attribute ->
            target.attributes.putIfAbsent(
                attribute.name().local(),
                new Slot(field, attribute.name(), groups, index, shape, null, keep));
        case Wire.XmlText none ->
            target.text = new Slot(field, Name.of("", ""), groups, index, shape, null, keep);
        case Wire.XmlAny none ->
            target.any = new Slot(field, Name.of("", "*"), groups, index, shape, null, keep);
        case Wire.Group group -> {
          ReadPlan members = inside == null ? plans.plan(field.shape(), null) : inside;
          if (!simple && open.add(field.shape())) {
            List<Slot.GroupStep> deeper = new ArrayList<>(groups);
            deeper.add(new Slot.GroupStep(index, field.isRepeated(), members));
            members.fillSlots(target, List.copyOf(deeper), open, keep);
            open.remove(field.shape());
          }
        }
      }
    }
  }

  private static void put(Map<String, List<Slot>> slots, Slot slot) {
    slots.computeIfAbsent(slot.name().local(), local -> new ArrayList<>(1)).add(slot);
  }

  /** Everywhere an element of this local name may go; empty if nowhere. */
  List<Slot> elements(String local) {
    layout();
    return elements.getOrDefault(local, List.of());
  }

  List<Slot> headers(String local) {
    layout();
    return headers.getOrDefault(local, List.of());
  }

  Optional<Slot> attribute(String local) {
    return Optional.ofNullable(attributes.get(local));
  }

  boolean hasAttributes() {
    return !attributes.isEmpty();
  }

  Optional<Slot> text() {
    return Optional.ofNullable(text);
  }

  Optional<Slot> any() {
    return Optional.ofNullable(any);
  }

  boolean hasElements() {
    return !elements.isEmpty() || any != null;
  }
}
