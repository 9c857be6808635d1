package org.mapsel.core.document;

import com.ctc.wstx.api.WstxInputProperties;
import com.ctc.wstx.exc.WstxLazyException;
import com.ctc.wstx.stax.WstxInputFactory;
import java.io.InputStream;
import java.io.Reader;
import java.util.Optional;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLStreamException;
import org.codehaus.stax2.XMLInputFactory2;
import org.codehaus.stax2.XMLStreamReader2;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.ref.Place;

/**
 * Parsers of XML that keep to limits and touch nothing outside, and what they say when they fail.
 */
final class XmlReaders {

  private XmlReaders() {}

  static XMLStreamReader2 open(InputStream bytes, String document, Limits limits)
      throws XMLStreamException {
    return (XMLStreamReader2) factory(limits).createXMLStreamReader(document, bytes);
  }

  static XMLStreamReader2 open(Reader text, String document, Limits limits)
      throws XMLStreamException {
    return (XMLStreamReader2) factory(limits).createXMLStreamReader(document, text);
  }

  private static WstxInputFactory factory(Limits limits) {
    return limits.equals(Limits.ANSWER) ? Factories.ANSWER : Factories.create(limits);
  }

  /** Creating a factory costs more than reading a small document. */
  private static final class Factories {
    static final WstxInputFactory ANSWER = create(Limits.ANSWER);

    static WstxInputFactory create(Limits limits) {
      WstxInputFactory factory = new WstxInputFactory();
      factory.setProperty(XMLInputFactory.SUPPORT_DTD, false);
      factory.setProperty(XMLInputFactory.IS_SUPPORTING_EXTERNAL_ENTITIES, false);
      factory.setProperty(XMLInputFactory.IS_COALESCING, false);
      // A text is a text, however it is escaped.
      factory.setProperty(XMLInputFactory2.P_REPORT_CDATA, false);
      factory.setProperty(WstxInputProperties.P_MAX_ELEMENT_DEPTH, limits.maxDepth());
      factory.setProperty(WstxInputProperties.P_MAX_ATTRIBUTE_SIZE, limits.maxAttributeChars());
      factory.setProperty(WstxInputProperties.P_MAX_TEXT_LENGTH, limits.maxTextChars());
      factory.setProperty(WstxInputProperties.P_MAX_CHARACTERS, limits.maxBytes());
      return factory;
    }
  }

  /** Text is only parsed when it is asked for, and may turn out broken then. */
  static DocumentException malformed(WstxLazyException e, String document) {
    return malformed(
        e.getCause() instanceof XMLStreamException cause
            ? cause
            : new XMLStreamException(e.getMessage()),
        document);
  }

  static DocumentException malformed(XMLStreamException e, String document) {
    String reason = Optional.ofNullable(e.getMessage()).orElse("unknown").split("\n")[0];
    Place place =
        e.getLocation() == null
            ? Place.in(document)
            : new Place(
                document, e.getLocation().getLineNumber(), e.getLocation().getColumnNumber());
    String code =
        reason.contains("ntity") && !reason.contains("semi-colon")
            ? "XML_ENTITY_REFUSED"
            : reason.contains("limit") ? "XML_LIMIT_REACHED" : "XML_DOCUMENT_MALFORMED";
    return new DocumentException(Finding.error(code, "reason", reason).at(place));
  }
}
