package org.mapsel.bench;

import com.ctc.wstx.stax.WstxInputFactory;
import java.io.ByteArrayInputStream;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;

/** The baseline: the same parser goes over the same bytes and nothing is made of them. */
final class BarePass {

  private static final WstxInputFactory FACTORY = new WstxInputFactory();

  private BarePass() {}

  static int over(byte[] bytes) throws XMLStreamException {
    XMLStreamReader reader = FACTORY.createXMLStreamReader(new ByteArrayInputStream(bytes));
    int events = 0;
    while (reader.hasNext()) {
      reader.next();
      events++;
    }
    reader.close();
    return events;
  }
}
