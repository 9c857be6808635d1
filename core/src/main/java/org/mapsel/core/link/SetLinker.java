package org.mapsel.core.link;

import static org.mapsel.core.link.EntityOperations.keyed;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Supplier;
import org.mapsel.core.link.EntityOperations.Offer;
import org.mapsel.core.link.EntityTypes.Use;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.service.EntityModel;
import org.mapsel.core.service.EntityModel.EntitySet;
import org.mapsel.core.service.EntityModel.Navigation;
import org.mapsel.core.service.EntityModel.Property;
import org.mapsel.core.service.OperationWire.Entities.Result;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.Wire;

/** What can be done with a set of entities, and with one that stands by itself. */
final class SetLinker {

  private final EntityOperations operations;
  private final EntityTypes types;
  private final FileLinker files;

  /** The first set of each type. */
  private final Map<String, EntitySet> sets = new HashMap<>();

  SetLinker(EntityOperations operations) {
    this.operations = operations;
    this.types = operations.types;
    this.files = new FileLinker(operations);
    operations.model.sets().stream()
        .filter(set -> !set.single())
        .forEach(set -> sets.putIfAbsent(set.type(), set));
  }

  void link(EntitySet set) {
    if (set.single()) {
      single(set);
    } else {
      set(set);
    }
  }

  private void set(EntitySet set) {
    String name = set.name();
    String type = set.type();
    EntityLine line = types.line(type);
    List<Property> keys = line.keys();
    if (set.can().list()) {
      list(name + ".list", () -> "List " + name, () -> "/" + name, List.of(), type, set);
      if (!keys.isEmpty()) {
        read(name + ".read", () -> "Read one of " + name, () -> keyed(name, keys), keys, type);
      }
    }
    if (set.can().create() && line.media()) {
      files.create(set);
    } else if (set.can().create()) {
      create(set);
    }
    if (!keys.isEmpty()) {
      if (set.can().change()) {
        change(set, () -> "Change one of " + name, () -> keyed(name, keys), keys);
      }
      if (set.can().delete()) {
        delete(set, keys);
      }
      Supplier<String> one = () -> keyed(name, keys);
      follow(set, line, one, keys);
      files.link(set, line, one, keys);
    }
  }

  private void single(EntitySet set) {
    String name = set.name();
    Supplier<String> path = () -> "/" + name;
    read(name + ".read", () -> "Read " + name, path, List.of(), set.type());
    if (set.can().change()) {
      change(set, () -> "Change " + name, path, List.of());
    }
    EntityLine line = types.line(set.type());
    follow(set, line, path, List.of());
    files.link(set, line, path, List.of());
  }

  private void follow(EntitySet set, EntityLine line, Supplier<String> path, List<Property> keys) {
    for (Navigation navigation : line.navigations()) {
      if (!types.isEntity(navigation.type())) {
        continue;
      }
      String id = set.name() + "." + navigation.name();
      Supplier<String> way = () -> path.get() + "/" + navigation.name();
      String of = navigation.name() + " of one of " + set.name();
      String target = EntityModel.itemType(navigation.type());
      if (EntityModel.isCollection(navigation.type())) {
        list(id, () -> "List " + of, way, keys, target, targetSet(target, set));
      } else {
        read(id, () -> "Read " + of, way, keys, target);
      }
    }
  }

  /** What a set of these entities may be asked; where there is none, anything. */
  private EntitySet targetSet(String type, EntitySet from) {
    EntitySet known = sets.get(type);
    return known != null
        ? known
        : new EntitySet(from.name(), type, false, "", EntityModel.Capabilities.ALL);
  }

  private void list(
      String id,
      Supplier<String> name,
      Supplier<String> path,
      List<Property> keys,
      String type,
      EntitySet set) {
    operations.add(
        id,
        () ->
            new Offer(
                name.get(),
                set.documentation(),
                "GET",
                path.get(),
                Result.ROWS,
                type,
                (fields, own) -> {
                  operations.addKeys(keys, fields, own);
                  operations.queries().ofList(type, set.can()).forEach(fields::add);
                }));
  }

  private void read(
      String id, Supplier<String> name, Supplier<String> path, List<Property> keys, String type) {
    operations.add(
        id,
        () ->
            new Offer(
                name.get(),
                "",
                "GET",
                path.get(),
                Result.ONE,
                type,
                (fields, own) -> {
                  operations.addKeys(keys, fields, own);
                  operations.queries().ofOne(type).forEach(fields::add);
                }));
  }

  private void create(EntitySet set) {
    operations.add(
        set.name() + ".create",
        () ->
            new Offer(
                "Create one of " + set.name(),
                set.documentation(),
                "POST",
                "/" + set.name(),
                Result.ONE,
                set.type(),
                (fields, own) -> fields.add(body(set.type(), Use.CREATED, own))));
  }

  private void change(
      EntitySet set, Supplier<String> name, Supplier<String> path, List<Property> keys) {
    operations.add(
        set.name() + ".change",
        () ->
            new Offer(
                name.get(),
                "",
                operations.old ? "MERGE" : "PATCH",
                path.get(),
                Result.ONE,
                set.type(),
                (fields, own) -> {
                  operations.addKeys(keys, fields, own);
                  fields.add(operations.ifMatch(own));
                  fields.add(body(set.type(), Use.CHANGED, own));
                }));
  }

  private void delete(EntitySet set, List<Property> keys) {
    operations.add(
        set.name() + ".delete",
        () ->
            new Offer(
                "Delete one of " + set.name(),
                "",
                "DELETE",
                keyed(set.name(), keys),
                Result.NOTHING,
                set.type(),
                (fields, own) -> {
                  operations.addKeys(keys, fields, own);
                  fields.add(operations.ifMatch(own));
                }));
  }

  private Field body(String type, Use use, ShapeId own) {
    String name = type.substring(type.lastIndexOf('.') + 1);
    return operations.shapes.field(
        name, types.type(type, use), true, own, new Wire.Body(), Notation.JSON);
  }
}
