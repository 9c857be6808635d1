package org.mapsel.core.message.soap;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.mapsel.core.document.DocumentException;
import org.mapsel.core.document.Limits;
import org.mapsel.core.document.MimePart;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.document.XmlCursor;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Findings;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.message.Answer;
import org.mapsel.core.message.AnswerStart;
import org.mapsel.core.message.Response;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.Name;
import org.mapsel.core.service.Fault;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.OperationWire;
import org.mapsel.core.service.Service;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.value.RecordValue;

/** Reads the envelope of a response: what was returned, or the fault. */
final class EnvelopeReader {

  private final Service service;
  private final Operation operation;
  private final OperationWire.Soap wire;
  private final Findings findings = new Findings();
  private Attachments attachments = Attachments.NONE;

  EnvelopeReader(Service service, Operation operation, OperationWire.Soap wire) {
    this.service = service;
    this.operation = operation;
    this.wire = wire;
  }

  Outcome<Answer> read(Response response, Set<FieldPath> wanted) {
    byte[] body = response.body();
    if (AnswerStart.wantsLogin(response) && !AnswerStart.looksLikeXml(body)) {
      return Outcome.failed(AnswerStart.loginWanted(response));
    }
    if (body.length == 0) {
      boolean nothingAnnounced =
          wire.oneWay() || service.shapes().fieldsOf(operation.output()).isEmpty();
      return nothingAnnounced && response.status() < 300
          ? Outcome.of(new Answer.Returned(RecordValue.empty()))
          : Outcome.failed(AnswerStart.empty(response));
    }
    if (MimePart.isAnnounced(response.header("Content-Type").orElse(""))) {
      Outcome<Multipart> parts = Multipart.read(response);
      if (parts.value().isEmpty()) {
        return Outcome.failed(parts.findings());
      }
      body = parts.get().root();
      attachments = parts.get().attachments();
    }
    if (!AnswerStart.looksLikeXml(body)) {
      return Outcome.failed(AnswerStart.notXml(response));
    }
    if (!AnswerStart.hasXmlType(response)) {
      findings.add(
          Finding.warning(
              "MESSAGE_MEDIA_TYPE_UNEXPECTED", "type", AnswerStart.mediaType(response)));
    }
    if (wire.style() == OperationWire.Style.RPC_ENCODED) {
      body = References.resolve(body, findings);
    }
    return parse(body, wanted);
  }

  private Outcome<Answer> parse(byte[] body, Set<FieldPath> wanted) {
    try (XmlCursor cursor = XmlCursor.open(new SourceText("answer", body), Limits.ANSWER)) {
      cursor.oddities().forEach(findings::add);
      if (!Soap.isEnvelope(cursor.namespace()) || !cursor.local().equals("Envelope")) {
        return Outcome.failed(
            Finding.error(
                    "MESSAGE_ANSWER_NO_ENVELOPE",
                    "element",
                    cursor.local(),
                    "start",
                    AnswerStart.of(body))
                .at(cursor.place()));
      }
      Answer answer = envelope(cursor, wanted);
      return findings.hasErrors()
          ? Outcome.failed(findings.toList())
          : Outcome.of(answer, findings.toList());
    } catch (DocumentException e) {
      return Outcome.failed(AnswerStart.broken(e.finding(), body));
    }
  }

  private Answer envelope(XmlCursor cursor, Set<FieldPath> wanted) throws DocumentException {
    ReadPlan plan = ReadPlan.of(service.shapes(), operation.output(), wanted);
    RecordBuilder builder = new RecordBuilder(plan);
    ContentReader content = new ContentReader(cursor, findings, attachments);
    Map<String, RecordValue> inHeaders = new LinkedHashMap<>();
    int depth = cursor.depth();
    while (cursor.nextChild(depth)) {
      if (cursor.local().equals("Header")) {
        int inHeader = cursor.depth();
        while (cursor.nextChild(inHeader)) {
          Optional<Fault> fault = headerFault(cursor, plan);
          if (fault.isPresent()) {
            inHeaders.put(
                fault.get().name(),
                content.record(ReadPlan.of(service.shapes(), fault.get().detail(), Set.of())));
          } else {
            content.header(plan, builder);
          }
        }
      } else if (cursor.local().equals("Body")) {
        Optional<Answer> fault = body(cursor, plan, builder, content);
        if (fault.isPresent()) {
          return withHeaders((Answer.Failed) fault.get(), inHeaders);
        }
      }
    }
    for (Slot slot : plan.attachments()) {
      if (slot.keep()) {
        attachments.part(slot.name().local()).ifPresent(value -> builder.put(slot, value));
      }
    }
    return new Answer.Returned(builder.build());
  }

  /** The announced fault that the header block the cursor stands on tells of. */
  private Optional<Fault> headerFault(XmlCursor cursor, ReadPlan plan) {
    if (operation.faults().isEmpty() || !plan.headers(cursor.local()).isEmpty()) {
      return Optional.empty();
    }
    return operation.faults().stream()
        .filter(fault -> fault.element().equals(Optional.of(cursor.name())))
        .filter(fault -> service.shapes().get(fault.detail()) instanceof Shape.Record)
        .findFirst();
  }

  /** A failure to handle headers has its detail there (SOAP 1.1, section 4.4). */
  private static Answer withHeaders(Answer.Failed failed, Map<String, RecordValue> inHeaders) {
    if (failed.fault().isPresent() || inHeaders.isEmpty()) {
      return failed;
    }
    Map.Entry<String, RecordValue> first = inHeaders.entrySet().iterator().next();
    return new Answer.Failed(
        failed.code(), failed.reason(), Optional.of(first.getKey()), first.getValue());
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
    // The name of an rpc answer's wrapper means nothing (SOAP 1.1, section 7.1).
    boolean named = wire.style() == OperationWire.Style.DOCUMENT;
    if (named && !cursor.local().equals(expected.local())) {
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
    if (named && !cursor.namespace().equals(expected.namespace())) {
      findings.add(Finding.warning("MESSAGE_FIELD_RENAMESPACED", "field", expected.local()));
    }
    content.into(plan, builder);
  }
}
