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
