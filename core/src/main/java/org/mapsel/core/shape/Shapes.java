package org.mapsel.core.shape;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.ref.Step;
import org.mapsel.core.value.TextCuts;

/**
 * All shapes of one service, by id. For everybody who asks each of them is always the same, also if
 * it was made only when it was first asked for.
 */
public final class Shapes {

  /** Up to here looking through the fields of a shape is quicker than keeping a map of them. */
  private static final int FEW = 24;

  private final Function<ShapeId, @Nullable Shape> byId;

  /** What was worked out of shapes, by what it is for. */
  private final Map<Class<?>, Map<ShapeId, Object>> remembered = new ConcurrentHashMap<>();

  private Shapes(Function<ShapeId, @Nullable Shape> byId) {
    this.byId = byId;
  }

  public Shapes(Collection<Shape> shapes) {
    this(shapes.stream().collect(Collectors.toMap(Shape::id, shape -> shape))::get);
  }

  /** Takes the map over, each shape under its id: whoever built it must not touch it again. */
  public static Shapes owning(Map<ShapeId, Shape> byId) {
    return new Shapes(byId::get);
  }

  /**
   * Shapes that are made when they are asked for.
   *
   * @param maker gives the same shape for the same id every time, null if there is none; many
   *     threads may ask it at once
   */
  public static Shapes made(Function<ShapeId, @Nullable Shape> maker) {
    return new Shapes(maker);
  }

  /** These shapes and some more, which come first where ids are the same. */
  public Shapes with(Map<ShapeId, Shape> more) {
    Map<ShapeId, Shape> kept = Map.copyOf(more);
    return new Shapes(id -> kept.containsKey(id) ? kept.get(id) : byId.apply(id));
  }

  public Optional<Shape> find(ShapeId id) {
    return Optional.ofNullable(byId.apply(id));
  }

  /** The shape with this id; linking has made sure that every id in a service leads to one. */
  public Shape get(ShapeId id) {
    Shape shape = byId.apply(id);
    if (shape == null) {
      throw new IllegalArgumentException("There is no shape " + id);
    }
    return shape;
  }

  /** What stands directly inside a shape: the fields of a record, the alternatives of a one-of. */
  public List<Field> fieldsOf(ShapeId id) {
    return switch (get(id)) {
      case Shape.Record record -> record.fields();
      case Shape.OneOf oneOf -> oneOf.alternatives();
      case Shape.Repeated repeated -> fieldsOf(repeated.item());
      case Shape.Scalar scalar -> List.of();
      case Shape.Open open -> List.of();
    };
  }

  /**
   * What somebody works out of a shape, worked out once and then at hand.
   *
   * @param kind what it is, which nobody else keeps here
   * @param maker gives an equal one for the same id every time
   */
  public <T> T remembered(Class<T> kind, ShapeId id, Function<ShapeId, T> maker) {
    Map<ShapeId, Object> all = remembered.computeIfAbsent(kind, none -> new ConcurrentHashMap<>());
    Object known = all.get(id);
    if (known == null) {
      // Whatever is worked out may ask for others of its kind on the way.
      known = maker.apply(id);
      all.put(id, known);
    }
    return kind.cast(known);
  }

  /**
   * Every field on a path that starts in {@code root}, or nothing if the path leads nowhere. For a
   * picked item there is the field that it is picked from, which counts as one from there on; for a
   * cut the text that is cut, and below it a text for each name.
   */
  public List<Field> way(ShapeId root, FieldPath path) {
    List<Field> way = new ArrayList<>();
    ShapeId here = root;
    boolean cutting = false;
    for (Step step : path.steps()) {
      Optional<Field> next =
          switch (step) {
            case Step.Pick pick -> pickedFrom(way);
            case Step.Cut cut -> cutFrom(way, cut);
            case Step.Name name -> cutting ? named(way, name) : field(here, name);
          };
      if (next.isEmpty()) {
        return List.of();
      }
      if (step instanceof Step.Pick) {
        way.set(way.size() - 1, next.get());
      }
      cutting = step instanceof Step.Cut;
      way.add(next.get());
      here = next.get().shape();
    }
    return way;
  }

  private Optional<Field> field(ShapeId around, Step.Name name) {
    List<Field> fields = fieldsOf(around);
    if (fields.size() > FEW) {
      return remembered(FieldsByName.class, around, id -> FieldsByName.of(fields))
          .find(name.name());
    }
    for (Field field : fields) {
      if (field.name().equals(name.name())) {
        return Optional.of(field);
      }
    }
    return Optional.empty();
  }

  /** The fields of a shape that has many. */
  private record FieldsByName(Map<String, Field> fields) {

    static FieldsByName of(List<Field> fields) {
      Map<String, Field> byName = HashMap.newHashMap(fields.size());
      fields.forEach(field -> byName.putIfAbsent(field.name(), field));
      return new FieldsByName(byName);
    }

    Optional<Field> find(String name) {
      return Optional.ofNullable(fields.get(name));
    }
  }

  private static Optional<Field> pickedFrom(List<Field> way) {
    boolean list = !way.isEmpty() && way.getLast().isRepeated();
    return list ? Optional.of(way.getLast().occurring(Occurrence.OPTIONAL)) : Optional.empty();
  }

  private Optional<Field> cutFrom(List<Field> way, Step.Cut cut) {
    boolean text = !way.isEmpty() && get(way.getLast().shape()) instanceof Shape.Scalar;
    return text
        ? Optional.of(
            Field.of(
                cut.toString(),
                way.getLast().shape(),
                cut.every() ? Occurrence.ANY : Occurrence.OPTIONAL,
                new Wire.Group()))
        : Optional.empty();
  }

  private static Optional<Field> named(List<Field> way, Step.Name name) {
    return Optional.of(
        Field.of(name.name(), way.getLast().shape(), Occurrence.OPTIONAL, new Wire.Group()));
  }

  /** What values stand at the end of a path; nothing if it leads nowhere. */
  public Optional<ValueType> typeAt(ShapeId root, FieldPath path) {
    if (path.isRoot()) {
      return Optional.of(ValueType.of(this, root, false));
    }
    List<Field> way = way(root, path);
    boolean several = way.stream().anyMatch(Field::isRepeated);
    if (!way.isEmpty() && path.steps().getLast() instanceof Step.Cut cut) {
      List<String> names = TextCuts.of(cut).value().map(TextCuts::names).orElse(List.of());
      return Optional.of(new ValueType.Matches(Set.copyOf(names), several));
    }
    return way.isEmpty()
        ? Optional.empty()
        : Optional.of(ValueType.of(this, way.getLast().shape(), several));
  }

  /**
   * The list whose items are the rows of a table that shows a field: the outermost one around it,
   * whatever else is shown. The root if there is none.
   */
  public FieldPath rowsAround(ShapeId root, FieldPath path) {
    List<Field> way = way(root, path);
    for (int i = 0; i < way.size() - 1; i++) {
      if (way.get(i).isRepeated()) {
        return path.first(i + 1);
      }
    }
    return FieldPath.ROOT;
  }

  /** What a list is called; the pairs of a map are called what the map is. */
  public String nameOfList(ShapeId root, FieldPath list) {
    List<Field> way = way(root, list);
    boolean pairs = way.size() > 1 && way.getLast().wire() instanceof Wire.Entries;
    return pairs ? way.get(way.size() - 2).name() : list.last();
  }
}
