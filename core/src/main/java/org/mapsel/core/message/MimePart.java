package org.mapsel.core.message;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import org.apache.james.mime4j.MimeException;
import org.apache.james.mime4j.stream.EntityState;
import org.apache.james.mime4j.stream.MimeConfig;
import org.apache.james.mime4j.stream.MimeTokenStream;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;

/**
 * One part of a multipart body (RFC 2046, section 5.1), its transfer encoding undone.
 *
 * @param headers by name, whatever its case
 */
public record MimePart(Map<String, String> headers, byte[] body) {

  /** More parts than this in one message is an attack. */
  private static final int MAX_PARTS = 10_000;

  private static final int MAX_HEADERS = 200;

  public static boolean isIn(Response response) {
    return contentType(response).toLowerCase(Locale.ROOT).startsWith("multipart/");
  }

  private static String contentType(Response response) {
    return response.header("Content-Type").orElse("").strip();
  }

  public String header(String name) {
    return headers.getOrDefault(name, "");
  }

  /** The parts in their order; those inside other parts stand among them. */
  public static Outcome<List<MimePart>> read(Response response) {
    MimeTokenStream stream =
        new MimeTokenStream(
            new MimeConfig.Builder()
                .setMaxContentLen(-1)
                .setMaxHeaderCount(MAX_HEADERS)
                .setMaxLineLen(-1)
                .build());
    List<MimePart> parts = new ArrayList<>();
    Map<String, String> headers = new TreeMap<>(String.CASE_INSENSITIVE_ORDER);
    try {
      stream.parseHeadless(new ByteArrayInputStream(response.body()), contentType(response));
      for (EntityState state = stream.getState();
          state != EntityState.T_END_OF_STREAM;
          state = stream.next()) {
        switch (state) {
          case T_START_BODYPART -> headers = new TreeMap<>(String.CASE_INSENSITIVE_ORDER);
          case T_FIELD -> headers.put(stream.getField().getName(), stream.getField().getBody());
          case T_BODY -> {
            if (parts.size() >= MAX_PARTS) {
              return Outcome.failed(
                  Finding.error("MESSAGE_PARTS_TOO_MANY", "limit", String.valueOf(MAX_PARTS)));
            }
            parts.add(new MimePart(headers, stream.getDecodedInputStream().readAllBytes()));
          }
          default -> {}
        }
      }
      return Outcome.of(List.copyOf(parts));
    } catch (IOException | MimeException e) {
      return Outcome.failed(
          Finding.error("MESSAGE_PARTS_BROKEN", "reason", String.valueOf(e.getMessage())));
    }
  }
}
