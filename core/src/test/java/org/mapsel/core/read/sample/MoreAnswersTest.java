package org.mapsel.core.read.sample;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.intake.Intake;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.service.Service;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.Shapes;
import org.mapsel.core.testing.Descriptions;

class MoreAnswersTest {

  private static final String PATH = "/v2/vessels/{vessel}/visits";
  private static final SourceText CURL =
      text("curl -H 'X-Desk: 4' 'https://quay.example/v2/vessels/S-20417/visits?order=eta'");

  private static SourceText text(String text) {
    return new SourceText("sample", text.getBytes(StandardCharsets.UTF_8));
  }

  private static Optional<SourceText> learnt(SourceText document, int status, String body) {
    return MoreAnswers.in(document, "GET", PATH, status, "application/json", body);
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
    assertThat(MoreAnswers.in(wider, "POST", PATH, 200, "", "{}")).isEmpty();
    assertThat(MoreAnswers.in(wider, "GET", "/v2/vessels", 200, "", "{}")).isEmpty();
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
}
