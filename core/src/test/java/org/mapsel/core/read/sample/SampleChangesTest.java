package org.mapsel.core.read.sample;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.intake.Intake;
import org.mapsel.core.message.Request;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.OperationWire;
import org.mapsel.core.service.Service;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.Shapes;
import org.mapsel.core.testing.Client;
import org.mapsel.core.testing.Descriptions;
import org.mapsel.core.testing.Requests;

class SampleChangesTest {

  private static final String PATH = "/v2/vessels/{vessel}/visits";
  private static final SourceText CURL =
      text("curl -H 'X-Desk: 4' 'https://quay.example/v2/vessels/S-20417/visits?order=eta'");

  private static SourceText text(String text) {
    return new SourceText("sample", text.getBytes(StandardCharsets.UTF_8));
  }

  private static Optional<SourceText> learnt(SourceText document, int status, String body) {
    return SampleChanges.withAnswer(document, wire("GET", PATH), status, "application/json", body);
  }

  private static OperationWire.Rest wire(String method, String path) {
    return new OperationWire.Rest(
        new EndpointId("main"),
        method,
        path,
        Optional.empty(),
        List.of(),
        List.of(),
        Optional.empty());
  }

  private static Service service(SourceText document) {
    return Intake.read(document, Descriptions.RESOLVER).get().service();
  }

  private static String fields(Shapes shapes, ShapeId root) {
    StringBuilder out = new StringBuilder();
    for (Field field : shapes.fieldsOf(root)) {
      out.append(out.isEmpty() ? "" : " ").append(field.name());
      out.append(field.isRepeated() ? "*" : field.isRequired() ? "" : "?");
      if (!shapes.fieldsOf(field.shape()).isEmpty()) {
        out.append('(').append(fields(shapes, field.shape())).append(')');
      }
    }
    return out.toString();
  }

  private static String returned(SourceText document) {
    Service service = service(document);
    return fields(service.shapes(), service.operations().get(0).output());
  }

  @Test
  void aRequestWithoutAnAnswerLearnsWhatComesBack() {
    SourceText wider =
        learnt(CURL, 200, "[{'berth':'B 3','eta':'06:40'}]".replace('\'', '"')).get();
    assertThat(returned(CURL)).isEqualTo("value");
    assertThat(returned(wider)).isEqualTo("items*(berth eta)");
  }

  @Test
  void furtherAnswersWidenAndOtherStatusesStandApart() {
    SourceText wider = learnt(CURL, 200, "[{\"berth\":\"B 3\",\"eta\":\"06:40\"}]").get();
    wider = learnt(wider, 200, "[{\"berth\":\"B 4\",\"late\":true}]").get();
    wider = learnt(wider, 404, "{\"why\":\"gone\"}").get();
    assertThat(returned(wider)).isEqualTo("items*(berth eta? late?)");
    Service service = service(wider);
    assertThat(service.operations().get(0).faults())
        .extracting(fault -> fault.name() + ": " + fields(service.shapes(), fault.detail()))
        .containsExactly("404: why");
  }

  @Test
  void theRequestStaysAsItWas() {
    SourceText wider = learnt(CURL, 200, "[]").get();
    wider = learnt(wider, 200, "[{\"berth\":\"B 3\"}]").get();
    Service before = service(CURL);
    Service after = service(wider);
    assertThat(after.operations()).extracting(one -> one.id().text()).hasSize(1);
    assertThat(after.operations().get(0).id()).isEqualTo(before.operations().get(0).id());
    assertThat(fields(after.shapes(), after.operations().get(0).input()))
        .isEqualTo(fields(before.shapes(), before.operations().get(0).input()))
        .contains("vessel", "order", "X-Desk");
  }

  @Test
  void whatIsKnownOrOfSomethingElseIsNotAdded() {
    SourceText wider = learnt(CURL, 200, "[]").get();
    assertThat(learnt(wider, 200, " [] ")).isEmpty();
    assertThat(SampleChanges.withAnswer(wider, wire("POST", PATH), 200, "", "{}")).isEmpty();
    assertThat(SampleChanges.withAnswer(wider, wire("GET", "/v2/vessels"), 200, "", "{}"))
        .isEmpty();
    assertThat(List.of(text("curl 'no address'"), text("{\"log\":{\"entries\":[]}}")))
        .allSatisfy(document -> assertThat(learnt(document, 200, "{}")).isEmpty());
  }

  @Test
  void secretsOfAnAnswerAreNotKept() {
    SourceText wider = learnt(CURL, 200, "{\"bay\":3,\"password\":\"slack-water\"}").get();
    SourceText kept = Intake.read(wider, Descriptions.RESOLVER).get().documents().get(0);
    assertThat(new String(kept.bytes(), StandardCharsets.UTF_8))
        .contains("bay")
        .doesNotContain("slack-water");
  }

  private static SourceText marked(SourceText document, boolean parameter, String... path) {
    Service service = service(document);
    Operation operation = service.operations().get(0);
    return SampleChanges.withMark(
            document,
            (OperationWire.Rest) operation.wires().get(0),
            service.shapes().way(operation.input(), FieldPath.of(path)),
            parameter)
        .orElseThrow();
  }

  private static String request(SourceText document, String values) {
    Service service = service(document);
    Request request =
        Requests.make(
                service, service.operations().get(0), new EndpointId("main"), Client.json(values))
            .get();
    String headers =
        request.headers().stream()
            .filter(header -> header.name().startsWith("X-"))
            .map(header -> " " + header.name() + "=" + header.value())
            .collect(Collectors.joining());
    return request.address().replace("https://quay.example", "")
        + headers
        + " "
        + new String(request.body(), StandardCharsets.UTF_8).replace('"', '\'');
  }

  private static List<String> given(Service service) {
    return service.shapes().fieldsOf(service.operations().get(0).input()).stream()
        .filter(field -> field.hints().given())
        .map(Field::name)
        .toList();
  }

  @Test
  void valuesAreSentAsGivenUntilTheyAreMarked() {
    assertThat(given(service(CURL))).containsExactly("vessel", "order", "X-Desk");
    SourceText marked = marked(marked(CURL, true, "order"), true, "vessel");
    assertThat(given(service(marked))).containsExactly("X-Desk");
    assertThat(given(service(marked(marked, false, "order")))).containsExactly("order", "X-Desk");
    assertThat(request(marked, "{'vessel':'N-1'}"))
        .isEqualTo("/v2/vessels/N-1/visits?order=eta X-Desk=4 ");
  }

  @Test
  void valuesInBodiesAreMarkedToo() {
    SourceText json =
        text(
            "curl https://quay.example/b -d '{\"a\":{\"day\":\"2031-05-14\",\"n\":7},\"l\":[1,2]}'");
    SourceText xml =
        text("curl https://quay.example/b -d '<ask kind=\"x\"><day>2031-05-14</day></ask>'");
    assertThat(bodyGiven(marked(json, true, "body", "a", "n"))).isEqualTo("a(day! n) l!");
    assertThat(bodyGiven(marked(json, true, "body", "l"))).isEqualTo("a(day! n!) l");
    assertThat(bodyGiven(marked(xml, true, "body", "kind"))).isEqualTo("day! kind");
  }

  private static String bodyGiven(SourceText document) {
    Service service = service(document);
    Field body = service.shapes().fieldsOf(service.operations().get(0).input()).getLast();
    return marks(service.shapes(), body.shape());
  }

  private static String marks(Shapes shapes, ShapeId root) {
    return shapes.fieldsOf(root).stream()
        .map(
            field ->
                field.name()
                    + (field.hints().given() ? "!" : "")
                    + (shapes.fieldsOf(field.shape()).isEmpty()
                        ? ""
                        : "(" + marks(shapes, field.shape()) + ")"))
        .collect(Collectors.joining(" "));
  }

  @Test
  void whatIsMarkedAlreadyOrNowhereChangesNothing() {
    Service service = service(CURL);
    OperationWire.Rest wire = (OperationWire.Rest) service.operations().get(0).wires().get(0);

    assertThat(SampleChanges.withMark(CURL, wire, List.of(), true)).isEmpty();
    List<Field> order =
        service.shapes().way(service.operations().get(0).input(), FieldPath.of("order"));
    assertThat(SampleChanges.withMark(CURL, wire, order, false)).isEmpty();
    assertThat(SampleChanges.withMark(marked(CURL, true, "order"), wire, order, true)).isEmpty();
  }

  @Test
  void furtherAnswersLeaveTheMarksAlone() {
    SourceText marked = marked(CURL, true, "order");
    Service service = service(learnt(marked, 200, "{\"bay\":3}").get());
    assertThat(given(service)).containsExactly("vessel", "X-Desk");
  }
}
