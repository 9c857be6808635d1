package org.mapsel.server.services;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.mapsel.core.mapping.DerivedValues;
import org.mapsel.core.model.DerivedField;
import org.mapsel.core.model.FieldRef;
import org.mapsel.core.model.Looks;
import org.mapsel.core.model.Model;
import org.mapsel.core.model.Overrides;
import org.mapsel.core.model.ShapeRef;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.sample.KeyedGroups;
import org.mapsel.core.shape.FieldTree;
import org.mapsel.core.shape.FieldTree.Row;
import org.mapsel.core.shape.ScalarType;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Shapes;
import org.mapsel.core.value.Value;
import org.mapsel.server.services.ServiceViews.FieldView;

/** Fields of shapes as rows of a field sheet, with what the model of an app says of them. */
final class FieldViews {

  private final String service;
  private final Model model;
  private final Looks looks;

  /**
   * @param service the service's id in the workspace
   */
  FieldViews(String service, Model model) {
    this.service = service;
    this.model = model;
    this.looks = new Looks(model);
  }

  List<FieldView> goesIn(Shapes shapes, ShapeId root) {
    return FieldTree.rows(shapes, root, FieldTree.Limit.SENT).stream()
        .map(row -> field(shapes, root, row))
        .toList();
  }

  /** The fields with those that only a sample tells of, and the derived ones of each record. */
  List<FieldView> comesBack(Shapes shapes, ShapeId root, Value sample) {
    List<Row> rows =
        KeyedGroups.with(FieldTree.rows(shapes, root, FieldTree.Limit.RETURNED), shapes, sample);
    List<FieldView> views = new ArrayList<>(derived(FieldPath.ROOT, FieldPath.ROOT, root));
    for (Row row : rows) {
      views.add(field(shapes, root, row));
      if (row.shape() instanceof Shape.Record record && !row.recursive()) {
        FieldPath around = row.field().isRepeated() ? row.path() : row.rows();
        views.addAll(derived(row.path(), around, record.id()));
      }
    }
    return views;
  }

  private List<FieldView> derived(FieldPath record, FieldPath rows, ShapeId shape) {
    ShapeRef ref = new ShapeRef(service, shape);
    return model
        .typeOf(ref)
        .map(
            type ->
                type.derived().stream().map(field -> derived(record, rows, ref, field)).toList())
        .orElse(List.of());
  }

  private FieldView derived(FieldPath record, FieldPath rows, ShapeRef owner, DerivedField field) {
    return new FieldView(
        record.then(DerivedValues.MEMBER).then(field.name()),
        field.name(),
        "scalar",
        "derived",
        false,
        false,
        false,
        "",
        List.of(),
        "",
        rows,
        false,
        false,
        null,
        false,
        looks.of(field, ScalarType.TEXT, Overrides.NONE).label(),
        field.name(),
        new FieldRef(owner, field.name()));
  }

  private FieldView field(Shapes shapes, ShapeId root, Row row) {
    Optional<FieldRef> ref = FieldRef.at(service, shapes, root, row.path());
    return new FieldView(
        row.path(),
        row.field().name(),
        kind(row.shape()),
        type(row.shape()),
        // What has a value of its own need not be filled.
        row.needed() && row.field().assumed().isEmpty(),
        row.field().isRepeated(),
        row.field().nillable(),
        row.field().documentation(),
        row.shape() instanceof Shape.Scalar scalar ? scalar.facets().enumeration() : List.of(),
        row.field().wire().label(),
        row.rows(),
        row.recursive(),
        row.more(),
        row.field().fixed().orElse(null),
        row.field().hints().given(),
        ref.map(
                known ->
                    looks.of(row.path(), row.field(), row.shape(), known, Overrides.NONE).heading())
            .orElse(null),
        null,
        ref.orElse(null));
  }

  static String kind(Shape shape) {
    return switch (shape) {
      case Shape.Scalar scalar -> "scalar";
      case Shape.Record record -> "record";
      case Shape.OneOf oneOf -> "oneOf";
      case Shape.Open open -> "open";
      case Shape.Repeated repeated -> "repeated";
    };
  }

  static String type(Shape shape) {
    return switch (shape) {
      case Shape.Scalar scalar ->
          scalar.facets().enumeration().isEmpty() ? type(scalar.type()) : "choice";
      case Shape.Record record -> "";
      case Shape.OneOf oneOf -> "one of";
      case Shape.Open open -> "anything";
      case Shape.Repeated repeated -> "";
    };
  }

  /** Whole or not does not matter to somebody who types a number. */
  private static String type(ScalarType type) {
    return type == ScalarType.INTEGER ? ScalarType.DECIMAL.words() : type.words();
  }
}
