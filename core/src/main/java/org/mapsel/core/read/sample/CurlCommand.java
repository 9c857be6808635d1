package org.mapsel.core.read.sample;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Base64;
import java.util.List;
import java.util.Set;

/** A command line of curl, as browsers and manuals give it. */
final class CurlCommand {

  private static final Set<String> DATA =
      Set.of(
          "-d",
          "--data",
          "--data-raw",
          "--data-ascii",
          "--data-binary",
          "--data-urlencode",
          "--json");

  /** Options with a value that says nothing about the request itself. */
  private static final Set<String> PASSED_OVER =
      Set.of(
          "-o",
          "--output",
          "-m",
          "--max-time",
          "--connect-timeout",
          "-x",
          "--proxy",
          "-w",
          "--write-out",
          "--retry",
          "-c",
          "--cookie-jar",
          "--cacert",
          "-E",
          "--cert",
          "--key");

  private CurlCommand() {}

  static boolean is(String text) {
    return text.stripLeading().matches("(?s)(\\$ )?curl(\\.exe)?\\s.*");
  }

  /** Reads the command into the sample; what follows it is left alone. */
  static void read(String text, Sample sample) {
    List<String> words = words(text);
    boolean query = false;
    List<String> data = new ArrayList<>();
    for (int i = 1; i < words.size(); i++) {
      String word = words.get(i);
      String value = i + 1 < words.size() ? words.get(i + 1) : "";
      if (DATA.contains(word)) {
        data.add(value);
        if (word.equals("--json")) {
          sample.headers.add(new Sample.Field("Content-Type", "application/json"));
        }
        i++;
      } else if (PASSED_OVER.contains(word)) {
        i++;
      } else {
        switch (word) {
          case "-X", "--request" -> {
            sample.method = value;
            i++;
          }
          case "-H", "--header" -> {
            header(value, sample);
            i++;
          }
          case "-A", "--user-agent", "-e", "--referer" -> i++;
          case "-b", "--cookie" -> {
            sample.headers.add(new Sample.Field("Cookie", value));
            i++;
          }
          case "-u", "--user" -> {
            String encoded =
                Base64.getEncoder().encodeToString(value.getBytes(StandardCharsets.UTF_8));
            sample.headers.add(new Sample.Field("Authorization", "Basic " + encoded));
            i++;
          }
          case "--url" -> {
            sample.address = value;
            i++;
          }
          case "-G", "--get" -> query = true;
          case "-I", "--head" -> sample.method = "HEAD";
          default -> {
            if (!word.startsWith("-") && sample.address.isEmpty()) {
              sample.address = word;
            }
          }
        }
      }
    }
    String joined = String.join("&", data);
    if (query && !joined.isEmpty()) {
      sample.address += (sample.address.contains("?") ? "&" : "?") + joined;
    } else {
      sample.body = joined;
    }
    if (sample.method.isEmpty()) {
      sample.method = sample.body.isEmpty() ? "GET" : "POST";
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

  /** Where the command ends: at a line end without a backslash, outside of quotes. */
  static int end(String text) {
    char quote = 0;
    for (int i = 0; i < text.length(); i++) {
      char c = text.charAt(i);
      if (c == '\\' && quote != '\'') {
        i += text.startsWith("\r\n", i + 1) ? 2 : 1;
      } else if (quote != 0) {
        quote = c == quote ? 0 : quote;
      } else if (c == '\'' || c == '"') {
        quote = c;
      } else if (c == '\n' && i > 0 && !text.substring(0, i).isBlank()) {
        return i;
      }
    }
    return text.length();
  }

  /** The words of a command by the rules of a POSIX shell, section 2.2 (quoting). */
  private static List<String> words(String command) {
    List<String> words = new ArrayList<>();
    StringBuilder word = new StringBuilder();
    boolean open = false;
    char quote = 0;
    for (int i = 0; i < command.length(); i++) {
      char c = command.charAt(i);
      if (quote == '\'' && c != '\'' || quote == '"' && c != '"' && c != '\\') {
        word.append(c);
      } else if (quote != 0 && c == quote) {
        quote = 0;
      } else if (c == '\\' && i + 1 < command.length()) {
        char next = command.charAt(++i);
        if (next != '\n' && next != '\r') {
          word.append(quote == '"' && "\"\\$`".indexOf(next) < 0 ? "\\" + next : "" + next);
          open = true;
        }
      } else if (c == '\'' || c == '"') {
        quote = c;
        open = true;
      } else if (c == '$' && i + 1 < command.length() && command.charAt(i + 1) == '\'') {
        // A browser writes texts with odd characters as $'…'; its escapes are rare enough to do
        // without.
        open = true;
      } else if (Character.isWhitespace(c)) {
        if (open || !word.isEmpty()) {
          words.add(word.toString());
        }
        word.setLength(0);
        open = false;
      } else {
        word.append(c);
      }
    }
    if (open || !word.isEmpty()) {
      words.add(word.toString());
    }
    return words.isEmpty() || !words.get(0).equals("$") ? words : words.subList(1, words.size());
  }
}
