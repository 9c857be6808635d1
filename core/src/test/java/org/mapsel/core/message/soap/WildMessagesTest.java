package org.mapsel.core.message.soap;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.mapsel.core.call.Caller;
import org.mapsel.core.document.Limits;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.document.XmlCursor;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.intake.Description;
import org.mapsel.core.json.ValueJson;
import org.mapsel.core.message.Access;
import org.mapsel.core.message.Answer;
import org.mapsel.core.message.Header;
import org.mapsel.core.message.Request;
import org.mapsel.core.message.Response;
import org.mapsel.core.message.Secret;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.sample.SampleMaker;
import org.mapsel.core.sample.SampleMaker.Extent;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.OperationWire;
import org.mapsel.core.service.Service;
import org.mapsel.core.testing.Descriptions;
import org.mapsel.core.testing.Requests;
import org.mapsel.core.testing.SchemaValidation;
import org.mapsel.core.value.BinaryValue;
import org.mapsel.core.value.NumberValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.TextValue;
import org.mapsel.core.value.Value;
import tools.jackson.databind.json.JsonMapper;

/** What services in the wild use beyond plain elements in order. */
class WildMessagesTest {

  private static final Description CARGO = Descriptions.read("/descriptions/cargo.wsdl").get();
  private static final Service MOORINGS =
      Descriptions.read("/descriptions/moorings.wsdl").get().service();
  private static final Service HORN = Descriptions.read("/descriptions/horn.wsdl").get().service();

  private static RecordValue json(String text) {
    return ValueJson.readRecord(new JsonMapper().readTree(text.replace('\'', '"')));
  }

  private static String sent(Service service, Operation operation, Value values) {
    Request request =
        Requests.make(service, operation, operation.wires().get(0).endpoint(), (RecordValue) values)
            .get();
    return new String(request.body(), StandardCharsets.UTF_8);
  }

  private static Outcome<Answer> read(Service service, Operation operation, Response response) {
    return Caller.answer(service, operation, operation.wires().get(0), response, Set.of());
  }

  private static Response xml(String body) {
    return new Response(
        200, Map.of("content-type", List.of("text/xml")), body.getBytes(StandardCharsets.UTF_8));
  }

  private static Response envelope(String body) {
    return xml(
        "<e:Envelope xmlns:e='http://schemas.xmlsoap.org/soap/envelope/'"
            + " xmlns:xsi='http://www.w3.org/2001/XMLSchema-instance'><e:Body>"
            + body
            + "</e:Body></e:Envelope>");
  }

  private static RecordValue returned(Outcome<Answer> outcome) {
    return ((Answer.Returned) outcome.get()).value();
  }

  private static List<String> codes(Outcome<?> outcome) {
    return outcome.findings().stream().map(Finding::code).toList();
  }

  private static Operation load() {
    return Descriptions.operation(CARGO.service(), "load");
  }

  private static Operation free() {
    return Descriptions.operation(MOORINGS, "free");
  }

  @Test
  void derivedTypesSubstitutesListsAndOpenContentAreValid() throws Exception {
    String body =
        sent(
            CARGO.service(),
            load(),
            json(
                """
                {'unit': [
                   {'id': 'U1', 'mass': 2.5, 'kind': {'Crate': {'colour': 'red', 'stackable': true}}},
                   {'id': 'U2', 'mass': 9, 'kind': {'ChilledTank': {'choice': {'barrels': 4}, 'degrees': -18}}}],
                 'notice': {'ban': {'text': 'No ', 'lang': 'en', 'word': ['fire']}},
                 'mark': {'seal': 'S-1'},
                 'holds': 'fore aft',
                 'shipper': {'name': 'Dunlin', 'phone': '17'},
                 'any': '<x:note xmlns:x=\\"urn:example\\" kind=\\"a\\">wet &amp; <b>cold</b></x:note>'}"""));

    assertThat(SchemaValidation.of(CARGO).validateBody(body.getBytes(StandardCharsets.UTF_8)))
        .isOne();
    assertThat(body).contains("Crate\"", "wet &amp; ", "<b xmlns=\"\">cold</b>");
  }

  @Test
  void samplesOfTheSameAreValidToo() throws Exception {
    for (Extent extent : Extent.values()) {
      RecordValue sample = SampleMaker.make(CARGO.service().shapes(), load().input(), extent);
      String body = sent(CARGO.service(), load(), sample);
      assertThat(SchemaValidation.of(CARGO).validateBody(body.getBytes(StandardCharsets.UTF_8)))
          .as(body)
          .isOne();
    }
  }

  @Test
  void whatCannotStandIsRefusedBeforeAnythingIsSent() {
    Outcome<Request> request =
        Requests.make(
            CARGO.service(),
            load(),
            load().wires().get(0).endpoint(),
            json("{'unit': [{'id': 'U', 'mass': 1}], 'holds': 'fore deck', 'any': 'no element'}"));

    assertThat(request.findings())
        .extracting(Finding::code, finding -> finding.field().map(FieldPath::toString).orElse(""))
        .contains(
            tuple("MESSAGE_PARAMETER_MISSING", "unit › kind"),
            tuple("MESSAGE_PARAMETER_MISSING", "notice"),
            tuple("MESSAGE_VALUE_NOT_ALLOWED", "holds"),
            tuple("MESSAGE_OPEN_NOT_XML", "any"));
  }

  @Test
  void derivedTypesAndMixedTextComeBack() {
    Outcome<Answer> answer =
        read(
            CARGO.service(),
            load(),
            envelope(
                "<loaded xmlns='urn:saltmere:cargo:types' xmlns:c='urn:saltmere:cargo:types'>"
                    + "<seal>S-1</seal>"
                    + "<unit id='U1' xsi:type='c:Crate' colour='red'>"
                    + "<mass>2.5</mass><stackable>true</stackable></unit>"
                    + "<remark>Keep <word>dry</word> please</remark></loaded>"));

    assertThat(codes(answer)).isEmpty();
    assertThat(returned(answer))
        .isEqualTo(
            json(
                """
                {'mark': {'seal': 'S-1'},
                 'unit': {'id': 'U1', 'mass': 2.5, 'kind': {'Crate': {'colour': 'red', 'stackable': true}}},
                 'remark': {'text': 'Keep  please', 'word': ['dry']}}"""));
  }

  @Test
  void anEncodedRequestSaysItsTypes() {
    String body =
        sent(
            MOORINGS,
            free(),
            json(
                """
                {'from': '2031-05-14T06:40:00Z',
                 'quays': {'item': [{'number': 7, 'quay': {'name': 'north', 'depth': 8.5}, 'label': null}]}}"""));

    assertThat(body)
        .contains(
            "encodingStyle=\"http://schemas.xmlsoap.org/soap/encoding/\"",
            "enc:arrayType=",
            ":Mooring[1]\"",
            "xsi:type=\"xsd:dateTime\"",
            "xsi:type=\"xsd:float\"",
            "xsi:nil=\"true\"");
  }

  @Test
  void valuesThatAnAnswerRefersToAreInTheirPlaces() {
    Outcome<Answer> answer =
        read(
            MOORINGS,
            free(),
            envelope(
                """
                <m:freeResponse xmlns:m='urn:saltmere:moorings' xmlns:enc='http://schemas.xmlsoap.org/soap/encoding/'>
                <return href='#list'/><soundings><r><d>1.5</d><d>2</d></r><r/></soundings></m:freeResponse>
                <multiRef id='list'><a href='#m1'/><a href='#m2'/></multiRef>
                <multiRef id='m1'><number>7</number><quay href='#q'/><label>A</label></multiRef>
                <multiRef id='m2'><number>8</number><quay href='#q'/><label xsi:nil='true'/></multiRef>
                <multiRef id='q'><name>north</name><depth>8.5</depth></multiRef>"""));

    assertThat(codes(answer)).isEmpty();
    assertThat(returned(answer))
        .isEqualTo(
            json(
                """
                {'return': {'item': [
                   {'number': 7, 'quay': {'name': 'north', 'depth': 8.5}, 'label': 'A'},
                   {'number': 8, 'quay': {'name': 'north', 'depth': 8.5}, 'label': null}]},
                 'soundings': {'row': [{'item': [1.5, 2]}, {}]}}"""));
  }

  @Test
  void valuesThatContainThemselvesOrLeadNowhereAreCut() {
    Outcome<Answer> answer =
        read(
            MOORINGS,
            free(),
            envelope(
                "<freeResponse><return href='#list'/><soundings href='#gone'/></freeResponse>"
                    + "<multiRef id='list'><item href='#list'/></multiRef>"));

    assertThat(codes(answer)).contains("MESSAGE_REFERENCE_CIRCULAR", "MESSAGE_REFERENCE_DANGLING");
  }

  @Test
  void referencesCannotMakeAnAnswerExplode() {
    StringBuilder bomb = new StringBuilder("<freeResponse><return href='#a0'/></freeResponse>");
    for (int i = 0; i < 40; i++) {
      String next = "<x href='#a" + (i + 1) + "'/>";
      bomb.append("<multiRef id='a" + i + "'>" + next + next + "</multiRef>");
    }
    assertThat(codes(read(MOORINGS, free(), envelope(bomb.toString()))))
        .contains("MESSAGE_REFERENCES_TOO_MANY");
  }

  @Test
  void parametersOfPlainHttpStandInTheAddressOrAForm() {
    Operation signal = Descriptions.operation(HORN, "GetSignal");
    RecordValue values = json("{'fog': true, 'vessels': {'name': ['Dunlin', 'Grey Seal & Co']}}");
    List<Request> requests =
        signal.wires().stream()
            .map(wire -> Requests.make(HORN, signal, wire.endpoint(), values).get())
            .toList();
    String form = "fog=true&vessels=Dunlin&vessels=Grey+Seal+%26+Co";

    assertThat(requests.get(0).method()).isEqualTo("GET");
    assertThat(requests.get(0).address()).isEqualTo("http://localhost:1/horn/signal?" + form);
    assertThat(requests.get(1).address()).isEqualTo("http://localhost:1/horn/signal");
    assertThat(new String(requests.get(1).body(), StandardCharsets.UTF_8)).isEqualTo(form);

    Operation words = Descriptions.operation(HORN, "GetWords");
    RecordValue one = json("{'fog': false, 'vessels': {'name': ['Grey Seal']}}");
    assertThat(Requests.make(HORN, words, words.wires().get(0).endpoint(), one).get().address())
        .isEqualTo("http://localhost:1/horn/words/false/of/Grey%20Seal");
    assertThat(returned(read(HORN, signal, xml("<signal><blasts>3</blasts></signal>"))))
        .isEqualTo(json("{'blasts': 3}"));
    assertThat(returned(read(HORN, words, xml("three long"))))
        .isEqualTo(json("{'words': 'three long'}"));
  }

  @Test
  void anXmlBodyWithoutEnvelopeDeclaresWhatItUses() throws Exception {
    byte[] body =
        sent(HORN, Descriptions.operation(HORN, "Order"), json("{'blasts': null}"))
            .getBytes(StandardCharsets.UTF_8);

    try (XmlCursor cursor = XmlCursor.open(new SourceText("body", body), Limits.ANSWER)) {
      assertThat(cursor.local()).isEqualTo("order");
      assertThat(cursor.nextChild(cursor.depth())).isTrue();
      assertThat(cursor.attribute("http://www.w3.org/2001/XMLSchema-instance", "nil"))
          .contains("true");
    }
  }

  @Test
  void bytesBesideTheEnvelopeAreInTheirFields() {
    String envelope =
        "<e:Envelope xmlns:e='http://schemas.xmlsoap.org/soap/envelope/'><e:Body>"
            + "<loaded xmlns='urn:saltmere:cargo:types'><mark>M</mark><unit id='1'><mass>1</mass></unit><plan>"
            + "<i:Include xmlns:i='http://www.w3.org/2004/08/xop/include' href='cid:plan%40saltmere'/>"
            + "</plan></loaded></e:Body></e:Envelope>";
    String parts =
        "--edge\r\nContent-Type: application/xop+xml; type=\"text/xml\"\r\nContent-ID: <root>\r\n\r\n"
            + envelope
            + "\r\n--edge\r\nContent-Type: application/octet-stream\r\n"
            + "Content-Transfer-Encoding: binary\r\nContent-ID: <plan@saltmere>\r\n\r\n"
            + "a plan\r\n--edge--\r\n";
    Response response =
        new Response(
            200,
            Map.of(
                "Content-Type",
                List.of(
                    "multipart/related; type=\"application/xop+xml\"; start=\"<root>\"; boundary=edge")),
            parts.getBytes(StandardCharsets.ISO_8859_1));

    Outcome<Answer> answer = read(CARGO.service(), load(), response);

    assertThat(returned(answer).get("plan"))
        .isEqualTo(new BinaryValue("a plan".getBytes(StandardCharsets.US_ASCII)));
    assertThat(codes(read(CARGO.service(), load(), cut(response))))
        .contains("MESSAGE_ANSWER_BROKEN");
  }

  /** SOAP with attachments: a part by the description's binding, and one by reference. */
  @Test
  void attachmentsAreInTheirFieldsToo() {
    Service swa = Descriptions.read("/wsdl/swa-mime.wsdl").get().service();
    BinaryValue bytes = new BinaryValue("a chart".getBytes(StandardCharsets.US_ASCII));

    Operation bound = Descriptions.operation(swa, "echoData");
    String wrapper = bound.responseElement().map(name -> name.local()).orElse("text");
    RecordValue parts =
        returned(read(swa, bound, attached("<" + wrapper + ">t</" + wrapper + ">")));
    assertThat(parts.get("data")).isEqualTo(bytes);

    Operation referring = Descriptions.operation(swa, "echoDataRef");
    String around = referring.responseElement().orElseThrow().local();
    RecordValue referred =
        returned(
            read(
                swa,
                referring,
                attached(
                    "<" + around + "><DataRef>cid:data=1@saltmere</DataRef></" + around + ">")));
    assertThat(referred.get("DataRef")).isEqualTo(bytes);
  }

  private static Response attached(String body) {
    String parts =
        "--edge\r\nContent-Type: text/xml\r\n\r\n"
            + new String(envelope(body).body(), StandardCharsets.UTF_8)
            + "\r\n--edge\r\nContent-Type: application/octet-stream\r\n"
            + "Content-Transfer-Encoding: base64\r\nContent-ID: <data=1@saltmere>\r\n\r\n"
            + "YSBjaGFydA==\r\n--edge--\r\n";
    return new Response(
        200,
        Map.of("Content-Type", List.of("multipart/related; type=\"text/xml\"; boundary=\"edge\"")),
        parts.getBytes(StandardCharsets.ISO_8859_1));
  }

  private static Response cut(Response response) {
    return new Response(200, response.headers(), java.util.Arrays.copyOf(response.body(), 200));
  }

  @Test
  void aSchemaInsideTheMessageAndItsRowsComeBackAsOpenContent() {
    Service tides = Descriptions.read("/descriptions/data-set.wsdl").get().service();
    Operation rows = Descriptions.operation(tides, "GetRows");
    Outcome<Answer> answer =
        read(
            tides,
            rows,
            envelope(
                """
                <GetRowsResponse xmlns='urn:saltmere:rows'><GetRowsResult>
                <xs:schema id='Tides' xmlns:xs='http://www.w3.org/2001/XMLSchema'><xs:element name='Tide'/></xs:schema>
                <d:diffgram xmlns:d='urn:saltmere:differences'><Tides xmlns=''>
                <Tide><at>04:10</at><metres>4.2</metres></Tide><Tide><at>10:20</at><metres>0.8</metres></Tide>
                </Tides></d:diffgram></GetRowsResult></GetRowsResponse>"""));

    assertThat(codes(answer)).isEmpty();
    assertThat(
            returned(answer).at(FieldPath.of("GetRowsResult", "any", "diffgram", "Tides", "Tide")))
        .isEqualTo(
            json("{'t':[{'at':'04:10','metres':'4.2'},{'at':'10:20','metres':'0.8'}]}").get("t"));
  }

  @Test
  void whatIsOffIsReadAndSaid() {
    Outcome<Answer> answer =
        read(
            CARGO.service(),
            load(),
            new Response(
                200,
                Map.of("Content-Type", List.of("application/json")),
                envelope(
                        "<x:loaded xmlns:x='urn:other'><unit id='1'><mass>1</mass><odd/></unit>"
                            + "<mark>M</mark></x:loaded>")
                    .body()));

    assertThat(returned(answer).at(FieldPath.of("unit", "mass"))).isEqualTo(NumberValue.of(1));
    assertThat(returned(answer).at(FieldPath.of("mark", "mark"))).isEqualTo(new TextValue("M"));
    assertThat(
            returned(
                    read(
                        CARGO.service(),
                        load(),
                        envelope(
                            "<loaded xmlns='urn:saltmere:cargo:types'>"
                                + "<mark><![CDATA[<M & co>]]></mark></loaded>")))
                .at(FieldPath.of("mark", "mark")))
        .isEqualTo(new TextValue("<M & co>"));
    assertThat(codes(answer))
        .contains(
            "MESSAGE_MEDIA_TYPE_UNEXPECTED",
            "MESSAGE_FIELD_RENAMESPACED",
            "MESSAGE_FIELD_UNANNOUNCED");
    assertThat(
            codes(
                read(
                    CARGO.service(),
                    load(),
                    envelope("<loaded xmlns='urn:saltmere:cargo:types'><mark>M</mark></loaded>"))))
        .containsExactly("MESSAGE_FIELD_ABSENT");
  }

  @Test
  void securityAndAddressingStandInTheHeader() {
    Access access =
        new Access(
            new Access.Login.Basic("pilot", Secret.of("tide")),
            List.of(),
            java.util.Optional.of(new Access.Security("pilot", Secret.of("tide"), true, true)),
            Access.Addressing.AS_DESCRIBED,
            Access.Connection.PLAIN);
    RecordValue sample =
        SampleMaker.make(CARGO.service().shapes(), load().input(), Extent.REQUIRED);
    OperationWire wire = load().wires().get(0);
    Request request =
        Caller.request(CARGO.service(), load(), wire.endpoint(), sample, access, Requests.STAMP)
            .get();
    Request shown =
        Caller.request(
                CARGO.service(), load(), wire.endpoint(), sample, access.hidden(), Requests.STAMP)
            .get();

    assertThat(new String(request.body(), StandardCharsets.UTF_8))
        .contains(
            "urn:saltmere:cargo:load</wsa:Action>",
            "<wsa:MessageID",
            "urn:uuid:00000000-0000-4000-8000-000000000000",
            ">http://localhost:1/cargo</wsa:To>",
            "soap:mustUnderstand=\"1\"",
            "<wsu:Created>2031-05-14T06:40:00Z</wsu:Created><wsu:Expires>2031-05-14T06:45:00Z",
            // SHA-1 over the bytes 1 to 4, the time and the password, computed with openssl.
            "#PasswordDigest\">01dXE2CnSUTJVi4t7qo1RvYPlVc=</wsse:Password>");
    assertThat(request.headers())
        .extracting(Header::name, Header::value)
        .contains(tuple("Authorization", "Basic cGlsb3Q6dGlkZQ=="));
    assertThat(new String(shown.body(), StandardCharsets.UTF_8) + shown.headers())
        .contains("••••••")
        .doesNotContain("tide", "cGlsb3Q6dGlkZQ==", "01dXE2CnSUTJVi4t7qo1RvYPlVc=");
  }
}
