package org.mapsel.core.shape;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.ref.Cut;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.Selector;
import org.mapsel.core.ref.ShapeId;

/**
 * All shapes of one service, by id. For everybody who asks each of them is always the same, also if
 * it was made only when it was first asked for.
 */
public final class Shapes {

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
   * selector there is the field that it selects from, which counts as one from there on; for a cut
   * the text that is cut, and below it a text for each name.
   */
  public List<Field> way(ShapeId root, FieldPath path) {
    List<Field> way = new ArrayList<>();
    ShapeId here = root;
    boolean cutting = false;
    for (String step : path.steps()) {
      Optional<Field> next =
          fieldsOf(here).stream().filter(field -> field.name().equals(step)).findFirst();
      boolean list = !way.isEmpty() && way.getLast().isRepeated();
      if (next.isEmpty() && list && Selector.in(step).isPresent()) {
        Field one = way.removeLast().occurring(Occurrence.OPTIONAL);
        way.add(one);
        way.add(one);
        continue;
      }
      Optional<Cut> cut = Cut.in(step);
      boolean text = !way.isEmpty() && get(way.getLast().shape()) instanceof Shape.Scalar;
      if (text && (cut.isPresent() || cutting)) {
        Occurrence occurrence =
            cut.isPresent() && cut.get().every() ? Occurrence.ANY : Occurrence.OPTIONAL;
        way.add(Field.of(step, way.getLast().shape(), occurrence, new Wire.Group()));
        cutting = cut.isPresent();
        continue;
      }
      if (next.isEmpty()) {
        return List.of();
      }
      way.add(next.get());
      here = next.get().shape();
    }
    return way;
  }
}
