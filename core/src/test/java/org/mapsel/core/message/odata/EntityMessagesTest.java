package org.mapsel.core.message.odata;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Base64;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.mapsel.core.call.CallResult;
import org.mapsel.core.call.Caller;
import org.mapsel.core.call.Question;
import org.mapsel.core.exchange.Exchange;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.json.ValueJson;
import org.mapsel.core.message.Access;
import org.mapsel.core.message.Answer;
import org.mapsel.core.message.Request;
import org.mapsel.core.message.Response;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.testing.Client;
import org.mapsel.core.testing.Descriptions;
import org.mapsel.core.testing.Requests;
import org.mapsel.core.value.RecordValue;

class EntityMessagesTest {

  private static final Service YARD = Descriptions.service("/descriptions/yard.xml");
  private static final Service OLD = Descriptions.service("/descriptions/yard2.xml");
  private static final Service LOTS = Descriptions.service("/descriptions/lots.json");

  private static Outcome<Request> request(Service service, String operation, String values) {
    Operation found = Descriptions.operation(service, operation);
    return Requests.make(service, found, found.wires().get(0).endpoint(), Client.json(values));
  }

  private static String address(Service service, String operation, String values) {
    return request(service, operation, values).get().address();
  }

  private static String body(Service service, String operation, String values) {
    return new String(request(service, operation, values).get().body(), StandardCharsets.UTF_8)
        .replace('"', '\'');
  }

  private static Outcome<Answer> answer(
      Service service, String operation, int status, String body) {
    Operation found = Descriptions.operation(service, operation);
    return Caller.answer(
        service, found, found.wires().get(0), response(status, Map.of(), body), Set.of());
  }

  private static Response response(int status, Map<String, List<String>> headers, String body) {
    return new Response(status, headers, body.replace('\'', '"').getBytes(StandardCharsets.UTF_8));
  }

  private static String returned(Service service, String operation, String body) {
    Outcome<Answer> read = answer(service, operation, 200, body);
    assertThat(read.findings()).isEmpty();
    return ValueJson.write(((Answer.Returned) read.get()).value()).toString().replace('"', '\'');
  }

  @Test
  void addressesHaveLiteralsOfTheirType() {
    assertThat(address(YARD, "Jobs.read", "{'Day':'2031-05-14','Code':'a/b & c'}"))
        .isEqualTo("/Jobs(Day=2031-05-14,Code=%27a%2Fb%20%26%20c%27)");
    assertThat(address(YARD, "Cranes.Busy", "{'Id':7,'from':'2031-05-14T06:40:00'}"))
        .isEqualTo("/Cranes(7)/saltmere.yard.Busy(from=2031-05-14T06%3A40%3A00Z)");
    assertThat(address(YARD, "Load", "{'state':'Idle'}"))
        .isEqualTo("/Load(state=saltmere.yard.State%27Idle%27)");
    assertThat(address(OLD, "Cranes.read", "{'Id':7}")).isEqualTo("/Cranes(7L)");
    assertThat(address(OLD, "Jobs.read", "{'Code':'0f8fad5b-d9cb-469f-a165-70867728950e'}"))
        .isEqualTo("/Jobs(guid%270f8fad5b-d9cb-469f-a165-70867728950e%27)");
    assertThat(address(OLD, "Strongest", "{'since':'2031-05-14T06:40:00Z'}"))
        .isEqualTo("/Strongest?since=datetime%272031-05-14T06%3A40%3A00%27");
    assertThat(address(LOTS, "Lots.Free", "{'size':12.50}"))
        .isEqualTo("/Lots/saltmere.lots.Free(size=12.5)");
  }

  @Test
  void questionsAreWrittenByVersion() {
    String asked =
        "{'filter':[{'field':'Lifts','comparison':'is at least','value':'12.5'},"
            + "{'field':'Checked','comparison':'is empty'}],'count':true,'top':3,"
            + "'orderby':[{'field':'Name'},{'field':'Id','descending':true}]}";
    assertThat(address(OLD, "Cranes.list", asked))
        .isEqualTo(
            "/Cranes?$filter=Lifts%20ge%2012.5M%20and%20Checked%20eq%20null"
                + "&$orderby=Name,Id%20desc&$top=3&$inlinecount=allpages");
    assertThat(
            address(
                YARD,
                "Cranes.list",
                "{'filter':[{'field':'Name','comparison':'contains','value':'100% \\u0027x'}],"
                    + "'search':'old crane','count':true,'select':['Id','Name'],'expand':['Jobs']}"))
        .isEqualTo(
            "/Cranes?$filter=contains(Name,'100%25%20''x')&$search=old%20crane&$count=true"
                    .replace("(", "%28")
                    .replace(")", "%29")
                + "&$select=Id,Name&$expand=Jobs");
    assertThat(
            request(
                    YARD,
                    "Cranes.list",
                    "{'filter':[{'field':'Lifts','comparison':'equals','value':'much'},{'field':'Id'}]}")
                .findings())
        .extracting(Finding::code)
        .containsExactly("MESSAGE_VALUE_MISTYPED", "MESSAGE_PARAMETER_MISSING");
  }

  @Test
  void anEntityOfWhichNothingIsFilledInIsSentEmptyAndSaysWhatItNeeds() {
    assertThat(body(YARD, "Cranes.change", "{'Id':7}")).isEqualTo("{}");
    assertThat(request(YARD, "Cranes.create", "{}").findings())
        .extracting(finding -> finding.code() + " " + finding.subject())
        .anyMatch(told -> told.startsWith("MESSAGE_PARAMETER_MISSING") && told.contains("Name"));
  }

  @Test
  void bodiesAreWrittenByVersion() {
    assertThat(
            body(
                OLD,
                "Cranes.change",
                "{'Id':7,'Crane':{'Lifts':12.5,'Checked':'2031-05-14T06:40:00'}}"))
        .isEqualTo("{'Lifts':'12.5','Checked':'/Date(1936507200000)/'}");
    assertThat(body(YARD, "Cranes.Stop", "{'Id':7,'reason':'wind'}"))
        .isEqualTo("{'reason':'wind'}");
    assertThat(
            body(
                YARD,
                "Cranes.create",
                "{'Crane':{'Name':'Heron','Inspected':['2031-05-14T06:40:00Z']}}"))
        .isEqualTo("{'Name':'Heron','Inspected':['2031-05-14T06:40:00Z']}");
    assertThat(request(OLD, "Cranes.change", "{'Id':7,'ifMatch':'W/1','Crane':{}}").get())
        .satisfies(
            made -> {
              assertThat(made.method()).isEqualTo("MERGE");
              assertThat(made.headers())
                  .anyMatch(one -> one.name().equals("If-Match") && one.value().equals("W/1"));
            });
  }

  @Test
  void answersOfVersion2AreReadInBothFormats() {
    String expected =
        "{'count':2,'rows':[{'metadata':{'etag':'W/1'},'Id':7,'Name':'Heron','Lifts':12.5,"
            + "'Checked':'2031-05-14T06:40:00','Jobs':[{'Code':'x','Starts':'PT6H'}]}]}";
    assertThat(
            returned(
                OLD,
                "Cranes.list",
                "{'d':{'__count':'2','results':[{'__metadata':{'etag':'W/1','uri':'u'},'Id':'7',"
                    + "'Name':'Heron','Lifts':'12.5','Checked':'/Date(1936507200000)/',"
                    + "'Jobs':{'results':[{'Code':'x','Starts':'PT6H'}]}}]}}"))
        .isEqualTo(expected);
    assertThat(
            returned(
                OLD,
                "Cranes.list",
                "<feed xmlns='http://www.w3.org/2005/Atom'"
                    + " xmlns:m='http://schemas.microsoft.com/ado/2007/08/dataservices/metadata'"
                    + " xmlns:d='http://schemas.microsoft.com/ado/2007/08/dataservices'>"
                    + "<m:count>2</m:count><entry m:etag='W/1'>"
                    + "<link rel='related' title='Jobs'><m:inline><feed><entry><content>"
                    + "<m:properties><d:Code>x</d:Code><d:Starts>PT6H</d:Starts></m:properties>"
                    + "</content></entry></feed></m:inline></link>"
                    + "<content type='application/xml'><m:properties><d:Id>7</d:Id>"
                    + "<d:Name>Heron</d:Name><d:Lifts>12.5</d:Lifts>"
                    + "<d:Checked>2031-05-14T06:40:00</d:Checked></m:properties></content>"
                    + "</entry></feed>"))
        .isEqualTo(expected);
    assertThat(
            returned(OLD, "Cranes.read", "{'d':{'Id':'7','Name':'Tern','Jobs':{'__deferred':{}}}}"))
        .isEqualTo("{'Id':7,'Name':'Tern'}");
    assertThat(returned(OLD, "Jobs.list", "{'d':[{'Code':'y','Starts':null}]}"))
        .isEqualTo("{'rows':[{'Code':'y','Starts':null}]}");
  }

  @Test
  void answersOfVersion4TellDerivedTypes() {
    assertThat(
            returned(
                YARD,
                "Cranes.list",
                "{'@odata.context':'c','@odata.count':1,'value':[{'@odata.type':'#saltmere.yard.MobileCrane',"
                    + "'@odata.etag':'W/1','Id':1,'Name':'Grab','Wheels':8,'Jobs@odata.count':3}]}"))
        .isEqualTo(
            "{'count':1,'rows':[{'etag':'W/1','Id':1,'Name':'Grab','kind':{'MobileCrane':{'Wheels':8}}}]}");
    assertThat(returned(YARD, "Load", "{'@odata.context':'c','value':[1.5,2]}"))
        .isEqualTo("{'value':[1.5,2]}");
  }

  @Test
  void failuresAreReadFromBothFormats() {
    assertThat(
            failed(answer(YARD, "Cranes.read", 404, "{'error':{'code':'Gone','message':'No.'}}")))
        .isEqualTo("Gone No.");
    assertThat(
            failed(
                answer(
                    OLD,
                    "Cranes.read",
                    400,
                    "{'error':{'code':'7/01','message':{'lang':'en','value':'Bad.'}}}")))
        .isEqualTo("7/01 Bad.");
    assertThat(
            failed(
                answer(
                    OLD,
                    "Cranes.read",
                    500,
                    "<error><code>X</code><message>Broken.</message></error>")))
        .isEqualTo("X Broken.");
    assertThat(answer(YARD, "Cranes.list", 200, "<html>Sign in").findings())
        .extracting(Finding::code)
        .containsExactly("MESSAGE_ANSWER_NOT_JSON");
  }

  private static String failed(Outcome<Answer> read) {
    Answer.Failed failed = (Answer.Failed) read.get();
    return failed.code() + " " + failed.reason();
  }

  /** A service that gives a token before it takes a change. */
  @Test
  void tokensAreFetchedWhereTheyAreDemanded() {
    List<Request> sent = new ArrayList<>();
    Operation stop = Descriptions.operation(YARD, "Cranes.Stop");
    CallResult result =
        new Caller(
                (request, access) -> {
                  sent.add(request);
                  boolean known = request.headers().stream().anyMatch(h -> h.value().equals("t0k"));
                  Response response =
                      request.method().equals("GET")
                          ? response(
                              200,
                              Map.of(
                                  "X-CSRF-Token",
                                  List.of("t0k"),
                                  "Set-Cookie",
                                  List.of("s=1; Path=/")),
                              "{}")
                          : known
                              ? response(204, Map.of(), "")
                              : response(403, Map.of("x-csrf-token", List.of("Required")), "no");
                  return new Exchange(
                      request,
                      Optional.of(response),
                      Optional.empty(),
                      Instant.EPOCH,
                      Duration.ZERO);
                },
                () -> Requests.STAMP)
            .call(
                new Question(
                    YARD,
                    stop,
                    stop.wires().get(0).endpoint(),
                    Client.json("{'Id':1,'reason':'wind'}"),
                    Access.NONE,
                    Set.of()));
    assertThat(result.answer().orElseThrow()).isInstanceOf(Answer.Returned.class);
    assertThat(sent).extracting(Request::method).containsExactly("POST", "GET", "POST");
    assertThat(sent.get(2).headers())
        .anyMatch(header -> header.name().equals("Cookie") && header.value().equals("s=1"));
  }

  @Test
  void onlyWhatIsLookedAtIsAskedFor() {
    Set<FieldPath> wanted =
        Set.of(
            FieldPath.of("count"),
            FieldPath.of("rows", "Name"),
            FieldPath.of("rows", "Jobs", "Code"),
            FieldPath.of("rows", "etag"));
    Operation list = Descriptions.operation(YARD, "Cranes.list");
    EntityCodec codec = new EntityCodec();
    assertThat(json(codec.narrowed(YARD, list, Client.json("{'top':3}"), wanted)))
        .isEqualTo("{'top':3,'select':['Name'],'expand':['Jobs']}");
    assertThat(json(codec.narrowed(YARD, list, Client.json("{'select':['Id']}"), wanted)))
        .isEqualTo("{'select':['Id']}");
    Set<FieldPath> place = Set.of(FieldPath.of("rows", "Place", "Quay"));
    assertThat(json(codec.narrowed(YARD, list, Client.json("{}"), place))).isEqualTo("{}");
  }

  private static String json(RecordValue value) {
    return ValueJson.write(value).toString().replace('"', '\'');
  }

  @Test
  void whatIsCreatedMayBeOfADerivedTypeAndBringOthersAlong() {
    assertThat(
            body(
                YARD,
                "Cranes.create",
                "{'Crane':{'Name':'Long Tom','Inspected':[],'kind':{'MobileCrane':{'Wheels':8}},"
                    + "'Jobs':[{'Day':'2031-05-14','Code':'J-1'}],'Jobs@odata.bind':['Jobs(7)']}}"))
        .isEqualTo(
            "{'Name':'Long Tom','Inspected':[],'Jobs':[{'Day':'2031-05-14','Code':'J-1'}],"
                + "'Jobs@odata.bind':['Jobs(7)'],'@odata.type':'#saltmere.yard.MobileCrane',"
                + "'Wheels':8}");
  }

  @Test
  void oneOfADerivedTypeIsReadWithoutAChoiceOfItsOwn() {
    assertThat(
            returned(
                YARD,
                "Jobs.Crane",
                "{'@odata.type':'https://yard.example/$metadata#saltmere.yard.MobileCrane','Id':3,'Wheels':8}"))
        .isEqualTo("{'Id':3,'kind':{'MobileCrane':{'Wheels':8}}}");
  }

  @Test
  void filesAreSentAsTheyAreAndSayWhatTheyLookLike() {
    Request made =
        request(
                YARD,
                "Photos.replaceFile",
                "{'Id':4,'ifMatch':'*','file':{'$binary':{'base64':'iVBORw0KGgo='}}}")
            .get();
    assertThat(made.method() + " " + made.address()).isEqualTo("PUT /Photos(4)/$value");
    assertThat(made.headers())
        .extracting(header -> header.name() + ": " + header.value())
        .contains("Content-Type: image/png", "If-Match: *");
    assertThat(made.body()).isEqualTo(new byte[] {(byte) 0x89, 'P', 'N', 'G', 13, 10, 26, 10});
    assertThat(request(YARD, "Photos.create", "{'file':'iVBORw0KGgo='}").get().body())
        .isEqualTo(made.body());
    assertThat(request(YARD, "Photos.create", "{'file':'no base64 at all!'}").findings())
        .extracting(Finding::code)
        .containsExactly("MESSAGE_VALUE_MISTYPED");
  }

  @Test
  void filesAreReadAsTheyAreAndAskedForInAnyForm() {
    assertThat(request(YARD, "Photos.Thumbnail", "{'Id':4}").get().headers())
        .extracting(header -> header.name() + ": " + header.value())
        .contains("Accept: */*");
    assertThat(returned(YARD, "Photos.file", "{'a':1}"))
        .contains(
            "'size':7",
            "'base64':'"
                + Base64.getEncoder().encodeToString("{\"a\":1}".getBytes(StandardCharsets.UTF_8)));
  }
}
