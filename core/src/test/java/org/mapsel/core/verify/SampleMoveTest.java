package org.mapsel.core.verify;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.mapsel.core.drift.Difference;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.SeenSamples;
import org.mapsel.core.service.Service;
import org.mapsel.core.testing.Descriptions;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.TextValue;
import org.mapsel.core.value.Value;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Samples that were taken with one edition, in another one. */
class SampleMoveTest {

  private static final JsonMapper JSON = new JsonMapper();

  private static Service service(String parameters, String answer) {
    String text =
        """
        {"openapi":"3.1.0","info":{"title":"Berths","version":"1"},"servers":[{"url":"http://localhost:1"}],
         "paths":{"/berths":{"post":{"operationId":"reserve","requestBody":{"content":{"application/json":{"schema":
           {"type":"object",%s}}}},
           "responses":{"200":{"description":"ok","content":{"application/json":{"schema":
           {"type":"object","properties":{%s}}}}}}}}}}"""
            .formatted(parameters, answer);
    return Descriptions.serviceOf(text);
  }

  private static SampleMove move(Service before, Service after, SeenSamples seen) {
    Operation was = before.getOperation(new OperationId("reserve"));
    Operation is = after.getOperation(new OperationId("reserve"));
    return SampleMove.of(before, was, after, is, "berths", seen);
  }

  private static JsonNode json(String text) {
    return JSON.readTree(text.replace('\'', '"'));
  }

  private static final String DAY = "\"properties\":{\"day\":{\"type\":\"string\"}}";

  @Test
  void valuesGoAlongToNewNamesAlsoInRowsAndGroups() {
    Service before =
        service(
            DAY,
            """
            "rows":{"type":"array","items":{"type":"object","properties":{
              "vessel":{"type":"string"},"berthCode":{"type":"string"},"crewCount":{"type":"integer"}}}}""");
    Service after =
        service(
            DAY,
            """
            "rows":{"type":"array","items":{"type":"object","properties":{
              "vessel":{"type":"string"},"place":{"type":"object","properties":{"berthCode":{"type":"string"}}},
              "crewNumber":{"type":"integer"}}}}""");

    SampleMove move = move(before, after, SeenSamples.NONE);

    JsonNode answer =
        json(
            "{'rows':[{'vessel':'Marrow Curlew','berthCode':'N1','crewCount':9},{'vessel':'Other'},"
                + "{'crewCount':2}]}");
    assertThat(move.answer(answer))
        .isEqualTo(
            json(
                "{'rows':[{'vessel':'Marrow Curlew','place':{'berthCode':'N1'},'crewNumber':9},"
                    + "{'vessel':'Other'},{'crewNumber':2}]}"));
    assertThat(answer.at("/rows/0/berthCode").asString()).isEqualTo("N1");
    assertThat(move.followed())
        .extracting(one -> one.path().toString())
        .containsExactlyInAnyOrder("rows › berthCode", "rows › crewCount");
  }

  @Test
  void whatMovedOutOfItsRowsStaysWhereItWas() {
    Service before =
        service(
            DAY,
            """
            "rows":{"type":"array","items":{"type":"object","properties":{
              "vessel":{"type":"string"},"harbourMasterName":{"type":"string"}}}}""");
    Service after =
        service(
            DAY,
            """
            "harbourMasterName":{"type":"string"},
            "rows":{"type":"array","items":{"type":"object","properties":{"vessel":{"type":"string"}}}}""");
    JsonNode answer = json("{'rows':[{'vessel':'A','harbourMasterName':'Somebody'}]}");

    SampleMove move = move(before, after, SeenSamples.NONE);

    assertThat(move.answer(answer)).isEqualTo(answer);
    assertThat(move.followed()).isEmpty();
    assertThat(move.touching(json("{}"), Optional.of(answer))).hasSize(1);
  }

  @Test
  void aSampleIsTouchedByWhatItHoldsAndByWhatItHasNot() {
    Service before = service(DAY, "\"note\":{\"type\":\"string\"},\"state\":{\"type\":\"string\"}");
    Service after =
        service(
            "\"required\":[\"pilot\"],\"properties\":{\"day\":{\"type\":\"string\"},\"pilot\":{\"type\":\"boolean\"}}",
            "\"state\":{\"type\":\"string\"}");

    SampleMove move = move(before, after, SeenSamples.NONE);

    assertThat(
            kinds(move.touching(json("{'body':{'day':'x'}}"), Optional.of(json("{'note':'n'}")))))
        .containsExactly("ADDED body › pilot", "REMOVED note");
    assertThat(
            kinds(
                move.touching(json("{'body':{'pilot':true}}"), Optional.of(json("{'state':'s'}")))))
        .isEmpty();
    assertThat(kinds(move.touching(json("{}"), Optional.empty()))).isEmpty();
  }

  private static List<String> kinds(List<Difference> differences) {
    return differences.stream().map(one -> one.kind() + " " + one.path()).toList();
  }

  @Test
  void equalValuesTellThatAFieldIsTheSame() {
    Service before = service(DAY, "\"hull\":{\"type\":\"string\"}");
    Service after = service(DAY, "\"registration\":{\"type\":\"string\"}");
    SeenSamples seen =
        new SeenSamples() {
          @Override
          public List<RecordValue> sent(String service, OperationId operation) {
            return List.of();
          }

          @Override
          public List<RecordValue> answered(String service, OperationId operation) {
            return List.of(
                answered("hull", "S-20417"),
                answered("hull", "S-30112"),
                answered("hull", "T-00231"),
                answered("registration", "S-20417"),
                answered("registration", "S-30112"),
                answered("registration", "T-00231"));
          }

          private RecordValue answered(String field, String value) {
            return RecordValue.of(Map.<String, Value>of(field, new TextValue(value)));
          }
        };

    assertThat(move(before, after, SeenSamples.NONE).followed()).isEmpty();
    assertThat(move(before, after, seen).answer(json("{'hull':'S-1'}")))
        .isEqualTo(json("{'registration':'S-1'}"));
  }
}
