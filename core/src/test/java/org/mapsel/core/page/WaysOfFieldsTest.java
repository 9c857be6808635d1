package org.mapsel.core.page;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.shape.FieldTree;
import org.mapsel.core.testing.Conversation;
import org.mapsel.core.testing.Descriptions;
import org.mapsel.core.testing.PageBench;

/** Fields that are only sent, or only come back, stand nowhere on the other way. */
class WaysOfFieldsTest {

  private static final String PILOTS = "/descriptions/ways-parts.yaml";

  private static List<String> listed(FieldTree.Limit limit, boolean sent) {
    Service service = Descriptions.service(PILOTS);
    Operation operation = service.operations().get(0);
    return FieldTree.rows(service.shapes(), sent ? operation.input() : operation.output(), limit)
        .stream()
        .map(row -> row.path().toString())
        .toList();
  }

  @Test
  void whatIsListedOfATypeDependsOnTheWay() {
    assertThat(listed(FieldTree.Limit.SENT, true))
        .containsExactly("body", "body › name", "body › pin");
    assertThat(listed(FieldTree.Limit.RETURNED, false))
        .containsExactly("number", "name", "licence", "licence › until");
    assertThat(listed(FieldTree.Limit.SCREEN, false)).contains("number", "pin");
  }

  @Test
  void aPageAsksForWhatIsSentAndShowsWhatComesBack() {
    PageBench bench = new PageBench().with("pilots", PILOTS).start("pilots", "enlistPilot");

    assertThat(bench.parts())
        .containsExactly("form [Name, Pin]", "button Enlist pilot", "record [Number, Name, Until]");
  }

  @Test
  void whatIsOnlySentIsNotMissingInAnAnswer() {
    Conversation pilots = Conversation.with(PILOTS);

    assertThat(
            Conversation.codes(
                pilots.answer(
                    "enlistPilot", 201, "application/json", "{\"number\":7,\"name\":\"Egret\"}")))
        .isEmpty();
    assertThat(
            Conversation.codes(
                pilots.answer("enlistPilot", 201, "application/json", "{\"name\":\"Egret\"}")))
        .containsExactly("MESSAGE_FIELD_ABSENT");
  }
}
