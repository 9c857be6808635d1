package org.mapsel.core.page;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.mapping.Target;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.ref.Selector;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.FieldTree;
import org.mapsel.core.shape.ScalarType;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Shapes;

/** Binds fields of an operation to parts of a page: which part fits, and what it looks like. */
final class Bindings {

  private Bindings() {}

  /** The input that fits a parameter. */
  static Input input(Shapes shapes, PartId id, FieldTree.Row row) {
    Field field = row.field();
    Shape shape = shapes.get(field.shape());
    List<String> choices =
        shape instanceof Shape.Scalar scalar ? scalar.facets().enumeration() : List.of();
    Input.Kind kind =
        !choices.isEmpty()
            ? Input.Kind.CHOICE
            : shape instanceof Shape.Scalar scalar ? kind(scalar.type()) : Input.Kind.TEXT;
    return new Input(
        id,
        label(field, field.name()),
        kind,
        row.needed() && !field.nillable(),
        choices,
        field.fixed().or(field::preset).orElse(""),
        field.documentation(),
        field.isRepeated() && takesSeveral(kind));
  }

  /** Whether there is a way to put in several values at once. */
  private static boolean takesSeveral(Input.Kind kind) {
    return switch (kind) {
      case TEXT, NUMBER, CHOICE, DATE, TIME, DATE_TIME -> true;
      case CHECKBOX, FILE -> false;
    };
  }

  private static Input.Kind kind(ScalarType type) {
    return switch (type) {
      case INTEGER, DECIMAL, FLOAT -> Input.Kind.NUMBER;
      case BOOLEAN -> Input.Kind.CHECKBOX;
      case DATE -> Input.Kind.DATE;
      case TIME -> Input.Kind.TIME;
      case DATE_TIME -> Input.Kind.DATE_TIME;
      case BASE64 -> Input.Kind.FILE;
      case TEXT, DURATION, PARTIAL_DATE, HEX, URI, NAME, LIST -> Input.Kind.TEXT;
    };
  }

  /** The column or field that fits a returned field. */
  static Item item(Shapes shapes, PartId id, FieldPath path, Field field) {
    Item.Format format =
        shapes.get(field.shape()) instanceof Shape.Scalar scalar
            ? format(scalar.type())
            : Item.Format.TEXT;
    String label =
        path.selected()
            .map(selector -> Labels.of(selector.value()))
            .orElseGet(() -> label(field, path.last()));
    return new Item(id, label, format);
  }

  /** What the description calls it, or its name in words; with the unit that its number counts. */
  private static String label(Field field, String name) {
    String words = field.hints().label().orElseGet(() -> Labels.of(name));
    return field.hints().unit().map(unit -> words + " (" + unit + ")").orElse(words);
  }

  /** The name of the rows in words; a pattern is no name. */
  static String tableLabel(FieldPath rows) {
    return Labels.of(rows.isDerived() ? rows.asked().getLast().last() : rows.last());
  }

  private static Item.Format format(ScalarType type) {
    return switch (type) {
      case INTEGER, DECIMAL, FLOAT -> Item.Format.NUMBER;
      case BOOLEAN -> Item.Format.YES_NO;
      case DATE -> Item.Format.DATE;
      case TIME -> Item.Format.TIME;
      case DATE_TIME -> Item.Format.DATE_TIME;
      case BASE64, HEX -> Item.Format.BINARY;
      case TEXT, DURATION, PARTIAL_DATE, URI, NAME, LIST -> Item.Format.TEXT;
    };
  }

  /** The table of a call whose rows hold a path, if there is one; the innermost wins. */
  static Optional<PartId> tableFor(Call call, FieldPath path) {
    return call.comesBack().stream()
        .filter(
            mapping ->
                mapping.target() instanceof Target.Rows
                    && mapping.source() instanceof Source.Returned rows
                    && path.startsWith(rows.path())
                    && !picksOne(path.below(rows.path())))
        .max(
            Comparator.comparingInt(
                mapping -> ((Source.Returned) mapping.source()).path().length()))
        .map(mapping -> ((Target.Rows) mapping.target()).part());
  }

  /** Whether it leads to one item of the rows, which then is no column of them. */
  private static boolean picksOne(FieldPath below) {
    return !below.isRoot() && Selector.in(below.steps().get(0)).isPresent();
  }

  /** An id that nothing on the page has yet, readable for people who look into the file. */
  static PartId newId(Page page, String wish) {
    List<PartId> taken = new ArrayList<>();
    for (Part part : page.parts()) {
      taken.add(part.id());
      switch (part) {
        case Part.Form form -> form.inputs().forEach(input -> taken.add(input.id()));
        case Part.Table table -> table.items().forEach(item -> taken.add(item.id()));
        case Part.Record record -> record.items().forEach(item -> taken.add(item.id()));
        case Part.Button button -> {}
        case Part.Text text -> {}
      }
    }
    PartId id = new PartId(wish);
    for (int i = 2; taken.contains(id); i++) {
      id = new PartId(wish + i);
    }
    return id;
  }

  static Mapping shown(PartId part, PartId item, FieldPath path) {
    return new Mapping(new Target.Shown(part, item), new Source.Returned(path));
  }
}
