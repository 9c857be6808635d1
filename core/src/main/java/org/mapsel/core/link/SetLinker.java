package org.mapsel.core.link;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
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
    List<Property> keys = types.keys(set.type());
    if (set.can().list()) {
      list(name + ".list", "List " + name, "/" + name, List.of(), set.type(), set);
      if (!keys.isEmpty()) {
        read(
            name + ".read",
            "Read one of " + name,
            EntityOperations.keyed(name, keys),
            keys,
            set.type());
      }
    }
    if (set.can().create() && types.isMedia(set.type())) {
      files.create(set);
    } else if (set.can().create()) {
      create(set);
    }
    if (!keys.isEmpty() && set.can().change()) {
      change(
          name + ".change",
          "Change one of " + name,
          EntityOperations.keyed(name, keys),
          keys,
          set.type());
    }
    if (!keys.isEmpty() && set.can().delete()) {
      delete(set, keys);
    }
    if (!keys.isEmpty()) {
      follow(set, EntityOperations.keyed(name, keys), keys);
      files.link(set, EntityOperations.keyed(name, keys), keys);
    }
  }

  private void single(EntitySet set) {
    String path = "/" + set.name();
    read(set.name() + ".read", "Read " + set.name(), path, List.of(), set.type());
    if (set.can().change()) {
      change(set.name() + ".change", "Change " + set.name(), path, List.of(), set.type());
    }
    follow(set, path, List.of());
    files.link(set, path, List.of());
  }

  private void follow(EntitySet set, String path, List<Property> keys) {
    for (Navigation navigation : types.navigations(set.type())) {
      if (!types.isEntity(navigation.type())) {
        continue;
      }
      String id = set.name() + "." + navigation.name();
      String way = path + "/" + navigation.name();
      String target = EntityModel.itemType(navigation.type());
      if (EntityModel.isCollection(navigation.type())) {
        String name = "List " + navigation.name() + " of one of " + set.name();
        list(id, name, way, keys, target, targetSet(target, set));
      } else {
        read(id, "Read " + navigation.name() + " of one of " + set.name(), way, keys, target);
      }
    }
  }

  /** What a set of these entities may be asked; where there is none, anything. */
  private EntitySet targetSet(String type, EntitySet from) {
    return Optional.ofNullable(sets.get(type))
        .orElse(new EntitySet(from.name(), type, false, "", EntityModel.Capabilities.ALL));
  }

  private void list(
      String id, String name, String path, List<Property> keys, String type, EntitySet set) {
    EntityOperations.Parameters parameters =
        (fields, own) -> {
          operations.addKeys(keys, fields, own);
          operations.queries().ofList(type, set.can()).forEach(fields::add);
        };
    ShapeId output = operations.rows(EntityOperations.own(id), type);
    operations.add(
        id, name, set.documentation(), "GET", path, parameters, output, Result.ROWS, type);
  }

  private void read(String id, String name, String path, List<Property> keys, String type) {
    EntityOperations.Parameters parameters =
        (fields, own) -> {
          operations.addKeys(keys, fields, own);
          operations.queries().ofOne(type).forEach(fields::add);
        };
    operations.add(
        id, name, "", "GET", path, parameters, operations.entity(type), Result.ONE, type);
  }

  private void create(EntitySet set) {
    String id = set.name() + ".create";
    operations.add(
        id,
        "Create one of " + set.name(),
        set.documentation(),
        "POST",
        "/" + set.name(),
        (fields, own) -> fields.add(body(set.type(), Use.CREATED, own)),
        operations.entity(set.type()),
        Result.ONE,
        set.type());
  }

  private void change(String id, String name, String path, List<Property> keys, String type) {
    EntityOperations.Parameters parameters =
        (fields, own) -> {
          operations.addKeys(keys, fields, own);
          fields.add(operations.ifMatch(own));
          fields.add(body(type, Use.CHANGED, own));
        };
    String method = operations.old ? "MERGE" : "PATCH";
    operations.add(
        id, name, "", method, path, parameters, operations.entity(type), Result.ONE, type);
  }

  private void delete(EntitySet set, List<Property> keys) {
    String id = set.name() + ".delete";
    EntityOperations.Parameters parameters =
        (fields, own) -> {
          operations.addKeys(keys, fields, own);
          fields.add(operations.ifMatch(own));
        };
    String path = EntityOperations.keyed(set.name(), keys);
    String name = "Delete one of " + set.name();
    operations.add(
        id,
        name,
        "",
        "DELETE",
        path,
        parameters,
        operations.nothing(EntityOperations.own(id)),
        Result.NOTHING,
        set.type());
  }

  private Field body(String type, Use use, ShapeId own) {
    String name = type.substring(type.lastIndexOf('.') + 1);
    return operations.shapes.field(
        name, types.type(type, use), true, own, new Wire.Body(), Notation.JSON);
  }
}
