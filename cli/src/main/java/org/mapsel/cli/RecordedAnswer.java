package org.mapsel.cli;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.mapsel.core.message.Response;

/** An answer kept in a file: a whole HTTP message, or only its body. */
final class RecordedAnswer {

  private static final int OK = 200;

  private RecordedAnswer() {}

  static Response read(byte[] file) {
    String text = new String(file, StandardCharsets.ISO_8859_1);
    if (text.startsWith("HTTP/")) {
      return message(file, text);
    }
    if (text.startsWith("--")) {
      // The boundary is all that a header would have told.
      String boundary = text.lines().findFirst().orElse("").substring(2).strip();
      return new Response(
          OK,
          Map.of("Content-Type", List.of("multipart/related; boundary=\"" + boundary + "\"")),
          file);
    }
    return new Response(OK, Map.of(), file);
  }

  private static Response message(byte[] file, String text) {
    int end = text.indexOf("\r\n\r\n");
    int plain = text.indexOf("\n\n");
    boolean windows = end >= 0 && (plain < 0 || end < plain);
    int head = windows ? end : plain < 0 ? text.length() : plain;
    int body = Math.min(text.length(), head + (windows ? 4 : 2));
    List<String> lines = text.substring(0, head).lines().toList();
    Map<String, List<String>> headers = new TreeMap<>();
    for (String line : lines.subList(1, lines.size())) {
      int colon = line.indexOf(':');
      if (colon > 0) {
        headers
            .computeIfAbsent(line.substring(0, colon), name -> new ArrayList<>())
            .add(line.substring(colon + 1).strip());
      }
    }
    return new Response(status(lines.get(0)), headers, Arrays.copyOfRange(file, body, file.length));
  }

  private static int status(String line) {
    String[] words = line.split(" ");
    if (words.length < 2 || !words[1].matches("\\d{3}")) {
      throw new CommandFailure("The first line of the answer names no status: " + line);
    }
    return Integer.parseInt(words[1]);
  }
}
