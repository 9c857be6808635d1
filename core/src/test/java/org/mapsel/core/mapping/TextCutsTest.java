package org.mapsel.core.mapping;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.json.PathJson;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.Step.Cut;
import org.mapsel.core.testing.PageBench;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.TextCuts;
import org.mapsel.core.value.Value;
import org.mapsel.core.value.Walker;

/** Fields cut out of a text answer, from the pattern to the page. */
class TextCutsTest {

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

  private static FieldPath cut(String pattern, boolean every, String name) {
    return FieldPath.of("value").then(new Cut(pattern, every)).then(name);
  }

  private static PageBench page(FieldPath... fields) {
    PageBench bench = new PageBench().with("gates", "/descriptions/gate-sample.txt");
    String operation = bench.service("gates").operations().get(0).id().text();
    return bench.start("gates", operation, fields).pressAndAnswer(ANSWER);
  }

  @Test
  void theFirstMatchFillsARecord() {
    PageBench bench = page(cut("watch: (?P<watch>.*)", false, "watch"));

    assertThat(bench.fields()).containsExactly("Ada Quill");
    assertThat(bench.plan().wanted().get(bench.call().id())).containsExactly(FieldPath.of("value"));
  }

  @Test
  void everyMatchIsARow() {
    PageBench bench =
        page(cut(LOCKS, true, "lock"), cut(LOCKS, true, "state"), cut(LOCKS, true, "hull"));

    assertThat(bench.cells())
        .containsExactly(
            List.of("3", "shut", ""), List.of("11", "open", "S-20417"), List.of("4", "shut", ""));
  }

  @Test
  void aPatternMayHaveSignsOfOtherSteps() {
    FieldPath field = cut("(?P<a>x=1)/(?P<b>y)", false, "b");
    RecordValue answer = RecordValue.empty().with("value", Value.text("x=1/y"));

    assertThat(answer.at(field)).isEqualTo(Value.text("y"));
    assertThat(Walker.of(field).all(answer)).containsExactly(Value.text("y"));
    assertThat(field.key()).isEmpty();
    assertThat(field.asked()).containsExactly(FieldPath.of("value"));
    assertThat(PathJson.read(PathJson.write(field))).contains(field);
  }

  @Test
  void aPathTellsOneValueOfATextToo() {
    assertThat(ANSWER.at(cut(LOCKS, true, "lock"))).isEqualTo(Value.text("3"));
    assertThat(ANSWER.at(cut("(?P<x>none such)", false, "x")).isAbsent()).isTrue();
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
