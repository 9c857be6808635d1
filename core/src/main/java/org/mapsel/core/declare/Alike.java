package org.mapsel.core.declare;

import java.lang.reflect.RecordComponent;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.ref.Place;

/** Whether two declarations say the same, wherever they stand and whatever is said about them. */
final class Alike {

  private static final String SAID_ABOUT = "documentation";

  private Alike() {}

  static boolean are(@Nullable Object one, @Nullable Object other) {
    if (one instanceof Place && other instanceof Place) {
      return true;
    }
    if (one instanceof List<?> left && other instanceof List<?> right) {
      return areAll(left, right);
    }
    if (one instanceof Optional<?> left && other instanceof Optional<?> right) {
      return are(left.orElse(null), right.orElse(null));
    }
    if (one instanceof Record && other instanceof Record && one.getClass() == other.getClass()) {
      return areRecords(one, other);
    }
    return one == null ? other == null : one.equals(other);
  }

  private static boolean areAll(List<?> left, List<?> right) {
    if (left.size() != right.size()) {
      return false;
    }
    for (int i = 0; i < left.size(); i++) {
      if (!are(left.get(i), right.get(i))) {
        return false;
      }
    }
    return true;
  }

  private static boolean areRecords(Object one, Object other) {
    for (RecordComponent component : one.getClass().getRecordComponents()) {
      if (!component.getName().equals(SAID_ABOUT)
          && !are(value(component, one), value(component, other))) {
        return false;
      }
    }
    return true;
  }

  private static @Nullable Object value(RecordComponent component, Object record) {
    try {
      return component.getAccessor().invoke(record);
    } catch (ReflectiveOperationException e) {
      throw new IllegalStateException("A declaration cannot be compared.", e);
    }
  }
}
