package org.mapsel.core.message.soap;

import java.util.Optional;
import java.util.Set;
import org.mapsel.core.document.DocumentException;
import org.mapsel.core.document.XmlCursor;
import org.mapsel.core.finding.Findings;
import org.mapsel.core.message.Answer;
import org.mapsel.core.ref.Name;
import org.mapsel.core.service.Fault;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.value.RecordValue;

/** Reads a fault of either version (SOAP 1.1, section 4.4; SOAP 1.2 part 1, section 5.4). */
final class FaultReader {

  private final Service service;
  private final Operation operation;
  private final Findings findings;
  private String code = "";
  private String reason = "";
  private Optional<String> fault = Optional.empty();
  private RecordValue detail = RecordValue.empty();

  FaultReader(Service service, Operation operation, Findings findings) {
    this.service = service;
    this.operation = operation;
    this.findings = findings;
  }

  Answer.Failed read(XmlCursor cursor) throws DocumentException {
    int depth = cursor.depth();
    while (cursor.nextChild(depth)) {
      switch (cursor.local()) {
        case "faultcode" -> code = withoutPrefix(cursor.text());
        case "faultstring" -> reason = cursor.text().strip();
        case "Code" -> code = withoutPrefix(first(cursor, "Value"));
        case "Reason" -> reason = first(cursor, "Text");
        case "detail", "Detail" -> detail(cursor);
        default -> {}
      }
    }
    return new Answer.Failed(code, reason, fault, detail);
  }

  private static String withoutPrefix(String text) {
    return text.strip().substring(text.strip().indexOf(':') + 1);
  }

  private static String first(XmlCursor cursor, String child) throws DocumentException {
    String found = "";
    int depth = cursor.depth();
    while (cursor.nextChild(depth)) {
      if (found.isEmpty() && cursor.local().equals(child)) {
        found = cursor.text().strip();
      }
    }
    return found;
  }

  private void detail(XmlCursor cursor) throws DocumentException {
    int depth = cursor.depth();
    while (cursor.nextChild(depth)) {
      if (fault.isPresent()) {
        continue;
      }
      Name name = cursor.name();
      Optional<Fault> announced =
          operation.faults().stream()
              .filter(known -> known.element().equals(Optional.of(name)))
              .findFirst();
      if (announced.isPresent()
          && service.shapes().get(announced.get().detail()) instanceof Shape.Record record) {
        fault = Optional.of(announced.get().name());
        detail =
            new ContentReader(cursor, findings, Attachments.NONE)
                .record(ReadPlan.of(service.shapes(), record.id(), Set.of()));
      } else {
        detail = detail.with(name.local(), OpenContent.read(cursor));
      }
    }
  }
}
