package org.mapsel.core.read.wsdl;

import org.mapsel.core.document.DocumentException;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.document.XmlCursor;
import org.mapsel.core.read.DescriptionReader;
import org.mapsel.core.read.Format;
import org.mapsel.core.read.Reading;
import org.mapsel.core.read.xsd.SchemaReader;
import org.mapsel.core.ref.Place;

/** Reads WSDL 1.1 documents with the documents and schemas they import. */
public final class WsdlReader implements DescriptionReader {

  static final String WSDL = "http://schemas.xmlsoap.org/wsdl/";

  @Override
  public boolean recognises(String head) {
    return head.contains(WSDL + "\"") || head.contains(WSDL + "'");
  }

  @Override
  public Format read(SourceText source, Reading reading) {
    Documents documents = new Documents(reading);
    documents.readAll(source, cursor -> document(cursor, documents, reading));
    return new Format("WSDL", "1.1");
  }

  private static void document(XmlCursor cursor, Documents documents, Reading reading)
      throws DocumentException {
    if (SchemaReader.isSchema(cursor)) {
      // Some descriptions import a schema as if it were a WSDL document.
      documents.schemas().readInline(cursor);
    } else if (cursor.namespace().equals(WSDL) && cursor.local().equals("definitions")) {
      definitions(cursor, documents, reading);
    } else {
      documents.unexpected(cursor);
    }
  }

  private static void definitions(XmlCursor cursor, Documents documents, Reading reading)
      throws DocumentException {
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
      Place place = cursor.place();
      switch (cursor.local()) {
        case "documentation" ->
            declarations.documentation(cursor.text().strip().replaceAll("\\s+", " "));
        case "import" -> documents.imported(cursor);
        case "types" -> types(cursor, documents.schemas());
        case "message" -> declarations.add(interfaces.message(), place);
        case "portType" -> declarations.add(interfaces.portType(), place);
        case "binding" -> declarations.add(bindings.binding());
        case "service" -> declarations.add(bindings.service());
        default -> {}
      }
    }
  }

  private static void types(XmlCursor cursor, SchemaReader schemas) throws DocumentException {
    int depth = cursor.depth();
    while (cursor.nextChild(depth)) {
      if (SchemaReader.isSchema(cursor)) {
        schemas.readInline(cursor);
      }
    }
  }
}
