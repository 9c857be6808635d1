package org.mapsel.server.apps;

import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.model.Choice;
import org.mapsel.core.model.DerivedField;
import org.mapsel.core.model.FieldRef;
import org.mapsel.core.model.Look;
import org.mapsel.core.model.Overrides;
import org.mapsel.core.model.ShapeRef;
import org.mapsel.core.model.ValueList;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.ref.TypeId;
import org.mapsel.server.web.FindingView;
import tools.jackson.databind.JsonNode;

/** What the API says of the model of an app. */
final class ModelViews {

  private ModelViews() {}

  /** The record types in use and the value lists. */
  record ModelView(List<TypeBrief> types, List<ValueList> lists) {}

  /**
   * Where codes and their words stand in an answer.
   *
   * @param rows the list
   * @param code and {@code words} the fields, as they stand in the whole answer
   */
  record CodesRequest(
      String service, OperationId operation, FieldPath rows, FieldPath code, FieldPath words) {
    CodesRequest {
      Objects.requireNonNull(service);
      Objects.requireNonNull(operation);
      Objects.requireNonNull(rows);
      Objects.requireNonNull(code);
      Objects.requireNonNull(words);
    }
  }

  /**
   * Codes and their words.
   *
   * @param whole whether these are all
   * @param madeUp whether the rows were made up, because nobody asked the service yet
   */
  record CodesView(List<Choice> items, boolean whole, boolean madeUp) {}

  /**
   * A record type in one line.
   *
   * @param pages how many pages show fields of it
   * @param changed of how many fields something was decided
   */
  record TypeBrief(
      TypeId id, String name, List<ShapeView> shapes, int pages, int changed, int derived) {}

  /** A shape that a record type stands for. */
  record ShapeView(ShapeRef ref, String serviceName, String shapeName) {}

  /**
   * A record type with its fields.
   *
   * @param samples records of it, of the samples of the operations that pages use
   */
  record TypeView(
      TypeId id, String name, List<ShapeView> shapes, List<RowView> rows, List<JsonNode> samples) {}

  /**
   * A field of a record type.
   *
   * @param shape which of the type's shapes it is of
   * @param path the way to its value in a sample
   * @param rule how it is made, where it is a derived one
   * @param same the fields of the other shapes that are one field with it
   * @param shown the value in each of the samples, in words
   */
  record RowView(
      FieldRef ref,
      String name,
      String kind,
      String type,
      boolean repeats,
      String documentation,
      FieldPath path,
      Look look,
      Overrides set,
      DerivedField.@Nullable Rule rule,
      List<FieldRef> same,
      List<UseView> usedAt,
      List<String> shown) {}

  /** A place of a page that shows or fills a field. */
  record UseView(PageId page, String pageName, PartId item, String label) {}

  /** A record as formulas and rules see it: its fields, and some records of the samples. */
  record RecordDetail(List<InsideView> fields, List<JsonNode> records) {}

  /**
   * A field of a record.
   *
   * @param inside the fields of a record or a list in it
   */
  record InsideView(String name, String kind, String type, boolean repeats, List<String> inside) {}

  /** A rule for a derived field that is being made. */
  record DerivedRequest(ShapeRef shape, DerivedField.Rule rule) {
    DerivedRequest {
      Objects.requireNonNull(shape);
      Objects.requireNonNull(rule);
    }
  }

  /** What a rule makes of the samples. */
  record DerivedPreview(String type, List<String> values, List<FindingView> findings) {}
}
