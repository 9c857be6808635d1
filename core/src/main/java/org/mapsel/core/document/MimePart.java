package org.mapsel.core.document;

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
import org.apache.james.mime4j.stream.RawField;
import org.apache.james.mime4j.stream.RawFieldParser;
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

  /** Whether a body is made of parts. */
  public static boolean isAnnounced(String contentType) {
    return contentType.strip().toLowerCase(Locale.ROOT).startsWith("multipart/");
  }

  /** A parameter of a media type or of another header that has such; empty if it is not there. */
  public static String parameter(String header, String name) {
    var parsed = RawFieldParser.DEFAULT.parseRawBody(new RawField("any", header));
    return parsed.getParams().stream()
        .filter(parameter -> parameter.getName().equalsIgnoreCase(name))
        .map(parameter -> parameter.getValue())
        .findFirst()
        .orElse("");
  }

  public String header(String name) {
    return headers.getOrDefault(name, "");
  }

  /**
   * The parts of a message without its head, in their order; those inside other parts stand among
   * them.
   *
   * @param contentType as its head says it, with the boundary
   */
  public static Outcome<List<MimePart>> read(byte[] message, String contentType) {
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
      stream.parseHeadless(new ByteArrayInputStream(message), contentType.strip());
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
