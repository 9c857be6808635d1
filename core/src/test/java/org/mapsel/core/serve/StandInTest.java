package org.mapsel.core.serve;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.mapsel.core.call.Caller;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.json.ValueJson;
import org.mapsel.core.message.Access;
import org.mapsel.core.message.Answer;
import org.mapsel.core.message.Request;
import org.mapsel.core.message.Stamp;
import org.mapsel.core.message.http.FirstValues;
import org.mapsel.core.sample.SampleMaker;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.OperationWire;
import org.mapsel.core.service.Service;
import org.mapsel.core.shape.ScalarText;
import org.mapsel.core.testing.Descriptions;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;
import tools.jackson.databind.json.JsonMapper;

/** Services that are played from their descriptions, asked by our own writers and readers. */
class StandInTest {

  private static final Stamp STAMP = new Stamp(Instant.EPOCH, "test", new byte[0]);

  private static Outcome<Answer> call(
      StandIn standIn, Service service, String operation, RecordValue parameters) {
    Operation known = Descriptions.operation(service, operation);
    return call(standIn, service, known, known.wires().getFirst(), parameters);
  }

  private static Outcome<Answer> call(
      StandIn standIn,
      Service service,
      Operation operation,
      OperationWire wire,
      RecordValue parameters) {
    Outcome<Request> request =
        Caller.request(service, operation, wire.endpoint(), parameters, Access.NONE, STAMP);
    assertThat(request.findings()).as("%s", operation.id()).noneMatch(Finding::isError);
    Served served = standIn.answer(IncomingRequest.of(request.get()).get());
    assertThat(served.operation())
        .as("%s %s", operation.id(), text(served))
        .contains(operation.id());
    return Caller.answer(service, operation, wire, served.response(), Set.of());
  }

  private static String text(Served served) {
    return new String(served.response().body(), StandardCharsets.UTF_8);
  }

  private static RecordValue returned(Outcome<Answer> answer) {
    assertThat(answer.findings()).noneMatch(Finding::isError);
    assertThat(answer.get()).isInstanceOf(Answer.Returned.class);
    return ((Answer.Returned) answer.get()).value();
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "cargo.wsdl",
        "drafts.wsdl",
        "dredging.wsdl",
        "fenders.yaml",
        "horn.wsdl",
        "lights.wsdl",
        "lots.json",
        "marks.xml",
        "moorings.wsdl",
        "pilots.yaml",
        "quays.wsdl",
        "self.wsdl",
        "slipway.json",
        "tides.yaml",
        "yard.xml",
        "yard2.xml"
      })
  void everyOperationIsAnsweredInItsOwnWords(String description) {
    Service service = Descriptions.service("/descriptions/" + description);
    StandIn standIn = new StandIn(service, Recorded.NOTHING);
    for (Operation operation : service.operations()) {
      for (OperationWire wire : operation.wires()) {
        RecordValue parameters = FirstValues.of(service, operation, SampleMaker.Extent.EVERYTHING);
        Outcome<Answer> answer = call(standIn, service, operation, wire, parameters);
        assertThat(answer.findings())
            .as("%s over %s", operation.id(), wire.endpoint())
            .noneMatch(Finding::isError);
        assertThat(answer.value()).as("%s over %s", operation.id(), wire.endpoint()).isPresent();
      }
    }
  }

  @Test
  void formsAddressesAndBodiesOfTheHttpBindingAreUnderstood() {
    for (String file : List.of("finding", "horn")) {
      Service service = Descriptions.service("/descriptions/" + file + ".wsdl");
      StandIn standIn = new StandIn(service, Recorded.NOTHING);
      int asked = 0;
      for (Operation operation : service.operations()) {
        for (OperationWire wire : operation.wires()) {
          if (wire instanceof OperationWire.Http http) {
            // A path has a place for one value of each, and perhaps for the needed ones alone.
            SampleMaker.Extent extent =
                http.encoding() == OperationWire.Encoding.URL_REPLACEMENT
                    ? SampleMaker.Extent.REQUIRED
                    : SampleMaker.Extent.EVERYTHING;
            RecordValue parameters = FirstValues.of(service, operation, extent);
            Request request =
                Caller.request(service, operation, wire.endpoint(), parameters, Access.NONE, STAMP)
                    .get();
            assertThat(new RequestReader(service).read(IncomingRequest.of(request).get()))
                .map(ReadRequest::parameters)
                .as("%s", wire)
                .contains(parameters);
            Outcome<Answer> answer = call(standIn, service, operation, wire, parameters);
            assertThat(answer.findings()).as("%s", wire).noneMatch(Finding::isError);
            assertThat(answer.get()).as("%s", wire).isInstanceOf(Answer.Returned.class);
            asked++;
          }
        }
      }
      assertThat(asked).isGreaterThan(1);
    }
  }

  /** A list of at least two, the keys of which are few, or all the same in the description. */
  private static Service keyed(String key) {
    return Descriptions.serviceOf(
        """
        openapi: 3.1.0
        info: {title: Quay, version: '1'}
        paths:
          /bollards:
            get:
              operationId: bollards
              parameters: [{name: load, in: query, schema: {type: integer}}]
              responses:
                '200':
                  description: All
                  content:
                    application/json:
                      schema:
                        type: object
                        required: [bollards]
                        properties:
                          bollards: {type: array, minItems: 2, items: {$ref: '#/components/schemas/Bollard'}}
          /bollards/{code}:
            parameters: [{name: code, in: path, required: true, schema: {type: string}}]
            get:
              operationId: bollard
              responses:
                '200':
                  description: One
                  content: {application/json: {schema: {$ref: '#/components/schemas/Bollard'}}}
            delete:
              operationId: remove
              responses: {'204': {description: Gone}}
        components:
          schemas:
            Bollard:
              type: object
              required: [code, load]
              properties:
                code: {type: string, KEY}
                load: {type: integer}
        """
            .replace("KEY", key));
  }

  private static int bollards(StandIn standIn, Service service, String parameters) {
    RecordValue list = returned(call(standIn, service, "bollards", record(parameters)));
    return ((ListValue) list.get("bollards")).items().size();
  }

  @ParameterizedTest
  @ValueSource(strings = {"enum: [A, B, C]", "example: B-7", "enum: [A, B, C], example: C"})
  void aListHasAsManyRowsAsItNeedsWhateverItsKeys(String key) {
    Service service = keyed(key);
    StandIn standIn = new StandIn(service, Recorded.NOTHING);
    RecordValue list = returned(call(standIn, service, "bollards", record("{}")));
    List<String> codes =
        ((ListValue) list.get("bollards"))
            .items().stream()
                .map(row -> ScalarText.print(((RecordValue) row).get("code")))
                .toList();
    assertThat(codes).hasSize(3).doesNotHaveDuplicates();
    assertThat(bollards(standIn, service, "{'load':-1}")).isEqualTo(3);

    call(standIn, service, "remove", record("{'code':'" + codes.getFirst() + "'}"));
    assertThat(bollards(standIn, service, "{}")).isEqualTo(2);
    Outcome<Answer> refused =
        call(standIn, service, "remove", record("{'code':'" + codes.getLast() + "'}"));
    assertThat(refused.get()).isNotInstanceOf(Answer.Returned.class);
    assertThat(bollards(standIn, service, "{}")).isEqualTo(2);
  }

  @Test
  void aListWithMoreRowsThanThereAreKeysIsAnsweredAnewEachTime() {
    Service service = keyed("enum: [A]");
    StandIn standIn = new StandIn(service, Recorded.NOTHING);
    call(standIn, service, "remove", record("{'code':'A'}"));
    assertThat(bollards(standIn, service, "{}")).isEqualTo(3);
  }

  @Test
  void anEntityServiceTakesRecordsAndListsBehindAliases() {
    Service service =
        Descriptions.serviceOf(
            """
            <edmx:Edmx Version="4.0" xmlns:edmx="http://docs.oasis-open.org/odata/ns/edmx">
              <edmx:DataServices>
                <Schema Namespace="n" xmlns="http://docs.oasis-open.org/odata/ns/edm">
                  <ComplexType Name="Place">
                    <Property Name="Quay" Type="Edm.String" Nullable="false"/>
                    <Property Name="Metre" Type="Edm.Int32" Nullable="false"/>
                  </ComplexType>
                  <Function Name="Depth">
                    <Parameter Name="at" Type="n.Place" Nullable="false"/>
                    <Parameter Name="tides" Type="Collection(Edm.Int32)" Nullable="false"/>
                    <Parameter Name="mark" Type="Edm.String" Nullable="false"/>
                    <ReturnType Type="Edm.Decimal" Scale="2" Nullable="false"/>
                  </Function>
                  <EntityContainer Name="Sea"><FunctionImport Name="Depth" Function="n.Depth"/></EntityContainer>
                </Schema>
              </edmx:DataServices>
            </edmx:Edmx>
            """);
    RecordValue parameters =
        record("{'at':{'Quay':'North & west','Metre':7},'tides':[1,2],'mark':'@x'}");
    Operation depth = Descriptions.operation(service, "Depth");
    Request request =
        Caller.request(
                service, depth, depth.wires().getFirst().endpoint(), parameters, Access.NONE, STAMP)
            .get();
    assertThat(request.address())
        .endsWith(
            "/Depth(at=@at,tides=@tides,mark=%27%40x%27)"
                + "?@at=%7B%22Quay%22%3A%22North%20%26%20west%22%2C%22Metre%22%3A7%7D"
                + "&@tides=%5B1%2C2%5D");
    assertThat(new RequestReader(service).read(IncomingRequest.of(request).get()))
        .map(ReadRequest::parameters)
        .contains(parameters);
    returned(call(new StandIn(service, Recorded.NOTHING), service, "Depth", parameters));
  }

  /** Two ports with an operation each, which have no action and are told apart by their element. */
  private static Service ports(String one, String other) {
    String binding =
        """
          <message name="In"><part name="at" type="xs:string"/></message>
          <portType name="TNAMES"><operation name="NAME"><input message="t:In"/><output message="t:In"/></operation></portType>
          <binding name="BNAME" type="t:TNAMES">
            <s:binding style="rpc" transport="http://schemas.xmlsoap.org/soap/http"/>
            <operation name="NAME"><s:operation soapAction=""/>
              <input><s:body use="literal" namespace="urn:t"/></input><output><s:body use="literal" namespace="urn:t"/></output>
            </operation>
          </binding>
        """;
    String message = binding.lines().findFirst().orElseThrow();
    return Descriptions.serviceOf(
        """
        <definitions xmlns="http://schemas.xmlsoap.org/wsdl/" xmlns:s="http://schemas.xmlsoap.org/wsdl/soap/"
            xmlns:xs="http://www.w3.org/2001/XMLSchema" xmlns:t="urn:t" targetNamespace="urn:t">
        """
            + binding.replace("TNAMES", "A").replace("NAME", "hoist")
            + binding.replace(message, "").replace("TNAMES", "B").replace("NAME", "lower")
            + """
              <service name="Yard">
                <port name="First" binding="t:Bhoist"><s:address location="ONE"/></port>
                <port name="Second" binding="t:Blower"><s:address location="OTHER"/></port>
              </service>
            </definitions>
            """
                .replace("ONE", one)
                .replace("OTHER", other));
  }

  @Test
  void operationsWithoutAnActionAreToldApartByTheirElementAcrossPortsOfOneAddress() {
    Service service = ports("http://localhost:1/yard", "http://localhost:1/yard");
    StandIn standIn = new StandIn(service, Recorded.NOTHING);
    for (String operation : List.of("hoist", "lower")) {
      returned(call(standIn, service, operation, record("{'at':'Quay 3'}")));
    }
  }

  @Test
  void portsOfQueuesHaveAPathEach() {
    Service service = ports("jms:queue:yard", "jms:queue:yard");
    assertThat(service.endpoints().stream().map(StandIn::path))
        .containsExactly("/First", "/Second");
  }

  private static RecordValue record(String json) {
    return ValueJson.readRecord(new JsonMapper().readTree(json.replace('\'', '"')));
  }

  private static IncomingRequest ask(String method, String path, String query, String body) {
    return new IncomingRequest(
        method,
        path,
        query,
        Map.of("Content-Type", List.of("application/json")),
        body.replace('\'', '"').getBytes(StandardCharsets.UTF_8));
  }

  private final Service yard = Descriptions.service("/descriptions/yard.xml");
  private final StandIn cranes = new StandIn(yard, Recorded.NOTHING);

  private List<String> names(String query) {
    RecordValue list =
        returned(
            Caller.answer(
                yard,
                Descriptions.operation(yard, "Cranes.list"),
                Descriptions.operation(yard, "Cranes.list").wires().getFirst(),
                cranes.answer(ask("GET", PATH + "/Cranes", query, "")).response(),
                Set.of()));
    return ((ListValue) list.get("rows"))
        .items().stream().map(row -> ScalarText.print(((RecordValue) row).get("Id"))).toList();
  }

  private static final String PATH =
      StandIn.path(Descriptions.service("/descriptions/yard.xml").endpoints().getFirst());

  @Test
  void whatIsCreatedChangedAndDeletedIsRemembered() {
    List<String> before = names("");
    RecordValue made =
        returned(
            call(
                cranes,
                yard,
                "Cranes.create",
                record("{'Crane':{'Name':'Egret','State':'Idle','Lifts':12}}")));
    String id = ScalarText.print(made.get("Id"));
    assertThat(made.get("Name")).isEqualTo(Value.text("Egret"));
    assertThat(names("")).hasSize(before.size() + 1).contains(id);

    call(cranes, yard, "Cranes.change", record("{'Id':" + id + ",'Crane':{'Name':'Heron'}}"));
    RecordValue read = returned(call(cranes, yard, "Cranes.read", record("{'Id':" + id + "}")));
    assertThat(read.get("Name")).isEqualTo(Value.text("Heron"));

    call(cranes, yard, "Cranes.delete", record("{'Id':" + id + "}"));
    assertThat(names("")).isEqualTo(before);
    assertThat(call(cranes, yard, "Cranes.read", record("{'Id':" + id + "}")).get())
        .isInstanceOfSatisfying(
            Answer.Failed.class, failed -> assertThat(failed.code()).isEqualTo("404"));
  }

  @Test
  void anEntityOfADerivedTypeSaysSoItself() {
    for (String path : List.of("/Cranes", "/Cranes(1)")) {
      Served served = cranes.answer(ask("GET", PATH + path, "", ""));
      assertThat(text(served))
          .contains("\"@odata.type\":\"#saltmere.yard.")
          .doesNotContain("\"\":");
    }
  }

  @Test
  void whatIsCreatedIsAnsweredWithAllThatTheAnswerMustHave() {
    String thing = "{type: object, properties: {id: {type: string}, name: {type: string}}}";
    String made =
        "{type: object, required: [id, fee], properties: {id: {type: string}, name: {type: string}, fee: {type: number}}}";
    String text =
        """
        openapi: 3.1.0
        info: {title: Labels, version: "1"}
        servers: [{url: "http://localhost:7391"}]
        paths:
          /labels:
            get:
              operationId: list
              responses: {"200": {description: ok, content: {application/json: {schema: {type: object, properties: {labels: {type: array, items: %1$s}}}}}}}
            post:
              operationId: make
              requestBody: {content: {application/json: {schema: %1$s}}}
              responses: {"200": {description: ok, content: {application/json: {schema: %2$s}}}}
          /labels/{id}:
            get:
              operationId: find
              parameters: [{name: id, in: path, required: true, schema: {type: string}}]
              responses: {"200": {description: ok, content: {application/json: {schema: %1$s}}}}
        """
            .formatted(thing, made);
    Service labels = Descriptions.serviceOf(text);
    StandIn standIn = new StandIn(labels, Recorded.NOTHING);
    RecordValue label =
        returned(call(standIn, labels, "make", record("{'body':{'name':'Egret'}}")));
    assertThat(label.get("name")).isEqualTo(Value.text("Egret"));
    assertThat(label.get("fee").isAbsent()).isFalse();
    RecordValue found =
        returned(call(standIn, labels, "find", RecordValue.of(Map.of("id", label.get("id")))));
    assertThat(found.get("name")).isEqualTo(Value.text("Egret"));
  }

  @Test
  void whereThingsWereRecordedThereAreNoOthers() {
    StandIn recorded =
        new StandIn(
            yard,
            operation ->
                operation.text().equals("Cranes.list")
                    ? List.of(
                        new Recorded.Sample(
                            record("{}"),
                            record("{'rows':[{'Id':1,'Name':'Egret','State':'Idle'}]}")))
                    : List.of());

    assertThat(call(recorded, yard, "Cranes.read", record("{'Id':1}")).get())
        .isInstanceOf(Answer.Returned.class);
    assertThat(call(recorded, yard, "Cranes.read", record("{'Id':2}")).get())
        .isInstanceOf(Answer.Failed.class);
    assertThat(call(cranes, yard, "Cranes.read", record("{'Id':99}")).get())
        .isInstanceOf(Answer.Returned.class);
  }

  @Test
  void aStateThatIsNotThatOfTheThingAnyMoreIsRefused() {
    String key = names("").getFirst();
    Operation change = Descriptions.operation(yard, "Cranes.change");
    RecordValue values =
        record("{'Id':" + key + ",'ifMatch':'W/\\\"old\\\"','Crane':{'Name':'Heron'}}");
    Request request =
        Caller.request(
                yard, change, change.wires().getFirst().endpoint(), values, Access.NONE, STAMP)
            .get();

    assertThat(cranes.answer(IncomingRequest.of(request).get()).response().status()).isEqualTo(412);
  }

  @Test
  void listsAreFilteredOrderedAndCut() {
    List<String> all = names("");
    String first = all.getFirst();

    assertThat(names("$filter=Id%20eq%20" + first)).containsExactly(first);
    assertThat(names("$filter=not%20(Id%20eq%20" + first + ")"))
        .isEqualTo(all.subList(1, all.size()));
    assertThat(names("$filter=Id%20lt%200%20or%20contains(Name,'x')%20or%20Id%20eq%20" + first))
        .containsExactly(first);
    assertThat(names("$orderby=Id%20desc&$top=1"))
        .containsExactly(all.stream().max(Comparator.comparing(Integer::valueOf)).get());
    assertThat(names("$skip=" + all.size())).isEmpty();
    assertThat(
            cranes.answer(ask("GET", PATH + "/Cranes", "$filter=Id%20eq", "")).response().status())
        .isEqualTo(400);
    assertThat(
            cranes
                .answer(ask("GET", PATH + "/Cranes", "$filter=" + "(".repeat(3_000), ""))
                .response()
                .status())
        .isEqualTo(400);
  }

  @Test
  void whatTheDescriptionDoesNotLetPassIsRefusedInTheWordsOfTheProtocol() {
    Served entity = cranes.answer(ask("POST", PATH + "/Cranes", "", "{'Code':7,"));
    assertThat(entity.response().status()).isEqualTo(400);
    assertThat(text(entity)).contains("\"error\"");

    Service tides = Descriptions.service("/descriptions/tides.yaml");
    StandIn http = new StandIn(tides, Recorded.NOTHING);
    assertThat(text(http.answer(ask("GET", "/nowhere", "", "")))).contains("\"status\":404");

    Service dredging = Descriptions.service("/descriptions/dredging.wsdl");
    StandIn soap = new StandIn(dredging, Recorded.NOTHING);
    String path = StandIn.path(dredging.endpoints().getFirst());
    assertThat(text(soap.answer(ask("POST", path, "", "<a/>")))).contains("Fault");
    assertThat(text(soap.answer(ask("POST", path, "", "no xml")))).contains("Fault");
  }

  @Test
  void theRecordedAnswerThatIsNearestIsTaken() {
    RecordValue a = record("{'rows':[{'Day':'2031-05-14','Code':'A'}]}");
    RecordValue b = record("{'rows':[{'Day':'2031-05-14','Code':'B'}]}");
    StandIn recorded =
        new StandIn(
            yard,
            operation ->
                operation.text().equals("Cranes.Jobs")
                    ? List.of(
                        new Recorded.Sample(record("{'Id':1}"), a),
                        new Recorded.Sample(record("{'Id':2}"), b))
                    : List.of());

    RecordValue answer = returned(call(recorded, yard, "Cranes.Jobs", record("{'Id':2}")));
    assertThat(((ListValue) answer.get("rows")).items()).hasSize(1);
    assertThat(answer.toString()).contains("B").doesNotContain("=A");
  }
}
