package org.mapsel.core.document;

import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** Follows JSON pointers (RFC 6901). */
final class JsonPointer {

  private JsonPointer() {}

  static Optional<DataNode> from(DataNode start, String pointer) {
    DataNode here = start;
    if (pointer.isEmpty()) {
      return Optional.of(here);
    }
    for (int at = 1, end; at <= pointer.length(); at = end + 1) {
      int slash = pointer.indexOf('/', at);
      end = slash < 0 ? pointer.length() : slash;
      String step = pointer.substring(at, end);
      DataNode next = here.isArray() ? item(here, step) : here.get(unescaped(step));
      if (next == null) {
        return Optional.empty();
      }
      here = next;
    }
    return Optional.of(here);
  }

  private static String unescaped(String step) {
    return step.indexOf('~') < 0 ? step : step.replace("~1", "/").replace("~0", "~");
  }

  private static @Nullable DataNode item(DataNode array, String step) {
    int index = step.matches("\\d{1,8}") ? Integer.parseInt(step) : array.size();
    return index < array.size() ? array.child(index) : null;
  }
}
