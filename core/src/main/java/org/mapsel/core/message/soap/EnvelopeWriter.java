package org.mapsel.core.message.soap;

import com.ctc.wstx.stax.WstxOutputFactory;
import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamWriter;
import org.mapsel.core.finding.Findings;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.OperationWire;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.Shapes;
import org.mapsel.core.shape.Wire;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;

/** Writes the envelope of a request. */
final class EnvelopeWriter {

  private static final WstxOutputFactory FACTORY = new WstxOutputFactory();
  private static final int USUAL_BYTES = 2_048;

  private final Shapes shapes;
  private final Findings findings;

  EnvelopeWriter(Shapes shapes, Findings findings) {
    this.shapes = shapes;
    this.findings = findings;
  }

  byte[] write(
      Operation operation, OperationWire.Soap wire, RecordValue values, HeaderBlocks blocks) {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream(USUAL_BYTES);
    try {
      XMLStreamWriter out = FACTORY.createXMLStreamWriter(bytes, StandardCharsets.UTF_8.name());
      ElementWriter elements =
          new ElementWriter(shapes, findings, out, wire.style() == OperationWire.Style.RPC_ENCODED);
      String envelope = Soap.envelope(wire.protocol());
      List<Field> fields = shapes.fieldsOf(operation.input());
      out.writeStartDocument(StandardCharsets.UTF_8.name(), "1.0");
      out.writeStartElement("soap", "Envelope", envelope);
      out.writeNamespace("soap", envelope);
      out.writeNamespace("xsi", Soap.XSI);
      if (wire.style() == OperationWire.Style.RPC_ENCODED) {
        out.writeNamespace("xsd", "http://www.w3.org/2001/XMLSchema");
        out.writeNamespace("enc", Soap.ENCODING_11);
      }
      writeHeader(elements, out, envelope, fields, values, blocks);
      out.writeStartElement("soap", "Body", envelope);
      writeBody(elements, out, wire, fields, values);
      out.writeEndElement();
      out.writeEndElement();
      out.writeEndDocument();
      out.close();
    } catch (XMLStreamException e) {
      // Writing to memory fails only for characters that XML cannot hold, which are checked before.
      throw new IllegalStateException(e);
    }
    return bytes.toByteArray();
  }

  private void writeHeader(
      ElementWriter elements,
      XMLStreamWriter out,
      String envelope,
      List<Field> fields,
      RecordValue values,
      HeaderBlocks blocks)
      throws XMLStreamException {
    boolean any =
        fields.stream()
            .anyMatch(
                field ->
                    field.wire() instanceof Wire.SoapHeader
                        && !values.get(field.name()).isAbsent());
    if (!any && blocks.isEmpty()) {
      return;
    }
    out.writeStartElement("soap", "Header", envelope);
    blocks.writeTo(out, envelope);
    for (Field field : fields) {
      Value value = values.get(field.name());
      if (field.wire() instanceof Wire.SoapHeader && !value.isAbsent()) {
        elements.field(field, value, FieldPath.ROOT);
      }
    }
    out.writeEndElement();
  }

  private static void writeBody(
      ElementWriter elements,
      XMLStreamWriter out,
      OperationWire.Soap wire,
      List<Field> fields,
      RecordValue values)
      throws XMLStreamException {
    if (wire.request().isPresent()) {
      String outer = elements.start(wire.request().get());
      if (wire.style() == OperationWire.Style.RPC_ENCODED) {
        out.writeAttribute(
            "soap",
            Soap.envelope(wire.protocol()),
            "encodingStyle",
            Soap.is11(wire.protocol()) ? Soap.ENCODING_11 : Soap.ENCODING_12);
      }
      elements.content(fields, values, FieldPath.ROOT);
      elements.end(outer);
    } else {
      elements.content(fields, values, FieldPath.ROOT);
    }
  }
}
