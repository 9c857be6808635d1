package org.mapsel.core.page.start;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.model.Labels;
import org.mapsel.core.model.ShapeRef;
import org.mapsel.core.page.Argument;
import org.mapsel.core.page.Call;
import org.mapsel.core.page.Ids;
import org.mapsel.core.page.Input;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.FieldTree;
import org.mapsel.core.shape.FieldTree.Row;
import org.mapsel.core.shape.ScalarType;
import org.mapsel.core.shape.Shape;

/** Calls about one of the things that a list is of, on pages that are opened with it. */
final class ThingCalls {

  /** The field that tells which state of a thing was read. */
  static final String ETAG = "etag";

  private final Ids ids;
  private final String serviceId;
  private final Service service;
  private final EndpointId endpoint;
  private final ShapeId thing;
  private final Argument argument;
  private final ThingKeys keys;

  /** What the list asks for that operations on its things need too, by parameter. */
  private final Map<String, Argument> handed;

  /**
   * @param thing the shape of the things
   * @param name what one is called
   */
  ThingCalls(
      Ids ids,
      String serviceId,
      Service service,
      Operation list,
      EndpointId endpoint,
      ShapeId thing,
      String name) {
    this.ids = ids;
    this.serviceId = serviceId;
    this.service = service;
    this.endpoint = endpoint;
    this.thing = thing;
    this.argument =
        new Argument(
            Labels.variable(name), Optional.of(new ShapeRef(serviceId, thing)), ScalarType.TEXT);
    this.keys = new ThingKeys(service, thing, name);
    this.handed = asked(list);
  }

  private Map<String, Argument> asked(Operation list) {
    Map<String, Argument> asked = new LinkedHashMap<>();
    for (Field field : ThingKeys.inAddress(service, list)) {
      if (service.shapes().get(field.shape()) instanceof Shape.Scalar scalar) {
        String wish = Labels.variable(Labels.of(field.name()));
        String free = wish.equals(argument.name()) ? wish + "Asked" : wish;
        asked.put(field.name(), new Argument(free, Optional.empty(), scalar.type()));
      }
    }
    return asked;
  }

  /** The thing itself, as an argument. */
  Argument argument() {
    return argument;
  }

  /** All that a page for one thing is opened with. */
  List<Argument> arguments() {
    return Stream.concat(Stream.of(argument), handed.values().stream()).toList();
  }

  /** What a page for a thing is opened with that is not there yet. */
  List<Argument> argumentsOfNew() {
    return List.copyOf(handed.values());
  }

  /** Everything that a page was opened with, for another one. */
  Map<String, Source> passedOn() {
    Map<String, Source> all = new LinkedHashMap<>();
    arguments()
        .forEach(one -> all.put(one.name(), new Source.Argument(one.name(), FieldPath.ROOT)));
    return all;
  }

  /**
   * What the list was asked for, for pages that it leads to.
   *
   * @param call the one that gives the list
   */
  Map<String, Source> handedFrom(Call call) {
    Map<String, Source> all = new LinkedHashMap<>();
    handed.forEach(
        (parameter, one) ->
            call.mapping(FieldPath.of(parameter))
                .ifPresent(mapping -> all.put(one.name(), mapping.source())));
    return all;
  }

  /** Whether all that the address of an operation needs is known of a thing. */
  boolean isAddressable(Operation operation) {
    return ThingKeys.inAddress(service, operation).stream()
        .allMatch(field -> known(operation, field.name()).isPresent());
  }

  /** A call about the thing that the page was opened with: its parameters are fields of it. */
  Call about(Operation operation) {
    return call(
        operation,
        FieldTree.rows(service.shapes(), operation.input(), FieldTree.Limit.SENT).stream()
            .filter(row -> row.needed() && row.shape() instanceof Shape.Scalar)
            .filter(row -> row.path().length() == 1)
            .flatMap(
                row ->
                    known(operation, row.path().last()).stream()
                        .map(source -> new Call.Parameter(row.path(), new Mapping(source))))
            .toList());
  }

  /** A call that makes a thing. */
  Call making(Operation operation) {
    return call(
        operation,
        ThingKeys.inAddress(service, operation).stream()
            .flatMap(
                field ->
                    handed(field.name()).stream()
                        .map(
                            source ->
                                new Call.Parameter(
                                    FieldPath.of(field.name()), new Mapping(source))))
            .toList());
  }

  private Call call(Operation operation, List<Call.Parameter> parameters) {
    EndpointId at =
        operation.wire(endpoint).isPresent() ? endpoint : operation.wires().getFirst().endpoint();
    return new Call(new CallId(ids.next("call")), serviceId, operation.id(), at, parameters);
  }

  /** Where a page for one thing knows a parameter from: the thing, or what its list was of. */
  private Optional<Source> known(Operation operation, String parameter) {
    return keys.of(operation, parameter)
        .<Source>map(path -> new Source.Argument(argument.name(), path))
        .or(() -> handed(parameter));
  }

  private Optional<Source> handed(String parameter) {
    return Optional.ofNullable(handed.get(parameter))
        .map(one -> new Source.Argument(one.name(), FieldPath.ROOT));
  }

  /**
   * A field of the thing.
   *
   * @param read the call that reads it; none if only what the list knows of it is there
   */
  Source field(Optional<Call> read, FieldPath path) {
    return read.<Source>map(call -> new Source.Returned(call.id(), path))
        .orElseGet(() -> new Source.Argument(argument.name(), path));
  }

  /** Says which state of the thing is meant, so that nobody's change is overwritten unseen. */
  Call withState(Call call, Operation operation, Optional<Call> read) {
    Optional<FieldPath> state =
        service.shapes().fieldsOf(operation.input()).stream()
            .filter(Asked::isState)
            .map(field -> FieldPath.of(field.name()))
            .findFirst();
    FieldPath etag = FieldPath.of(ETAG);
    return state.isPresent() && !way(read, etag).isEmpty()
        ? call.with(state.get(), Optional.of(new Mapping(field(read, etag))))
        : call;
  }

  private List<Field> way(Optional<Call> read, FieldPath path) {
    ShapeId shape =
        read.flatMap(call -> service.findOperation(call.operation()))
            .map(Operation::output)
            .orElse(thing);
    return service.shapes().way(shape, path);
  }

  /** What is changed stands in the form already: the field of the same way, or of the same name. */
  Input startingWith(Input input, FieldPath parameter, Optional<Call> read) {
    return Stream.of(inThing(parameter), FieldPath.of(parameter.last()))
        .filter(path -> !way(read, path).isEmpty())
        .findFirst()
        .map(path -> input.withSlot(Input.START, Optional.of(new Mapping(field(read, path)))))
        .orElse(input);
  }

  private static FieldPath inThing(FieldPath parameter) {
    return parameter.length() > 1 ? parameter.below(parameter.first(1)) : parameter;
  }

  /**
   * What a form does not ask for is sent as it was read. For operations that put a whole thing in
   * the place of another: what is not sent is gone then.
   */
  Call keeping(Call call, Operation operation, Optional<Call> read) {
    Call keeping = call;
    Asked asked = new Asked(service, operation);
    for (Row row : FieldTree.rows(service.shapes(), operation.input(), FieldTree.Limit.SENT)) {
      boolean isOpen =
          row.path().length() > 1
              && row.rows().isRoot()
              && asked.isAsked(row)
              && keeping.parameters().stream()
                  .map(Call.Parameter::path)
                  .noneMatch(path -> path.startsWith(row.path()) || row.path().startsWith(path));
      List<Field> same = isOpen ? way(read, inThing(row.path())) : List.of();
      if (!same.isEmpty() && isSame(same.getLast(), row.field())) {
        keeping =
            keeping.with(row.path(), Optional.of(new Mapping(field(read, inThing(row.path())))));
      }
    }
    return keeping;
  }

  private static boolean isSame(Field one, Field other) {
    return one.shape().equals(other.shape()) && one.isRepeated() == other.isRepeated();
  }
}
