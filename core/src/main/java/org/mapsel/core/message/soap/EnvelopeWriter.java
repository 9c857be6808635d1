package org.mapsel.core.message.soap;

import java.util.ArrayList;
import java.util.List;
import org.mapsel.core.finding.Findings;
import org.mapsel.core.message.Trail;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.OperationWire;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.Shapes;
import org.mapsel.core.value.RecordValue;

/** Writes the envelope of a request. */
final class EnvelopeWriter {

  private static final byte[] ENVELOPE = XmlText.utf8("soap:Envelope");
  private static final byte[] HEADER = XmlText.utf8("soap:Header");
  private static final byte[] BODY = XmlText.utf8("soap:Body");
  private static final int USUAL_LENGTH = 1_024;

  private final Shapes shapes;
  private final Findings findings;

  EnvelopeWriter(Shapes shapes, Findings findings) {
    this.shapes = shapes;
    this.findings = findings;
  }

  byte[] write(
      Operation operation, OperationWire.Soap wire, RecordValue values, HeaderBlocks blocks) {
    WritePlan plan = WritePlan.of(shapes, operation.input());
    XmlText out = new XmlText(USUAL_LENGTH + plan.usualLength());
    EncodedTypes encoded =
        wire.style() == OperationWire.Style.RPC_ENCODED ? EncodedTypes.of(wire.protocol()) : null;
    ElementWriter elements = new ElementWriter(shapes, findings, out, encoded);
    out.declaration();
    out.start(ENVELOPE);
    out.namespace("soap", Soap.envelope(wire.protocol()));
    out.namespace("xsi", Soap.XSI);
    if (wire.style() != OperationWire.Style.DOCUMENT) {
      // Some servers add types to the parts of rpc and take the prefix for granted.
      out.namespace("xsd", "http://www.w3.org/2001/XMLSchema");
    }
    if (encoded != null) {
      out.namespace("enc", encoded.namespace());
    }
    writeHeader(elements, out, plan.headers(), values, blocks);
    out.start(BODY);
    writeBody(elements, out, operation, wire, values);
    out.end();
    out.end();
    return out.finish();
  }

  private void writeHeader(
      ElementWriter elements,
      XmlText out,
      List<Field> headers,
      RecordValue values,
      HeaderBlocks blocks) {
    List<Field> given = new ArrayList<>();
    for (Field field : headers) {
      if (!values.get(field.name()).isAbsent()) {
        given.add(field);
      }
    }
    if (given.isEmpty() && blocks.isEmpty()) {
      return;
    }
    out.start(HEADER);
    blocks.writeTo(out);
    for (Field field : given) {
      elements.field(field, values.get(field.name()), Trail.ROOT);
    }
    out.end();
  }

  private static void writeBody(
      ElementWriter elements,
      XmlText out,
      Operation operation,
      OperationWire.Soap wire,
      RecordValue values) {
    if (wire.request().isPresent()) {
      // Some servers stumble over parts that have to undo a default namespace.
      String outer =
          wire.style() == OperationWire.Style.DOCUMENT
              ? elements.start(wire.request().get())
              : elements.startWithPrefix("m", wire.request().get());
      if (wire.style() == OperationWire.Style.RPC_ENCODED) {
        out.attribute("soap:encodingStyle", Soap.encoding(wire.protocol()));
      }
      elements.content(operation.input(), values, Trail.ROOT);
      elements.end(outer);
    } else {
      elements.content(operation.input(), values, Trail.ROOT);
    }
  }
}
