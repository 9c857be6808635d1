package org.mapsel.core.mapping;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.json.ValueJson;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.PageStarter;
import org.mapsel.core.page.Part;
import org.mapsel.core.ref.Cut;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.testing.Descriptions;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.TextCuts;
import org.mapsel.core.value.Value;

/** Fields cut out of a text answer, from the pattern to the page. */
class TextCutsTest {

  private static final Service GATES = Descriptions.service("/descriptions/gate-sample.txt");
  private static final Operation GATE = GATES.operations().get(0);
  private static final RecordValue ANSWER =
      RecordValue.empty()
          .with(
              "value",
              Value.text("watch: Ada Quill\nlock 3 shut\nlock 11 open for S-20417\nlock 4 shut\n"));
  private static final String LOCKS =
      "^lock (?P<lock>\\d+) (?P<state>\\w+)(?: for (?P<hull>\\S+))?$";

  private static List<String> codes(String pattern) {
    return TextCuts.of(new Cut(pattern, false)).findings().stream().map(Finding::code).toList();
  }

  private static Page page(FieldPath... fields) {
    return PageStarter.extend(
        PageStarter.empty(new PageId("p"), GATE),
        "gates",
        GATES,
        GATE,
        GATE.wires().get(0).endpoint(),
        List.of(fields));
  }

  private static String shown(Page page) {
    return MappingOut.apply(page.calls().get(0).comesBack(), ANSWER).values().stream()
        .map(value -> ValueJson.write(value).toString())
        .findFirst()
        .orElseThrow();
  }

  @Test
  void theFirstMatchFillsARecord() {
    Page page = page(FieldPath.of("value", "/watch: (?P<watch>.*)/", "watch"));

    assertThat(shown(page)).isEqualTo("{\"watch\":\"Ada Quill\"}");
    assertThat(MappingOut.wanted(page.calls().get(0).comesBack()))
        .containsExactly(FieldPath.of("value"));
  }

  @Test
  void everyMatchIsARow() {
    String step = new Cut(LOCKS, true).step();
    Page page =
        page(
            FieldPath.of("value", step, "lock"),
            FieldPath.of("value", step, "state"),
            FieldPath.of("value", step, "hull"));

    assertThat(page.parts()).anySatisfy(part -> assertThat(part).isInstanceOf(Part.Table.class));
    assertThat(shown(page))
        .isEqualTo(
            "[{\"lock\":\"3\",\"state\":\"shut\"},"
                + "{\"lock\":\"11\",\"state\":\"open\",\"hull\":\"S-20417\"},"
                + "{\"lock\":\"4\",\"state\":\"shut\"}]");
  }

  @Test
  void aPatternMayHaveSignsOfOtherSteps() {
    FieldPath field = FieldPath.of("value", "/(?P<a>x=1)/(?P<b>y)/", "b");
    RecordValue answer = RecordValue.empty().with("value", Value.text("x=1/y"));

    assertThat(answer.at(field)).isEqualTo(Value.text("y"));
    assertThat(MappingOut.collect(answer, field)).containsExactly(Value.text("y"));
    assertThat(field.selected()).isEmpty();
    assertThat(field.asked()).containsExactly(FieldPath.of("value"));
  }

  @Test
  void aPathTellsOneValueOfATextToo() {
    assertThat(ANSWER.at(FieldPath.of("value", new Cut(LOCKS, true).step(), "lock")))
        .isEqualTo(Value.text("3"));
    assertThat(ANSWER.at(FieldPath.of("value", "/(?P<x>none such)/", "x")).isAbsent()).isTrue();
  }

  @Test
  void whatIsNoPatternSaysWhy() {
    assertThat(codes("lock (?P<lock>")).containsExactly("DATA_PATTERN_INVALID");
    assertThat(codes("lock \\d+")).containsExactly("DATA_PATTERN_NAMES_MISSING");
    assertThat(codes("(?P<a>x)" + "y".repeat(3_000))).containsExactly("DATA_PATTERN_TOO_LONG");
    assertThat(codes("(?P<a>a)\\1"))
        .as("RE2 has no back references")
        .containsExactly("DATA_PATTERN_INVALID");
  }

  @Test
  void noPatternTakesForEver() {
    TextCuts cuts = TextCuts.of(new Cut("^(?P<a>(a+)+)$", true)).get();

    assertThat(cuts.in("a".repeat(100_000) + "!")).isEmpty();
  }
}
