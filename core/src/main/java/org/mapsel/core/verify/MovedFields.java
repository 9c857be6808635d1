package org.mapsel.core.verify;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.mapsel.core.drift.Difference;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.ref.Step;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.Shapes;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Takes what a message of one edition holds to where another edition has it. Fields that moved into
 * or out of a list stay where they are: nobody can say of which row they would be.
 */
final class MovedFields {

  /** A field on the way, and whether there are several of it. */
  private record Stop(String name, boolean repeats) {}

  private record Way(List<Stop> was, List<Stop> is) {

    /** Whether what stands at the end is of the same rows. */
    boolean leadsToSameRows() {
      return !was.isEmpty() && !is.isEmpty() && lists(was) == lists(is);
    }

    private static long lists(List<Stop> way) {
      return way.subList(0, way.size() - 1).stream().filter(Stop::repeats).count();
    }
  }

  private final List<Way> ways;
  private final List<Difference> followed;

  /**
   * @param differences of one side of one operation
   */
  MovedFields(List<Difference> differences, Shapes before, ShapeId was, Shapes after, ShapeId is) {
    List<Way> kept = new ArrayList<>();
    List<Difference> told = new ArrayList<>();
    for (Difference one : differences) {
      if (one.renamed().isPresent()) {
        Way way = new Way(way(before, was, one.path()), way(after, is, one.renamed().get()));
        if (way.leadsToSameRows()) {
          kept.add(way);
          told.add(one);
        }
      }
    }
    // What lies deepest leaves first, so that the groups around it are still there.
    kept.sort(Comparator.comparing((Way way) -> way.was.size()).reversed());
    ways = List.copyOf(kept);
    followed = List.copyOf(told);
  }

  /** The differences that are made up for. */
  List<Difference> followed() {
    return followed;
  }

  private static List<Stop> way(Shapes shapes, ShapeId root, FieldPath path) {
    List<Field> fields = shapes.way(root, path);
    List<Stop> stops = new ArrayList<>();
    for (int i = 0; i < path.length() && fields.size() == path.length(); i++) {
      if (path.steps().get(i) instanceof Step.Name name) {
        stops.add(new Stop(name.name(), fields.get(i).isRepeated()));
      } else {
        return List.of();
      }
    }
    return stops;
  }

  /** The message with its values where the other edition has them; the given one stays as it is. */
  JsonNode in(JsonNode message) {
    if (ways.isEmpty() || !(message instanceof ObjectNode whole)) {
      return message;
    }
    ObjectNode moved = whole.deepCopy();
    for (Way way : ways) {
      Found found = take(moved, way.was, 0);
      put(moved, way.is, 0, found);
    }
    return moved;
  }

  /** What was found at the end of a way, list by list. */
  private sealed interface Found {
    record Nothing() implements Found {}

    record Leaf(JsonNode value) implements Found {}

    record Rows(List<Found> rows) implements Found {}
  }

  private static Found take(ObjectNode record, List<Stop> way, int at) {
    String name = way.get(at).name;
    JsonNode there = record.get(name);
    if (there == null) {
      return new Found.Nothing();
    }
    if (at == way.size() - 1) {
      record.remove(name);
      return new Found.Leaf(there);
    }
    Found found;
    if (there instanceof ArrayNode list) {
      List<Found> rows = new ArrayList<>(list.size());
      list.forEach(item -> rows.add(taken(item, way, at + 1)));
      found = new Found.Rows(rows);
    } else {
      found = taken(there, way, at + 1);
      found = way.get(at).repeats ? new Found.Rows(List.of(found)) : found;
    }
    if (isLeft(there)) {
      record.remove(name);
    }
    return found;
  }

  private static Found taken(JsonNode inside, List<Stop> way, int at) {
    return inside instanceof ObjectNode group ? take(group, way, at) : new Found.Nothing();
  }

  /** Whether nothing is in a group, or in any row of a list, any more. */
  private static boolean isLeft(JsonNode there) {
    if (there instanceof ArrayNode list) {
      boolean left = true;
      for (JsonNode item : list) {
        left = left && item.isObject() && item.isEmpty();
      }
      return left && !list.isEmpty();
    }
    return there.isObject() && there.isEmpty();
  }

  private static void put(ObjectNode record, List<Stop> way, int at, Found found) {
    if (found instanceof Found.Nothing) {
      return;
    }
    String name = way.get(at).name;
    if (at == way.size() - 1) {
      if (found instanceof Found.Leaf leaf && !record.has(name)) {
        record.set(name, leaf.value);
      }
    } else if (!way.get(at).repeats) {
      put(group(record, name), way, at + 1, found);
    } else if (found instanceof Found.Rows rows) {
      ArrayNode list = record.get(name) instanceof ArrayNode there ? there : record.putArray(name);
      for (int i = 0; i < rows.rows.size(); i++) {
        ObjectNode row =
            i < list.size() && list.get(i) instanceof ObjectNode there ? there : list.addObject();
        put(row, way, at + 1, rows.rows.get(i));
      }
    }
  }

  private static ObjectNode group(ObjectNode record, String name) {
    return record.get(name) instanceof ObjectNode there ? there : record.putObject(name);
  }
}
