package org.mapsel.core.sample;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.sample.SampleMaker.Extent;
import org.mapsel.core.service.Service;
import org.mapsel.core.shape.Facets;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.Occurrence;
import org.mapsel.core.shape.ScalarText;
import org.mapsel.core.shape.ScalarType;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Shapes;
import org.mapsel.core.shape.Wire;
import org.mapsel.core.testing.Descriptions;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.NumberValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.TextValue;
import org.mapsel.core.value.Value;

class SampleMakerTest {

  private static final ShapeId ROOT = new ShapeId("", "root");
  private static final ShapeId INNER = new ShapeId("", "inner");

  private static Value sample(ScalarType type, Facets facets) {
    List<Shape> shapes = new ArrayList<>();
    shapes.add(new Shape.Scalar(INNER, type, "xs:any", facets));
    shapes.add(
        new Shape.Record(
            ROOT, List.of(Field.of("field", INNER, Occurrence.ONE, new Wire.XmlText()))));
    return SampleMaker.make(new Shapes(shapes), ROOT, Extent.REQUIRED).get("field");
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "J-\\d{4}",
        "[A-Z]{2}[0-9]+",
        "(north|south)-[1-6]",
        "\\S+@\\S+",
        "[^0-9]{3}",
        "a?b*c{2,3}",
        "[0-9a-f]{8}-[0-9a-f]{4}",
        "\\i\\c*",
        "(\\+|-)?\\d+(\\.\\d{2})?"
      })
  void patternsAreKept(String pattern) {
    String text = ScalarText.print(sample(ScalarType.TEXT, Facets.matching(pattern)));

    String java = pattern.replace("\\i", "[A-Za-z_:]").replace("\\c", "[-A-Za-z0-9._:]");
    assertThat(text).matches(Pattern.compile(java));
  }

  @Test
  void entitiesHoldWhatTheirTypesLetIn() {
    Service buoys =
        Descriptions.serviceOf(
            """
            <edmx:Edmx Version="4.0" xmlns:edmx="http://docs.oasis-open.org/odata/ns/edmx">
              <edmx:DataServices>
                <Schema Namespace="n" xmlns="http://docs.oasis-open.org/odata/ns/edm">
                  <EnumType Name="Shown" IsFlags="true"><Member Name="Light"/><Member Name="Horn"/></EnumType>
                  <EntityType Name="Buoy" OpenType="true">
                    <Key><PropertyRef Name="Code"/></Key>
                    <Property Name="Code" Type="Edm.String" Nullable="false"/>
                    <Property Name="Shown" Type="n.Shown"/>
                    <Property Name="Links" Type="Edm.Decimal"/>
                    <Property Name="Depth" Type="Edm.Decimal" Scale="1"/>
                    <Property Name="Drift" Type="Edm.Decimal" Scale="variable"/>
                  </EntityType>
                  <EntityContainer Name="Sea"><EntitySet Name="Buoys" EntityType="n.Buoy"/></EntityContainer>
                </Schema>
              </edmx:DataServices>
            </edmx:Edmx>
            """);
    RecordValue buoy =
        SampleMaker.make(
            buoys.shapes(),
            Descriptions.operation(buoys, "Buoys.read").output(),
            Extent.EVERYTHING);

    assertThat(ScalarText.print(buoy.get("Shown"))).isEqualTo("Light");
    assertThat(ScalarText.print(buoy.get("Links"))).matches("\\d+");
    assertThat(ScalarText.print(buoy.get("Depth"))).matches("\\d+\\.\\d");
    assertThat(ScalarText.print(buoy.get("Drift"))).matches("\\d+\\.\\d+");
    assertThat(buoy.names()).doesNotContain("entries");
  }

  @Test
  void whatSeveralPartsSayOfOneMemberHoldsTogether() {
    Service marks =
        Descriptions.serviceOf(
            """
            openapi: 3.1.0
            info: {title: Marks, version: '1'}
            paths:
              /mark:
                get:
                  operationId: mark
                  responses:
                    '200':
                      description: One
                      content:
                        application/json:
                          schema:
                            allOf:
                              - type: object
                                required: [kind]
                                properties:
                                  kind: {type: string, enum: [BEACON]}
                                  height: {type: integer, minimum: 40}
                                  names: {type: object, additionalProperties: {type: string}}
                              - type: object
                                properties:
                                  kind: {type: string, description: What it is}
                                  height: {type: integer, maximum: 41}
            """);
    RecordValue mark =
        SampleMaker.make(
            marks.shapes(), Descriptions.operation(marks, "mark").output(), Extent.EVERYTHING);

    assertThat(ScalarText.print(mark.get("kind"))).isEqualTo("BEACON");
    assertThat(ScalarText.print(mark.get("height"))).matches("4[01]");
    assertThat(mark.get("names").toString()).contains("name1").doesNotContain("name 1");
  }

  @ParameterizedTest
  @ValueSource(strings = {"L-[0-9]{3}", "[A-Z]{2}", "(north|south)-[a-z]\\d?", "[0-2]{3}"})
  void itemsOfAListHaveTextsOfTheirOwnWhereAPatternHasSome(String pattern) {
    Shapes shapes =
        new Shapes(
            List.of(
                new Shape.Scalar(INNER, ScalarType.TEXT, "xs:string", Facets.matching(pattern)),
                new Shape.Record(
                    ROOT,
                    List.of(
                        Field.of("line", INNER, Occurrence.ofList(0, 9), new Wire.XmlText())))));
    ListValue lines = (ListValue) SampleMaker.make(shapes, ROOT, Extent.EVERYTHING, 3).get("line");

    assertThat(lines.items().stream().map(ScalarText::print))
        .hasSize(3)
        .doesNotHaveDuplicates()
        .allMatch(Pattern.compile(pattern).asMatchPredicate());
  }

  @Test
  void boundsAreKept() {
    assertThat(sample(ScalarType.INTEGER, Facets.between(Optional.of("100"), Optional.empty())))
        .isEqualTo(ScalarText.parse(ScalarType.INTEGER, "100").orElseThrow());
    assertThat(sample(ScalarType.DECIMAL, Facets.between(Optional.empty(), Optional.of("-3"))))
        .isEqualTo(ScalarText.parse(ScalarType.DECIMAL, "-3").orElseThrow());
    assertThat(sample(ScalarType.FLOAT, Facets.between(Optional.of("-INF"), Optional.of("INF"))))
        .isEqualTo(ScalarText.parse(ScalarType.FLOAT, "12.5").orElseThrow());
  }

  @Test
  void ofTheValuesListedOneOfTheTypeIsTaken() {
    assertThat(sample(ScalarType.INTEGER, Facets.oneOf(List.of("", "none", "7"))))
        .isEqualTo(NumberValue.of(7));
    assertThat(sample(ScalarType.TEXT, Facets.oneOf(List.of("", "none"))))
        .isEqualTo(Value.text(""));
  }

  @Test
  void theSameShapeAlwaysGivesTheSameSample() {
    Service service = Descriptions.service("/descriptions/dredging.wsdl");
    ShapeId jobs = Descriptions.operation(service, "FindJobs").output();

    RecordValue first = SampleMaker.make(service.shapes(), jobs, Extent.EVERYTHING);

    assertThat(SampleMaker.make(service.shapes(), jobs, Extent.EVERYTHING)).isEqualTo(first);
    assertThat(((ListValue) first.get("job")).items()).hasSize(3);
    assertThat(first.at(FieldPath.of("job", "number"))).isEqualTo(new TextValue("J-1111"));
    assertThat(first.at(FieldPath.of("job", "part")))
        .as("a job inside a job")
        .isEqualTo(Value.ABSENT);
  }

  @Test
  void onlyWhatIsRequiredIsMadeWhenNoMoreIsWanted() {
    Service service = Descriptions.service("/descriptions/dredging.wsdl");

    assertThat(
            SampleMaker.make(
                service.shapes(),
                Descriptions.operation(service, "FindJobs").input(),
                Extent.REQUIRED))
        .isEqualTo(RecordValue.empty());
  }

  @Test
  void aTypeThatMustContainItselfEnds() {
    Shapes shapes =
        new Shapes(
            List.of(
                new Shape.Record(
                    ROOT, List.of(Field.of("again", ROOT, Occurrence.ONE, new Wire.XmlText())))));

    assertThat(SampleMaker.make(shapes, ROOT, Extent.EVERYTHING)).isEqualTo(RecordValue.empty());
  }
}
