package org.mapsel.core.read.sample;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Base64;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** A command line of curl, as browsers and manuals give it. */
final class CurlCommand {

  private static final Set<String> DATA =
      Set.of("--data", "--data-raw", "--data-ascii", "--data-binary", "--data-urlencode", "--json");

  /** Options with a value that says nothing about the request itself. */
  private static final Set<String> PASSED_OVER =
      Set.of(
          "--output",
          "--max-time",
          "--connect-timeout",
          "--proxy",
          "--write-out",
          "--retry",
          "--cookie-jar",
          "--cacert",
          "--cert",
          "--key",
          "--user-agent",
          "--referer",
          "--resolve",
          "--limit-rate",
          "--max-redirs");

  private static final Set<String> FORM = Set.of("--form", "--form-string");

  /** The long names of options that have a short one and take a value. */
  private static final Map<Character, String> SHORT =
      Map.ofEntries(
          Map.entry('d', "--data"),
          Map.entry('F', "--form"),
          Map.entry('X', "--request"),
          Map.entry('H', "--header"),
          Map.entry('b', "--cookie"),
          Map.entry('u', "--user"),
          Map.entry('A', "--user-agent"),
          Map.entry('e', "--referer"),
          Map.entry('o', "--output"),
          Map.entry('m', "--max-time"),
          Map.entry('x', "--proxy"),
          Map.entry('w', "--write-out"),
          Map.entry('c', "--cookie-jar"),
          Map.entry('E', "--cert"));

  private static final Map<Character, String> FLAGS = Map.of('G', "--get", 'I', "--head");

  private final Sample sample;
  private final List<String> data = new ArrayList<>();
  private boolean query;

  private CurlCommand(Sample sample) {
    this.sample = sample;
  }

  static boolean is(String text) {
    return text.stripLeading().matches("(?s)(\\$ )?curl(\\.exe)?\\s.*");
  }

  /** Reads the command into the sample; what follows it is left alone. */
  static void read(String text, Sample sample) {
    CurlCommand command = new CurlCommand(sample);
    List<String> words = ShellWords.of(text);
    for (int i = words.get(0).equals("$") ? 2 : 1; i < words.size(); i++) {
      String word = words.get(i);
      Optional<String> next =
          i + 1 < words.size() ? Optional.of(words.get(i + 1)) : Optional.empty();
      if (word.startsWith("--")) {
        i += command.option(word, next) ? 1 : 0;
      } else if (word.startsWith("-") && word.length() > 1) {
        i += command.letters(word, next) ? 1 : 0;
      } else if (sample.address.isEmpty()) {
        sample.address = word;
      }
    }
    command.finish();
  }

  /** Short options may stand together, and the value of the last right behind it. */
  private boolean letters(String word, Optional<String> next) {
    for (int i = 1; i < word.length(); i++) {
      String longName = SHORT.get(word.charAt(i));
      if (longName != null) {
        boolean attached = i + 1 < word.length();
        return option(longName, attached ? Optional.of(word.substring(i + 1)) : next) && !attached;
      }
      option(FLAGS.getOrDefault(word.charAt(i), ""), Optional.empty());
    }
    return false;
  }

  /** Takes an option into account; whether it took the value that comes next. */
  private boolean option(String option, Optional<String> next) {
    String value = next.orElse("");
    if (DATA.contains(option)) {
      data.add(option.equals("--data-urlencode") ? encoded(value) : value);
      if (option.equals("--json")) {
        sample.headers.add(new Sample.Field("Content-Type", "application/json"));
        sample.headers.add(new Sample.Field("Accept", "application/json"));
      }
      return true;
    }
    if (FORM.contains(option)) {
      part(value, option.equals("--form"));
      return true;
    }
    switch (option) {
      case "--request" -> sample.method = value;
      case "--header" -> header(value, sample);
      case "--cookie" -> sample.headers.add(new Sample.Field("Cookie", value));
      case "--user" -> {
        byte[] user = value.getBytes(StandardCharsets.UTF_8);
        String basic = "Basic " + Base64.getEncoder().encodeToString(user);
        sample.headers.add(new Sample.Field("Authorization", basic));
      }
      case "--url" -> sample.address = value;
      case "--get" -> {
        query = true;
        return false;
      }
      case "--head" -> {
        sample.method = "HEAD";
        return false;
      }
      default -> {
        return PASSED_OVER.contains(option);
      }
    }
    return true;
  }

  /** What stands before an equals sign is a name, which stays as it is. */
  private static String encoded(String value) {
    int equals = value.indexOf('=');
    String text = URLEncoder.encode(value.substring(equals + 1), StandardCharsets.UTF_8);
    return equals > 0 ? value.substring(0, equals + 1) + text : text;
  }

  private void part(String value, boolean files) {
    int equals = value.indexOf('=');
    if (equals <= 0) {
      return;
    }
    String content = value.substring(equals + 1);
    boolean file = files && (content.startsWith("@") || content.startsWith("<"));
    String type = content.replaceFirst("(?s).*?(;type=([^;]*).*)?$", "$2");
    sample.parts.add(
        new Sample.Part(
            value.substring(0, equals),
            file ? "" : files ? content.replaceFirst("(?s);type=[^;]*$", "") : content,
            file,
            files ? type : ""));
  }

  private void finish() {
    String joined = String.join("&", data);
    if (query && !joined.isEmpty()) {
      sample.address += (sample.address.contains("?") ? "&" : "?") + joined;
    } else {
      sample.body = joined;
    }
    if (sample.method.isEmpty()) {
      sample.method = sample.body.isEmpty() && sample.parts.isEmpty() ? "GET" : "POST";
    }
    if (!sample.body.isEmpty() && sample.header("content-type").isEmpty()) {
      sample.headers.add(new Sample.Field("Content-Type", "application/x-www-form-urlencoded"));
    }
    if (!sample.address.contains("://")) {
      sample.address = "http://" + sample.address;
    }
  }

  private static void header(String text, Sample sample) {
    int colon = text.indexOf(':');
    if (colon > 0) {
      sample.headers.add(
          new Sample.Field(text.substring(0, colon).strip(), text.substring(colon + 1).strip()));
    }
  }
}
