package org.mapsel.core.intake;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.mapsel.core.call.Caller;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.message.Access;
import org.mapsel.core.message.Request;
import org.mapsel.core.message.Stamp;
import org.mapsel.core.ref.Step;
import org.mapsel.core.sample.SampleMaker;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.shape.FieldTree;
import org.mapsel.core.value.TextCuts;

/** Small files that would cost much if they were followed wherever they lead. */
@Timeout(value = 20, threadMode = Timeout.ThreadMode.SEPARATE_THREAD)
class WorstFilesTest {

  private static Outcome<Description> read(String address, String text) {
    return Intake.read(
        new SourceText(address, text.getBytes(StandardCharsets.UTF_8)),
        none -> Outcome.failed(Finding.error("READ_DOCUMENT_MISSING", "address", none)));
  }

  private static void listed(Outcome<Description> read) {
    read.value()
        .ifPresent(
            description ->
                description
                    .service()
                    .operations()
                    .forEach(
                        operation -> {
                          FieldTree.rows(
                              description.service().shapes(),
                              operation.input(),
                              FieldTree.Limit.SCREEN);
                          SampleMaker.make(
                              description.service().shapes(),
                              operation.input(),
                              SampleMaker.Extent.EVERYTHING);
                        }));
  }

  private static String wsdl(String schema) {
    return """
        <definitions xmlns="http://schemas.xmlsoap.org/wsdl/" xmlns:s="http://schemas.xmlsoap.org/wsdl/soap/"
            xmlns:xs="http://www.w3.org/2001/XMLSchema" xmlns:t="urn:t" targetNamespace="urn:t">
          <types><xs:schema targetNamespace="urn:t" elementFormDefault="qualified">%s</xs:schema></types>
          <message name="In"><part name="p" element="t:in"/></message>
          <portType name="P"><operation name="Ask"><input message="t:In"/></operation></portType>
          <binding name="B" type="t:P"><s:binding transport="http://schemas.xmlsoap.org/soap/http"/>
            <operation name="Ask"><s:operation soapAction=""/><input><s:body use="literal"/></input></operation></binding>
          <service name="S"><port name="O" binding="t:B"><s:address location="http://localhost:1/"/></port></service>
        </definitions>"""
        .formatted(schema);
  }

  @Test
  void groupsThatReferToEachOtherTwiceOverManyLevels() {
    StringBuilder schema = new StringBuilder();
    for (int i = 0; i < 28; i++) {
      String next = "<xs:group ref=\"t:g" + (i + 1) + "\"/>";
      schema.append("<xs:group name=\"g" + i + "\"><xs:sequence>" + next + next);
      schema.append("</xs:sequence></xs:group>");
    }
    schema.append(
        "<xs:group name=\"g28\"><xs:sequence><xs:element name=\"e\" type=\"xs:string\"/>");
    schema.append("</xs:sequence></xs:group><xs:element name=\"in\"><xs:complexType>");
    schema.append("<xs:group ref=\"t:g0\"/></xs:complexType></xs:element>");

    listed(read("file:///groups.wsdl", wsdl(schema.toString())));
  }

  @Test
  void typesThatHoldEachOtherTwiceOverManyLevels() {
    StringBuilder schema = new StringBuilder();
    for (int i = 0; i < 28; i++) {
      schema.append("<xs:complexType name=\"c" + i + "\"><xs:sequence>");
      schema.append("<xs:element name=\"a\" type=\"t:c" + (i + 1) + "\"/>");
      schema.append("<xs:element name=\"b\" type=\"t:c" + (i + 1) + "\"/>");
      schema.append("</xs:sequence></xs:complexType>");
    }
    schema.append(
        "<xs:complexType name=\"c28\"><xs:sequence><xs:element name=\"e\" type=\"xs:string\"/>");
    schema.append("</xs:sequence></xs:complexType><xs:element name=\"in\" type=\"t:c0\"/>");

    listed(read("file:///types.wsdl", wsdl(schema.toString())));
  }

  @Test
  void aLongChainOfExtensions() {
    StringBuilder schema = new StringBuilder();
    for (int i = 0; i < 5_000; i++) {
      schema.append(
          "<xs:complexType name=\"c" + i + "\"><xs:complexContent><xs:extension base=\"t:c");
      schema.append(
          (i + 1) + "\"><xs:sequence><xs:element name=\"e" + i + "\" type=\"xs:string\"/>");
      schema.append("</xs:sequence></xs:extension></xs:complexContent></xs:complexType>");
    }
    schema.append("<xs:complexType name=\"c5000\"><xs:sequence/></xs:complexType>");
    schema.append("<xs:element name=\"in\" type=\"t:c0\"/>");

    listed(read("file:///chain.wsdl", wsdl(schema.toString())));
  }

  @Test
  void aLongChainOfEntityTypes() {
    StringBuilder types = new StringBuilder();
    for (int i = 0; i < 400; i++) {
      types.append(
          "<EntityType Name=\"T"
              + i
              + "\""
              + (i == 0 ? "" : " BaseType=\"N.T" + (i - 1) + "\"")
              + ">");
      types.append(
          i == 0
              ? "<Key><PropertyRef Name=\"Id\"/></Key><Property Name=\"Id\" Type=\"Edm.Int32\" Nullable=\"false\"/>"
              : "");
      types.append("<Property Name=\"P" + i + "\" Type=\"Edm.String\"/></EntityType>");
    }
    listed(
        read(
            "file:///chain.xml",
            """
            <edmx:Edmx Version="4.0" xmlns:edmx="http://docs.oasis-open.org/odata/ns/edmx"><edmx:DataServices>
            <Schema Namespace="N" xmlns="http://docs.oasis-open.org/odata/ns/edm">%s
            <EntityContainer Name="C"><EntitySet Name="Things" EntityType="N.T399"/></EntityContainer>
            </Schema></edmx:DataServices></edmx:Edmx>"""
                .formatted(types)));
  }

  private static String openApi(String schemas) {
    return """
        {"openapi":"3.1.0","info":{"title":"T","version":"1"},"servers":[{"url":"http://localhost:1"}],
         "paths":{"/a":{"post":{"operationId":"ask","requestBody":{"content":{"application/json":
         {"schema":{"$ref":"#/components/schemas/S0"}}}},"responses":{"200":{"description":"ok"}}}}},
         "components":{"schemas":{%s}}}"""
        .formatted(schemas);
  }

  @Test
  void aLongChainOfAllOf() {
    StringBuilder schemas = new StringBuilder();
    for (int i = 0; i < 5_000; i++) {
      schemas.append(
          "\"S" + i + "\":{\"allOf\":[{\"$ref\":\"#/components/schemas/S" + (i + 1) + "\"}]},");
    }
    schemas.append("\"S5000\":{\"type\":\"object\",\"properties\":{\"a\":{\"type\":\"string\"}}}");
    listed(read("file:///chain.json", openApi(schemas.toString())));
  }

  @Test
  void allOfTwiceOverManyLevels() {
    StringBuilder schemas = new StringBuilder();
    for (int i = 0; i < 28; i++) {
      String next = "{\"$ref\":\"#/components/schemas/S" + (i + 1) + "\"}";
      schemas.append("\"S" + i + "\":{\"allOf\":[" + next + "," + next + "]},");
    }
    schemas.append("\"S28\":{\"type\":\"object\",\"properties\":{\"a\":{\"type\":\"string\"}}}");
    listed(read("file:///twice.json", openApi(schemas.toString())));
  }

  @Test
  void schemasDeepWithinEachOther() {
    StringBuilder schema = new StringBuilder("\"S0\":");
    schema.append("{\"type\":\"object\",\"properties\":{\"a\":".repeat(5_000));
    schema.append("{\"type\":\"string\"}");
    schema.append("}}".repeat(5_000));
    listed(read("file:///deep.json", openApi(schema.toString())));
  }

  @Test
  void aPatternThatWouldNeedMuchMemory() {
    listed(
        read(
            "file:///pattern.json",
            openApi(
                "\"S0\":{\"type\":\"object\",\"required\":[\"a\"],\"properties\":{\"a\":{\"type\":\"string\","
                    + "\"pattern\":\"((a{1000}){1000}){1000}\"}}}")));
    assertThat(TextCuts.of(new Step.Cut("(?P<a>((a{1000}){1000}){10})", false)).value()).isEmpty();
  }

  @Test
  void samplesOfOneLongWord() {
    for (String piece : List.of("x", "a:", "%20", "<a ", "\"", "&a=", " name=\"", "\\")) {
      String text = "curl http://a.example/x -d '" + piece.repeat(300_000) + "://'";
      assertThat(read("long", text).value()).as(piece).isPresent();
    }
  }

  @Test
  void anAttributeWhoseTypeIsNowhere() {
    Outcome<Description> read =
        read(
            "file:///attribute.wsdl",
            wsdl(
                "<xs:element name=\"in\"><xs:complexType><xs:attribute name=\"a\" type=\"t:nowhere\" use=\"required\"/>"
                    + "</xs:complexType></xs:element>"));
    Service service = read.get().service();
    Operation ask = service.operations().iterator().next();
    Outcome<Request> made =
        Caller.request(
            service,
            ask,
            ask.wires().getFirst().endpoint(),
            SampleMaker.make(service.shapes(), ask.input(), SampleMaker.Extent.EVERYTHING),
            Access.NONE,
            new Stamp(Instant.EPOCH, "id", new byte[16]));
    assertThat(made.value().isPresent() || !made.findings().isEmpty()).isTrue();
  }
}
