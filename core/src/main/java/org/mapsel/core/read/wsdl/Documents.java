package org.mapsel.core.read.wsdl;

import java.util.ArrayDeque;
import java.util.Deque;
import org.mapsel.core.document.DocumentException;
import org.mapsel.core.document.Limits;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.document.XmlCursor;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.read.Reading;
import org.mapsel.core.read.xsd.SchemaReader;
import org.mapsel.core.ref.Place;

/** The documents of one description: each read once, schemas last. */
final class Documents {

  private static final String PURPOSE = "wsdl";

  /** Reads one document; the cursor stands on its root. */
  @FunctionalInterface
  interface Content {
    void read(XmlCursor cursor) throws DocumentException;
  }

  private final Reading reading;
  private final SchemaReader schemas;
  private final Deque<SourceText> pending = new ArrayDeque<>();

  Documents(Reading reading) {
    this.reading = reading;
    this.schemas = new SchemaReader(reading);
  }

  SchemaReader schemas() {
    return schemas;
  }

  void readAll(SourceText first, Content content) {
    reading.opened(first.address(), PURPOSE);
    pending.add(first);
    while (!pending.isEmpty()) {
      try (XmlCursor cursor = XmlCursor.open(pending.poll(), Limits.DESCRIPTION)) {
        cursor.oddities().forEach(reading.findings()::add);
        content.read(cursor);
      } catch (DocumentException e) {
        reading.findings().add(e.finding());
      }
    }
    schemas.finish();
  }

  /** Asks for the document that the current element imports. */
  void imported(XmlCursor cursor) {
    Place place = cursor.place();
    cursor
        .attribute("location")
        .flatMap(location -> reading.open(location, place, PURPOSE))
        .ifPresent(pending::add);
  }

  void unexpected(XmlCursor cursor) {
    reading
        .findings()
        .add(Finding.error("WSDL_ROOT_UNEXPECTED", "element", cursor.local()).at(cursor.place()));
  }
}
