package org.mapsel.standins;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvFileSource;
import org.mapsel.core.call.CallResult;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.json.ValueJson;
import org.mapsel.core.message.Access;
import org.mapsel.core.message.Answer;
import org.mapsel.core.message.Secret;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.testing.Client;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;

/**
 * Tides, Declarations and Yard as our reader and writer meet them: servers with their own idea of
 * the protocol.
 */
class ServicesTest {

  private static ConfigurableApplicationContext context;
  private static Client tides;
  private static Client declarations;
  private static Client yard;
  private static String standIns;

  @BeforeAll
  static void start() {
    context = SpringApplication.run(StandIns.class, "--server.port=0");
    String address =
        "http://localhost:" + context.getEnvironment().getProperty("local.server.port");
    Access key =
        new Access(
            new Access.Login.ApiKey("X-Api-Key", Secret.of("ebb-and-flow"), false),
            List.of(),
            Optional.empty(),
            Access.Addressing.AS_DESCRIBED,
            Access.Connection.PLAIN);
    tides = new Client(address + "/tides/openapi.json", key);
    declarations = new Client(address + "/declarations/openapi.json", login(address));
    // What people find at the address of the service leads to its metadata.
    yard = new Client(address + "/yard/");
    standIns = address;
  }

  private static Access login(String address) {
    return new Access(
        new Access.Login.ClientCredentials(
            address + "/declarations/token", "duty-desk", Secret.of("spring-tide"), ""),
        List.of(),
        Optional.empty(),
        Access.Addressing.AS_DESCRIBED,
        Access.Connection.PLAIN);
  }

  @AfterAll
  static void stop() {
    context.close();
  }

  private static String json(Value value) {
    return ValueJson.write(value).toString().replace('"', '\'');
  }

  private static List<Value> rows(RecordValue record, String field) {
    return ((ListValue) record.get(field)).items();
  }

  private static RecordValue returned(CallResult result) {
    return ((Answer.Returned) result.answer().orElseThrow()).value();
  }

  private static Answer.Failed failed(CallResult result) {
    return (Answer.Failed) result.answer().orElseThrow();
  }

  @Test
  void tidesListsReadsAndTakesWhatItsOwnValidationLetsIn() {
    RecordValue stations = tides.returned("listStations", "{'named':'pier'}");
    assertThat(json(stations))
        .isEqualTo(
            "{'items':[{'code':'OUT','name':'Outer pier','latitude':54.251,"
                + "'longitude':-0.124,'since':'1998-03-01'}]}");
    RecordValue heights =
        tides.returned("getHeights", "{'code':'OUT','day':'2031-05-14','everyMinutes':360}");
    assertThat(rows(heights, "heights")).hasSize(4);
    RecordValue added =
        tides.returned(
            "addWarning",
            "{'body':{'station':'LOC','level':'DANGER','text':'Gate \u00e9 open','hours':3}}");
    assertThat(json(added)).contains("'text':'Gate \u00e9 open','until':'2031-05-14T09:40:00Z'");
    assertThat(json(tides.returned("listWarnings", "{'page':1,'size':5}"))).contains("'total':8");
  }

  @Test
  void tidesTakesFiles() {
    RecordValue kept =
        tides.returned(
            "addPhoto",
            "{'code':'OUT','body':{'caption':'Low ébb','photo':{'$binary':{'base64':'iVBORw0KGgo='}}}}");
    assertThat(json(kept))
        .isEqualTo("{'station':'OUT','caption':'Low ébb','mediaType':'image/png','size':8}");
  }

  @Test
  void tidesSaysWhatIsWrong() {
    assertThat(failed(tides.call("getStation", "{'code':'NIX'}")).reason())
        .isEqualTo("No station is called NIX");
    CallResult refused =
        tides.call(
            "addWarning", "{'body':{'station':'TOOLONG','level':'DANGER','text':'x','hours':3}}");
    assertThat(failed(refused).code()).isEqualTo("400");
    assertThat(tides.call("addWarning", "{'body':{'station':'OUT','level':'LOUD'}}").findings())
        .extracting(Finding::code)
        .containsExactlyInAnyOrder("MESSAGE_VALUE_NOT_ALLOWED", "MESSAGE_PARAMETER_MISSING");
  }

  @Test
  void declarationsTakesWhatItsOwnValidationLetsInFromWhoHasAToken() {
    String vessel =
        "'hull_no':'S-10237','vsl_name':'Gull','vsl_kind':'coaster','flag_st':'XX','len_m':88.4,"
            + "'drght_m':5.1,'grs_tng':2100,'crew_cnt':9,'haz_cls':'3'";
    RecordValue taken =
        declarations.returned(
            "declare",
            "{'body':{'vsl':{"
                + vessel
                + "},'prt_call':{'eta_utc':'2031-05-14T06:40:00Z','basin_cd':'north',"
                + "'lst_prt':'Farhaven','agt_name':'Quay & Sons','plt_ord':false},"
                + "'desk':{'decl_by':'Ines','decl_rsn':'ARRIVAL'}}}");
    assertThat(json(taken)).contains("'cd':'HZ1'", "'cd':'WS2'", "'cd':'PL4'");
    String number = json(taken.get("decl_no")).replace("'", "");
    assertThat(json(declarations.returned("getDeclaration", "{'decl_no':'" + number + "'}")))
        .contains("'agt_name':'Quay & Sons'", "'len_m':88.4");
    assertThat(
            json(
                declarations.returned(
                    "adviseMooring",
                    "{'body':{'len_m':101,'beam_m':14,'drght_m':6.5,'basin_cd':'inner',"
                        + "'wnd_kn':22,'bow_thrstr':true}}")))
        .startsWith("{'score':0,'grade':'NOT_TODAY','rsns':[{'cd':'DP9'");
    assertThat(
            new Client(standIns + "/declarations/openapi.json")
                .call("getDeclaration", "{'decl_no':'" + number + "'}")
                .findings())
        .extracting(Finding::code)
        .containsExactly("MESSAGE_LOGIN_WANTED");
  }

  /** Every comparison in the server's own grammar, with values that need care. */
  @ParameterizedTest
  @CsvFileSource(resources = "/yard-filters.csv", delimiter = '|', numLinesToSkip = 1)
  void yardFilters(String field, String comparison, String value, int rows) {
    String given = value == null ? "" : ",'value':" + quoted(value);
    RecordValue read =
        yard.returned(
            "Cranes.list",
            "{'filter':[{'field':'"
                + field
                + "','comparison':'"
                + comparison
                + "'"
                + given
                + "}]}".replace("\"", "'"));
    assertThat(rows(read, "rows")).hasSize(rows);
  }

  /** The client takes single quotes for double ones, so those of the value are written as codes. */
  private static String quoted(String text) {
    return "'" + text.replace("'", "\\u0027") + "'";
  }

  @Test
  void yardGivesItsRowsInPartsThatAreFollowed() {
    RecordValue all =
        yard.returned(
            "Cranes.list",
            "{'count':true,'orderby':[{'field':'Name','descending':true}],'select':['Name']}");
    assertThat(rows(all, "rows")).hasSize(12);
    assertThat(all.at(FieldPath.of("count"))).hasToString("NumberValue[number=12]");
    assertThat(all.at(FieldPath.of("rows", "Name"))).hasToString("TextValue[text=Tern]");
    assertThat(rows(yard.returned("Cranes.list", "{'top':3,'skip':1}"), "rows")).hasSize(3);
  }

  @Test
  void yardFollowsItsWays() {
    assertThat(rows(yard.returned("Cranes.Jobs", "{'Id':2}"), "rows")).hasSize(3);
    assertThat(json(yard.returned("Jobs.Crane", "{'Code':'J-2041'}"))).contains("'Old Meg'");
    assertThat(json(yard.returned("Cranes.read", "{'Id':1,'expand':['Jobs']}")))
        .contains("'Jobs':[{'Code':'J-2041'");
    assertThat(json(yard.returned("Lots.read", "{'Row':'B','Bay':2}"))).contains("'Bay':2");
  }

  @Test
  void yardKeepsChangesOfOthers() {
    RecordValue made =
        yard.returned(
            "Cranes.create",
            "{'Crane':{'Name':'New \u00e9','State':'Idle','Lifts':12.5,'Built':'2031-01-02',"
                + "'Checked':'2031-05-14T06:40:00Z','Electric':false}}");
    String id = json(made.get("Id"));
    assertThat(json(made)).contains("'Name':'New \u00e9','State':'Idle','Lifts':12.5");
    assertThat(json(made.get("etag"))).contains("W/");
    String key = "{'Id':" + id;
    yard.returned(
        "Cranes.change",
        key + ",'ifMatch':'W/\\\"1\\\"','Crane':{'State':'Working','Lifts':null}}");
    assertThat(json(yard.returned("Cranes.read", key + "}")))
        .contains("'State':'Working'", "'Lifts':null");
    CallResult late =
        yard.call("Cranes.change", key + ",'ifMatch':'W/\\\"1\\\"','Crane':{'State':'Idle'}}");
    assertThat(late.findings()).extracting(Finding::code).containsExactly("ODATA_STATE_DIFFERS");
    yard.returned("Cranes.delete", key + ",'ifMatch':'*'}");
    assertThat(failed(yard.call("Cranes.read", key + "}")).reason())
        .startsWith("There is nothing in Cranes");
  }

  @Test
  void yardKeepsWhatIsBroughtAlongAndLeadsToWhatIsNamed() {
    RecordValue made =
        yard.returned(
            "Cranes.create",
            "{'Crane':{'Name':'With jobs','State':'Idle','Jobs':["
                + "{'Code':'J-1','Begins':'2031-05-14T06:40:00Z','Goods':'sand'},"
                + "{'Code':'J-2','Begins':'2031-05-14T07:40:00Z'}]}}");
    String key = "{'Id':" + json(made.get("Id"));
    assertThat(json(yard.returned("Cranes.Jobs", key + "}")))
        .contains("'Code':'J-1'", "'Code':'J-2'");
    yard.returned(
        "Jobs.create",
        "{'Job':{'Code':'J-3','Begins':'2031-05-14T08:40:00Z','Crane@odata.bind':'"
            + "Cranes(%s)'}}".formatted(json(made.get("Id"))));
    assertThat(rows(yard.returned("Cranes.Jobs", key + "}"), "rows")).hasSize(3);
    yard.returned("Cranes.delete", key + ",'ifMatch':'*'}");
  }

  @Test
  void yardAnswersSeveralQuestionsInOneMessage() {
    List<CallResult> results =
        yard.callAll(
            "Cranes.list",
            "{'select':['Name'],'filter':[{'field':'Name','comparison':'starts with','value':'T'}]}",
            "Cranes.read",
            "{'Id':99}",
            "Jobs.list",
            "{'top':7}");

    assertThat(results.get(0).findings()).extracting(Finding::code).contains("CALL_TOGETHER");
    assertThat(json(returned(results.get(0)))).contains("'Name':'Tern'");
    assertThat(failed(results.get(1)).reason()).startsWith("There is nothing in Cranes");
    // The yard gives five at a time, and what follows is asked for as ever.
    assertThat(rows(returned(results.get(2)), "rows")).hasSize(7);
  }

  @Test
  void aServiceWithoutBatchesIsAskedOneByOne() {
    List<CallResult> results =
        new Client(standIns + "/yard2/$metadata")
            .callAll("Cranes.list", "{'top':1}", "Lots.list", "{'top':2}");

    assertThat(results).allSatisfy(one -> assertThat(returned(one).get("rows")).isNotNull());
    assertThat(results.get(0).findings()).extracting(Finding::code).contains("CALL_BATCH_REFUSED");
  }

  @Test
  void yardKeepsFiles() {
    RecordValue made =
        yard.returned("Photos.create", "{'file':{'$binary':{'base64':'iVBORw0KGgo='}}}");
    String key = "{'Id':" + json(made.get("Id"));
    yard.returned("Photos.change", key + ",'Photo':{'Shows':'A rope'}}");
    assertThat(json(yard.returned("Photos.read", key + "}"))).contains("'Shows':'A rope'");
    assertThat(json(yard.returned("Photos.file", key + "}"))).contains("iVBORw0KGgo=");
    yard.returned("Photos.replaceFile", key + ",'file':{'$binary':{'base64':'AAEC'}}}");
    assertThat(json(yard.returned("Photos.file", key + "}"))).contains("AAEC");
  }

  @Test
  void yardKeepsThePlansOfLots() {
    String lot = "{'Row':'A','Bay':2";
    yard.returned("Lots.replacePlan", lot + ",'file':{'$binary':{'base64':'AAEC'}}}");
    assertThat(json(yard.returned("Lots.Plan", lot + "}"))).contains("AAEC");
    assertThat(json(yard.returned("Lots.read", lot + "}"))).contains("'Holds':'gravel'");
  }

  /** A service that nobody describes, from one request that works and its answer. */
  @Test
  void theRosterIsAskedAfterASample() {
    Client roster =
        Client.of(
            "curl -X POST "
                + standIns
                + "/roster -H 'X-Roster-Action: duty'"
                + " -H 'Content-Type: application/vnd.saltmere.roster+xml'"
                + " -d '<r:duty xmlns:r=\"urn:saltmere:roster\"><r:day>2031-05-13</r:day></r:duty>'\n\n"
                + "<roster xmlns=\"urn:saltmere:roster\"><day>2031-05-13</day>"
                + "<pilot id=\"P1\"><name>Somebody</name><from>06:00</from><to>14:00</to></pilot>"
                + "<pilot id=\"P2\"><name>Else</name><from>14:00</from><to>22:00</to></pilot></roster>");
    RecordValue asGiven = roster.returned("POST-roster", "{}");
    assertThat(json(asGiven.get("day"))).isEqualTo("'2031-05-13'");
    RecordValue asked = roster.returned("POST-roster", "{'body':{'day':'2031-05-14'}}");
    assertThat(json(asked))
        .startsWith("{'day':'2031-05-14','pilot':[{")
        .contains("'name':'Ada Quill'", "'id':'P7'");
    CallResult refused = roster.call("POST-roster", "{'X-Roster-Action':'dance'}");
    assertThat(failed(refused).reason()).contains("There is no action dance.");
  }
}
