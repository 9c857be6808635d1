package org.mapsel.core.message.soap;

import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import org.mapsel.core.document.DocumentException;
import org.mapsel.core.document.Limits;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.document.XmlCursor;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Findings;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.message.Answer;
import org.mapsel.core.message.Response;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.Name;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.OperationWire;
import org.mapsel.core.service.Service;
import org.mapsel.core.value.RecordValue;

/** Reads the envelope of a response: what was returned, or the fault. */
final class EnvelopeReader {

  private static final int SHOWN_CHARACTERS = 160;

  private final Service service;
  private final Operation operation;
  private final OperationWire.Soap wire;
  private final Findings findings = new Findings();

  EnvelopeReader(Service service, Operation operation, OperationWire.Soap wire) {
    this.service = service;
    this.operation = operation;
    this.wire = wire;
  }

  Outcome<Answer> read(Response response, Set<FieldPath> wanted) {
    if (response.body().length == 0) {
      boolean nothingAnnounced = service.shapes().fieldsOf(operation.output()).isEmpty();
      return nothingAnnounced && response.status() < 300
          ? Outcome.of(new Answer.Returned(RecordValue.empty()))
          : Outcome.failed(
              Finding.error("MESSAGE_ANSWER_EMPTY", "status", String.valueOf(response.status())));
    }
    if (!looksLikeXml(response)) {
      return Outcome.failed(
          Finding.error(
              "MESSAGE_ANSWER_NOT_XML",
              "status",
              String.valueOf(response.status()),
              "start",
              start(response.body())));
    }
    try (XmlCursor cursor =
        XmlCursor.open(new SourceText("answer", response.body()), Limits.ANSWER)) {
      if (!Soap.isEnvelope(cursor.namespace()) || !cursor.local().equals("Envelope")) {
        return Outcome.failed(
            Finding.error("MESSAGE_ANSWER_NO_ENVELOPE", "element", cursor.local())
                .at(cursor.place()));
      }
      Answer answer = envelope(cursor, wanted);
      return findings.hasErrors()
          ? Outcome.failed(findings.toList())
          : Outcome.of(answer, findings.toList());
    } catch (DocumentException e) {
      return Outcome.failed(broken(e.finding()));
    }
  }

  private static Finding broken(Finding cause) {
    Finding finding =
        Finding.error(
            "MESSAGE_ANSWER_BROKEN",
            "reason",
            cause.arguments().getOrDefault("reason", cause.code()));
    return cause.places().isEmpty() ? finding : finding.at(cause.places().get(0));
  }

  private static boolean looksLikeXml(Response response) {
    String start = start(response.body()).toLowerCase(Locale.ROOT);
    return start.startsWith("<")
        && !start.startsWith("<!doctype html")
        && !start.startsWith("<html");
  }

  private static String start(byte[] body) {
    // UTF-16 shows every other byte as zero; without them it reads well enough to tell.
    String text =
        new String(body, 0, Math.min(body.length, 4 * SHOWN_CHARACTERS), StandardCharsets.UTF_8)
            .replaceAll("[\\u0000\\uFEFF\\uFFFD]", "")
            .strip()
            .replaceAll("\\s+", " ");
    return text.length() > SHOWN_CHARACTERS ? text.substring(0, SHOWN_CHARACTERS) + "…" : text;
  }

  private Answer envelope(XmlCursor cursor, Set<FieldPath> wanted) throws DocumentException {
    ReadPlan plan = ReadPlan.of(service.shapes(), operation.output(), wanted);
    RecordBuilder builder = new RecordBuilder(plan);
    ContentReader content = new ContentReader(cursor, findings);
    int depth = cursor.depth();
    while (cursor.nextChild(depth)) {
      if (cursor.local().equals("Header")) {
        int inHeader = cursor.depth();
        while (cursor.nextChild(inHeader)) {
          content.header(plan, builder);
        }
      } else if (cursor.local().equals("Body")) {
        Optional<Answer> fault = body(cursor, plan, builder, content);
        if (fault.isPresent()) {
          return fault.get();
        }
      }
    }
    return new Answer.Returned(builder.build());
  }

  private Optional<Answer> body(
      XmlCursor cursor, ReadPlan plan, RecordBuilder builder, ContentReader content)
      throws DocumentException {
    int depth = cursor.depth();
    boolean first = true;
    while (cursor.nextChild(depth)) {
      if (first && Soap.isEnvelope(cursor.namespace()) && cursor.local().equals("Fault")) {
        return Optional.of(new FaultReader(service, operation, findings).read(cursor));
      }
      if (wire.response().isEmpty()) {
        content.child(plan, builder);
      } else if (first) {
        wrapped(cursor, wire.response().get(), plan, builder, content);
      }
      first = false;
    }
    return Optional.empty();
  }

  private void wrapped(
      XmlCursor cursor, Name expected, ReadPlan plan, RecordBuilder builder, ContentReader content)
      throws DocumentException {
    if (!cursor.local().equals(expected.local())) {
      findings.add(
          Finding.error(
                  "MESSAGE_ANSWER_UNEXPECTED",
                  "element",
                  cursor.local(),
                  "expected",
                  expected.local())
              .at(cursor.place()));
      return;
    }
    if (!cursor.namespace().equals(expected.namespace())) {
      findings.add(Finding.warning("MESSAGE_FIELD_RENAMESPACED", "field", expected.local()));
    }
    content.into(plan, builder);
  }
}
