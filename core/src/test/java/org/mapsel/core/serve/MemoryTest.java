package org.mapsel.core.serve;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mapsel.core.serve.Asking.STAMP;
import static org.mapsel.core.serve.Asking.ask;
import static org.mapsel.core.serve.Asking.call;
import static org.mapsel.core.serve.Asking.record;
import static org.mapsel.core.serve.Asking.returned;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.mapsel.core.call.Caller;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.message.Access;
import org.mapsel.core.message.Answer;
import org.mapsel.core.message.Request;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.shape.ScalarText;
import org.mapsel.core.testing.Descriptions;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.NumberValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;

/** What stand-ins remember of the things that are created, changed and deleted at them. */
class MemoryTest {

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

  private static final Service BERTHS =
      Descriptions.serviceOf(
          """
          openapi: 3.1.0
          info: {title: Berths, version: '1'}
          paths:
            /basins/{basin}/berths:
              parameters: [{name: basin, in: path, required: true, schema: {type: string}}]
              get:
                operationId: berths
                responses:
                  '200':
                    description: All
                    content: {application/json: {schema: {type: array, items: {$ref: '#/components/schemas/Berth'}}}}
              post:
                operationId: build
                requestBody: {content: {application/json: {schema: {$ref: '#/components/schemas/Berth'}}}}
                responses:
                  '201':
                    description: Built
                    content: {application/json: {schema: {$ref: '#/components/schemas/Berth'}}}
            /basins/{basin}/berths/{berth}:
              parameters:
                - {name: basin, in: path, required: true, schema: {type: string}}
                - {name: berth, in: path, required: true, schema: {type: string}}
              get:
                operationId: berth
                responses:
                  '200':
                    description: One
                    content: {application/json: {schema: {$ref: '#/components/schemas/Berth'}}}
              delete:
                operationId: fill
                responses: {'204': {description: Gone}}
          components:
            schemas:
              Berth:
                type: object
                properties:
                  berth: {type: string}
                  basin: {type: string}
                  depth: {type: number}
          """);

  private static List<RecordValue> berths(StandIn standIn, String basin) {
    RecordValue list =
        returned(call(standIn, BERTHS, "berths", record("{'basin':'" + basin + "'}")));
    return ((ListValue) list.get(list.names().iterator().next()))
        .items().stream().map(RecordValue.class::cast).toList();
  }

  @Test
  void thingsAreRememberedByWhatTheyBelongTo() {
    StandIn standIn = new StandIn(BERTHS, Recorded.NOTHING);
    int before = berths(standIn, "North").size();
    RecordValue built =
        returned(
            call(
                standIn,
                BERTHS,
                "build",
                record("{'basin':'North','body':{'berth':'N9','depth':7}}")));
    assertThat(built.get("basin")).isEqualTo(Value.text("North"));

    assertThat(berths(standIn, "North")).hasSize(before + 1).contains(built);
    assertThat(berths(standIn, "South"))
        .hasSize(before)
        .allSatisfy(berth -> assertThat(berth.get("basin")).isEqualTo(Value.text("South")));
    RecordValue same = record("{'basin':'North','berth':'N9'}");
    assertThat(returned(call(standIn, BERTHS, "berth", same))).isEqualTo(built);

    call(standIn, BERTHS, "fill", same);
    assertThat(berths(standIn, "North")).hasSize(before).doesNotContain(built);
    assertThat(call(standIn, BERTHS, "berth", same).get()).isInstanceOf(Answer.Failed.class);
    assertThat(call(standIn, BERTHS, "berth", record("{'basin':'South','berth':'N9'}")).get())
        .isInstanceOf(Answer.Returned.class);
  }

  @Test
  void aKeyThatNoThingCanHaveLeadsToNothing() {
    Service numbered =
        Descriptions.serviceOf(
            """
            openapi: 3.1.0
            info: {title: Buoys, version: '1'}
            paths:
              /buoys:
                get:
                  operationId: buoys
                  responses:
                    '200':
                      description: All
                      content: {application/json: {schema: {type: array, items: {$ref: '#/components/schemas/Buoy'}}}}
              /buoys/{id}:
                get:
                  operationId: buoy
                  parameters: [{name: id, in: path, required: true, schema: {type: string}}]
                  responses:
                    '200':
                      description: One
                      content: {application/json: {schema: {$ref: '#/components/schemas/Buoy'}}}
            components:
              schemas:
                Buoy: {type: object, required: [id], properties: {id: {type: integer}}}
            """);
    StandIn standIn = new StandIn(numbered, Recorded.NOTHING);

    assertThat(returned(call(standIn, numbered, "buoy", record("{'id':'77'}"))).get("id"))
        .isEqualTo(NumberValue.of(77));
    assertThat(call(standIn, numbered, "buoy", record("{'id':'north'}")).get())
        .isInstanceOfSatisfying(
            Answer.Failed.class, failed -> assertThat(failed.code()).isEqualTo("404"));
  }

  @Test
  void aListThatWasFirstRecordedAsFailingFailsAloneAndItsThingsAreThere() {
    Recorded recorded =
        operation ->
            operation.text().equals("Cranes.list")
                ? List.of(
                    new Recorded.Sample(record("{}"), record("{}"), Optional.of("Closed")),
                    new Recorded.Sample(
                        record("{'top':5}"),
                        record("{'rows':[{'Id':1,'Name':'Egret','State':'Idle'}]}")))
                : List.of();
    StandIn standIn = new StandIn(yard, recorded);

    assertThat(call(standIn, yard, "Cranes.list", record("{}")).get())
        .isInstanceOf(Answer.Failed.class);
    assertThat(returned(call(standIn, yard, "Cranes.read", record("{'Id':1}"))).get("Name"))
        .isEqualTo(Value.text("Egret"));
  }

  @Test
  void aListWithMoreRowsThanThereAreKeysIsAnsweredAnewEachTime() {
    Service service = keyed("enum: [A]");
    StandIn standIn = new StandIn(service, Recorded.NOTHING);
    call(standIn, service, "remove", record("{'code':'A'}"));
    assertThat(bollards(standIn, service, "{}")).isEqualTo(3);
  }
}
