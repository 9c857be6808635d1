package org.mapsel.core.read.wsdl;

import java.util.ArrayDeque;
import java.util.Deque;
import org.mapsel.core.document.DocumentException;
import org.mapsel.core.document.Limits;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.document.XmlCursor;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.read.DescriptionReader;
import org.mapsel.core.read.Format;
import org.mapsel.core.read.Reading;
import org.mapsel.core.read.xsd.SchemaReader;
import org.mapsel.core.ref.Place;

/** Reads WSDL 1.1 documents with the documents and schemas they import. */
public final class WsdlReader implements DescriptionReader {

  static final String WSDL = "http://schemas.xmlsoap.org/wsdl/";

  @Override
  public Format format() {
    return new Format("WSDL", "1.1");
  }

  @Override
  public boolean recognises(String head) {
    return head.contains(WSDL + "\"") || head.contains(WSDL + "'");
  }

  @Override
  public void read(SourceText source, Reading reading) {
    new Documents(reading).readAll(source);
  }

  /** The documents of one description: each read once, schemas last. */
  private static final class Documents {

    private static final String PURPOSE = "wsdl";

    private final Reading reading;
    private final SchemaReader schemas;
    private final Deque<SourceText> pending = new ArrayDeque<>();

    Documents(Reading reading) {
      this.reading = reading;
      this.schemas = new SchemaReader(reading);
    }

    void readAll(SourceText first) {
      reading.opened(first.address(), PURPOSE);
      pending.add(first);
      while (!pending.isEmpty()) {
        read(pending.poll());
      }
      schemas.finish();
    }

    private void read(SourceText source) {
      try (XmlCursor cursor = XmlCursor.open(source, Limits.DESCRIPTION)) {
        cursor.oddities().forEach(reading.findings()::add);
        if (SchemaReader.isSchema(cursor)) {
          // Some descriptions import a schema as if it were a WSDL document.
          schemas.readInline(cursor);
        } else if (cursor.namespace().equals(WSDL) && cursor.local().equals("definitions")) {
          definitions(cursor);
        } else {
          reading
              .findings()
              .add(
                  Finding.error("WSDL_ROOT_UNEXPECTED", "element", cursor.local())
                      .at(cursor.place()));
        }
      } catch (DocumentException e) {
        reading.findings().add(e.finding());
      }
    }

    private void definitions(XmlCursor cursor) throws DocumentException {
      var declarations = reading.declarations();
      cursor.attribute("name").ifPresent(declarations::name);
      String target = cursor.attribute("targetNamespace").orElse("");
      InterfaceReader interfaces = new InterfaceReader(cursor, reading, target);
      BindingReader bindings = new BindingReader(cursor, reading, target);
      int depth = cursor.depth();
      while (cursor.nextChild(depth)) {
        if (!cursor.namespace().equals(WSDL)) {
          Extensions.passOver(cursor, reading);
          continue;
        }
        switch (cursor.local()) {
          case "documentation" ->
              declarations.documentation(cursor.text().strip().replaceAll("\\s+", " "));
          case "import" -> imported(cursor);
          case "types" -> types(cursor);
          case "message" -> declarations.add(interfaces.message());
          case "portType" -> declarations.add(interfaces.portType());
          case "binding" -> declarations.add(bindings.binding());
          case "service" -> declarations.add(bindings.service());
          default -> {}
        }
      }
    }

    private void imported(XmlCursor cursor) {
      Place place = cursor.place();
      cursor
          .attribute("location")
          .flatMap(location -> reading.open(location, place, PURPOSE))
          .ifPresent(pending::add);
    }

    private void types(XmlCursor cursor) throws DocumentException {
      int depth = cursor.depth();
      while (cursor.nextChild(depth)) {
        if (SchemaReader.isSchema(cursor)) {
          schemas.readInline(cursor);
        }
      }
    }
  }
}
