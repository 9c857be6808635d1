package org.mapsel.core.link;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.declare.DataType;
import org.mapsel.core.link.EntityOperations.Offer;
import org.mapsel.core.link.EntityTypes.Use;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.service.EntityModel;
import org.mapsel.core.service.EntityModel.Callable;
import org.mapsel.core.service.EntityModel.CallableImport;
import org.mapsel.core.service.EntityModel.CallableParameter;
import org.mapsel.core.service.EntityModel.EntitySet;
import org.mapsel.core.service.EntityModel.Property;
import org.mapsel.core.service.EntityModel.StructuredType;
import org.mapsel.core.service.OperationWire.Entities.Result;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.Wire;

/** Functions and actions, by themselves or of the entities that they belong to. */
final class CallableLinker {

  private final EntityOperations operations;
  private final EntityModel model;
  private final EntityTypes types;
  private final DataShapes shapes;
  private final Map<String, List<EntitySet>> setsByType = new HashMap<>();

  CallableLinker(EntityOperations operations) {
    this.operations = operations;
    this.model = operations.model;
    this.types = operations.types;
    this.shapes = operations.shapes;
  }

  void link() {
    Map<String, List<Callable>> free = new HashMap<>();
    for (Callable callable : model.callables()) {
      if (!isBound(callable)) {
        free.computeIfAbsent(callable.name(), name -> new ArrayList<>(1)).add(callable);
      }
    }
    for (CallableImport one : model.imports()) {
      for (Callable callable : free.getOrDefault(one.of(), List.of())) {
        call(callable, one.name(), "/" + one.name(), List.of(), one);
      }
    }
    for (Callable callable : model.callables()) {
      if (isBound(callable)) {
        bound(callable);
      }
    }
  }

  /** The sets whose entities are of a type or of one derived from it. */
  private Map<String, List<EntitySet>> setsWith() {
    if (setsByType.isEmpty()) {
      for (EntitySet set : model.sets()) {
        for (StructuredType step : types.line(set.type()).steps()) {
          setsByType.computeIfAbsent(step.name(), name -> new ArrayList<>(1)).add(set);
        }
      }
    }
    return setsByType;
  }

  private static boolean isBound(Callable callable) {
    return callable.bound() && !callable.parameters().isEmpty();
  }

  /** A function or action that belongs to entities is offered for every set that has them. */
  private void bound(Callable callable) {
    String binding = callable.parameters().get(0).type();
    String type = EntityModel.itemType(binding);
    String local = callable.name().substring(callable.name().lastIndexOf('.') + 1);
    for (EntitySet set : setsWith().getOrDefault(type, List.of())) {
      if (EntityModel.isCollection(binding) && !set.single()) {
        String path = "/" + set.name() + "/" + callable.name();
        call(callable, set.name() + "." + local, path, List.of(), null);
      } else if (!EntityModel.isCollection(binding)) {
        List<Property> keys = set.single() ? List.of() : types.line(set.type()).keys();
        String start = set.single() ? "/" + set.name() : EntityOperations.keyed(set.name(), keys);
        call(callable, set.name() + "." + local, start + "/" + callable.name(), keys, null);
      }
    }
  }

  private void call(
      Callable callable,
      String wished,
      String path,
      List<Property> keys,
      @Nullable CallableImport imported) {
    List<CallableParameter> declared =
        callable.parameters().subList(isBound(callable) ? 1 : 0, callable.parameters().size());
    boolean query = imported != null && imported.method().isPresent();
    EntityOperations.Parameters parameters =
        (fields, own) -> {
          operations.addKeys(keys, fields, own);
          declared.forEach(one -> fields.add(argument(one, callable, query, own)));
        };
    String inPath =
        declared.stream()
            .map(parameter -> parameter.name() + "={" + parameter.name() + "}")
            .collect(Collectors.joining(","));
    String template = callable.action() || query ? path : path + "(" + inPath + ")";
    String method =
        imported != null && imported.method().isPresent()
            ? imported.method().get()
            : callable.action() ? "POST" : "GET";
    String type = callable.returns().orElse("");
    operations.add(
        wished,
        () ->
            new Offer(
                wished.replace(".", ": "),
                callable.documentation(),
                method,
                template,
                result(type),
                type,
                parameters));
  }

  private Field argument(
      CallableParameter parameter, Callable callable, boolean query, ShapeId own) {
    String name = parameter.name();
    boolean required = !parameter.nullable() || !callable.action();
    return callable.action() && !query
        ? shapes.field(
            name,
            types.type(parameter.type(), Use.CREATED),
            required,
            own,
            new Wire.Member(name),
            Notation.JSON)
        : operations.parameter(
            name, name, query ? Wire.In.QUERY : Wire.In.PATH, parameter.type(), required, own);
  }

  private Result result(String type) {
    if (type.isEmpty()) {
      return Result.NOTHING;
    }
    if (EntityTypes.isFile(type)) {
      return Result.FILE;
    }
    boolean record = types.type(EntityModel.itemType(type)).form() instanceof DataType.Ref;
    return !record ? Result.VALUE : EntityModel.isCollection(type) ? Result.ROWS : Result.ONE;
  }
}
