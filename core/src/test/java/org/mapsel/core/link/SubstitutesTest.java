package org.mapsel.core.link;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.intake.Intake;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.Occurrence;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.testing.Descriptions;

/** Elements that may stand in for another one, in each place that points to it. */
class SubstitutesTest {

  private static final String WSDL =
      """
      <definitions xmlns="http://schemas.xmlsoap.org/wsdl/" xmlns:soap="http://schemas.xmlsoap.org/wsdl/soap/"
          xmlns:xs="http://www.w3.org/2001/XMLSchema" xmlns:q="urn:quay" targetNamespace="urn:quay">
        <types><xs:schema targetNamespace="urn:quay" elementFormDefault="qualified">
          <xs:element name="gear" type="xs:string" abstract="true"/>
          <xs:element name="crane" type="xs:string" substitutionGroup="q:gear"/>
          <xs:element name="tallCrane" type="xs:string" substitutionGroup="q:crane"/>
          <xs:element name="ask"><xs:complexType><xs:sequence><xs:element ref="q:gear"/></xs:sequence></xs:complexType></xs:element>
          <xs:element name="say"><xs:complexType><xs:sequence>
            <xs:element ref="q:gear" minOccurs="0" maxOccurs="unbounded"/><xs:element ref="q:tallCrane"/>
          </xs:sequence></xs:complexType></xs:element>
        </xs:schema></types>
        <message name="in"><part name="p" element="q:ask"/></message>
        <message name="out"><part name="p" element="q:say"/></message>
        <portType name="P"><operation name="Look"><input message="q:in"/><output message="q:out"/></operation></portType>
        <binding name="B" type="q:P"><soap:binding transport="http://schemas.xmlsoap.org/soap/http"/>
          <operation name="Look"><soap:operation soapAction=""/><input><soap:body use="literal"/></input><output><soap:body use="literal"/></output></operation></binding>
        <service name="S"><port name="P" binding="q:B"><soap:address location="http://quay.example/s"/></port></service>
      </definitions>
      """;

  @Test
  void theChoiceIsTheSameButEachPlaceSaysHowOften() {
    Service service =
        Intake.read(
                new SourceText("quay.wsdl", WSDL.getBytes(StandardCharsets.UTF_8)),
                Descriptions.RESOLVER)
            .get()
            .service();
    Operation look = service.operations().get(0);
    Field asked = service.shapes().fieldsOf(look.input()).get(0);
    List<Field> said = service.shapes().fieldsOf(look.output());

    assertThat(said.get(0).shape()).isEqualTo(asked.shape());
    assertThat(asked.occurrence()).isEqualTo(Occurrence.ONE);
    assertThat(said.get(0).occurrence()).isEqualTo(Occurrence.ANY);
    Shape.OneOf choice = (Shape.OneOf) service.shapes().get(asked.shape());
    assertThat(choice.alternatives()).extracting(Field::name).containsExactly("crane", "tallCrane");
    assertThat(choice.declared()).map(Field::name).contains("gear");
    // What nothing may stand in for is no choice.
    assertThat(service.shapes().get(said.get(1).shape())).isInstanceOf(Shape.Scalar.class);
  }
}
