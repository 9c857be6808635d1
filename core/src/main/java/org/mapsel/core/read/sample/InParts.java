package org.mapsel.core.read.sample;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import org.mapsel.core.document.MimePart;

/** Bodies that were given with the text of their parts in them (RFC 7578). */
final class InParts {

  private InParts() {}

  /** Takes the body of a sample apart if it is one of parts; what is none stays a text. */
  static void take(Sample sample) {
    String type = sample.header("content-type");
    if (!sample.parts.isEmpty() || !MimePart.isAnnounced(type)) {
      return;
    }
    // What was pasted may have lost the ends of lines that parts have.
    String body = sample.body.replace("\r\n", "\n").replace("\n", "\r\n") + "\r\n";
    Optional<List<MimePart>> parts =
        MimePart.read(body.getBytes(StandardCharsets.UTF_8), type).value();
    if (parts.isEmpty() || parts.get().stream().anyMatch(part -> name(part).isEmpty())) {
      return;
    }
    parts.get().forEach(part -> sample.parts.add(part(part)));
    sample.body = "";
    // They get a boundary of their own when they are sent.
    sample.headers.removeIf(header -> header.name().equalsIgnoreCase("content-type"));
  }

  private static String name(MimePart part) {
    return MimePart.parameter(part.header("Content-Disposition"), "name");
  }

  private static Sample.Part part(MimePart part) {
    boolean file = !MimePart.parameter(part.header("Content-Disposition"), "filename").isEmpty();
    String value = file ? "" : new String(part.body(), StandardCharsets.UTF_8);
    return new Sample.Part(name(part), value, file, part.header("Content-Type").strip());
  }
}
