package org.mapsel.core.sample;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.mapsel.core.call.Caller;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.intake.Intake;
import org.mapsel.core.message.Answer;
import org.mapsel.core.message.Response;
import org.mapsel.core.page.edit.UseField;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.shape.FieldTree;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.testing.Client;
import org.mapsel.core.testing.Descriptions;
import org.mapsel.core.testing.PageBench;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;

/** Rows whose schema comes inside the message, and what else a description leaves open. */
class SeenFieldsTest {

  private static final Service TIDES = Descriptions.service("/descriptions/data-set.wsdl");
  private static final Operation ROWS = Descriptions.operation(TIDES, "GetRows");
  private static final FieldPath TIDE =
      FieldPath.of("GetRowsResult", "any", "diffgram", "Tides", "Tide");

  private static RecordValue answer(Set<FieldPath> wanted, String... rows) {
    String body =
        """
        <soap:Envelope xmlns:soap='http://schemas.xmlsoap.org/soap/envelope/'><soap:Body>
        <GetRowsResponse xmlns='urn:saltmere:rows'><GetRowsResult>
        <xs:schema id='Tides' xmlns:xs='http://www.w3.org/2001/XMLSchema'><xs:element name='Tide'/></xs:schema>
        <d:diffgram xmlns:d='urn:saltmere:differences'><Tides xmlns=''>%s</Tides></d:diffgram>
        </GetRowsResult></GetRowsResponse></soap:Body></soap:Envelope>"""
            .formatted(String.join("", rows));
    Response response =
        new Response(
            200,
            Map.of("Content-Type", List.of("text/xml")),
            body.getBytes(StandardCharsets.UTF_8));
    return ((Answer.Returned)
            Caller.answer(TIDES, ROWS, ROWS.wires().get(0), response, wanted).get())
        .value();
  }

  private static String row(String at, String metres, String code) {
    return "<Tide><at>%s</at><metres>%s</metres><code>%s</code></Tide>".formatted(at, metres, code);
  }

  private static String fields(Service service, OperationId operation) {
    return FieldTree.rows(
            service.shapes(), service.getOperation(operation).output(), FieldTree.Limit.SCREEN)
        .stream()
        .map(
            row ->
                row.path().last()
                    + (row.field().isRepeated() ? "*" : "")
                    + (row.shape() instanceof Shape.Scalar scalar ? " " + scalar.type() : ""))
        .collect(Collectors.joining(", "));
  }

  private static String seen(Value answer) {
    return fields(SeenFields.in(TIDES, ROWS, answer), ROWS.id());
  }

  @Test
  void rowsOfADataSetHaveTheFieldsThatWereSeen() {
    assertThat(fields(TIDES, ROWS.id())).isEqualTo("GetRowsResult, schema, any");
    RecordValue answer =
        answer(
            Set.of(),
            row("2031-05-14T04:10:00", "4.2", "0017"),
            row("2031-05-14T10:20:00", "1", "0018"));

    assertThat(seen(answer))
        .isEqualTo(
            "GetRowsResult, schema, any, diffgram, Tides, Tide*, at DATE_TIME, metres DECIMAL,"
                + " code TEXT");
  }

  @Test
  void oneRowIsARowToo() {
    assertThat(seen(answer(Set.of(), row("2031-05-14T04:10:00", "4.2", "17"))))
        .contains("Tide*, at DATE_TIME, metres DECIMAL, code INTEGER");
  }

  @Test
  void withoutAnAnswerNothingIsKnown() {
    assertThat(SeenFields.in(TIDES, ROWS, Value.ABSENT)).isSameAs(TIDES);
    assertThat(SeenFields.in(TIDES, ROWS, answer(Set.of()))).isNotNull();
  }

  @Test
  void aPageShowsTheRowsAndReadsNoMoreThanThey() {
    RecordValue seen =
        answer(
            Set.of(),
            row("2031-05-14T04:10:00", "4.2", "17"),
            row("2031-05-14T10:20:00", "1", "18"));
    PageBench bench =
        new PageBench()
            .with("tides", "/descriptions/data-set.wsdl")
            .answered("tides", "GetRows", seen)
            .start("tides", "GetRows", TIDE.then("at"));
    bench.edit(
        new UseField(
            bench.page().id(), bench.call().id(), TIDE.then("metres"), Optional.empty(), true));

    assertThat(bench.parts()).contains("table Tide [At, Metres]");
    Set<FieldPath> wanted = bench.plan().wanted().get(bench.call().id());
    assertThat(wanted).containsExactlyInAnyOrder(TIDE.then("at"), TIDE.then("metres"));
    bench.pressAndAnswer(answer(wanted, row("2031-05-15T04:50:00", "3.9", "19")));
    assertThat(bench.cells()).containsExactly(List.of("15 May 2031, 04:50", "3.9"));
  }

  @Test
  void membersThatNobodyDeclaredAreFieldsOnceTheyWereSeen() {
    Service quay =
        Intake.read(
                new SourceText(
                    "quay.yaml",
                    """
                    openapi: 3.1.0
                    info: {title: Quay, version: "1"}
                    servers: [{url: "http://quay.example"}]
                    paths:
                      /notes:
                        get:
                          operationId: listNotes
                          responses:
                            "200":
                              description: All
                              content: {application/json: {schema: {type: object, properties: {
                                day: {type: string}, extra: {}}}}}
                    """
                        .getBytes(StandardCharsets.UTF_8)),
                Descriptions.RESOLVER)
            .get()
            .service();
    Operation notes = Descriptions.operation(quay, "listNotes");
    Value answer =
        Client.json(
            "{'day':'x','extra':{'wind':7,'gusts':[{'knots':7.5},{'knots':8,'north':true}]}}");

    assertThat(fields(SeenFields.in(quay, notes, answer), notes.id()))
        .isEqualTo("day TEXT, extra, wind INTEGER, gusts*, knots DECIMAL, north BOOLEAN");
  }
}
