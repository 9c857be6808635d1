package org.mapsel.core.message.soap;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.intake.Description;
import org.mapsel.core.message.Answer;
import org.mapsel.core.message.Header;
import org.mapsel.core.message.Request;
import org.mapsel.core.message.Response;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.sample.SampleMaker;
import org.mapsel.core.sample.SampleMaker.Extent;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.OperationWire;
import org.mapsel.core.service.Service;
import org.mapsel.core.testing.Descriptions;
import org.mapsel.core.testing.Requests;
import org.mapsel.core.testing.SchemaValidation;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.NumberValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.TextValue;
import org.mapsel.core.value.TimeValue;
import org.mapsel.core.value.Value;

class SoapMessagesTest {

  private static final Description DREDGING =
      Descriptions.read("/descriptions/dredging.wsdl").get();
  private static final Service SERVICE = DREDGING.service();
  private static final Operation FIND = Descriptions.operation(SERVICE, "FindJobs");
  private static final Operation PLAN = Descriptions.operation(SERVICE, "PlanJob");
  private static final EndpointId SOAP_11 = new EndpointId("Soap11");
  private static final EndpointId SOAP_12 = new EndpointId("Soap12");

  private static Outcome<Request> request(Operation operation, EndpointId at, Value values) {
    return Requests.make(SERVICE, operation, at, (RecordValue) values);
  }

  private static Outcome<Answer> read(
      Operation operation, int status, String body, FieldPath... wanted) {
    OperationWire wire = operation.wires().get(0);
    return new SoapCodec()
        .read(
            SERVICE,
            operation,
            wire,
            new Response(status, Map.of(), body.getBytes(StandardCharsets.UTF_8)),
            Set.of(wanted));
  }

  private static String envelope(String body) {
    return "<e:Envelope xmlns:e='http://schemas.xmlsoap.org/soap/envelope/'><e:Body>"
        + body
        + "</e:Body></e:Envelope>";
  }

  private static List<String> codes(Outcome<?> outcome) {
    return outcome.findings().stream().map(Finding::code).toList();
  }

  @Test
  void headersFollowTheProtocolVersion() {
    assertThat(request(FIND, SOAP_11, RecordValue.empty()).get().headers())
        .extracting(Header::name, Header::value)
        .contains(
            tuple("Content-Type", "text/xml; charset=utf-8"),
            tuple("SOAPAction", "\"urn:saltmere:dredging:FindJobs\""));
    assertThat(request(FIND, SOAP_12, RecordValue.empty()).get().headers())
        .extracting(Header::value)
        .contains("application/soap+xml; charset=utf-8; action=\"urn:saltmere:dredging:FindJobs\"");
  }

  @Test
  void whatIsNotGivenIsNotInTheMessage() throws Exception {
    byte[] body =
        request(FIND, SOAP_12, RecordValue.of(Map.of("basin", new TextValue("inner"))))
            .get()
            .body();

    assertThat(new String(body, StandardCharsets.UTF_8))
        .contains("<basin>inner</basin>")
        .doesNotContain("trace", "day", "tag");
    assertThat(SchemaValidation.of(dredgingWithoutTheDanglingType()).validateBody(body)).isOne();
  }

  /** The validator refuses a schema that uses a type declared nowhere, as one operation does. */
  private static Description dredgingWithoutTheDanglingType() {
    var documents =
        DREDGING.documents().stream()
            .map(
                source ->
                    new SourceText(
                        source.address(),
                        new String(source.bytes(), StandardCharsets.UTF_8)
                            .replace("type=\"nowhere\"", "type=\"xs:string\"")
                            .getBytes(StandardCharsets.UTF_8)))
            .toList();
    return new Description(DREDGING.format(), SERVICE, documents);
  }

  @Test
  void aSampleOfEverythingIsValid() throws Exception {
    SchemaValidation schemas = SchemaValidation.of(dredgingWithoutTheDanglingType());
    for (Operation operation : List.of(FIND, PLAN)) {
      for (Extent extent : Extent.values()) {
        RecordValue sample = SampleMaker.make(SERVICE.shapes(), operation.input(), extent);
        Outcome<Request> request = request(operation, SOAP_11, sample);
        assertThat(codes(request)).as(operation.name()).isEmpty();
        assertThat(schemas.validateBody(request.get().body())).isOne();
      }
    }
  }

  @Test
  void headerBlocksTravelInTheHeaderOnly() {
    RecordValue sample = SampleMaker.make(SERVICE.shapes(), PLAN.input(), Extent.REQUIRED);
    String body = new String(request(PLAN, SOAP_11, sample).get().body(), StandardCharsets.UTF_8);

    assertThat(body).containsSubsequence("<soap:Header>", "<ticket", "<code>", "</soap:Header>");
    assertThat(body.substring(body.indexOf("<soap:Body>"))).doesNotContain("ticket");
  }

  @Test
  void rpcPartsStandUnqualifiedInsideTheOperation() {
    Operation measure = Descriptions.operation(SERVICE, "MeasureDepth");
    RecordValue sample = SampleMaker.make(SERVICE.shapes(), measure.input(), Extent.REQUIRED);
    String body =
        new String(
            request(measure, new EndpointId("Sounding"), sample).get().body(),
            StandardCharsets.UTF_8);

    assertThat(body)
        .contains("<m:MeasureDepth xmlns:m=\"urn:saltmere:sounding\"><at><lat>12.5</lat>");
  }

  @Test
  void whatXmlCannotHoldIsRefusedAndTheRestEscaped() throws Exception {
    Value controlled = RecordValue.of(Map.of("tag", new TextValue("bell \u0007")));
    assertThat(codes(request(FIND, SOAP_11, controlled)))
        .containsExactly("MESSAGE_CHARACTER_REFUSED");

    String hard = "<&>\"'\r\n\t ]]> \ud83d\udea2 é";
    byte[] body =
        request(FIND, SOAP_11, RecordValue.of(Map.of("tag", new TextValue(hard)))).get().body();
    try (var cursor =
        org.mapsel.core.document.XmlCursor.open(
            new SourceText("request", body), org.mapsel.core.document.Limits.ANSWER)) {
      assertThat(cursor.text()).isEqualTo(hard);
    }
  }

  @Test
  void missingAndMistypedParametersAreNamedBeforeAnythingIsSent() {
    assertThat(request(PLAN, SOAP_11, RecordValue.empty()).findings())
        .extracting(Finding::code, finding -> finding.field().orElseThrow())
        .containsExactly(tuple("MESSAGE_PARAMETER_MISSING", FieldPath.of("job")));
    assertThat(
            codes(
                request(
                    FIND,
                    SOAP_11,
                    RecordValue.of(
                        Map.of(
                            "basin",
                            new TextValue("west"),
                            "choice",
                            RecordValue.of(Map.of("day", new TextValue("tomorrow"))),
                            "tags",
                            new TextValue("?"))))))
        .containsExactlyInAnyOrder(
            "MESSAGE_VALUE_NOT_ALLOWED", "MESSAGE_VALUE_MISTYPED", "MESSAGE_FIELD_UNKNOWN");
  }

  private static final String JOBS =
      envelope(
          """
          <findJobsAnswer xmlns='urn:saltmere:dredging:types'>
            <job by='Ada'><number>J-0001</number><begins>2031-05-14T06:40:00Z</begins>
              <depth xmlns:xsi='http://www.w3.org/2001/XMLSchema-instance' xsi:nil='true'/>
              <spoil unit='barge'>12.50</spoil>
              <part><number>J-0002</number><begins>2031-05-15T06:40:00Z</begins><depth>3</depth></part>
              <buoy>B1</buoy><colour>red</colour><buoy>B2</buoy><buoy>B3</buoy><colour>green</colour>
            </job>
            <job><number>J-0003</number><begins>soon</begins><depth>4</depth></job>
            <x:extra xmlns:x='urn:other'><x:a>1</x:a><x:a>2</x:a></x:extra>
          </findJobsAnswer>""");

  private static RecordValue returned(Outcome<Answer> outcome) {
    return ((Answer.Returned) outcome.get()).value();
  }

  @Test
  void anAnswerBecomesAValue() {
    Outcome<Answer> outcome = read(FIND, 200, JOBS);

    RecordValue value = returned(outcome);
    ListValue jobs = (ListValue) value.get("job");
    RecordValue first = (RecordValue) jobs.items().get(0);
    assertThat(first.get("by")).isEqualTo(new TextValue("Ada"));
    assertThat(first.get("depth")).isEqualTo(Value.NULL);
    assertThat(first.at(FieldPath.of("spoil", "value")))
        .isEqualTo(new NumberValue(new BigDecimal("12.50")));
    assertThat(first.at(FieldPath.of("part", "number"))).isEqualTo(new TextValue("J-0002"));
    assertThat(first.get("begins"))
        .isEqualTo(new TimeValue(TimeValue.Kind.DATE_TIME, "2031-05-14T06:40:00Z"));
    assertThat(((ListValue) first.get("group")).items())
        .extracting(buoy -> ((RecordValue) buoy).toMap().keySet().toString())
        .containsExactly("[buoy, colour]", "[buoy]", "[buoy, colour]");
    assertThat(value.at(FieldPath.of("any", "extra", "a")))
        .isEqualTo(ListValue.of(new TextValue("1"), new TextValue("2")));
    assertThat(codes(outcome)).containsExactly("MESSAGE_FIELD_MISTYPED");
  }

  @Test
  void onlyWantedFieldsAreKept() {
    Outcome<Answer> outcome =
        read(FIND, 200, JOBS, FieldPath.of("job", "number"), FieldPath.of("job", "spoil", "unit"));
    RecordValue value = returned(outcome);

    assertThat(codes(outcome)).as("nothing is said about what nobody wants").isEmpty();
    ListValue jobs = (ListValue) value.get("job");
    assertThat(value.names()).containsExactly("job");
    assertThat(((RecordValue) jobs.items().get(0)).names()).containsExactly("number", "spoil");
    assertThat(jobs.items().get(0).at(FieldPath.of("spoil", "unit")))
        .isEqualTo(new TextValue("barge"));
  }

  @Test
  void whatAWriterSendsAReaderUnderstands() {
    // The request's shape read back as if it were an answer: nothing may get lost on the way.
    RecordValue sample = SampleMaker.make(SERVICE.shapes(), PLAN.input(), Extent.EVERYTHING);
    byte[] body = request(PLAN, SOAP_11, sample).get().body();
    OperationWire.Soap sent = (OperationWire.Soap) PLAN.wires().get(0);
    Operation mirrored =
        new Operation(
            PLAN.id(),
            PLAN.name(),
            PLAN.effect(),
            "",
            new Operation.Messages(
                PLAN.output(),
                PLAN.input(),
                PLAN.responseElement(),
                PLAN.requestElement(),
                List.of(),
                List.of()));
    OperationWire mirroredWire =
        new OperationWire.Soap(
            sent.endpoint(),
            sent.protocol(),
            sent.style(),
            "",
            sent.response(),
            sent.request(),
            false,
            Optional.empty());

    Outcome<Answer> answer =
        new SoapCodec()
            .read(SERVICE, mirrored, mirroredWire, new Response(200, Map.of(), body), Set.of());

    assertThat(codes(answer)).isEmpty();
    assertThat(returned(answer)).isEqualTo(sample);
  }

  @Test
  void faultsOfBothVersionsAreValues() {
    Outcome<Answer> announced =
        read(
            PLAN,
            500,
            envelope(
                "<e:Fault><faultcode>e:Client</faultcode><faultstring>No.</faultstring><detail>"
                    + "<refused xmlns='urn:saltmere:dredging:types'><reason>rock</reason></refused>"
                    + "</detail></e:Fault>"));
    Answer.Failed failed = (Answer.Failed) announced.get();
    assertThat(failed.code()).isEqualTo("Client");
    assertThat(failed.fault()).contains("refused");
    assertThat(failed.detail().get("reason")).isEqualTo(new TextValue("rock"));

    Answer.Failed twelve =
        (Answer.Failed)
            read(
                    FIND,
                    500,
                    "<s:Envelope xmlns:s='http://www.w3.org/2003/05/soap-envelope'><s:Body><s:Fault>"
                        + "<s:Code><s:Value>s:Receiver</s:Value></s:Code>"
                        + "<s:Reason><s:Text xml:lang='en'>Tide: too low</s:Text></s:Reason>"
                        + "</s:Fault></s:Body></s:Envelope>")
                .get();
    assertThat(twelve.code()).isEqualTo("Receiver");
    assertThat(twelve.reason()).isEqualTo("Tide: too low");
  }

  @Test
  void aFailureToHandleAHeaderHasItsDetailThere() {
    Answer.Failed failed =
        (Answer.Failed)
            read(
                    PLAN,
                    500,
                    "<e:Envelope xmlns:e='http://schemas.xmlsoap.org/soap/envelope/'><e:Header>"
                        + "<ticketInvalid xmlns='urn:saltmere:dredging:types'>"
                        + "<since>2031-05-01</since></ticketInvalid></e:Header>"
                        + "<e:Body><e:Fault><faultcode>e:Client</faultcode>"
                        + "<faultstring>Ticket</faultstring></e:Fault></e:Body></e:Envelope>")
                .get();

    assertThat(failed.fault()).contains("ticketInvalid");
    assertThat(failed.detail().get("since"))
        .isEqualTo(new TimeValue(TimeValue.Kind.DATE, "2031-05-01"));
  }

  @Test
  void whatIsNoAnswerIsAClearFinding() {
    assertThat(codes(read(FIND, 502, "<html><body>Bad gateway</body></html>")))
        .containsExactly("MESSAGE_ANSWER_NOT_XML");
    assertThat(codes(read(FIND, 200, ""))).containsExactly("MESSAGE_ANSWER_EMPTY");
    assertThat(codes(read(FIND, 401, "Who are you?"))).containsExactly("MESSAGE_LOGIN_WANTED");
    assertThat(codes(read(FIND, 200, JOBS.substring(0, 400))))
        .containsExactly("MESSAGE_ANSWER_BROKEN");
    assertThat(codes(read(FIND, 200, "<note/>"))).containsExactly("MESSAGE_ANSWER_NO_ENVELOPE");
    assertThat(codes(read(FIND, 200, envelope("<other/>"))))
        .containsExactly("MESSAGE_ANSWER_UNEXPECTED");
  }

  @Test
  void anotherNamespaceIsReadWithAWarning() {
    Outcome<Answer> outcome =
        read(
            FIND,
            200,
            JOBS.replace(
                "<findJobsAnswer xmlns='urn:saltmere:dredging:types'>", "<findJobsAnswer>"));

    assertThat(returned(outcome).at(FieldPath.of("job", "number")))
        .isEqualTo(new TextValue("J-0001"));
    assertThat(codes(outcome)).contains("MESSAGE_FIELD_RENAMESPACED");
  }
}
