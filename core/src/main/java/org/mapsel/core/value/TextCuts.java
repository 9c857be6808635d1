package org.mapsel.core.value;

import com.google.re2j.Matcher;
import com.google.re2j.Pattern;
import com.google.re2j.PatternSyntaxException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.ref.Step.Cut;

/**
 * Fields cut out of texts. Patterns are RE2's, which take time in proportion to the text whatever
 * they are, so that none can keep a server busy.
 */
public final class TextCuts {

  private static final int MOST_MATCHES = 100_000;
  private static final int LONGEST_PATTERN = 2_000;

  private final Pattern pattern;
  private final boolean every;
  private final List<String> names;

  private TextCuts(Pattern pattern, boolean every, List<String> names) {
    this.pattern = pattern;
    this.every = every;
    this.names = names;
  }

  /** Understands a pattern; a finding says why it is none or what it lacks. */
  public static Outcome<TextCuts> of(Cut cut) {
    if (cut.pattern().length() > LONGEST_PATTERN) {
      return Outcome.failed(
          Finding.error("DATA_PATTERN_TOO_LONG", "limit", String.valueOf(LONGEST_PATTERN)));
    }
    if (PatternSize.isTooLarge(cut.pattern())) {
      return Outcome.failed(Finding.error("DATA_PATTERN_TOO_LARGE"));
    }
    try {
      Pattern pattern = Pattern.compile(cut.pattern(), Pattern.MULTILINE);
      List<String> names =
          pattern.namedGroups().entrySet().stream()
              .sorted(Comparator.comparing(Map.Entry::getValue))
              .map(Map.Entry::getKey)
              .toList();
      return names.isEmpty()
          ? Outcome.failed(Finding.error("DATA_PATTERN_NAMES_MISSING"))
          : Outcome.of(new TextCuts(pattern, cut.every(), names));
    } catch (PatternSyntaxException e) {
      return Outcome.failed(
          Finding.error(
              "DATA_PATTERN_INVALID", "reason", e.getDescription(), "near", e.getPattern()));
    }
  }

  /** The names of the fields, in the order in which they stand in the pattern. */
  public List<String> names() {
    return names;
  }

  /** A record for each match, or for the first one only. */
  public List<Value> in(String text) {
    List<Value> records = new ArrayList<>();
    Matcher matcher = pattern.matcher(text);
    while (records.size() < (every ? MOST_MATCHES : 1) && matcher.find()) {
      Map<String, Value> fields = new LinkedHashMap<>();
      for (String name : names) {
        String group = matcher.group(name);
        if (group != null) {
          fields.put(name, new TextValue(group.strip()));
        }
      }
      records.add(RecordValue.of(fields));
    }
    return records;
  }
}
