package org.mapsel.core.message.http;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.mapsel.core.call.Caller;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.intake.Intake;
import org.mapsel.core.json.ValueJson;
import org.mapsel.core.message.Answer;
import org.mapsel.core.message.Request;
import org.mapsel.core.message.Response;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.testing.Descriptions;
import org.mapsel.core.testing.Requests;
import tools.jackson.databind.json.JsonMapper;

class HttpMessagesTest {

  private static final JsonMapper JSON = new JsonMapper();
  private static final Service TIDES = Descriptions.service("/descriptions/tides.yaml");
  private static final String STATION =
      "{'name':'Outer pier','since':'2019-03-01','position':{'lat':54.25,'lon':-0.125},"
          + "'code':'OUT','owner':null,'buoys':2}";

  private static Outcome<Request> request(Service service, String operation, String values) {
    Operation found = Descriptions.operation(service, operation);
    return Requests.make(
        service,
        found,
        found.wires().get(0).endpoint(),
        ValueJson.readRecord(JSON.readTree(values.replace('\'', '"'))));
  }

  private static String body(Request request) {
    return new String(request.body(), StandardCharsets.UTF_8);
  }

  private static Outcome<Answer> answer(
      String operation, int status, String type, String body, Set<FieldPath> wanted) {
    Operation found = Descriptions.operation(TIDES, operation);
    return Caller.answer(
        TIDES,
        found,
        found.wires().get(0),
        new Response(
            status,
            Map.of("Content-Type", List.of(type)),
            body.replace('\'', '"').getBytes(StandardCharsets.UTF_8)),
        wanted);
  }

  private static String returned(Outcome<Answer> read) {
    return ValueJson.write(((Answer.Returned) read.get()).value()).toString().replace('"', '\'');
  }

  private static List<String> codes(Outcome<?> outcome) {
    return outcome.findings().stream().map(Finding::code).toList();
  }

  /** The examples of OpenAPI 3.1, Style Examples. */
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "path   | matrix         | false | ;color=blue,black,brown | ;color=R,100,G,200",
        "path   | matrix         | true  | ;color=blue;color=black;color=brown | ;R=100;G=200",
        "path   | label          | false | .blue,black,brown | .R,100,G,200",
        "path   | label          | true  | .blue.black.brown | .R=100.G=200",
        "path   | simple         | false | blue,black,brown | R,100,G,200",
        "path   | simple         | true  | blue,black,brown | R=100,G=200",
        "query  | form           | false | color=blue,black,brown | color=R,100,G,200",
        "query  | form           | true  | color=blue&color=black&color=brown | R=100&G=200",
        "query  | spaceDelimited | false | color=blue%20black%20brown | color=R%20100%20G%20200",
        "query  | pipeDelimited  | false | color=blue%7Cblack%7Cbrown | color=R%7C100%7CG%7C200",
        "query  | deepObject     | true  | color=blue&color=black&color=brown | color[R]=100&color[G]=200",
        "header | simple         | false | blue,black,brown | R,100,G,200",
        "cookie | form           | false | color=blue,black,brown | color=R,100,G,200",
      })
  void everyStyleWritesListsAndRecordsAsTheStandardShows(
      String in, String style, boolean explode, String list, String record) {
    String description =
        """
        openapi: 3.1.0
        info: {title: Styles, version: '1'}
        servers: [{url: 'http://s.example'}]
        paths:
          %1$s:
            get:
              operationId: list
              parameters:
                - {name: color, in: %2$s, style: %3$s, explode: %4$s, schema: {type: array, items: {type: string}}}
              responses: {}
            post:
              operationId: record
              parameters:
                - {name: color, in: %2$s, style: %3$s, explode: %4$s, schema: {type: object, properties: {R: {type: integer}, G: {type: integer}}}}
              responses: {}
        """
            .formatted(in.equals("path") ? "/{color}" : "/", in, style, explode);
    Service service =
        Intake.read(
                new SourceText("test:/s.yaml", description.getBytes(StandardCharsets.UTF_8)),
                Descriptions.RESOLVER)
            .get()
            .service();
    Request listed = request(service, "list", "{'color':['blue','black','brown']}").get();
    Request recorded = request(service, "record", "{'color':{'R':100,'G':200}}").get();
    assertThat(List.of(shown(in, listed), shown(in, recorded))).containsExactly(list, record);
  }

  private static String shown(String in, Request request) {
    return switch (in) {
      case "path" -> request.address().replace("http://s.example/", "");
      case "query" -> request.address().replace("http://s.example/?", "");
      default ->
          request.headers().stream()
              .filter(header -> Set.of("color", "Cookie").contains(header.name()))
              .map(header -> header.value())
              .collect(Collectors.joining());
    };
  }

  @Test
  void valuesAreEscapedForWhereTheyStand() {
    Request request = request(TIDES, "getStation", "{'station':'a/b ?é'}").get();
    assertThat(request.address())
        .isEqualTo("https://north.tides.example/v1/stations/a%2Fb%20%3F%C3%A9");
    assertThat(
            request(TIDES, "listStations", "{'near':{'lat':1,'lon':2},'kinds':['gauge','model']}")
                .get()
                .address())
        .endsWith("/stations?near[lat]=1&near[lon]=2&kinds=gauge%7Cmodel");
    assertThat(request(TIDES, "listStations", "{'X-Trace':'a\\r\\nHost: evil'}").get().headers())
        .anySatisfy(header -> assertThat(header.value()).isEqualTo("a Host: evil"));
  }

  @Test
  void bodiesLeaveOutWhatOnlyComesBackAndSayWhatIsMissing() {
    assertThat(
            body(
                request(
                        TIDES,
                        "putStation",
                        "{'station':'OUT','body':{'name':'Outer','code':'X','since':null,'height':2.25,"
                            + "'position':{'lat':1,'lon':'-2.5'}}}")
                    .get()))
        .isEqualTo(
            "{\"name\":\"Outer\",\"since\":null,\"position\":{\"lat\":1,\"lon\":-2.5},\"height\":2.25}");
    Outcome<Request> refused =
        request(
            TIDES,
            "putStation",
            "{'body':{'name':null,'nam':'x','position':{'lat':'north','lon':200}}}");
    assertThat(refused.value()).isEmpty();
    assertThat(codes(refused))
        .containsExactlyInAnyOrder(
            "MESSAGE_PARAMETER_MISSING",
            "MESSAGE_NULL_REFUSED",
            "MESSAGE_FIELD_UNKNOWN",
            "MESSAGE_VALUE_MISTYPED");
  }

  @Test
  void theChosenTypeNamesItself() {
    assertThat(body(request(TIDES, "addWarning", "{'body':{'Fog':{'visibility':50}}}").get()))
        .isEqualTo("{\"kind\":\"fog\",\"visibility\":50}");
    assertThat(body(request(TIDES, "addWarning", "{'body':{'Surge':{'height':3.1}}}").get()))
        .isEqualTo("{\"kind\":\"surge\",\"height\":3.1}");
    assertThat(codes(request(TIDES, "addWarning", "{'body':{'Fog':{},'Surge':{'height':1}}}")))
        .containsExactly("MESSAGE_ALTERNATIVES_TOO_MANY");
  }

  @Test
  void formsWithFilesAreMultipart() {
    Request request =
        request(
                TIDES,
                "POST-stations-station-pictures",
                "{'station':'OUT','body':{'caption':'Low water','places':[{'lat':1,'lon':2}],"
                    + "'picture':{'$binary':{'base64':'iVBORw0KGgo='}}}}")
            .get();
    assertThat(body(request))
        .contains("Content-Disposition: form-data; name=\"caption\"\r\n\r\nLow water\r\n")
        .contains("name=\"picture\"; filename=\"picture\"\r\nContent-Type: image/png\r\n\r\n")
        .contains("Content-Type: application/json\r\n\r\n{\"lat\":1,\"lon\":2}\r\n")
        .endsWith("--\r\n");
  }

  @Test
  void xmlBodiesFollowTheHints() {
    String entry = "{'number':7,'text':'a < b','tags':{'tag':['x','y']},'marks':['m']}";
    String xml = body(request(TIDES, "addEntry", "{'body':" + entry + "}").get());
    assertThat(xml)
        .isEqualTo(
            "<entry xmlns=\"urn:tides:log\" number=\"7\"><text xmlns=\"\">a &lt; b</text>"
                + "<tags xmlns=\"\"><tag>x</tag><tag>y</tag></tags><mark xmlns=\"\">m</mark></entry>");
    assertThat(returned(answer("addEntry", 200, "application/xml", xml, Set.of())))
        .isEqualTo(entry);
  }

  @Test
  void answersAreReadByTheirShape() {
    Outcome<Answer> read =
        answer("listStations", 200, "application/json", "[" + STATION + "]", Set.of());
    assertThat(returned(read))
        .isEqualTo(
            "{'items':[{'name':'Outer pier','since':'2019-03-01','code':'OUT',"
                + "'position':{'lat':54.25,'lon':-0.125},'owner':null}]}");
    assertThat(codes(read)).containsExactly("MESSAGE_FIELD_UNANNOUNCED");
    assertThat(
            returned(
                answer(
                    "listStations",
                    200,
                    "application/json",
                    "[" + STATION + "]",
                    Set.of(FieldPath.of("items", "position", "lon")))))
        .isEqualTo("{'items':[{'position':{'lon':-0.125}}]}");
    String warning =
        "{'id':9007199254740993,'said':{'entries':[{'name':'pier','value':{'lat':1,'lon':2}}]},"
            + "'matrix':[{'items':[1,2]},{'items':[]}]}";
    assertThat(
            returned(
                answer(
                    "addWarning",
                    201,
                    "application/json",
                    "{'id':9007199254740993,'said':{'pier':{'lat':1,'lon':2}},'matrix':[[1,2],[]]}",
                    Set.of())))
        .isEqualTo(warning);
  }

  @Test
  void failuresSayWhatTheServiceSays() {
    Outcome<Answer> refused =
        answer(
            "listStations",
            422,
            "application/problem+json",
            "{'title':'No','detail':'Too far north.'}",
            Set.of());
    assertThat(refused.get())
        .isInstanceOfSatisfying(
            Answer.Failed.class, failed -> assertThat(failed.reason()).isEqualTo("Too far north."));
    assertThat(codes(answer("getStation", 502, "text/html", "<html>Bad gateway", Set.of())))
        .containsExactly("MESSAGE_ANSWER_NOT_JSON");
    assertThat(codes(answer("getStation", 200, "text/html", "<!doctype html>Hello", Set.of())))
        .containsExactly("MESSAGE_ANSWER_NOT_JSON");
    assertThat(codes(answer("getStation", 200, "application/json", "{'name':'Ou", Set.of())))
        .containsExactly("MESSAGE_ANSWER_BROKEN");
    assertThat(codes(answer("getStation", 200, "application/json", "", Set.of())))
        .containsExactly("MESSAGE_ANSWER_EMPTY");
    assertThat(codes(answer("getStation", 401, "application/json", "{}", Set.of())))
        .containsExactly("MESSAGE_LOGIN_WANTED");
    assertThat(
            codes(
                answer(
                    "getStation", 200, "application/json", "{'name':{},'position':3}", Set.of())))
        .contains("MESSAGE_FIELD_MISTYPED");
  }

  @Test
  void whatOtherProgramsWriteIsReadTooWhereItsMeaningIsClear() {
    String written = "{'name':'Größe','position':{'lat':NaN,'lon':2,},}".replace('\'', '"');
    Operation found = Descriptions.operation(TIDES, "getStation");
    for (String charset : List.of("UTF-8", "UTF-16", "windows-1252")) {
      Outcome<Answer> read =
          Caller.answer(
              TIDES,
              found,
              found.wires().get(0),
              new Response(
                  200,
                  Map.of("Content-Type", List.of("application/json")),
                  written.getBytes(Charset.forName(charset))),
              Set.of());
      assertThat(returned(read)).contains("'name':'Größe'").contains("'lat':'NaN','lon':2");
      assertThat(codes(read).contains("MESSAGE_ENCODING_CORRECTED"))
          .isEqualTo(charset.equals("windows-1252"));
    }
  }
}
