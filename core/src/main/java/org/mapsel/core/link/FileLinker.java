package org.mapsel.core.link;

import java.util.List;
import org.mapsel.core.service.EntityModel.EntitySet;
import org.mapsel.core.service.EntityModel.Property;
import org.mapsel.core.service.OperationWire.Entities.Result;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.Hints;
import org.mapsel.core.shape.Occurrence;
import org.mapsel.core.shape.Wire;

/**
 * The file that a media entity is, and those that an entity has as properties (OData protocol 4.01,
 * section 11.4.7 and 11.4.8).
 */
final class FileLinker {

  private static final String FILE = "file";

  private final EntityOperations operations;

  FileLinker(EntityOperations operations) {
    this.operations = operations;
  }

  /** Fetching and replacing every file that one entity of a set has. */
  void link(EntitySet set, String path, List<Property> keys) {
    String owner = set.single() ? set.name() : "one of " + set.name();
    if (operations.types.isMedia(set.type())) {
      String id = set.name() + "." + FILE;
      fetch(id, "Fetch the file of " + owner, path + "/$value", keys);
      if (set.can().change()) {
        String name = "Replace the file of " + owner;
        replace(set.name() + ".replaceFile", name, path + "/$value", keys);
      }
    }
    for (Property file : operations.types.files(set.type())) {
      String way = path + "/" + file.name();
      fetch(set.name() + "." + file.name(), "Fetch " + file.name() + " of " + owner, way, keys);
      if (set.can().change() && file.hints().direction() != Hints.Direction.RETURNED_ONLY) {
        String id = set.name() + ".replace" + file.name();
        replace(id, "Replace " + file.name() + " of " + owner, way, keys);
      }
    }
  }

  /** A media entity comes into being with its file; what is said of it is changed afterwards. */
  void create(EntitySet set) {
    operations.add(
        set.name() + ".create",
        "Create one of " + set.name(),
        set.documentation(),
        "POST",
        "/" + set.name(),
        (fields, own) -> fields.add(file()),
        operations.entity(set.type()),
        Result.ONE,
        set.type());
  }

  private void fetch(String id, String name, String path, List<Property> keys) {
    operations.add(
        id,
        name,
        "",
        "GET",
        path,
        (fields, own) -> operations.addKeys(keys, fields, own),
        operations.file(EntityOperations.own(id)),
        Result.FILE,
        "");
  }

  private void replace(String id, String name, String path, List<Property> keys) {
    operations.add(
        id,
        name,
        "",
        "PUT",
        path,
        (fields, own) -> {
          operations.addKeys(keys, fields, own);
          fields.add(operations.ifMatch(own));
          fields.add(file());
        },
        operations.nothing(EntityOperations.own(id)),
        Result.NOTHING,
        "");
  }

  private Field file() {
    return Field.of(FILE, operations.bytes(), Occurrence.ONE, new Wire.Body());
  }
}
