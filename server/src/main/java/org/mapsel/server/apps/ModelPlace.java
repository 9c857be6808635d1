package org.mapsel.server.apps;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.json.ValueJson;
import org.mapsel.core.mapping.Derivation;
import org.mapsel.core.mapping.Derivations;
import org.mapsel.core.mapping.DerivedValues;
import org.mapsel.core.model.CodesOfRows;
import org.mapsel.core.model.DerivedField;
import org.mapsel.core.model.FieldRef;
import org.mapsel.core.model.Formats;
import org.mapsel.core.model.Look;
import org.mapsel.core.model.Looks;
import org.mapsel.core.model.ModelField;
import org.mapsel.core.model.Overrides;
import org.mapsel.core.model.RecordType;
import org.mapsel.core.model.ShapeRef;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Call;
import org.mapsel.core.page.Input;
import org.mapsel.core.page.Item;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.plan.PagePlan;
import org.mapsel.core.page.reach.FieldBehind;
import org.mapsel.core.page.reach.PageReach;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.ref.TypeId;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.FieldTree;
import org.mapsel.core.shape.ScalarType;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Shapes;
import org.mapsel.core.shape.ValueType;
import org.mapsel.core.value.Value;
import org.mapsel.core.value.Walker;
import org.mapsel.server.apps.ModelViews.CodesRequest;
import org.mapsel.server.apps.ModelViews.CodesView;
import org.mapsel.server.apps.ModelViews.DerivedPreview;
import org.mapsel.server.apps.ModelViews.DerivedRequest;
import org.mapsel.server.apps.ModelViews.InsideView;
import org.mapsel.server.apps.ModelViews.ModelView;
import org.mapsel.server.apps.ModelViews.RecordDetail;
import org.mapsel.server.apps.ModelViews.RowView;
import org.mapsel.server.apps.ModelViews.ShapeView;
import org.mapsel.server.apps.ModelViews.TypeBrief;
import org.mapsel.server.apps.ModelViews.TypeView;
import org.mapsel.server.apps.ModelViews.UseView;
import org.mapsel.server.samples.LastSamples;
import org.mapsel.server.services.Workspace;
import org.mapsel.server.web.FindingView;
import org.mapsel.server.web.Problem;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;

/**
 * The model of an app: its record types with their fields, where they are used and what they hold.
 */
@Component
class ModelPlace {

  /** So many records tell enough of a type. */
  private static final int SAMPLES = 50;

  private final Apps apps;
  private final Workspace workspace;
  private final LastSamples samples;

  ModelPlace(Apps apps, Workspace workspace, LastSamples samples) {
    this.apps = apps;
    this.workspace = workspace;
    this.samples = samples;
  }

  ModelView view(String appId) {
    App app = apps.get(appId).app();
    Map<ShapeRef, Map<FieldRef, List<UseView>>> uses = uses(apps.checked(appId));
    return new ModelView(
        app.model().types().stream().map(type -> brief(type, uses)).toList(), app.model().lists());
  }

  /** The codes and words that the rows of an operation's sample have. */
  CodesView codes(String app, CodesRequest request) {
    Service service =
        apps.get(app)
            .app()
            .edition(request.service())
            .or(() -> workspace.newestEdition(request.service()))
            .flatMap(apps.services()::find)
            .orElseThrow(
                () -> Problem.missing("SERVER_SERVICE_MISSING", "service", request.service()));
    Operation operation =
        service
            .findOperation(request.operation())
            .orElseThrow(
                () ->
                    Problem.missing(
                        "SERVER_OPERATION_MISSING", "operation", request.operation().text()));
    if (!request.code().startsWith(request.rows()) || !request.words().startsWith(request.rows())) {
      throw Problem.missing("APP_ITEM_MISSING", "item", request.rows().toString());
    }
    LastSamples.Sample sample = samples.sample(request.service(), service, operation);
    CodesOfRows found =
        CodesOfRows.of(
            sample.answer(),
            request.rows(),
            request.code().below(request.rows()),
            request.words().below(request.rows()));
    return new CodesView(found.items(), found.whole(), !sample.isKnown());
  }

  private TypeBrief brief(RecordType type, Map<ShapeRef, Map<FieldRef, List<UseView>>> uses) {
    int pages =
        (int)
            type.shapes().stream()
                .flatMap(shape -> uses.getOrDefault(shape, Map.of()).values().stream())
                .flatMap(List::stream)
                .map(UseView::page)
                .distinct()
                .count();
    return new TypeBrief(
        type.id(),
        type.name(),
        type.shapes().stream().map(this::shape).toList(),
        pages,
        type.fields().size(),
        type.derived().size());
  }

  private ShapeView shape(ShapeRef ref) {
    return new ShapeView(ref, workspace.nameOf(ref.service()), words(ref.shape()));
  }

  /**
   * Shapes without a name of their own are called by where they stand, which begins with slashes.
   */
  private static String words(ShapeId shape) {
    return shape.name().replaceFirst("^/+", "").replace("/", " › ");
  }

  TypeView type(String appId, String typeId, Locale locale) {
    Apps.CheckedApp checked = apps.checked(appId);
    App app = checked.kept().app();
    RecordType type = type(app, typeId);
    Map<ShapeRef, Map<FieldRef, List<UseView>>> uses = uses(checked);
    Formats formats = new Formats(locale);
    List<RowView> rows = new ArrayList<>();
    List<JsonNode> samples = new ArrayList<>();
    for (ShapeRef shape : type.shapes()) {
      Optional<Service> service = service(app, shape);
      if (service.isPresent() && service.get().shapes().find(shape.shape()).isPresent()) {
        List<Value> records = records(app, shape, service.get());
        Of of = new Of(app, type, shape, service.get().shapes(), formats, records);
        Map<FieldRef, List<UseView>> used = uses.getOrDefault(shape, Map.of());
        of.shapes().fieldsOf(shape.shape()).forEach(field -> rows.add(of.row(field, used)));
        if (shape.equals(type.shapes().get(0))) {
          type.derived().forEach(field -> rows.add(of.row(field, used)));
          records.forEach(record -> samples.add(ValueJson.writeForDoubles(record)));
        }
      }
    }
    rows.sort(Comparator.comparing(row -> row.look().order().orElse(Integer.MAX_VALUE)));
    return new TypeView(
        type.id(), type.name(), type.shapes().stream().map(this::shape).toList(), rows, samples);
  }

  private static RecordType type(App app, String id) {
    return app.model()
        .type(new TypeId(id))
        .orElseThrow(() -> Problem.missing("MODEL_TYPE_MISSING", "type", id));
  }

  private Optional<Service> service(App app, ShapeRef shape) {
    return app.edition(shape.service()).flatMap(apps.services()::find);
  }

  /** One shape of a type, with records of it. */
  private record Of(
      App app,
      RecordType type,
      ShapeRef shape,
      Shapes shapes,
      Formats formats,
      List<Value> records) {

    RowView row(Field field, Map<FieldRef, List<UseView>> used) {
      FieldPath path = FieldPath.of(field.name());
      FieldRef ref = new FieldRef(shape, field.name());
      Shape inside = shapes.get(field.shape());
      Look look = new Looks(app.model()).of(path, field, inside, ref, Overrides.NONE);
      Optional<ModelField> known = type.field(ref);
      boolean simple = inside instanceof Shape.Scalar;
      return new RowView(
          ref,
          field.name(),
          inside instanceof Shape.Scalar ? "scalar" : "record",
          inside instanceof Shape.Scalar scalar ? scalar.type().words() : "",
          field.isRepeated(),
          field.documentation(),
          path,
          look,
          known.map(ModelField::set).orElse(Overrides.NONE),
          null,
          known.map(ModelField::at).orElse(List.of()).stream()
              .filter(other -> !other.equals(ref))
              .toList(),
          used.getOrDefault(ref, List.of()),
          simple
              ? records.stream().map(record -> shown(record.at(path), look)).toList()
              : List.of());
    }

    RowView row(DerivedField field, Map<FieldRef, List<UseView>> used) {
      FieldRef ref = new FieldRef(shape, field.name());
      Optional<Derivation> made =
          new Derivations(type, shapes, shape.shape()).of(field.name()).value();
      ScalarType scalar = made.flatMap(one -> one.type().scalar()).orElse(ScalarType.TEXT);
      Look look = new Looks(app.model()).of(field, scalar, Overrides.NONE);
      return new RowView(
          ref,
          field.name(),
          "derived",
          scalar.words(),
          false,
          "",
          FieldPath.of(DerivedValues.MEMBER, field.name()),
          look,
          field.set(),
          field.rule(),
          List.of(),
          used.getOrDefault(ref, List.of()),
          made.map(one -> records.stream().map(record -> shown(one.of(record), look)).toList())
              .orElse(List.of()));
    }

    private String shown(Value value, Look look) {
      return value.isAbsent() ? "" : formats.show(value, look);
    }
  }

  /** Records of a shape in the samples of the operations that pages call. */
  private List<Value> records(App app, ShapeRef shape, Service service) {
    List<Value> records = new ArrayList<>();
    Set<OperationId> seen = new HashSet<>();
    for (Page page : app.pages()) {
      for (Call call : page.calls()) {
        if (call.service().equals(shape.service()) && seen.add(call.operation())) {
          service
              .findOperation(call.operation())
              .ifPresent(operation -> records(shape, service, operation, records));
        }
      }
    }
    return records.size() > SAMPLES ? records.subList(0, SAMPLES) : records;
  }

  private void records(ShapeRef shape, Service service, Operation operation, List<Value> records) {
    LastSamples.Sample sample = samples.sample(shape.service(), service, operation);
    records(shape, service.shapes(), operation.output(), sample.answer(), records);
    records(shape, service.shapes(), operation.input(), sample.parameters(), records);
  }

  private static void records(
      ShapeRef wanted, Shapes shapes, ShapeId root, Value value, List<Value> records) {
    if (root.equals(wanted.shape())) {
      records.add(value);
      return;
    }
    FieldTree.rows(shapes, root, FieldTree.Limit.SCREEN).stream()
        .filter(row -> row.field().shape().equals(wanted.shape()))
        .findFirst()
        .ifPresent(row -> records.addAll(Walker.of(row.path()).all(value)));
  }

  /** Where the fields of each shape are shown or filled. */
  private Map<ShapeRef, Map<FieldRef, List<UseView>>> uses(Apps.CheckedApp checked) {
    App app = checked.kept().app();
    Map<ShapeRef, Map<FieldRef, List<UseView>>> uses = new HashMap<>();
    for (Page page : app.pages()) {
      PageReach reach = new PageReach(app, page, apps.services());
      PagePlan plan = checked.checked().pages().get(page.id()).plan();
      page.items()
          .forEach(
              inside ->
                  behind(reach, inside)
                      .ifPresent(
                          ref ->
                              uses.computeIfAbsent(ref.owner(), none -> new HashMap<>())
                                  .computeIfAbsent(ref, none -> new ArrayList<>())
                                  .add(
                                      new UseView(
                                          page.id(),
                                          page.name(),
                                          inside.item().id(),
                                          label(plan, inside.item())))));
    }
    return uses;
  }

  private static String label(PagePlan plan, Item item) {
    return item instanceof Input
        ? plan.inputs().get(item.id()).look().fullLabel()
        : plan.looks().get(item.id()).fullLabel();
  }

  private static Optional<FieldRef> behind(PageReach reach, Page.Inside inside) {
    Optional<FieldBehind> behind =
        inside.item() instanceof Input input
            ? reach.subject(input).map(FieldBehind.class::cast)
            : inside
                .item()
                .mapping()
                .flatMap(value -> reach.subject(value.source(), reach.inside(inside.part())));
    return behind.map(
        field ->
            switch (field) {
              case FieldBehind.Described described -> described.ref();
              case FieldBehind.Made made ->
                  new FieldRef(made.owner().shapes().get(0), made.field().name());
            });
  }

  /** The fields of a shape with some records of it. */
  RecordDetail record(String appId, ShapeRef shape) {
    App app = apps.get(appId).app();
    Service service = known(app, shape);
    Shapes shapes = service.shapes();
    List<InsideView> fields =
        shapes.fieldsOf(shape.shape()).stream()
            .map(
                field -> {
                  Shape inside = shapes.get(field.shape());
                  return new InsideView(
                      field.name(),
                      inside instanceof Shape.Scalar ? "scalar" : "record",
                      inside instanceof Shape.Scalar scalar ? scalar.type().words() : "",
                      field.isRepeated(),
                      shapes.fieldsOf(field.shape()).stream().map(Field::name).toList());
                })
            .toList();
    return new RecordDetail(
        fields, records(app, shape, service).stream().map(ValueJson::writeForDoubles).toList());
  }

  private Service known(App app, ShapeRef shape) {
    Service service =
        service(app, shape)
            .orElseThrow(() -> Problem.missing("APP_SERVICE_MISSING", "service", shape.service()));
    if (service.shapes().find(shape.shape()).isEmpty()) {
      throw Problem.missing("MODEL_TYPE_MISSING", "type", shape.shape().name());
    }
    return service;
  }

  /** What a rule makes of the samples, before it is kept. */
  DerivedPreview derived(String appId, DerivedRequest request, Locale locale) {
    App app = apps.get(appId).app();
    Service service = known(app, request.shape());
    RecordType type =
        app.model()
            .typeOf(request.shape())
            .orElseGet(() -> RecordType.of(new TypeId("new"), "", request.shape()));
    Outcome<Derivation> made =
        new Derivations(type, service.shapes(), request.shape().shape()).of(request.rule());
    if (made.value().isEmpty()) {
      return new DerivedPreview("", List.of(), FindingView.of(made.findings()));
    }
    ScalarType scalar = made.get().type().scalar().orElse(ScalarType.TEXT);
    Look look = Look.words(new ValueType.Simple(scalar, false));
    Formats formats = new Formats(locale);
    List<String> values =
        records(app, request.shape(), service).stream()
            .map(record -> made.get().of(record))
            .map(value -> value.isAbsent() ? "" : formats.show(value, look))
            .toList();
    return new DerivedPreview(scalar.words(), values, List.of());
  }
}
