package org.mapsel.core.link;

import java.util.List;
import java.util.function.Supplier;
import org.mapsel.core.link.EntityOperations.Offer;
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
  void link(EntitySet set, EntityLine line, Supplier<String> path, List<Property> keys) {
    if (!line.media() && line.files().isEmpty()) {
      return;
    }
    String owner = set.single() ? set.name() : "one of " + set.name();
    if (line.media()) {
      Supplier<String> way = () -> path.get() + "/$value";
      fetch(set.name() + "." + FILE, "Fetch the file of " + owner, way, keys);
      if (set.can().change()) {
        replace(set.name() + ".replaceFile", "Replace the file of " + owner, way, keys);
      }
    }
    for (Property file : line.files()) {
      Supplier<String> way = () -> path.get() + "/" + file.name();
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
        () ->
            new Offer(
                "Create one of " + set.name(),
                set.documentation(),
                "POST",
                "/" + set.name(),
                Result.ONE,
                set.type(),
                (fields, own) -> fields.add(file())));
  }

  private void fetch(String id, String name, Supplier<String> path, List<Property> keys) {
    operations.add(
        id,
        () ->
            new Offer(
                name,
                "",
                "GET",
                path.get(),
                Result.FILE,
                "",
                (fields, own) -> operations.addKeys(keys, fields, own)));
  }

  private void replace(String id, String name, Supplier<String> path, List<Property> keys) {
    operations.add(
        id,
        () ->
            new Offer(
                name,
                "",
                "PUT",
                path.get(),
                Result.NOTHING,
                "",
                (fields, own) -> {
                  operations.addKeys(keys, fields, own);
                  fields.add(operations.ifMatch(own));
                  fields.add(file());
                }));
  }

  private Field file() {
    return Field.of(FILE, operations.bytes(), Occurrence.ONE, new Wire.Body());
  }
}
