package org.mapsel.core.link;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.declare.DataType;
import org.mapsel.core.declare.DataType.Simple;
import org.mapsel.core.declare.Declarations;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Findings;
import org.mapsel.core.link.EntityTypes.Use;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.ref.Place;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.service.Effect;
import org.mapsel.core.service.Endpoint;
import org.mapsel.core.service.EntityModel;
import org.mapsel.core.service.EntityModel.Callable;
import org.mapsel.core.service.EntityModel.CallableImport;
import org.mapsel.core.service.EntityModel.CallableParameter;
import org.mapsel.core.service.EntityModel.EntitySet;
import org.mapsel.core.service.EntityModel.Navigation;
import org.mapsel.core.service.EntityModel.Property;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.OperationWire;
import org.mapsel.core.service.OperationWire.Entities.Result;
import org.mapsel.core.service.Protocol;
import org.mapsel.core.service.Service;
import org.mapsel.core.shape.Facets;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.Hints;
import org.mapsel.core.shape.Occurrence;
import org.mapsel.core.shape.ScalarType;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Wire;

/** Makes a service of entities: what can be done with each set, and each function and action. */
final class EntityLinker {

  private static final EndpointId ENDPOINT = new EndpointId("main");

  private final EntityModel model;
  private final boolean old;
  private final EntityTypes types;
  private final DataShapes shapes;
  private final QueryFields queries;

  /** The first set of each type. */
  private final Map<String, EntitySet> sets = new HashMap<>();

  private final List<Operation> operations = new ArrayList<>();
  private final Set<String> ids = new HashSet<>();

  /** The parameters of an operation, which are made when somebody asks for them. */
  private interface Parameters {

    /**
     * @param own what stands before the names of their shapes
     */
    void addTo(FieldList fields, ShapeId own);
  }

  private EntityLinker(EntityModel model, boolean old) {
    this.model = model;
    this.old = old;
    this.types = new EntityTypes(model, old);
    this.shapes = new DataShapes(new DataTypes(types::find));
    this.queries = new QueryFields(shapes, types, old);
    model.sets().stream()
        .filter(set -> !set.single())
        .forEach(set -> sets.putIfAbsent(set.type(), set));
  }

  static Service link(Declarations declarations, Findings findings) {
    Declarations.Entities entities = declarations.entities().orElseThrow();
    boolean old = entities.version().compareTo("4") < 0;
    EntityLinker linker = new EntityLinker(entities.model(), old);
    linker.all();
    if (linker.operations.isEmpty()) {
      findings.add(Finding.error("ODATA_SETS_NONE"));
    }
    String name = declarations.name().isEmpty() ? "Service" : declarations.name();
    Protocol protocol = old ? Protocol.ODATA_2 : Protocol.ODATA_4;
    return new Service(
        name,
        declarations.documentation(),
        linker.operations.isEmpty()
            ? List.of()
            : List.of(new Endpoint(ENDPOINT, protocol, entities.address())),
        linker.operations,
        linker.shapes.finish(),
        Optional.of(entities.model()));
  }

  private void all() {
    for (EntitySet set : model.sets()) {
      if (set.single()) {
        single(set);
      } else {
        set(set);
      }
    }
    for (CallableImport one : model.imports()) {
      model.callables().stream()
          .filter(callable -> callable.name().equals(one.of()) && !isBound(callable))
          .forEach(callable -> call(callable, one.name(), "/" + one.name(), List.of(), one));
    }
    for (Callable callable : model.callables()) {
      if (isBound(callable)) {
        bound(callable);
      }
    }
  }

  private static boolean isBound(Callable callable) {
    return callable.bound() && !callable.parameters().isEmpty();
  }

  private void set(EntitySet set) {
    String name = set.name();
    List<Property> keys = types.keys(set.type());
    if (set.can().list()) {
      list(name + ".list", "List " + name, "/" + name, List.of(), set.type(), set);
      if (!keys.isEmpty()) {
        read(name + ".read", "Read one of " + name, keyed(name, keys), keys, set.type());
      }
    }
    if (set.can().create()) {
      create(set);
    }
    if (!keys.isEmpty() && set.can().change()) {
      change(name + ".change", "Change one of " + name, keyed(name, keys), keys, set.type());
    }
    if (!keys.isEmpty() && set.can().delete()) {
      delete(set, keys);
    }
    if (!keys.isEmpty()) {
      follow(set, keyed(name, keys), keys);
    }
  }

  private void single(EntitySet set) {
    String path = "/" + set.name();
    read(set.name() + ".read", "Read " + set.name(), path, List.of(), set.type());
    if (set.can().change()) {
      change(set.name() + ".change", "Change " + set.name(), path, List.of(), set.type());
    }
    follow(set, path, List.of());
  }

  /** The path of one entity; each key stands in braces where its value goes. */
  private static String keyed(String set, List<Property> keys) {
    String inside =
        keys.size() == 1
            ? "{" + keys.get(0).name() + "}"
            : keys.stream()
                .map(key -> key.name() + "={" + key.name() + "}")
                .collect(Collectors.joining(","));
    return "/" + set + "(" + inside + ")";
  }

  private void follow(EntitySet set, String path, List<Property> keys) {
    for (Navigation navigation : types.navigations(set.type())) {
      if (!types.isEntity(navigation.type())) {
        continue;
      }
      String id = set.name() + "." + navigation.name();
      String way = path + "/" + navigation.name();
      String target = EntityModel.itemType(navigation.type());
      if (EntityModel.isCollection(navigation.type())) {
        String name = "List " + navigation.name() + " of one of " + set.name();
        list(id, name, way, keys, target, targetSet(target, set));
      } else {
        read(id, "Read " + navigation.name() + " of one of " + set.name(), way, keys, target);
      }
    }
  }

  /** What a set of these entities may be asked; where there is none, anything. */
  private EntitySet targetSet(String type, EntitySet from) {
    return Optional.ofNullable(sets.get(type))
        .orElse(new EntitySet(from.name(), type, false, "", EntityModel.Capabilities.ALL));
  }

  private void list(
      String id, String name, String path, List<Property> keys, String type, EntitySet set) {
    Parameters parameters =
        (fields, own) -> {
          addKeys(keys, fields, own);
          queries.ofList(type, set.can()).forEach(fields::add);
        };
    ShapeId output = rows(own(id), type);
    add(id, name, set.documentation(), "GET", path, parameters, output, Result.ROWS, type);
  }

  private void read(String id, String name, String path, List<Property> keys, String type) {
    Parameters parameters =
        (fields, own) -> {
          addKeys(keys, fields, own);
          queries.ofOne(type).forEach(fields::add);
        };
    add(id, name, "", "GET", path, parameters, entity(type), Result.ONE, type);
  }

  private void create(EntitySet set) {
    String id = set.name() + ".create";
    add(
        id,
        "Create one of " + set.name(),
        set.documentation(),
        "POST",
        "/" + set.name(),
        (fields, own) -> fields.add(body(set.type(), Use.CREATED, own)),
        entity(set.type()),
        Result.ONE,
        set.type());
  }

  private void change(String id, String name, String path, List<Property> keys, String type) {
    Parameters parameters =
        (fields, own) -> {
          addKeys(keys, fields, own);
          fields.add(ifMatch(own));
          fields.add(body(type, Use.CHANGED, own));
        };
    String method = old ? "MERGE" : "PATCH";
    add(id, name, "", method, path, parameters, entity(type), Result.ONE, type);
  }

  private void delete(EntitySet set, List<Property> keys) {
    String id = set.name() + ".delete";
    Parameters parameters =
        (fields, own) -> {
          addKeys(keys, fields, own);
          fields.add(ifMatch(own));
        };
    String path = keyed(set.name(), keys);
    String name = "Delete one of " + set.name();
    add(id, name, "", "DELETE", path, parameters, nothing(own(id)), Result.NOTHING, set.type());
  }

  private Field body(String type, Use use, ShapeId own) {
    String name = type.substring(type.lastIndexOf('.') + 1);
    return shapes.field(name, types.type(type, use), true, own, new Wire.Body(), Notation.JSON);
  }

  private Field ifMatch(ShapeId own) {
    return parameter("ifMatch", "If-Match", Wire.In.HEADER, "Edm.String", false, own)
        .documented("What was read as etag; * changes it whatever its state is.");
  }

  private void addKeys(List<Property> keys, FieldList fields, ShapeId own) {
    for (Property key : keys) {
      fields.add(
          parameter(key.name(), key.name(), Wire.In.PATH, key.type(), true, own)
              .documented(key.documentation())
              .hinted(key.hints().travelling(Hints.Direction.BOTH)));
    }
  }

  private Field parameter(
      String name, String onWire, Wire.In in, String type, boolean required, ShapeId own) {
    Wire wire = new Wire.Parameter(onWire, in, Wire.Style.SIMPLE, false, false, Optional.empty());
    return shapes.field(name, types.type(type), required, own, wire, Notation.JSON);
  }

  /** A function or action that belongs to entities is offered for every set that has them. */
  private void bound(Callable callable) {
    String binding = callable.parameters().get(0).type();
    String type = EntityModel.itemType(binding);
    String local = callable.name().substring(callable.name().lastIndexOf('.') + 1);
    for (EntitySet set : model.sets()) {
      boolean fits = types.line(set.type()).stream().anyMatch(step -> step.name().equals(type));
      if (fits && EntityModel.isCollection(binding) && !set.single()) {
        String path = "/" + set.name() + "/" + callable.name();
        call(callable, set.name() + "." + local, path, List.of(), null);
      } else if (fits && !EntityModel.isCollection(binding)) {
        List<Property> keys = set.single() ? List.of() : types.keys(set.type());
        String start = set.single() ? "/" + set.name() : keyed(set.name(), keys);
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
    Parameters parameters =
        (fields, own) -> {
          addKeys(keys, fields, own);
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
    Result result = result(type);
    ShapeId output =
        switch (result) {
          case NOTHING -> nothing(own(wished));
          case ROWS -> rows(own(wished), EntityModel.itemType(type));
          case ONE -> entity(type);
          case VALUE -> value(types.type(type), own(wished));
        };
    String row = EntityModel.itemType(type);
    add(
        wished,
        wished.replace(".", ": "),
        callable.documentation(),
        method,
        template,
        parameters,
        output,
        result,
        row);
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
        : parameter(
            name, name, query ? Wire.In.QUERY : Wire.In.PATH, parameter.type(), required, own);
  }

  private Result result(String type) {
    if (type.isEmpty()) {
      return Result.NOTHING;
    }
    boolean record = types.type(EntityModel.itemType(type)).form() instanceof DataType.Ref;
    return !record ? Result.VALUE : EntityModel.isCollection(type) ? Result.ROWS : Result.ONE;
  }

  /** What stands before the names of the shapes that an operation has for itself. */
  private static ShapeId own(String operation) {
    return new ShapeId("", "/" + operation);
  }

  private ShapeId nothing(ShapeId own) {
    return shapes.later(own.inner("output"), id -> new Shape.Record(id, List.of(), false));
  }

  private ShapeId entity(String type) {
    return types.type(type).form() instanceof DataType.Ref ref
        ? shapes.declared(ref.target(), Notation.JSON)
        : DataShapes.OPEN;
  }

  private ShapeId value(DataType type, ShapeId own) {
    return shapes.later(
        own.inner("output"),
        id -> {
          Wire wire = new Wire.Member("value");
          Field value = shapes.field(DataShapes.VALUE, type, true, id, wire, Notation.JSON);
          return new Shape.Record(id, List.of(value), false);
        });
  }

  private ShapeId rows(ShapeId own, String type) {
    return shapes.later(
        own.inner("output"), id -> new Shape.Record(id, rowFields(type, id), false));
  }

  private List<Field> rowFields(String type, ShapeId id) {
    DataType number =
        DataType.of(new Simple(ScalarType.INTEGER, "Edm.Int64", Facets.NONE), Place.in(""));
    DataType text =
        DataType.of(new Simple(ScalarType.TEXT, "Edm.String", Facets.NONE), Place.in(""));
    List<Field> fields = new ArrayList<>();
    fields.add(
        shapes.field(
            "count",
            number,
            false,
            id,
            new Wire.Member(old ? "__count" : "@odata.count"),
            Notation.JSON));
    fields.add(
        shapes
            .field(
                "next",
                text,
                false,
                id,
                new Wire.Member(old ? "__next" : "@odata.nextLink"),
                Notation.JSON)
            .hinted(Hints.NONE.asHidden()));
    DataType list =
        DataType.of(new DataType.ListOf(types.type(type), Occurrence.ANY), Place.in(""));
    fields.add(
        shapes.field(
            "rows", list, true, id, new Wire.Member(old ? "results" : "value"), Notation.JSON));
    return fields;
  }

  private void add(
      String wished,
      String name,
      String documentation,
      String method,
      String path,
      Parameters parameters,
      ShapeId output,
      Result result,
      String type) {
    String id = wished;
    for (int i = 2; !ids.add(id); i++) {
      id = wished + i;
    }
    ShapeId own = own(id);
    ShapeId input =
        shapes.later(
            own.inner("input"),
            shape -> {
              FieldList fields = new FieldList();
              parameters.addTo(fields, own);
              return new Shape.Record(shape, fields.toList(), false);
            });
    operations.add(
        new Operation(
            new OperationId(id),
            name,
            method.equals("GET") ? Effect.READS : Effect.WRITES,
            documentation,
            input,
            output,
            Optional.empty(),
            Optional.empty(),
            List.of(),
            List.of(new OperationWire.Entities(ENDPOINT, old, method, path, result, type))));
  }
}
