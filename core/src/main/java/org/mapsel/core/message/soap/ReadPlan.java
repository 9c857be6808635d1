package org.mapsel.core.message.soap;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.message.Wanted;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.Name;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.Hints;
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
  private final boolean ordered;

  private final Wanted wanted;

  private @Nullable Layout layout;
  private final Map<String, List<Slot>> elements = new HashMap<>();
  private final Map<String, Followed> followed = new HashMap<>();
  private @Nullable Followed lastElement;
  private final Map<String, List<Slot>> headers = new HashMap<>();
  private final Map<String, Slot> attributes = new HashMap<>();
  private @Nullable Slot text;
  private @Nullable Slot any;
  private @Nullable Slot items;
  private final Map<Name, List<Slot.GroupStep>> kinds = new HashMap<>();
  private final List<Slot> attachments = new ArrayList<>(0);
  private final List<Slot> required = new ArrayList<>();
  private final Set<String> told = new HashSet<>();

  private ReadPlan(Plans plans, Shape shape, Wanted wanted) {
    this.plans = plans;
    this.fields = plans.shapes.fieldsOf(shape.id());
    this.choice = shape instanceof Shape.OneOf;
    this.ordered = shape instanceof Shape.Record record && record.ordered();
    this.wanted = wanted;
  }

  /** The plan for a record; an empty set of wanted paths keeps everything. */
  static ReadPlan of(Shapes shapes, ShapeId record, Set<FieldPath> wanted) {
    return new Plans(shapes).plan(record, Wanted.of(wanted));
  }

  /** Plans of one reading; whole types are planned once, so recursion ends. */
  private static final class Plans {

    final Shapes shapes;
    final Map<ShapeId, ReadPlan> whole = new HashMap<>();

    Plans(Shapes shapes) {
      this.shapes = shapes;
    }

    ReadPlan plan(ShapeId id, Wanted wanted) {
      if (!wanted.isEverything()) {
        return create(id, wanted);
      }
      ReadPlan known = whole.get(id);
      if (known == null) {
        known = create(id, wanted);
        whole.put(id, known);
      }
      return known;
    }

    private ReadPlan create(ShapeId id, Wanted wanted) {
      return new ReadPlan(this, shapes.get(id), wanted);
    }
  }

  Layout layout() {
    Layout known = layout;
    if (known == null) {
      known = Layout.of(fields.stream().filter(this::isKept).map(Field::name).toList());
      layout = known;
      fillSlots(this, List.of(), null, new HashSet<>(), true);
      if (!choice) {
        elements.values().stream()
            .flatMap(List::stream)
            .filter(slot -> slot.keep() && slot.groups().isEmpty() && isAwaited(slot.field()))
            .forEach(required::add);
      }
    }
    return known;
  }

  /** Of what is only ever sent nothing is missing in an answer. */
  private static boolean isAwaited(Field field) {
    return field.isRequired() && field.hints().direction() != Hints.Direction.SENT_ONLY;
  }

  boolean isChoice() {
    return choice;
  }

  private boolean isKept(Field field) {
    return wanted.has(field.name());
  }

  /** What is not kept gets slots too: it is announced, and so nothing to wonder about. */
  private void fillSlots(
      ReadPlan target,
      List<Slot.GroupStep> groups,
      @Nullable Name kind,
      Set<ShapeId> open,
      boolean keepAny) {
    Layout own = layout();
    for (Field field : fields) {
      boolean keep = keepAny && isKept(field);
      int index = own.indexOf(field.name());
      Shape shape = plans.shapes.get(field.shape());
      boolean simple = shape instanceof Shape.Scalar || shape instanceof Shape.Open;
      ReadPlan inside =
          simple || !keep ? null : plans.plan(field.shape(), wanted.below(field.name()));
      Slot slot = new Slot(field, nameOf(field.wire()), groups, index, shape, kind, inside, keep);
      switch (field.wire()) {
        case Wire.XmlElement element -> put(target.elements, slot);
        case Wire.SoapHeader header -> put(target.headers, slot);
        case Wire.XmlAttribute attribute ->
            target.attributes.putIfAbsent(attribute.name().local(), slot);
        case Wire.XmlText none -> target.text = slot;
        case Wire.Body none -> target.text = slot;
        case Wire.Whole none -> fillInside(target, slot, kind, open);
        case Wire.Variant none -> fillInside(target, slot, kind, open);
        case Wire.Member none -> put(target.elements, slot);
        case Wire.FormPart none -> put(target.elements, slot);
        case Wire.Entries none -> {}
        case Wire.EntryName none -> {}
        case Wire.XmlAny none -> target.any = slot;
        case Wire.ArrayItem none -> target.items = slot;
        case Wire.Attachment none -> target.attachments.add(slot);
        case Wire.Parameter none -> put(target.elements, slot);
        case Wire.Group none -> fillInside(target, slot, kind, open);
        case Wire.Kind of -> fillInside(target, slot, of.type(), open);
      }
    }
  }

  /** The fields of a field that has no element of its own stand in the element around it. */
  private void fillInside(ReadPlan target, Slot slot, @Nullable Name kind, Set<ShapeId> open) {
    ReadPlan inside = slot.plan();
    ReadPlan members =
        inside == null ? plans.plan(slot.field().shape(), Wanted.everything()) : inside;
    boolean simple = slot.shape() instanceof Shape.Scalar || slot.shape() instanceof Shape.Open;
    if (!simple && open.add(slot.field().shape())) {
      List<Slot.GroupStep> deeper = new ArrayList<>(slot.groups());
      deeper.add(new Slot.GroupStep(slot.index(), slot.field().isRepeated(), members));
      List<Slot.GroupStep> steps = List.copyOf(deeper);
      if (kind != null && slot.field().wire() instanceof Wire.Kind && slot.keep()) {
        target.kinds.put(kind, steps);
      }
      members.fillSlots(target, steps, kind, open, slot.keep());
      open.remove(slot.field().shape());
    }
  }

  private static Name nameOf(Wire wire) {
    return switch (wire) {
      case Wire.XmlElement element -> element.name();
      case Wire.SoapHeader header -> header.name();
      case Wire.XmlAttribute attribute -> attribute.name();
      default -> Name.of("", wire.label());
    };
  }

  private static void put(Map<String, List<Slot>> slots, Slot slot) {
    slots.computeIfAbsent(slot.name().local(), local -> new ArrayList<>(1)).add(slot);
  }

  /** Everywhere an element of this local name may go; empty if nowhere. */
  List<Slot> elements(String local) {
    layout();
    // Elements come in the order of the shape, and in the same one in every row.
    Followed last = lastElement;
    Followed here = last == null ? null : last.next;
    if (here == null || !here.local.equals(local)) {
      here =
          followed.computeIfAbsent(
              local, name -> new Followed(name, elements.getOrDefault(name, List.of())));
      if (last != null) {
        last.next = here;
      }
    }
    lastElement = here;
    return here.slots;
  }

  /** An element that came, and what came after it the last time. */
  private static final class Followed {
    final String local;
    final List<Slot> slots;
    @Nullable Followed next;

    Followed(String local, List<Slot> slots) {
      this.local = local;
      this.slots = slots;
    }
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

  /** Where the items of an array go, whatever they are called; null if this is none. */
  @Nullable Slot items() {
    return items;
  }

  /** Where a derived type stands in the record; null if the type adds nothing that is kept. */
  @Nullable List<Slot.GroupStep> kind(Name type) {
    return kinds.get(type);
  }

  boolean hasKinds() {
    return !kinds.isEmpty();
  }

  List<Slot> attachments() {
    layout();
    return attachments;
  }

  List<Slot> required() {
    return required;
  }

  boolean isOrdered() {
    return ordered;
  }

  /** Whether this is the first time that something is told of a field of this plan. */
  boolean isNews(String field, String what) {
    return told.add(what + " " + field);
  }

  Optional<Slot> any() {
    return Optional.ofNullable(any);
  }

  boolean hasElements() {
    return !elements.isEmpty() || any != null || items != null;
  }
}
