package org.mapsel.core.message.http;

import static java.nio.charset.StandardCharsets.ISO_8859_1;
import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.finding.FindingText;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.intake.Intake;
import org.mapsel.core.json.ValueJson;
import org.mapsel.core.message.Header;
import org.mapsel.core.message.Request;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.sample.SampleMaker.Extent;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.testing.Client;
import org.mapsel.core.testing.Descriptions;
import org.mapsel.core.testing.Requests;
import org.mapsel.core.value.RecordValue;

/** What is sent for a request that somebody gave. */
class RecordedRequestTest {

  private static final String JSON =
      """
      {"day": "2031-05-14", "depth": 4.50, "none": null, "bays": [],
       "stops": [{"bay":1}, {"bay":2,"note":"a\\u00e9\\"b"}],
       "mixed": [1,"a",true], "grid": [[1,2],[3]], "": 5, "big": 1e3, "open": false}""";

  private static final String XML =
      """
      <?xml version="1.0"?>
      <!-- as the desk sends it --><q:ask xmlns:q="urn:quay" kind="x" xmlns:i="http://www.w3.org/2001/XMLSchema-instance">
        <q:who i:nil="true"/><q:note>Some <b>bold</b> words</q:note>
        <q:raw><![CDATA[a<b]]></q:raw>
        <bay n="1">7</bay><bay n="2">8</bay><q:end/><bay>9</bay>
      </q:ask>""";

  private static Service service(String head, String body) {
    String text =
        "POST http://quay.example/b?x=1&flag&y=a%20b&y=c HTTP/1.1\n" + head + "\n\n" + body;
    return Intake.read(
            new SourceText("pasted", text.getBytes(StandardCharsets.UTF_8)), Descriptions.RESOLVER)
        .get()
        .service();
  }

  private static Outcome<Request> request(Service service, RecordValue values) {
    return Requests.make(service, service.operations().get(0), new EndpointId("main"), values);
  }

  private static String body(Service service, String values) {
    Outcome<Request> made = request(service, Client.json(values));
    assertThat(FindingText.lines(made.findings())).isEmpty();
    return new String(made.get().body(), StandardCharsets.UTF_8);
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        JSON,
        XML,
        "a=1&b=x+y&c=&d=%C3%A9&a=2",
        "id;note\n1;\"a;b\"\n2;c",
        "line one\nline two {x}",
        "{not JSON",
        "<not XML"
      })
  void whatNobodyTouchesIsSentToTheCharacter(String body) {
    String type = body.startsWith("a=") ? "application/x-www-form-urlencoded" : "";
    Service service = service(type.isEmpty() ? "X-Desk: 4" : "Content-Type: " + type, body);
    Operation operation = service.operations().get(0);
    RecordValue first = FirstValues.of(service, operation, Extent.REQUIRED);

    for (RecordValue values : new RecordValue[] {RecordValue.empty(), first}) {
      Request request = request(service, values).get();
      assertThat(request.address()).isEqualTo("http://quay.example/b?x=1&flag&y=a%20b&y=c");
      assertThat(new String(request.body(), StandardCharsets.UTF_8)).isEqualTo(body);
    }
    RecordedText text = RecordedText.of(service, operation).orElseThrow();
    assertThat(text.body().stream().map(RecordedText.Stretch::text).collect(Collectors.joining()))
        .isEqualTo(body);
  }

  @Test
  void theFirstValuesAreThoseOfTheSample() {
    Service service = service("X-Desk: 4", JSON);
    RecordValue first = FirstValues.of(service, service.operations().get(0), Extent.REQUIRED);
    assertThat(ValueJson.write(first).toString().replace('"', '\''))
        .isEqualTo(
            "{'X-Desk':'4','body':{'day':'2031-05-14','depth':4.50,"
                + "'stops':[{'bay':1},{'bay':2,'note':'a\u00e9\\'b'}],'mixed':['1','a','true'],"
                + "'grid':[{'items':[1,2]},{'items':[3]}],'':5,'big':1E+3,'open':false},"
                + "'x':1,'y':['a b','c']}");
  }

  @Test
  void valuesInJsonAreEscapedAndTheRestStays() {
    assertThat(
            body(
                service("", JSON),
                "{'body':{'day':'2031-05-15','none':'x\\\\y','bays':['B'],'depth':5,"
                    + "'stops':[{'bay':1},{'bay':9,'note':'c'},{'bay':3,'note':'d'}],"
                    + "'grid':[{'items':[4]},{'items':[5,6]}]}}"))
        .isEqualTo(
            JSON.replace("2031-05-14", "2031-05-15")
                .replace("4.50", "5")
                .replace("null", "\"x\\\\y\"")
                .replace("[]", "[\"B\"]")
                .replace("\"bay\":2,\"note\":\"a\\u00e9\\\"b\"", "\"bay\":9,\"note\":\"c\"")
                .replace("}],", "}, {\"bay\":3,\"note\":\"d\"}],")
                .replace("[[1,2],[3]]", "[[4],[5,6]]"));
  }

  @Test
  void valuesInXmlAreEscapedAndTheRestStays() {
    assertThat(
            body(
                service("", XML),
                "{'body':{'kind':'\\\"<','who':'me & you','raw':']]>','end':'now',"
                    + "'bay':[{'n':1,'value':7},{'n':4},{'value':5}]}}"))
        .isEqualTo(
            XML.replace("kind=\"x\"", "kind=\"&quot;&lt;\"")
                .replace(" i:nil=\"true\"/>", ">me &amp; you</q:who>")
                .replace("<![CDATA[a<b]]>", "]]>")
                .replace("<q:end/>", "<q:end>now</q:end>")
                .replace("n=\"2\"", "n=\"4\"")
                .replace(">9<", ">5<"));
  }

  @Test
  void moreItemsThanWereGivenAreWrittenLikeThem() {
    assertThat(body(service("", XML), "{'body':{'bay':[{},{},{},{'n':3,'value':6}]}}"))
        .isEqualTo(XML.replace("<bay>9</bay>", "<bay>9</bay><bay xmlns=\"\" n=\"3\">6</bay>"));
    assertThat(body(service("", "id;note\n1;a"), "{'body':[{'id':2,'note':'b;c'},{'id':3}]}"))
        .isEqualTo("id;note\n2;\"b;c\"\n3;\n");
    Service form = service("Content-Type: application/x-www-form-urlencoded", "a=1&b=2&a=x");
    assertThat(body(form, "{'body':{'a':['4','5','6 &'],'b':'7'}}"))
        .isEqualTo("a=4&b=7&a=5&a=6%20%26");
    assertThat(request(form, Client.json("{'y':['1','2','3'],'flag':'on'}")).get().address())
        .endsWith("/b?x=1&flag=on&y=1&y=2&y=3");
  }

  @Test
  void headersThatDecideWhatComesBackStay() {
    Service service = service("Accept: text/csv\nAccept-Language: fi\nUser-Agent: probe", "");
    assertThat(request(service, RecordValue.empty()).get().headers())
        .extracting(Header::name, Header::value)
        .containsExactly(
            org.assertj.core.groups.Tuple.tuple("Accept", "text/csv"),
            org.assertj.core.groups.Tuple.tuple("Accept-Language", "fi"));
  }

  @Test
  void whatWasTakenOutMustBeFilled() {
    Service service = service("", "{\"day\":1,\"password\":\"slack-water\"}");
    assertThat(FindingText.lines(request(service, RecordValue.empty()).findings()))
        .contains("MESSAGE_PARAMETER_MISSING", "body › password");
    assertThat(body(service, "{'body':{'password':'p'}}"))
        .isEqualTo("{\"day\":1,\"password\":\"p\"}");
  }

  @Test
  void valuesAreCheckedByWhatTheSampleHad() {
    assertThat(
            FindingText.lines(
                request(service("", JSON), Client.json("{'body':{'depth':'deep'}}")).findings()))
        .contains("MESSAGE_VALUE_MISTYPED", "body › depth");
    assertThat(
            FindingText.lines(
                request(service("", XML), Client.json("{'body':{'raw':'\\u0001'}}")).findings()))
        .contains("MESSAGE_CHARACTER_REFUSED");
    assertThat(
            FindingText.lines(
                request(service("", JSON), Client.json("{'body':{'nothing':1}}")).findings()))
        .contains("MESSAGE_FIELD_UNKNOWN");
  }

  @Test
  void everyValueOfTheTextLeadsToItsField() {
    Service service = service("X-Desk: 4", XML);
    RecordedText text = RecordedText.of(service, service.operations().get(0)).orElseThrow();
    assertThat(
            text.body().stream()
                .filter(stretch -> !stretch.path().isRoot())
                .map(stretch -> stretch.path() + "=" + stretch.text()))
        .containsExactly(
            "body › kind=x",
            "body › who= i:nil=\"true\"/>",
            "body › note › b=bold",
            "body › raw=<![CDATA[a<b]]>",
            "body › bay › n=1",
            "body › bay › value=7",
            "body › bay › n=2",
            "body › bay › value=8",
            "body › end=/>",
            "body › bay › value=9");
    assertThat(text.address().stream().filter(stretch -> !stretch.path().isRoot()))
        .extracting(stretch -> stretch.path() + "=" + stretch.text())
        .containsExactly("x=1", "flag=", "y=a%20b", "y=c");
    assertThat(text.headers().getFirst().getLast().path()).isEqualTo(FieldPath.of("X-Desk"));
  }

  @Test
  void aTextIsSentInTheEncodingThatIsSaidOfIt() {
    String declared = "<?xml version=\"1.0\" encoding=\"ISO-8859-1\"?><note>Größe</note>";
    Service xml = service("", declared);
    assertThat(new String(request(xml, RecordValue.empty()).get().body(), ISO_8859_1))
        .isEqualTo(declared);
    Service text = service("Content-Type: text/plain; charset=windows-1252", "Größe");
    assertThat(new String(request(text, RecordValue.empty()).get().body(), ISO_8859_1))
        .isEqualTo("Größe");
    assertThat(FindingText.lines(request(text, Client.json("{'body':'\\u2603'}")).findings()))
        .contains("MESSAGE_CHARACTER_REFUSED");
  }

  @Test
  void partsAreSentWithTheirValuesIfNobodyFillsThem() {
    String curl = "curl http://quay.example/photos -F bay=3 -F 'note=low tide'";
    Service service =
        Intake.read(
                new SourceText("pasted", curl.getBytes(StandardCharsets.UTF_8)),
                Descriptions.RESOLVER)
            .get()
            .service();
    for (String values : List.of("{}", "{'body':{'bay':4}}")) {
      String sent =
          new String(request(service, Client.json(values)).get().body(), StandardCharsets.UTF_8);
      assertThat(sent)
          .contains("name=\"bay\"\r\n\r\n" + (values.contains("4") ? "4" : "3"))
          .contains("name=\"note\"\r\n\r\nlow tide");
    }
  }
}
