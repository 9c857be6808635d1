package org.mapsel.core.table;

import java.util.List;
import java.util.stream.Stream;

/** Offered tables as operations over SOAP (WSDL 1.1, document and literal). */
final class WsdlOfOffer {

  private static final String WSDL = "http://schemas.xmlsoap.org/wsdl/";
  private static final String SOAP = "http://schemas.xmlsoap.org/wsdl/soap/";
  private static final String SOAP12 = "http://schemas.xmlsoap.org/wsdl/soap12/";
  private static final String SCHEMA = "http://www.w3.org/2001/XMLSchema";
  private static final String TRANSPORT = "http://schemas.xmlsoap.org/soap/http";

  private final TableOffer offer;
  private final String base;
  private final String namespace;
  private final String name;

  WsdlOfOffer(TableOffer offer, String base) {
    this.offer = offer;
    this.base = base;
    this.namespace = "urn:offered:" + Names.lower(offer.name(), "tables");
    this.name = Names.upper(offer.name(), "Tables");
  }

  private record Offered(OfferedTable table, OfferAction action) {
    String name() {
      return action.name(table);
    }
  }

  private List<Offered> operations() {
    return offer.tables().stream()
        .flatMap(
            table ->
                Stream.of(OfferAction.values())
                    .filter(action -> action.isOffered(table))
                    .map(action -> new Offered(table, action)))
        .toList();
  }

  byte[] write() {
    return XmlText.write(
        WSDL,
        "wsdl:definitions",
        out -> {
          out.attribute("xmlns:soap", SOAP);
          out.attribute("xmlns:soap12", SOAP12);
          out.attribute("xmlns:xs", SCHEMA);
          out.attribute("xmlns:tns", namespace);
          out.attribute("targetNamespace", namespace);
          out.attribute("name", name);
          out.element("wsdl:types", () -> out.element("xs:schema", () -> schema(out)));
          operations().forEach(one -> messages(out, one));
          portType(out);
          binding(out, "soap", name + "Soap");
          binding(out, "soap12", name + "Soap12");
          out.element(
              "wsdl:service",
              () -> {
                out.attribute("name", name);
                port(out, "soap", name + "Soap", base + "/soap");
                port(out, "soap12", name + "Soap12", base + "/soap12");
              });
        });
  }

  private void schema(XmlText out) {
    out.attribute("targetNamespace", namespace);
    out.attribute("elementFormDefault", "qualified");
    for (OfferedTable table : offer.tables()) {
      rowType(out, table);
    }
    operations()
        .forEach(
            one -> {
              element(out, one.name(), () -> asked(out, one));
              element(out, one.name() + "Response", () -> answered(out, one));
            });
  }

  private void rowType(XmlText out, OfferedTable table) {
    out.element(
        "xs:complexType",
        () -> {
          out.attribute("name", table.name());
          out.element(
              "xs:sequence",
              () -> {
                table.columns().forEach(column -> cell(out, column));
                version(out);
              });
        });
  }

  private static void element(XmlText out, String name, Runnable members) {
    out.element(
        "xs:element",
        () -> {
          out.attribute("name", name);
          out.element("xs:complexType", () -> out.element("xs:sequence", members));
        });
  }

  private static void version(XmlText out) {
    simple(out, OfferedTable.VERSION, "xs:long", true);
  }

  private static void simple(XmlText out, String name, String type, boolean optional) {
    out.element(
        "xs:element",
        () -> {
          out.attribute("name", name);
          out.attribute("type", type);
          if (optional) {
            out.attribute("minOccurs", "0");
          }
        });
  }

  /** A column of a row, which may be without a value. */
  private static void cell(XmlText out, Column column) {
    column(out, column, !column.key(), !column.key() && !column.required());
  }

  private static void column(XmlText out, Column column, boolean optional) {
    column(out, column, optional, false);
  }

  private static void column(XmlText out, Column column, boolean optional, boolean nillable) {
    out.element(
        "xs:element",
        () -> {
          out.attribute("name", column.name());
          if (optional) {
            out.attribute("minOccurs", "0");
          }
          if (nillable) {
            out.attribute("nillable", "true");
          }
          if (column.codes().isEmpty()) {
            out.attribute("type", type(column.type()));
          }
          documented(out, column);
          if (!column.codes().isEmpty()) {
            codes(out, column);
          }
        });
  }

  private static void documented(XmlText out, Column column) {
    String unit = column.unit().isEmpty() ? "" : " in " + column.unit();
    String text = column.label() + unit;
    if (!text.equals(column.name())) {
      out.element("xs:annotation", () -> out.element("xs:documentation", () -> out.text(text)));
    }
  }

  private static void codes(XmlText out, Column column) {
    out.element(
        "xs:simpleType",
        () ->
            out.element(
                "xs:restriction",
                () -> {
                  out.attribute("base", "xs:string");
                  column
                      .codes()
                      .forEach(
                          code ->
                              out.element("xs:enumeration", () -> out.attribute("value", code)));
                }));
  }

  private void row(XmlText out, OfferedTable table, String occurs) {
    out.element(
        "xs:element",
        () -> {
          out.attribute("name", Names.lower(table.name(), "row"));
          out.attribute("type", "tns:" + table.name());
          if (!occurs.isEmpty()) {
            out.attribute("minOccurs", "0");
            out.attribute("maxOccurs", occurs);
          }
        });
  }

  private void asked(XmlText out, Offered one) {
    OfferedTable table = one.table();
    switch (one.action()) {
      case READ -> table.keys().forEach(key -> column(out, key, false));
      case LIST -> {
        table.columns().forEach(column -> column(out, column, true));
        simple(out, OfferDescriptions.ORDER, "xs:string", true);
        simple(out, OfferDescriptions.SKIP, "xs:int", true);
        simple(out, OfferDescriptions.TOP, "xs:int", true);
      }
      case CREATE, CHANGE -> row(out, table, "");
      case DELETE -> {
        table.keys().forEach(key -> column(out, key, false));
        version(out);
      }
    }
  }

  private void answered(XmlText out, Offered one) {
    switch (one.action()) {
      case READ, CREATE, CHANGE -> row(out, one.table(), "");
      case LIST -> {
        simple(out, OfferDescriptions.TOTAL, "xs:long", false);
        row(out, one.table(), "unbounded");
      }
      case DELETE -> {
        // That it is gone is all there is to say.
      }
    }
  }

  private static String type(ColumnType type) {
    return switch (type) {
      case TEXT -> "xs:string";
      case WHOLE -> "xs:long";
      case DECIMAL, MONEY -> "xs:decimal";
      case DATE -> "xs:date";
      case TIME -> "xs:time";
      case DATE_TIME -> "xs:dateTime";
      case YES_NO -> "xs:boolean";
    };
  }

  private void messages(XmlText out, Offered one) {
    for (String end : List.of("", "Response")) {
      out.element(
          "wsdl:message",
          () -> {
            out.attribute("name", one.name() + end);
            out.element(
                "wsdl:part",
                () -> {
                  out.attribute("name", "parameters");
                  out.attribute("element", "tns:" + one.name() + end);
                });
          });
    }
  }

  private void portType(XmlText out) {
    out.element(
        "wsdl:portType",
        () -> {
          out.attribute("name", name);
          for (Offered one : operations()) {
            out.element(
                "wsdl:operation",
                () -> {
                  out.attribute("name", one.name());
                  out.element(
                      "wsdl:documentation", () -> out.text(one.action().words(one.table())));
                  out.element("wsdl:input", () -> out.attribute("message", "tns:" + one.name()));
                  out.element(
                      "wsdl:output",
                      () -> out.attribute("message", "tns:" + one.name() + "Response"));
                });
          }
        });
  }

  private void binding(XmlText out, String prefix, String binding) {
    out.element(
        "wsdl:binding",
        () -> {
          out.attribute("name", binding);
          out.attribute("type", "tns:" + name);
          out.element(
              prefix + ":binding",
              () -> {
                out.attribute("style", "document");
                out.attribute("transport", TRANSPORT);
              });
          for (Offered one : operations()) {
            out.element(
                "wsdl:operation",
                () -> {
                  out.attribute("name", one.name());
                  out.element(
                      prefix + ":operation",
                      () -> out.attribute("soapAction", namespace + ":" + one.name()));
                  for (String way : List.of("wsdl:input", "wsdl:output")) {
                    out.element(
                        way,
                        () -> out.element(prefix + ":body", () -> out.attribute("use", "literal")));
                  }
                });
          }
        });
  }

  private static void port(XmlText out, String prefix, String name, String address) {
    out.element(
        "wsdl:port",
        () -> {
          out.attribute("name", name);
          out.attribute("binding", "tns:" + name);
          out.element(prefix + ":address", () -> out.attribute("location", address));
        });
  }
}
