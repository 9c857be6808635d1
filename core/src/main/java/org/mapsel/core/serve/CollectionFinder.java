package org.mapsel.core.serve;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.service.Address;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Shapes;
import org.mapsel.core.shape.Wire;

/** Finds which operations of a service list, read and change things of one kind. */
final class CollectionFinder {

  /** What an operation does with a collection. */
  enum Does {
    LIST,
    READ,
    CREATE,
    CHANGE,
    DELETE
  }

  /**
   * Things of one kind that are listed at one address and read one by one below it.
   *
   * @param rows the field of the list's answer that they stand in
   * @param scope the parameters that tell what the things belong to: both addresses have them
   * @param keys the parameters that tell one of them from the others, by the field they stand in
   * @param does what each operation that is about them does
   */
  record Found(
      Operation list,
      Field rows,
      List<String> scope,
      Map<String, String> keys,
      Map<OperationId, Does> does) {}

  private final Shapes shapes;

  CollectionFinder(Shapes shapes) {
    this.shapes = shapes;
  }

  List<Found> find(Service service) {
    Map<String, List<Operation>> byPath = new LinkedHashMap<>();
    for (Operation operation : service.operations()) {
      Address.of(operation)
          .ifPresent(
              address ->
                  byPath
                      .computeIfAbsent(collectionPath(address.path()), none -> new ArrayList<>())
                      .add(operation));
    }
    List<Found> all = new ArrayList<>();
    byPath.forEach((path, operations) -> found(path, operations).ifPresent(all::add));
    return all;
  }

  /** The path of the list that something may be one of. */
  private static String collectionPath(String path) {
    return path.replaceFirst("(/\\{[^/{}]+}|\\([^()/]*\\))$", "");
  }

  private Optional<Found> found(String path, List<Operation> operations) {
    Optional<Operation> list =
        find(operations, a -> a.method().equals("GET") && a.path().equals(path));
    Optional<Operation> read = find(operations, a -> a.method().equals("GET") && a.isOneOf(path));
    Optional<Field> rows = list.flatMap(this::rows);
    if (list.isEmpty() || read.isEmpty() || rows.isEmpty()) {
      return Optional.empty();
    }
    List<String> scope = inAddress(list.get());
    Map<String, String> keys = keys(read.get(), scope, rows.get().shape());
    if (keys.isEmpty()) {
      return Optional.empty();
    }
    Map<OperationId, Does> does = new HashMap<>();
    for (Operation operation : operations) {
      Address address = Address.of(operation).orElseThrow();
      does(address, path).ifPresent(one -> does.put(operation.id(), one));
    }
    return Optional.of(new Found(list.get(), rows.get(), scope, keys, does));
  }

  private static Optional<Does> does(Address address, String path) {
    boolean one = address.isOneOf(path);
    return switch (address.method()) {
      case "GET" -> Optional.of(one ? Does.READ : Does.LIST);
      case "POST" -> one ? Optional.empty() : Optional.of(Does.CREATE);
      case "PUT", "PATCH", "MERGE" -> one ? Optional.of(Does.CHANGE) : Optional.empty();
      case "DELETE" -> one ? Optional.of(Does.DELETE) : Optional.empty();
      default -> Optional.empty();
    };
  }

  private static Optional<Operation> find(List<Operation> operations, Predicate<Address> fits) {
    return operations.stream()
        .filter(operation -> Address.of(operation).filter(fits).isPresent())
        .findFirst();
  }

  /** The first list of records in an answer. */
  private Optional<Field> rows(Operation list) {
    return shapes.fieldsOf(list.output()).stream()
        .filter(Field::isRepeated)
        .filter(field -> shapes.get(field.shape()) instanceof Shape.Record)
        .findFirst();
  }

  /**
   * Each key of the address with the field of the thing that holds it; none if one has no field.
   */
  private Map<String, String> keys(Operation one, List<String> scope, ShapeId thing) {
    List<Field> fields = shapes.fieldsOf(thing);
    Map<String, String> keys = new LinkedHashMap<>();
    for (String parameter : inAddress(one)) {
      if (scope.contains(parameter)) {
        continue;
      }
      Optional<String> field = holder(fields, parameter);
      if (field.isEmpty()) {
        return Map.of();
      }
      keys.put(parameter, field.get());
    }
    return keys;
  }

  private List<String> inAddress(Operation operation) {
    return shapes.fieldsOf(operation.input()).stream()
        .filter(field -> field.wire() instanceof Wire.Parameter in && in.in() == Wire.In.PATH)
        .map(Field::name)
        .toList();
  }

  private static Optional<String> holder(List<Field> fields, String parameter) {
    String plain = plain(parameter);
    return fields.stream()
        .map(Field::name)
        .filter(name -> plain(name).equals(plain))
        .findFirst()
        .or(
            () ->
                fields.stream()
                    .map(Field::name)
                    .filter(name -> !name.isEmpty() && plain.endsWith(plain(name)))
                    .findFirst());
  }

  private static String plain(String name) {
    return name.replaceAll("[^A-Za-z0-9]", "").toLowerCase(Locale.ROOT);
  }
}
