package org.mapsel.core.page.reach;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.mapping.MappingPlanner;
import org.mapsel.core.mapping.Reach;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.model.FieldRef;
import org.mapsel.core.model.RecordType;
import org.mapsel.core.model.ShapeRef;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Argument;
import org.mapsel.core.page.Call;
import org.mapsel.core.page.Input;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.ServiceLookup;
import org.mapsel.core.page.ServiceLookup.Pinned;
import org.mapsel.core.page.Slot;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.ref.SlotId;
import org.mapsel.core.service.Service;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.FieldTree;
import org.mapsel.core.shape.ScalarType;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Shapes;
import org.mapsel.core.shape.ValueType;

/** What one page can draw on. Works out each thing once, so it is good for one state of a page. */
public final class PageReach {

  private static final Pattern IDENTIFIER = Pattern.compile("[A-Za-z_][A-Za-z0-9_]*");
  private static final Pattern NUMBERED = Pattern.compile("_\\d+$");

  private final App app;
  private final Page page;
  private final ServiceLookup services;
  private final MappingPlanner planner;
  private final Alternatives alternatives;
  private final Map<CallId, Optional<Pinned>> pinned = new HashMap<>();
  private final Map<CallId, Map<FieldPath, FieldTree.Row>> parameters = new HashMap<>();
  private final Map<PartId, List<SlotId.OfParameter>> filled = new HashMap<>();

  public PageReach(App app, Page page, ServiceLookup services) {
    this.app = app;
    this.page = page;
    this.services = services;
    this.planner = new MappingPlanner(app.model());
    this.alternatives = new Alternatives(page, this);
    for (Slot slot : page.slots()) {
      if (slot.id() instanceof SlotId.OfParameter parameter
          && slot.mapping().source() instanceof Source.Entered entered) {
        filled.computeIfAbsent(entered.input(), none -> new ArrayList<>()).add(parameter);
      }
    }
  }

  /** The operation behind a call; nothing if its service or it is not there. */
  public Optional<Pinned> pinned(CallId id) {
    return pinned.computeIfAbsent(
        id,
        key ->
            page.call(key).flatMap(call -> services.pinned(app, call.service(), call.operation())));
  }

  /** The parameters of a call as rows of a field sheet, by their paths. */
  public Map<FieldPath, FieldTree.Row> parameters(CallId id) {
    return parameters.computeIfAbsent(
        id,
        key -> {
          Map<FieldPath, FieldTree.Row> rows = new LinkedHashMap<>();
          pinned(key)
              .ifPresent(
                  known ->
                      FieldTree.rows(
                              known.service().shapes(),
                              known.operation().input(),
                              FieldTree.Limit.SENT)
                          .forEach(row -> rows.put(row.path(), row)));
          return rows;
        });
  }

  /**
   * Whether a parameter must be sent: whatever else is left out, or, if it is filled on lines, on
   * each of them, or, if it is in an alternative that is chosen, with that.
   */
  public boolean isNeeded(SlotId.OfParameter slot) {
    Map<FieldPath, FieldTree.Row> rows = parameters(slot.call());
    FieldTree.Row row = rows.get(slot.parameter());
    if (row == null || row.field().nillable()) {
      return false;
    }
    Optional<FieldPath> lines =
        page.call(slot.call())
            .flatMap(call -> page.around(call, slot.parameter()))
            .filter(parameter -> page.linesOf(parameter.mapping()).isPresent())
            .map(Call.Parameter::path);
    if (lines.isPresent()) {
      return isNeededBelow(rows, lines.get().length(), slot.parameter());
    }
    // The alternative that is chosen must hold something.
    return alternatives.around(slot).stream()
        .reduce((outer, inner) -> inner)
        .map(chosen -> chosen.choice().parameter().length() + 1)
        .map(length -> isNeededBelow(rows, length, slot.parameter()))
        .orElse(row.needed());
  }

  /** Whether everything on the way to a parameter is required, from a length of the way on. */
  private static boolean isNeededBelow(
      Map<FieldPath, FieldTree.Row> rows, int length, FieldPath parameter) {
    return IntStream.rangeClosed(length + 1, parameter.length())
        .mapToObj(parameter::first)
        .allMatch(path -> isRequiredWithin(rows, path));
  }

  /** Whether a parameter must be in what is right around it, as long as that is there. */
  public static boolean isRequiredWithin(Map<FieldPath, FieldTree.Row> rows, FieldPath path) {
    FieldTree.Row row = rows.get(path);
    FieldTree.Row around = rows.get(path.first(path.length() - 1));
    return row != null
        && row.field().isRequired()
        && (around == null || !(around.shape() instanceof Shape.OneOf));
  }

  /** What is chosen between. */
  public Alternatives alternatives() {
    return alternatives;
  }

  /** The parameters that an input fills. */
  public List<SlotId.OfParameter> filledBy(PartId input) {
    return filled.getOrDefault(input, List.of());
  }

  /** The field that an input stands for: the first parameter that it fills. */
  public Optional<FieldBehind.Described> subject(Input input) {
    return filledBy(input.id()).stream()
        .flatMap(slot -> parameter(slot.call(), slot.parameter()).stream())
        .findFirst();
  }

  /** A parameter of a call. */
  public Optional<FieldBehind.Described> parameter(CallId call, FieldPath path) {
    return page.call(call)
        .flatMap(
            known ->
                pinned(call)
                    .flatMap(
                        there ->
                            described(
                                known.service(),
                                there.service().shapes(),
                                there.operation().input(),
                                path)));
  }

  private static Optional<FieldBehind.Described> described(
      String service, Shapes shapes, ShapeId root, FieldPath path) {
    List<Field> way = shapes.way(root, path);
    if (way.isEmpty()) {
      return Optional.empty();
    }
    return FieldRef.at(service, shapes, root, path)
        .map(
            ref ->
                new FieldBehind.Described(
                    path, way.getLast(), shapes.get(way.getLast().shape()), ref));
  }

  /**
   * The field that a source leads to; nothing if it is no field, or none that there is.
   *
   * @param around what is in reach of the slot
   */
  public Optional<FieldBehind> subject(Source source, Reach around) {
    return switch (source) {
      case Source.Returned returned -> described(around.returned(returned.call()), returned.path());
      case Source.Row row -> described(around.row(), row.path());
      case Source.Chosen chosen -> described(around.chosen(chosen.part()), chosen.path());
      case Source.Argument argument -> described(around.argument(argument.name()), argument.path());
      case Source.Entered entered ->
          page.inputs()
              .filter(input -> input.id().equals(entered.input()))
              .findFirst()
              .flatMap(this::subject);
      case Source.Derived derived -> made(derived, around);
      case Source.Fixed fixed -> Optional.empty();
      case Source.Formula formula -> Optional.empty();
      case Source.Run run -> Optional.empty();
    };
  }

  private static Optional<FieldBehind> described(Optional<Reach.Typed> root, FieldPath path) {
    return root.flatMap(
        typed ->
            typed.type() instanceof ValueType.Shaped shaped
                ? described(typed.service(), shaped.shapes(), shaped.shape(), path)
                    .map(FieldBehind.class::cast)
                : Optional.empty());
  }

  private Optional<FieldBehind> made(Source.Derived derived, Reach around) {
    Optional<RecordType> type = recordType(derived.record(), around);
    Optional<ScalarType> made = planner.typeOf(derived, around).flatMap(ValueType::scalar);
    return type.flatMap(
        owner ->
            owner
                .derived(derived.field())
                .map(field -> new FieldBehind.Made(owner, field, made.orElse(ScalarType.TEXT))));
  }

  /** The service that the records of a source are of. */
  public Optional<String> service(Source source, Reach around) {
    return switch (source) {
      case Source.Returned returned -> around.returned(returned.call()).map(Reach.Typed::service);
      case Source.Row row -> around.row().map(Reach.Typed::service);
      case Source.Chosen chosen -> around.chosen(chosen.part()).map(Reach.Typed::service);
      case Source.Argument argument -> around.argument(argument.name()).map(Reach.Typed::service);
      default -> Optional.empty();
    };
  }

  /** The record type of the records that a source gives. */
  public Optional<RecordType> recordType(Source source, Reach around) {
    return service(source, around)
        .flatMap(
            owner ->
                planner
                    .typeOf(source, around)
                    .filter(ValueType.Shaped.class::isInstance)
                    .flatMap(
                        type ->
                            app.model()
                                .typeOf(new ShapeRef(owner, ((ValueType.Shaped) type).shape()))));
  }

  /** The type of what a page is opened with; nothing if its shape is not there any more. */
  private Optional<Reach.Typed> typed(Argument argument) {
    if (argument.record().isEmpty()) {
      return Optional.of(new Reach.Typed(new ValueType.Simple(argument.scalar(), false), ""));
    }
    ShapeRef ref = argument.record().get();
    return app.edition(ref.service())
        .flatMap(services::find)
        .map(Service::shapes)
        .filter(shapes -> shapes.find(ref.shape()).isPresent())
        .map(shapes -> new Reach.Typed(ValueType.of(shapes, ref.shape(), false), ref.service()));
  }

  /** The type of what another page of the app is opened with. */
  public Optional<ValueType> argument(PageId other, String name) {
    return app.find(other)
        .flatMap(known -> known.argument(name))
        .flatMap(this::typed)
        .map(Reach.Typed::type);
  }

  /** What is in reach of a slot. */
  public Reach of(SlotId slot) {
    return switch (slot) {
      case SlotId.OfParameter parameter -> ofParameter(parameter);
      case SlotId.OfPart part -> ofPart(part);
    };
  }

  private Reach ofPart(SlotId.OfPart slot) {
    return slot.name().equals(Part.OverRows.ROWS)
        ? new OfPage(Optional.empty(), Set.of(slot.owner()))
        : page.item(slot.owner())
            .map(Page.Inside::part)
            .or(() -> page.part(slot.owner()).flatMap(page::rowsAround))
            .map(this::inside)
            .orElseGet(this::outside);
  }

  /** What is in reach of the columns or fields of a part. */
  public Reach inside(Part part) {
    return part instanceof Part.OverRows table && table.rows().isPresent()
        ? over(table.rows().get(), Set.of(part.id()))
        : outside();
  }

  /** What is in reach where no rows are around. */
  public Reach outside() {
    return new OfPage(Optional.empty(), Set.of());
  }

  private Reach over(Mapping rows, Set<PartId> of) {
    Reach outside = new OfPage(Optional.empty(), of);
    Optional<ValueType> type = planner.typeOf(rows.source(), outside);
    String service = service(rows.source(), outside).orElse("");
    return new OfPage(type.map(found -> new Reach.Typed(found.times(false), service)), Set.of());
  }

  /** A parameter inside a repeated one is filled for each of the rows that fill that one. */
  private Reach ofParameter(SlotId.OfParameter slot) {
    Optional<Mapping> rows =
        page.call(slot.call())
            .flatMap(call -> page.around(call, slot.parameter()))
            .map(Call.Parameter::mapping)
            .filter(mapping -> page.linesOf(mapping).isEmpty());
    return rows.map(mapping -> over(mapping, Set.of())).orElseGet(this::outside);
  }

  /** What formulas may call the inputs, by the name of the input if that is unmistakable. */
  private Map<PartId, String> inputNames() {
    Map<String, Long> counts = new HashMap<>();
    page.inputs().forEach(input -> counts.merge(bare(input.id()), 1L, Long::sum));
    Map<PartId, String> names = new LinkedHashMap<>();
    page.inputs()
        .forEach(
            input -> {
              String bare = bare(input.id());
              names.put(input.id(), counts.get(bare) == 1 ? bare : input.id().text());
            });
    return names;
  }

  private static String bare(PartId id) {
    return NUMBERED.matcher(id.text()).replaceFirst("");
  }

  private final class OfPage implements Reach {
    private final Optional<Typed> row;

    /** The parts whose rows are asked for: none of them can be filled from its own rows. */
    private final Set<PartId> asked;

    OfPage(Optional<Typed> row, Set<PartId> asked) {
      this.row = row;
      this.asked = asked;
    }

    @Override
    public Optional<ValueType> entered(PartId id) {
      if (page.part(id).filter(Part.Lines.class::isInstance).isPresent()) {
        return Optional.of(new ValueType.Unknown(true));
      }
      return page.inputs()
          .filter(input -> input.id().equals(id))
          .findFirst()
          .map(
              input ->
                  subject(input)
                      .map(subject -> typed(subject.shape(), subject.field().isRepeated()))
                      .orElse(new ValueType.Simple(ScalarType.TEXT, false)));
    }

    private ValueType typed(Shape shape, boolean several) {
      return switch (shape) {
        case Shape.Scalar scalar -> new ValueType.Simple(scalar.type(), several);
        // The name of the alternative.
        case Shape.OneOf oneOf -> new ValueType.Simple(ScalarType.TEXT, false);
        default -> new ValueType.Unknown(several);
      };
    }

    @Override
    public Optional<Typed> argument(String name) {
      return page.argument(name).flatMap(PageReach.this::typed);
    }

    @Override
    public Optional<Typed> chosen(PartId id) {
      if (asked.contains(id)) {
        return Optional.empty();
      }
      Set<PartId> all = new HashSet<>(asked);
      all.add(id);
      return page.rowsPart(id).flatMap(Part.OverRows::rows).flatMap(rows -> over(rows, all).row());
    }

    @Override
    public Optional<Typed> returned(CallId id) {
      return page.call(id)
          .flatMap(
              call ->
                  pinned(id)
                      .map(
                          known ->
                              new Typed(
                                  ValueType.of(
                                      known.service().shapes(), known.operation().output(), false),
                                  call.service())));
    }

    @Override
    public Optional<Typed> row() {
      return row;
    }

    @Override
    public Map<String, Source> variables() {
      Map<String, Source> variables = new LinkedHashMap<>();
      row.ifPresent(typed -> rowVariables(typed, variables));
      page.arguments()
          .forEach(
              argument ->
                  put(
                      variables,
                      argument.name(),
                      new Source.Argument(argument.name(), FieldPath.ROOT)));
      inputNames().forEach((id, name) -> put(variables, name, new Source.Entered(id)));
      for (Call call : page.calls()) {
        put(variables, call.operation().text(), new Source.Returned(call.id(), FieldPath.ROOT));
        put(variables, call.id().text(), new Source.Returned(call.id(), FieldPath.ROOT));
      }
      tables()
          .forEach(
              table ->
                  put(
                      variables,
                      "chosen_" + table.id().text(),
                      new Source.Chosen(table.id(), FieldPath.ROOT)));
      put(variables, "now", new Source.Run(Source.Run.What.NOW));
      put(variables, "today", new Source.Run(Source.Run.What.TODAY));
      return variables;
    }

    private Stream<Part> tables() {
      return page.parts().stream().filter(Part.OverRows.class::isInstance);
    }

    private void rowVariables(Typed typed, Map<String, Source> variables) {
      variables.put("row", new Source.Row(FieldPath.ROOT));
      if (typed.type() instanceof ValueType.Shaped shaped) {
        for (Field field : shaped.shapes().fieldsOf(shaped.shape())) {
          put(variables, field.name(), new Source.Row(FieldPath.of(field.name())));
        }
        app.model()
            .typeOf(new ShapeRef(typed.service(), shaped.shape()))
            .ifPresent(
                type ->
                    type.derived()
                        .forEach(
                            field ->
                                put(
                                    variables,
                                    field.name(),
                                    new Source.Derived(
                                        new Source.Row(FieldPath.ROOT), field.name()))));
      }
    }

    private static void put(Map<String, Source> variables, String name, Source source) {
      if (IDENTIFIER.matcher(name).matches()) {
        variables.putIfAbsent(name, source);
      }
    }
  }
}
