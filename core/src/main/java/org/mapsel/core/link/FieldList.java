package org.mapsel.core.link;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.mapsel.core.shape.Field;

/** The fields of a record being put together; gives each a name of its own. */
final class FieldList {

  private final List<Field> fields = new ArrayList<>();
  private final Set<String> names = new HashSet<>();

  void add(Field field) {
    String name = field.name();
    for (int i = 2; !names.add(name); i++) {
      name = field.name() + i;
    }
    fields.add(name.equals(field.name()) ? field : field.named(name));
  }

  List<Field> toList() {
    return fields;
  }
}
