package org.mapsel.bench;

import java.nio.charset.StandardCharsets;

/** Large documents, made the same way every time. */
final class Inputs {

  static final int ROW_FIELDS = 20;

  private Inputs() {}

  /** A description whose one operation reaches every one of so many complex types. */
  static byte[] description(int types) {
    StringBuilder xml = new StringBuilder(types * 900);
    xml.append(
        """
        <definitions name="Large" targetNamespace="urn:saltmere:large" xmlns="http://schemas.xmlsoap.org/wsdl/"
            xmlns:soap="http://schemas.xmlsoap.org/wsdl/soap/" xmlns:t="urn:saltmere:large"
            xmlns:xs="http://www.w3.org/2001/XMLSchema">
        <types><xs:schema targetNamespace="urn:saltmere:large" elementFormDefault="qualified">
        """);
    for (int i = 0; i < types; i++) {
      xml.append("<xs:complexType name=\"type").append(i).append("\"><xs:sequence>\n");
      for (int f = 0; f < 12; f++) {
        xml.append("  <xs:element name=\"field").append(f).append("\" type=\"xs:");
        xml.append(f % 3 == 0 ? "string" : f % 3 == 1 ? "int" : "dateTime").append('"');
        xml.append(f % 2 == 0 ? " minOccurs=\"0\"" : "").append("/>\n");
      }
      if (i + 1 < types) {
        xml.append("  <xs:element name=\"next\" type=\"t:type").append(i + 1);
        xml.append("\" minOccurs=\"0\" maxOccurs=\"unbounded\"><xs:annotation><xs:documentation>");
        xml.append("what comes after number ").append(i);
        xml.append("</xs:documentation></xs:annotation></xs:element>\n");
      }
      xml.append("</xs:sequence></xs:complexType>\n");
    }
    return xml.append(
            """
            <xs:element name="ask" type="t:type0"/><xs:element name="answer" type="t:type0"/></xs:schema></types>
            <message name="Ask"><part name="p" element="t:ask"/></message>
            <message name="Answer"><part name="p" element="t:answer"/></message>
            <portType name="Port"><operation name="Ask"><input message="t:Ask"/><output message="t:Answer"/></operation></portType>
            <binding name="Soap" type="t:Port"><soap:binding transport="http://schemas.xmlsoap.org/soap/http"/>
            <operation name="Ask"><soap:operation soapAction=""/><input><soap:body use="literal"/></input><output><soap:body use="literal"/></output></operation></binding>
            <service name="Large"><port name="Soap" binding="t:Soap"><soap:address location="http://localhost:1/large"/></port></service>
            </definitions>
            """)
        .toString()
        .getBytes(StandardCharsets.UTF_8);
  }

  /** A description of an operation with so many text and number parameters. */
  static byte[] wideDescription(int parameters) {
    StringBuilder fields = new StringBuilder();
    for (int f = 0; f < parameters; f++) {
      fields.append("<xs:element name=\"parameter" + f + "\" type=\"xs:");
      fields.append(f % 4 == 0 ? "int" : "string").append("\" minOccurs=\"0\"/>");
    }
    return new String(rowsDescription(), StandardCharsets.UTF_8)
        .replace(
            "<xs:element name=\"list\"><xs:complexType/>",
            "<xs:element name=\"list\"><xs:complexType><xs:sequence>"
                + fields
                + "</xs:sequence></xs:complexType>")
        .getBytes(StandardCharsets.UTF_8);
  }

  /** A description of an operation that answers with rows of twenty fields. */
  static byte[] rowsDescription() {
    StringBuilder fields = new StringBuilder();
    for (int f = 0; f < ROW_FIELDS; f++) {
      String type =
          f % 4 == 0 ? "string" : f % 4 == 1 ? "int" : f % 4 == 2 ? "dateTime" : "decimal";
      fields
          .append("<xs:element name=\"field")
          .append(f)
          .append("\" type=\"xs:")
          .append(type)
          .append("\"/>");
    }
    return """
        <definitions name="Rows" targetNamespace="urn:saltmere:rows" xmlns="http://schemas.xmlsoap.org/wsdl/"
            xmlns:soap="http://schemas.xmlsoap.org/wsdl/soap/" xmlns:t="urn:saltmere:rows"
            xmlns:xs="http://www.w3.org/2001/XMLSchema">
        <types><xs:schema targetNamespace="urn:saltmere:rows" elementFormDefault="qualified">
        <xs:element name="list"><xs:complexType/></xs:element>
        <xs:element name="rows"><xs:complexType><xs:sequence><xs:element name="row" maxOccurs="unbounded">
        <xs:complexType><xs:sequence>%s</xs:sequence></xs:complexType></xs:element></xs:sequence></xs:complexType></xs:element>
        </xs:schema></types>
        <message name="List"><part name="p" element="t:list"/></message>
        <message name="Rows"><part name="p" element="t:rows"/></message>
        <portType name="Port"><operation name="List"><input message="t:List"/><output message="t:Rows"/></operation></portType>
        <binding name="Soap" type="t:Port"><soap:binding transport="http://schemas.xmlsoap.org/soap/http"/>
        <operation name="List"><soap:operation soapAction=""/><input><soap:body use="literal"/></input><output><soap:body use="literal"/></output></operation></binding>
        <service name="Rows"><port name="Soap" binding="t:Soap"><soap:address location="http://localhost:1/rows"/></port></service>
        </definitions>
        """
        .formatted(fields)
        .getBytes(StandardCharsets.UTF_8);
  }

  /** An answer with so many rows. */
  static byte[] rows(int count) {
    StringBuilder xml = new StringBuilder(count * 800);
    xml.append("<s:Envelope xmlns:s=\"http://schemas.xmlsoap.org/soap/envelope/\"><s:Body>");
    xml.append("<rows xmlns=\"urn:saltmere:rows\">\n");
    for (int i = 0; i < count; i++) {
      xml.append("<row>");
      for (int f = 0; f < ROW_FIELDS; f++) {
        xml.append("<field").append(f).append('>');
        switch (f % 4) {
          case 0 -> xml.append("Marrow Tern ").append(i + f);
          case 1 -> xml.append(i * 7 + f);
          case 2 -> xml.append("2031-05-14T06:40:0").append(f % 10).append('Z');
          default -> xml.append(i).append('.').append(f);
        }
        xml.append("</field").append(f).append('>');
      }
      xml.append("</row>\n");
    }
    return xml.append("</rows></s:Body></s:Envelope>").toString().getBytes(StandardCharsets.UTF_8);
  }
}
