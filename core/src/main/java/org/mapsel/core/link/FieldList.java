package org.mapsel.core.link;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.shape.Field;

/** The fields of a record being put together; gives each a name of its own. */
final class FieldList {

  /** Up to here looking through the list is quicker than keeping a set. */
  private static final int FEW = 24;

  private final List<Field> fields = new ArrayList<>();
  private @Nullable Set<String> names;

  void add(Field field) {
    String name = field.name();
    for (int i = 2; isTaken(name); i++) {
      name = field.name() + i;
    }
    if (names != null) {
      names.add(name);
    }
    fields.add(name.equals(field.name()) ? field : field.named(name));
  }

  private boolean isTaken(String name) {
    if (names != null) {
      return names.contains(name);
    }
    if (fields.size() == FEW) {
      names = new HashSet<>();
      for (Field field : fields) {
        names.add(field.name());
      }
    }
    for (Field field : fields) {
      if (field.name().equals(name)) {
        return true;
      }
    }
    return false;
  }

  List<Field> toList() {
    return fields;
  }
}
