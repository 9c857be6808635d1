package org.mapsel.core.finding;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;
import java.util.regex.MatchResult;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

class FindingTextTest {

  private static final Pattern CODE = Pattern.compile("\"([A-Z]+_[A-Z_]+)\"");
  private static final Pattern ARGUMENT = Pattern.compile("\\{\\w+}");

  @Test
  void everyCodeInTheSourcesHasAMessageAndAdvice() throws IOException {
    TreeSet<String> codes = new TreeSet<>();
    try (Stream<Path> files = Files.walk(Path.of("src/main/java"))) {
      for (Path file : files.filter(path -> path.toString().endsWith(".java")).toList()) {
        Matcher matcher = CODE.matcher(Files.readString(file));
        matcher.results().map(result -> result.group(1)).forEach(codes::add);
      }
    }
    assertThat(codes).hasSizeGreaterThan(40);
    assertThat(codes)
        .allSatisfy(
            code -> {
              assertThat(FindingText.message(Finding.error(code))).isNotBlank();
              assertThat(FindingText.advice(Finding.error(code))).isNotBlank();
            });
  }

  @Test
  void argumentsStandInTheSentences() {
    Finding finding =
        Finding.error(
            "MESSAGE_VALUE_NOT_ALLOWED",
            "field",
            "basin",
            "text",
            "west",
            "allowed",
            "north, south");

    assertThat(FindingText.message(finding))
        .isEqualTo("\"west\" is not among the values that basin may have.");
    assertThat(FindingText.advice(finding)).isEqualTo("Take one of: north, south");
    List<String> left = new ArrayList<>();
    ARGUMENT
        .matcher(FindingText.message(finding))
        .results()
        .map(MatchResult::group)
        .forEach(left::add);
    assertThat(left).isEmpty();
  }
}
