package org.mapsel.core.link;

import java.util.ArrayList;
import java.util.List;
import org.mapsel.core.service.EntityModel.Navigation;
import org.mapsel.core.service.EntityModel.Property;
import org.mapsel.core.service.EntityModel.StructuredType;

/**
 * An entity type with its bases, and what they have together.
 *
 * @param steps the outermost base first
 * @param keys the properties that tell one entity from others
 * @param files the properties that come and go by themselves
 * @param media whether an entity is above all a file
 */
record EntityLine(
    List<StructuredType> steps,
    List<Property> keys,
    List<Property> files,
    List<Navigation> navigations,
    boolean media) {

  static EntityLine of(List<StructuredType> steps) {
    List<Property> keys = new ArrayList<>(1);
    List<Property> files = new ArrayList<>(0);
    boolean media = false;
    for (StructuredType step : steps) {
      media |= step.media();
      for (String name : step.keys()) {
        addNamed(name, steps, keys);
      }
      for (Property property : step.properties()) {
        if (EntityTypes.isFile(property.type())) {
          files.add(property);
        }
      }
    }
    List<Navigation> navigations =
        steps.size() == 1
            ? steps.get(0).navigations()
            : steps.stream().flatMap(step -> step.navigations().stream()).toList();
    return new EntityLine(steps, keys, files, navigations, media);
  }

  private static void addNamed(String name, List<StructuredType> steps, List<Property> keys) {
    for (StructuredType step : steps) {
      for (Property property : step.properties()) {
        if (property.name().equals(name)) {
          if (!keys.contains(property)) {
            keys.add(property);
          }
          return;
        }
      }
    }
  }
}
