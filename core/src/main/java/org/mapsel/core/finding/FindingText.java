package org.mapsel.core.finding;

import java.io.IOException;
import java.io.InputStreamReader;
import java.io.Reader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Properties;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;

/**
 * The sentences of findings. Each area (the code's first word) has one properties file beside this
 * class with {@code CODE.message} and {@code CODE.advice}; {@code {name}} stands for an argument.
 */
public final class FindingText {

  private static final Map<String, Properties> AREAS = new ConcurrentHashMap<>();

  private FindingText() {}

  /** What is the matter, in one sentence. */
  public static String message(Finding finding) {
    return sentence(finding, "message");
  }

  /** What to do about it. */
  public static String advice(Finding finding) {
    return sentence(finding, "advice");
  }

  /** One line a finding, for logs and test failures. */
  public static String lines(List<Finding> findings) {
    return findings.stream().map(FindingText::line).collect(Collectors.joining("\n"));
  }

  private static String line(Finding finding) {
    String where = finding.places().isEmpty() ? "" : finding.places().get(0) + " ";
    return where
        + finding.severity().name().toLowerCase(Locale.ROOT)
        + " "
        + finding.code()
        + ": "
        + message(finding);
  }

  private static String sentence(Finding finding, String kind) {
    String area = finding.code().substring(0, finding.code().indexOf('_'));
    Properties texts = AREAS.computeIfAbsent(area, FindingText::load);
    String key = finding.code() + "." + kind;
    String text =
        Objects.requireNonNull(texts.getProperty(key), () -> "No text for the finding " + key);
    for (Map.Entry<String, String> argument : finding.arguments().entrySet()) {
      text = text.replace("{" + argument.getKey() + "}", argument.getValue());
    }
    return text;
  }

  private static Properties load(String area) {
    String file = area.toLowerCase(Locale.ROOT) + ".properties";
    Properties texts = new Properties();
    try (Reader reader =
        new InputStreamReader(
            Objects.requireNonNull(
                FindingText.class.getResourceAsStream(file), () -> "No texts for area " + area),
            StandardCharsets.UTF_8)) {
      texts.load(reader);
      return texts;
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
