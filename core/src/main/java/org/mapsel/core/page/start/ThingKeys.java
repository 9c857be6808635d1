package org.mapsel.core.page.start;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.mapsel.core.model.Labels;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.service.Address;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Wire;

/**
 * Which fields of a thing say what an operation on it wants to know.
 *
 * @param thing the shape of the thing
 * @param name what it is called
 */
record ThingKeys(Service service, ShapeId thing, String name) {

  /**
   * The field that is called like a parameter. The name of the thing, or of what holds it in the
   * address, may stand before that of a key: {@code /berths/{berth_id}} wants the {@code id}.
   */
  Optional<FieldPath> of(Operation operation, String parameter) {
    String wanted = bare(parameter);
    List<String> before =
        List.of("", bare(name), bare(Labels.singular(holding(operation, parameter))));
    for (String prefix : before) {
      Optional<FieldPath> found = named(field -> wanted.equals(prefix + bare(field.name())));
      if (found.isPresent()) {
        return found;
      }
    }
    return Optional.empty();
  }

  private Optional<FieldPath> named(Predicate<Field> wanted) {
    return service.shapes().fieldsOf(thing).stream()
        .filter(field -> service.shapes().get(field.shape()) instanceof Shape.Scalar)
        .filter(wanted)
        .map(field -> FieldPath.of(field.name()))
        .findFirst();
  }

  private static String bare(String name) {
    return name.toLowerCase(Locale.ROOT).replaceAll("[^\\p{L}\\p{N}]", "");
  }

  /** The step of the address before the one that a parameter stands in. */
  private static String holding(Operation operation, String parameter) {
    Pattern before = Pattern.compile("([^/{}]+)/\\{" + Pattern.quote(parameter) + "}");
    return Address.of(operation)
        .map(address -> before.matcher(address.path()))
        .filter(Matcher::find)
        .map(found -> found.group(1))
        .orElse("");
  }

  /** The parameters that an address cannot do without. */
  static List<Field> inAddress(Service service, Operation operation) {
    return service.shapes().fieldsOf(operation.input()).stream()
        .filter(Field::isRequired)
        .filter(
            field ->
                field.wire() instanceof Wire.Parameter parameter && parameter.in() == Wire.In.PATH)
        .toList();
  }
}
