package org.mapsel.core.link;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.mapsel.core.call.Caller;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.intake.Description;
import org.mapsel.core.intake.Intake;
import org.mapsel.core.message.Access;
import org.mapsel.core.message.Stamp;
import org.mapsel.core.message.http.FirstValues;
import org.mapsel.core.sample.SampleMaker;
import org.mapsel.core.service.Operation;
import org.mapsel.core.testing.SchemaValidation;

/** What is made where any declared element may stand. */
class WildcardsTest {

  /** A message that needs two elements of the schema which it does not name. */
  private static Description open(String elements) {
    String wsdl =
        """
        <definitions xmlns="http://schemas.xmlsoap.org/wsdl/" xmlns:s="http://schemas.xmlsoap.org/wsdl/soap/"
            xmlns:xs="http://www.w3.org/2001/XMLSchema" xmlns:t="urn:t" targetNamespace="urn:t">
          <types><xs:schema targetNamespace="urn:t" elementFormDefault="qualified">
            <xs:element name="Hold"><xs:complexType><xs:sequence>
              <xs:any namespace="##targetNamespace" processContents="strict" minOccurs="2" maxOccurs="2"/>
            </xs:sequence></xs:complexType></xs:element>
            ELEMENTS
          </xs:schema></types>
          <message name="M"><part name="p" element="t:Hold"/></message>
          <portType name="P"><operation name="Stow"><input message="t:M"/></operation></portType>
          <binding name="B" type="t:P"><s:binding transport="http://schemas.xmlsoap.org/soap/http"/>
            <operation name="Stow"><s:operation soapAction=""/><input><s:body use="literal"/></input></operation>
          </binding>
          <service name="S"><port name="Po" binding="t:B"><s:address location="http://localhost:1/"/></port></service>
        </definitions>
        """
            .replace("ELEMENTS", elements);
    return Intake.read(
            new SourceText("hold.wsdl", wsdl.getBytes(StandardCharsets.UTF_8)),
            address -> Outcome.failed(Finding.error("READ_DOCUMENT_MISSING", "address", address)))
        .get();
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
          <xs:element name="crate" type="xs:int"/>                                                            | crate
          <xs:element name="bale"><xs:complexType><xs:attribute name="mark"/></xs:complexType></xs:element>   | bale
          <xs:element name="full"><xs:complexType><xs:attribute name="mark" use="required"/></xs:complexType></xs:element> <xs:element name="empty"><xs:complexType><xs:sequence><xs:element name="lid" minOccurs="0"/></xs:sequence></xs:complexType></xs:element> | empty
          <xs:element name="none" abstract="true" type="xs:int"/> <xs:element name="sack" type="xs:string"/>  | sack
          """)
  void onlyADeclaredElementStandsWhereOneMust(String elements, String expected) throws Exception {
    Description description = open(elements);
    Operation stow = description.service().operations().getFirst();
    byte[] body =
        Caller.request(
                description.service(),
                stow,
                stow.wires().getFirst().endpoint(),
                FirstValues.of(description.service(), stow, SampleMaker.Extent.REQUIRED),
                Access.NONE,
                new Stamp(Instant.EPOCH, "test", new byte[16]))
            .get()
            .body();

    SchemaValidation.of(description).validateBody(body);
    assertThat(new String(body, StandardCharsets.UTF_8)).contains("<" + expected);
  }
}
