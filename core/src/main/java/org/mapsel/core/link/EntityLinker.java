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

  private EntityLinker(EntityModel model, boolean old) {
    this.model = model;
    this.old = old;
    this.types = new EntityTypes(model, old);
    this.shapes = new DataShapes(new DataTypes(types.all()));
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
    ShapeId own = new ShapeId("", "/" + id);
    FieldList fields = keyFields(keys, own);
    queries.ofList(type, set.can()).forEach(fields::add);
    add(id, name, set.documentation(), "GET", path, fields, rows(own, type), Result.ROWS, type);
  }

  private void read(String id, String name, String path, List<Property> keys, String type) {
    ShapeId own = new ShapeId("", "/" + id);
    FieldList fields = keyFields(keys, own);
    queries.ofOne(type).forEach(fields::add);
    add(id, name, "", "GET", path, fields, record(types.type(type), own), Result.ONE, type);
  }

  private void create(EntitySet set) {
    String id = set.name() + ".create";
    ShapeId own = new ShapeId("", "/" + id);
    FieldList fields = new FieldList();
    fields.add(body(set.type(), Use.CREATED, own));
    add(
        id,
        "Create one of " + set.name(),
        set.documentation(),
        "POST",
        "/" + set.name(),
        fields,
        record(types.type(set.type()), own),
        Result.ONE,
        set.type());
  }

  private void change(String id, String name, String path, List<Property> keys, String type) {
    ShapeId own = new ShapeId("", "/" + id);
    FieldList fields = keyFields(keys, own);
    fields.add(ifMatch(own));
    fields.add(body(type, Use.CHANGED, own));
    String method = old ? "MERGE" : "PATCH";
    add(id, name, "", method, path, fields, record(types.type(type), own), Result.ONE, type);
  }

  private void delete(EntitySet set, List<Property> keys) {
    String id = set.name() + ".delete";
    ShapeId own = new ShapeId("", "/" + id);
    FieldList fields = keyFields(keys, own);
    fields.add(ifMatch(own));
    String path = keyed(set.name(), keys);
    String name = "Delete one of " + set.name();
    add(id, name, "", "DELETE", path, fields, nothing(own), Result.NOTHING, set.type());
  }

  private Field body(String type, Use use, ShapeId own) {
    String name = type.substring(type.lastIndexOf('.') + 1);
    return shapes.field(name, types.type(type, use), true, own, new Wire.Body(), Notation.JSON);
  }

  private Field ifMatch(ShapeId own) {
    return parameter("ifMatch", "If-Match", Wire.In.HEADER, "Edm.String", false, own)
        .documented("What was read as etag; * changes it whatever its state is.");
  }

  private FieldList keyFields(List<Property> keys, ShapeId own) {
    FieldList fields = new FieldList();
    for (Property key : keys) {
      fields.add(
          parameter(key.name(), key.name(), Wire.In.PATH, key.type(), true, own)
              .documented(key.documentation())
              .hinted(key.hints().travelling(Hints.Direction.BOTH)));
    }
    return fields;
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
    ShapeId own = new ShapeId("", "/" + wished);
    FieldList fields = keyFields(keys, own);
    List<CallableParameter> parameters =
        callable.parameters().subList(isBound(callable) ? 1 : 0, callable.parameters().size());
    List<String> inPath = new ArrayList<>();
    boolean query = imported != null && imported.method().isPresent();
    for (CallableParameter parameter : parameters) {
      boolean required = !parameter.nullable() || !callable.action();
      if (query) {
        fields.add(
            parameter(
                parameter.name(),
                parameter.name(),
                Wire.In.QUERY,
                parameter.type(),
                required,
                own));
      } else if (callable.action()) {
        fields.add(
            shapes.field(
                parameter.name(),
                types.type(parameter.type(), Use.CREATED),
                required,
                own,
                new Wire.Member(parameter.name()),
                Notation.JSON));
      } else {
        Field field =
            parameter(
                parameter.name(), parameter.name(), Wire.In.PATH, parameter.type(), true, own);
        fields.add(field);
        inPath.add(parameter.name() + "={" + parameter.name() + "}");
      }
    }
    String template =
        callable.action() || query ? path : path + "(" + String.join(",", inPath) + ")";
    String method =
        imported != null && imported.method().isPresent()
            ? imported.method().get()
            : callable.action() ? "POST" : "GET";
    String type = callable.returns().orElse("");
    Result result = result(type);
    ShapeId output =
        switch (result) {
          case NOTHING -> nothing(own);
          case ROWS -> rows(own, EntityModel.itemType(type));
          case ONE -> record(types.type(type), own);
          case VALUE -> value(types.type(type), own);
        };
    String row = EntityModel.itemType(type);
    add(
        wished,
        wished.replace(".", ": "),
        callable.documentation(),
        method,
        template,
        fields,
        output,
        result,
        row);
  }

  private Result result(String type) {
    if (type.isEmpty()) {
      return Result.NOTHING;
    }
    boolean record =
        shapes.types().meaning(types.type(EntityModel.itemType(type))).form()
            instanceof DataType.Structure;
    return !record ? Result.VALUE : EntityModel.isCollection(type) ? Result.ROWS : Result.ONE;
  }

  private ShapeId nothing(ShapeId own) {
    ShapeId id = shapes.reserve(own.inner("output"));
    shapes.add(new Shape.Record(id, List.of(), false));
    return id;
  }

  private ShapeId record(DataType type, ShapeId own) {
    return shapes.shape(shapes.types().meaning(type), () -> own.inner("output"), Notation.JSON);
  }

  private ShapeId value(DataType type, ShapeId own) {
    ShapeId id = shapes.reserve(own.inner("output"));
    Field value =
        shapes.field(DataShapes.VALUE, type, true, id, new Wire.Member("value"), Notation.JSON);
    shapes.add(new Shape.Record(id, List.of(value), false));
    return id;
  }

  private ShapeId rows(ShapeId own, String type) {
    ShapeId id = shapes.reserve(own.inner("output"));
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
    shapes.add(new Shape.Record(id, fields, false));
    return id;
  }

  private void add(
      String wished,
      String name,
      String documentation,
      String method,
      String path,
      FieldList fields,
      ShapeId output,
      Result result,
      String type) {
    String id = wished;
    for (int i = 2; !ids.add(id); i++) {
      id = wished + i;
    }
    ShapeId input = shapes.reserve(new ShapeId("", "/" + id + "/input"));
    shapes.add(new Shape.Record(input, fields.toList(), false));
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
