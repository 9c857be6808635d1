package org.mapsel.core.message.soap;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.document.MimePart;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.message.Response;
import org.mapsel.core.value.BinaryValue;

/**
 * A message of several parts: the envelope and what belongs to it (RFC 2387; SOAP with Attachments;
 * XOP 1.0).
 */
record Multipart(byte[] root, Attachments attachments) {

  /** The parts; the envelope is the one that the header calls the start, else the first. */
  static Outcome<Multipart> read(Response response) {
    String contentType = response.header("Content-Type").orElse("");
    Outcome<List<MimePart>> read = MimePart.read(response.body(), contentType);
    if (read.value().isEmpty()) {
      return Outcome.failed(read.findings());
    }
    String start = bare(MimePart.parameter(contentType, "start"));
    Map<String, BinaryValue> others = new LinkedHashMap<>();
    byte @Nullable [] root = null;
    for (MimePart part : read.get()) {
      String id = identity(part);
      if (start.isEmpty() ? root == null : start.equals(id)) {
        root = part.body();
      } else {
        others.put(id.isEmpty() ? "part" + others.size() : id, new BinaryValue(part.body()));
      }
    }
    return root == null
        ? Outcome.failed(Finding.error("MESSAGE_PARTS_BROKEN", "reason", "no part is the start"))
        : Outcome.of(new Multipart(root, new Attachments(others)));
  }

  private static String identity(MimePart part) {
    String id = bare(part.header("Content-ID"));
    return id.isEmpty() ? part.header("Content-Location").strip() : id;
  }

  private static String bare(String id) {
    return id.strip().replaceAll("^<|>$", "");
  }
}
