package org.mapsel.core.message.soap;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.apache.james.mime4j.MimeException;
import org.apache.james.mime4j.stream.EntityState;
import org.apache.james.mime4j.stream.Field;
import org.apache.james.mime4j.stream.MimeConfig;
import org.apache.james.mime4j.stream.MimeTokenStream;
import org.apache.james.mime4j.stream.RawField;
import org.apache.james.mime4j.stream.RawFieldParser;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.message.Response;
import org.mapsel.core.value.BinaryValue;

/**
 * A message of several parts: the envelope and what belongs to it (RFC 2387; SOAP with Attachments;
 * XOP 1.0).
 */
record Multipart(byte[] root, Attachments attachments) {

  /** More parts than this in one message is an attack. */
  private static final int MAX_PARTS = 10_000;

  static boolean is(Response response) {
    return contentType(response).toLowerCase(Locale.ROOT).startsWith("multipart/");
  }

  private static String contentType(Response response) {
    return response.header("Content-Type").orElse("").strip();
  }

  /** The parts; the envelope is the one that the header calls the start, else the first. */
  static Outcome<Multipart> read(Response response) {
    MimeTokenStream stream =
        new MimeTokenStream(
            new MimeConfig.Builder()
                .setMaxContentLen(-1)
                .setMaxHeaderCount(200)
                .setMaxLineLen(-1)
                .build());
    Map<String, BinaryValue> parts = new LinkedHashMap<>();
    try {
      stream.parseHeadless(new ByteArrayInputStream(response.body()), contentType(response));
      Optional<String> start = parameter(contentType(response), "start").map(Multipart::bare);
      byte @Nullable [] root = null;
      String id = "";
      for (EntityState state = stream.getState();
          state != EntityState.T_END_OF_STREAM;
          state = stream.next()) {
        if (state == EntityState.T_START_BODYPART) {
          id = "";
        } else if (state == EntityState.T_FIELD) {
          id = identity(stream.getField(), id);
        } else if (state == EntityState.T_BODY) {
          byte[] bytes = stream.getDecodedInputStream().readAllBytes();
          if (start.isPresent() ? start.get().equals(id) : root == null) {
            root = bytes;
          } else {
            if (parts.size() >= MAX_PARTS) {
              return Outcome.failed(
                  Finding.error("MESSAGE_PARTS_TOO_MANY", "limit", String.valueOf(MAX_PARTS)));
            }
            parts.put(id.isEmpty() ? "part" + parts.size() : id, new BinaryValue(bytes));
          }
        }
      }
      return root == null
          ? Outcome.failed(Finding.error("MESSAGE_PARTS_BROKEN", "reason", "no part is the start"))
          : Outcome.of(new Multipart(root, new Attachments(parts)));
    } catch (IOException | MimeException e) {
      return Outcome.failed(
          Finding.error("MESSAGE_PARTS_BROKEN", "reason", String.valueOf(e.getMessage())));
    }
  }

  private static String identity(Field field, String known) {
    return switch (field.getName().toLowerCase(Locale.ROOT)) {
      case "content-id" -> bare(field.getBody());
      case "content-location" -> known.isEmpty() ? field.getBody().strip() : known;
      default -> known;
    };
  }

  private static String bare(String id) {
    return id.strip().replaceAll("^<|>$", "");
  }

  private static Optional<String> parameter(String contentType, String name) {
    var parsed = RawFieldParser.DEFAULT.parseRawBody(new RawField("Content-Type", contentType));
    return parsed.getParams().stream()
        .filter(parameter -> parameter.getName().equalsIgnoreCase(name))
        .map(parameter -> parameter.getValue())
        .findFirst();
  }
}
