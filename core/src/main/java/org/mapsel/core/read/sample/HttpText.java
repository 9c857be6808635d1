package org.mapsel.core.read.sample;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** HTTP messages as text (RFC 9112, section 2): a request, then any number of answers to it. */
final class HttpText {

  private static final Pattern REQUEST =
      Pattern.compile("^([A-Z]{3,10}) (\\S+)( HTTP/[\\d.]+)?[ \\t]*$", Pattern.MULTILINE);
  private static final Pattern ANSWER =
      Pattern.compile("^HTTP/[\\d.]+ (\\d{3})[^\\n]*$", Pattern.MULTILINE);

  /** What may be the name of a header (RFC 9110, section 5.6.2). */
  private static final Pattern NAME = Pattern.compile("[!#$%&'*+.^_`|~\\w-]+\\s*");

  private HttpText() {}

  static boolean isRequest(String text) {
    Matcher line = REQUEST.matcher(text.stripLeading());
    return line.lookingAt() && (line.group(3) != null || line.group(2).contains("://"));
  }

  /** Reads a request with what follows it. */
  static void request(String text, Sample sample) {
    String whole = text.stripLeading().replace("\r\n", "\n");
    Matcher line = REQUEST.matcher(whole);
    if (!line.lookingAt()) {
      return;
    }
    sample.method = line.group(1);
    Matcher answer = ANSWER.matcher(whole);
    int end = answer.find(line.end()) ? answer.start() : whole.length();
    sample.body = head(whole.substring(line.end(), end), sample.headers).strip();
    String target = line.group(2);
    String host = sample.header("host");
    sample.address = target.contains("://") ? target : "http://" + host + target;
    sample.headers.removeIf(field -> field.name().equalsIgnoreCase("host"));
    answers(whole.substring(end), sample);
  }

  /** Reads answers, with or without their heads. */
  static void answers(String text, Sample sample) {
    String whole = text.replace("\r\n", "\n").strip();
    if (whole.isEmpty()) {
      return;
    }
    Matcher line = ANSWER.matcher(whole);
    List<Integer> starts = new ArrayList<>();
    while (line.find()) {
      starts.add(line.start());
    }
    if (starts.isEmpty()) {
      sample.answers.add(new Sample.Answer(200, "", whole));
    }
    for (int i = 0; i < starts.size(); i++) {
      int end = i + 1 < starts.size() ? starts.get(i + 1) : whole.length();
      String one = whole.substring(starts.get(i), end);
      line.reset(one);
      line.find();
      List<Sample.Field> headers = new ArrayList<>();
      String body = head(one.substring(line.end()), headers).strip();
      String type =
          headers.stream()
              .filter(field -> field.name().equalsIgnoreCase("content-type"))
              .map(Sample.Field::value)
              .findFirst()
              .orElse("");
      sample.answers.add(new Sample.Answer(Integer.parseInt(line.group(1)), type, body));
    }
  }

  /** Takes the headers, and gives what stands behind the empty line after them. */
  private static String head(String text, List<Sample.Field> headers) {
    int at = text.startsWith("\n") ? 1 : 0;
    while (at < text.length()) {
      int end = text.indexOf('\n', at);
      String line = text.substring(at, end < 0 ? text.length() : end);
      if (line.isBlank()) {
        return end < 0 ? "" : text.substring(end + 1);
      }
      int colon = line.indexOf(':');
      if (colon <= 0 || !NAME.matcher(line.substring(0, colon)).matches()) {
        return text.substring(at);
      }
      headers.add(
          new Sample.Field(line.substring(0, colon).strip(), line.substring(colon + 1).strip()));
      at = end < 0 ? text.length() : end + 1;
    }
    return "";
  }
}
