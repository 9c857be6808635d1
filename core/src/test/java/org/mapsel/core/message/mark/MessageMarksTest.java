package org.mapsel.core.message.mark;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.mapsel.core.call.Caller;
import org.mapsel.core.message.Access;
import org.mapsel.core.message.Answer;
import org.mapsel.core.message.Response;
import org.mapsel.core.message.Stamp;
import org.mapsel.core.message.http.FirstValues;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.Step;
import org.mapsel.core.sample.SampleMaker;
import org.mapsel.core.serve.IncomingRequest;
import org.mapsel.core.serve.Recorded;
import org.mapsel.core.serve.StandIn;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.OperationWire;
import org.mapsel.core.service.Service;
import org.mapsel.core.testing.Conversation;
import org.mapsel.core.testing.Descriptions;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.Places;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.TextValue;
import org.mapsel.core.value.Value;

/** Finds values in messages, and messages' texts among values. */
class MessageMarksTest {

  private static final Stamp STAMP = new Stamp(Instant.EPOCH, "test", new byte[0]);

  private static Function<String, Optional<RecordValue>> reader(
      Service service, Operation operation, OperationWire wire, Response response) {
    return text ->
        Caller.answer(
                service,
                operation,
                wire,
                new Response(
                    response.status(), response.headers(), text.getBytes(StandardCharsets.UTF_8)),
                Set.of())
            .value()
            .filter(Answer.Returned.class::isInstance)
            .map(answer -> ((Answer.Returned) answer).value());
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "cargo.wsdl",
        "dredging.wsdl",
        "fenders.yaml",
        "lights.wsdl",
        "lots.json",
        "moorings.wsdl",
        "slipway.json",
        "tides.yaml",
        "yard.xml",
        "yard2.xml"
      })
  void everySimpleValueIsFoundWhereItStandsAndTheOtherWayRound(String description) {
    Service service = Descriptions.service("/descriptions/" + description);
    StandIn standIn = new StandIn(service, Recorded.NOTHING);
    int found = 0;
    List<String> lost = new ArrayList<>();
    for (Operation operation : service.operations()) {
      OperationWire wire = operation.wires().getFirst();
      if (wire instanceof OperationWire.Http) {
        continue;
      }
      RecordValue asked = FirstValues.of(service, operation, SampleMaker.Extent.EVERYTHING);
      Response response =
          Caller.request(service, operation, wire.endpoint(), asked, Access.NONE, STAMP)
              .value()
              .flatMap(IncomingRequest::of)
              .map(request -> standIn.answer(request).response())
              .orElseThrow();
      String message = new String(response.body(), StandardCharsets.UTF_8);
      Function<String, Optional<RecordValue>> reader = reader(service, operation, wire, response);
      boolean text = message.startsWith("<") || message.startsWith("{") || message.startsWith("[");
      if (!text) {
        continue;
      }
      List<FieldPath> places =
          Places.simple(reader.apply(message).orElse(RecordValue.empty())).toList();
      MessageMarks marks = new MessageMarks(message, reader);
      for (FieldPath place : places.stream().limit(60).toList()) {
        Optional<MessageMarks.Span> span = marks.of(place);
        if (span.isEmpty()) {
          lost.add(operation.id() + ": " + place);
        } else {
          found++;
          int start = span.get().start();
          assertThat(marks.at(start)).as("%s: %s", operation.id(), place).contains(place);
          boolean name = message.startsWith("\":", span.get().end());
          if (!name && "\">".indexOf(message.charAt(start - 1)) >= 0) {
            assertThat(marks.at(start - 1))
                .as("%s: before %s", operation.id(), place)
                .contains(place);
          }
          int tag = message.indexOf('>', span.get().end());
          if (message.startsWith("</", span.get().end()) && tag > 0) {
            assertThat(marks.at(tag + 1))
                .as("%s: behind %s", operation.id(), place)
                .contains(place);
          }
        }
      }
    }
    // What stands between elements is no text of its own.
    lost.remove("load: remark › text");
    assertThat(lost).as("beside %d found", found).isEmpty();
    assertThat(found).as("found, also in %s", service.operations()).isPositive();
  }

  private static MessageMarks marks(String message) {
    Conversation yard = Conversation.with("/descriptions/yard.xml");
    Operation list = Descriptions.operation(yard.service(), "Cranes.list");
    Response response =
        new Response(200, Map.of("Content-Type", List.of("application/json")), new byte[0]);
    return new MessageMarks(
        message, reader(yard.service(), list, list.wires().getFirst(), response));
  }

  private static FieldPath inRow(int row, String field) {
    return FieldPath.of("rows").then(new Step.PickByPlace(row)).then(field);
  }

  @Test
  void ofManyEqualTextsTheOneIsFoundThatWasRead() {
    String message =
        """
        { "value" : [ {"Id":"C-1","Name":"C-1","Note":"a \\"C-1\\""},
          {"Name":"C-1","Id":"C-2"} ] }""";
    MessageMarks marks = marks(message);

    assertThat(Stream.of(inRow(0, "Id"), inRow(0, "Name"), inRow(1, "Name")))
        .extracting(place -> marks.of(place).map(MessageMarks.Span::start))
        .containsExactly(
            Optional.of(message.indexOf("C-1")),
            Optional.of(message.indexOf("C-1\",\"Note")),
            Optional.of(message.lastIndexOf("C-1")));
    assertThat(marks.of(inRow(0, "Id"))).contains(new MessageMarks.Span(21, 24));
    assertThat(marks.of(inRow(2, "Id"))).as("there is no such row").isEmpty();
    assertThat(marks.of(FieldPath.of("rows").then(new Step.PickByPlace(1))))
        .as("a record")
        .contains(new MessageMarks.Span(message.lastIndexOf("C-1"), message.indexOf("C-2") + 3));
    assertThat(marks.at(message.indexOf("C-2") + 1)).contains(inRow(1, "Id"));
    assertThat(marks.at(2)).as("no value stands there").isEmpty();
    assertThat(marks.at(message.indexOf("Name"))).as("its name").contains(inRow(0, "Name"));
    assertThat(marks.at(message.indexOf("}") + 1)).as("behind its record").isEmpty();
  }

  @Test
  void aBrokenMessageHasNoPlaces() {
    MessageMarks marks = marks("{\"value\":[{\"Id\":\"C-1\"");
    assertThat(marks.of(inRow(0, "Id"))).isEmpty();
    assertThat(marks.at(18)).isEmpty();
    assertThat(marks("Bells ring at noon.").at(3)).isEmpty();
  }

  @Test
  void manyEqualTextsAreToldApartInFewReadings() {
    int[] readings = {0};
    StringBuilder message = new StringBuilder("[\"x\"");
    message.repeat(",\"x\"", 4_999).append(']');
    MessageMarks marks =
        new MessageMarks(
            message.toString(),
            text -> {
              readings[0]++;
              List<Value> items =
                  Stream.of(text.substring(2, text.length() - 2).split("\",\""))
                      .<Value>map(TextValue::new)
                      .toList();
              return Optional.of(RecordValue.of(Map.of("all", new ListValue(items))));
            });
    assertThat(marks.of(FieldPath.of("all").then(new Step.PickByPlace(4_321))))
        .contains(new MessageMarks.Span(2 + 4 * 4_321, 3 + 4 * 4_321));
    assertThat(readings[0]).isLessThanOrEqualTo(2);
  }
}
