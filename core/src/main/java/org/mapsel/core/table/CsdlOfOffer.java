package org.mapsel.core.table;

import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Offered tables as entity sets (OData CSDL XML and JSON representation 4.01). */
final class CsdlOfOffer {

  private static final String EDMX = "http://docs.oasis-open.org/odata/ns/edmx";
  private static final String EDM = "http://docs.oasis-open.org/odata/ns/edm";
  private static final String NAMESPACE = "tables";
  private static final String LABEL = "mapsel.words.Label";
  private static final JsonMapper JSON = new JsonMapper();

  private CsdlOfOffer() {}

  private static String name(TableOffer offer) {
    return Names.upper(offer.name(), "Tables");
  }

  static byte[] xml(TableOffer offer) {
    return XmlText.write(
        EDMX,
        "edmx:Edmx",
        out -> {
          out.attribute("Version", "4.01");
          out.element(
              "edmx:DataServices",
              () ->
                  out.element(
                      "Schema",
                      () -> {
                        out.namespace(EDM);
                        out.attribute("Namespace", NAMESPACE);
                        offer.tables().forEach(table -> entityType(out, table));
                        container(out, offer);
                      }));
        });
  }

  private static void entityType(XmlText out, OfferedTable table) {
    out.element(
        "EntityType",
        () -> {
          out.attribute("Name", table.name());
          out.element(
              "Key",
              () ->
                  table
                      .keys()
                      .forEach(
                          key ->
                              out.element("PropertyRef", () -> out.attribute("Name", key.name()))));
          table.columns().forEach(column -> property(out, column));
        });
  }

  private static void property(XmlText out, Column column) {
    out.element(
        "Property",
        () -> {
          out.attribute("Name", column.name());
          out.attribute("Type", type(column.type()));
          if (column.type() == ColumnType.DECIMAL || column.type() == ColumnType.MONEY) {
            out.attribute("Scale", "variable");
          }
          out.attribute("Nullable", String.valueOf(!column.key() && !column.required()));
          if (!column.label().equals(column.name())) {
            annotation(out, LABEL, "String", column.label());
          }
          if (!column.unit().isEmpty()) {
            annotation(out, unitTerm(column), "String", column.unit());
          }
          if (!column.codes().isEmpty()) {
            allowed(out, column.codes());
          }
        });
  }

  private static void annotation(XmlText out, String term, String kind, String value) {
    out.element(
        "Annotation",
        () -> {
          out.attribute("Term", term);
          out.attribute(kind, value);
        });
  }

  private static void allowed(XmlText out, List<String> codes) {
    out.element(
        "Annotation",
        () -> {
          out.attribute("Term", "Org.OData.Validation.V1.AllowedValues");
          out.element(
              "Collection",
              () ->
                  codes.forEach(
                      code ->
                          out.element(
                              "Record",
                              () ->
                                  out.element(
                                      "PropertyValue",
                                      () -> {
                                        out.attribute("Property", "Value");
                                        out.attribute("String", code);
                                      }))));
        });
  }

  private static void container(XmlText out, TableOffer offer) {
    out.element(
        "EntityContainer",
        () -> {
          out.attribute("Name", name(offer));
          for (OfferedTable table : offer.tables()) {
            out.element(
                "EntitySet",
                () -> {
                  out.attribute("Name", table.several());
                  out.attribute("EntityType", NAMESPACE + "." + table.name());
                  restrictions(table)
                      .forEach(
                          (term, may) ->
                              out.element(
                                  "Annotation",
                                  () -> {
                                    out.attribute("Term", term.term());
                                    out.element(
                                        "Record",
                                        () ->
                                            out.element(
                                                "PropertyValue",
                                                () -> {
                                                  out.attribute("Property", term.property());
                                                  out.attribute("Bool", String.valueOf(may));
                                                }));
                                  }));
                  out.element(
                      "Annotation",
                      () -> {
                        out.attribute("Term", "Org.OData.Core.V1.OptimisticConcurrency");
                        out.element("Collection", () -> {});
                      });
                });
          }
        });
  }

  private record Restriction(String term, String property) {
    static Restriction of(String kind, String property) {
      return new Restriction("Org.OData.Capabilities.V1." + kind + "Restrictions", property);
    }
  }

  /** Each restriction with what it lets pass. */
  private static Map<Restriction, Boolean> restrictions(OfferedTable table) {
    Map<Restriction, Boolean> restrictions = new LinkedHashMap<>();
    restrictions.put(Restriction.of("Insert", "Insertable"), table.may(OfferedTable.Change.CREATE));
    restrictions.put(Restriction.of("Update", "Updatable"), table.may(OfferedTable.Change.CHANGE));
    restrictions.put(Restriction.of("Delete", "Deletable"), table.may(OfferedTable.Change.DELETE));
    restrictions.put(Restriction.of("Expand", "Expandable"), false);
    restrictions.put(Restriction.of("Search", "Searchable"), false);
    return restrictions;
  }

  private static String unitTerm(Column column) {
    return column.type() == ColumnType.MONEY
        ? "Org.OData.Measures.V1.ISOCurrency"
        : "Org.OData.Measures.V1.Unit";
  }

  private static String type(ColumnType type) {
    return switch (type) {
      case TEXT -> "Edm.String";
      case WHOLE -> "Edm.Int64";
      case DECIMAL, MONEY -> "Edm.Decimal";
      case DATE -> "Edm.Date";
      case TIME -> "Edm.TimeOfDay";
      case DATE_TIME -> "Edm.DateTimeOffset";
      case YES_NO -> "Edm.Boolean";
    };
  }

  static byte[] json(TableOffer offer) {
    ObjectNode root = JSON.createObjectNode();
    root.put("$Version", "4.01").put("$EntityContainer", NAMESPACE + "." + name(offer));
    ObjectNode schema = root.putObject(NAMESPACE);
    ObjectNode container = JSON.createObjectNode().put("$Kind", "EntityContainer");
    for (OfferedTable table : offer.tables()) {
      entityType(schema.putObject(table.name()), table);
      ObjectNode set = container.putObject(table.several());
      set.put("$Collection", true).put("$Type", NAMESPACE + "." + table.name());
      restrictions(table)
          .forEach((term, may) -> set.putObject("@" + term.term()).put(term.property(), may));
      set.putArray("@Org.OData.Core.V1.OptimisticConcurrency");
    }
    schema.set(name(offer), container);
    return root.toString().getBytes(StandardCharsets.UTF_8);
  }

  private static void entityType(ObjectNode type, OfferedTable table) {
    type.put("$Kind", "EntityType");
    ArrayNode key = type.putArray("$Key");
    table.keys().forEach(column -> key.add(column.name()));
    for (Column column : table.columns()) {
      ObjectNode property = type.putObject(column.name());
      if (column.type() != ColumnType.TEXT) {
        property.put("$Type", type(column.type()));
      }
      if (column.type() == ColumnType.DECIMAL || column.type() == ColumnType.MONEY) {
        property.put("$Scale", "variable");
      }
      if (!column.key() && !column.required()) {
        property.put("$Nullable", true);
      }
      if (!column.label().equals(column.name())) {
        property.put("@" + LABEL, column.label());
      }
      if (!column.unit().isEmpty()) {
        property.put("@" + unitTerm(column), column.unit());
      }
      if (!column.codes().isEmpty()) {
        ArrayNode allowed = property.putArray("@Org.OData.Validation.V1.AllowedValues");
        column.codes().forEach(code -> allowed.addObject().put("Value", code));
      }
    }
  }
}
