package org.mapsel.core.document;

import com.ctc.wstx.exc.WstxLazyException;
import java.io.ByteArrayInputStream;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.Reader;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import org.codehaus.stax2.XMLStreamReader2;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.ref.Name;
import org.mapsel.core.ref.Place;

/**
 * Walks an XML 1.0 document element by element, with the place of each. Document type definitions
 * are passed over and entities they declare are refused, so nothing expands and nothing outside is
 * touched.
 *
 * <p>Use: {@code int depth = cursor.depth(); while (cursor.nextChild(depth)) { … }}; what a loop
 * body leaves unread of a child is skipped.
 */
public final class XmlCursor implements AutoCloseable {

  private static final int HEAD_BYTES = 8_192;
  private static final String BYTE_ORDER_MARK = "\u00ef\u00bb\u00bf";
  private static final Pattern BEFORE_DECLARATION =
      Pattern.compile("(" + BYTE_ORDER_MARK + ")?(\\s|<!--((?!-->).)*+-->)*+", Pattern.DOTALL);
  private static final String XML_NAMESPACE = "http://www.w3.org/XML/1998/namespace";

  private final XMLStreamReader2 reader;
  private final String document;
  private int depth;
  private @Nullable Place place;
  private int skippedLines;
  private final RecurringTexts tokens = new RecurringTexts();
  private final List<Finding> oddities = new ArrayList<>(0);

  private XmlCursor(XMLStreamReader2 reader, String document) {
    this.reader = reader;
    this.document = document;
  }

  /** Opens a document and stands on its root element. */
  public static XmlCursor open(SourceText source, Limits limits) throws DocumentException {
    if (source.bytes().length > limits.maxBytes()) {
      throw new DocumentException(
          Finding.error("XML_DOCUMENT_TOO_LARGE", "limit", megabytes(limits.maxBytes()))
              .at(Place.in(source.address())));
    }
    byte[] bytes = source.bytes();
    int start = beforeDeclaration(bytes);
    ByteArrayInputStream stream = new ByteArrayInputStream(bytes, start, bytes.length - start);
    Optional<Charset> corrected = Encoding.correction(bytes);
    XmlCursor cursor =
        corrected.isPresent()
            ? open(new InputStreamReader(stream, corrected.get()), source.address(), limits)
            : open(stream, source.address(), limits);
    corrected.ifPresent(
        charset ->
            cursor.oddities.add(
                Finding.warning("XML_ENCODING_CORRECTED", "charset", charset.name())
                    .at(Place.in(source.address()))));
    // A byte order mark may stand there.
    if (start > 0 && !(start == BYTE_ORDER_MARK.length() && Encoding.isMarked(bytes))) {
      cursor.skippedLines =
          (int) new String(bytes, 0, start, StandardCharsets.ISO_8859_1).lines().count() - 1;
      cursor.oddities.add(
          Finding.warning("XML_DECLARATION_LATE").at(new Place(source.address(), 1, 1)));
    }
    return cursor;
  }

  /** What stands before an XML declaration, where nothing may stand, but happens to. */
  private static int beforeDeclaration(byte[] bytes) {
    String head =
        new String(bytes, 0, Math.min(bytes.length, HEAD_BYTES), StandardCharsets.ISO_8859_1);
    int declaration = head.indexOf("<?xml ");
    return declaration > 0 && BEFORE_DECLARATION.matcher(head.substring(0, declaration)).matches()
        ? declaration
        : 0;
  }

  private static XmlCursor open(Reader text, String document, Limits limits)
      throws DocumentException {
    try {
      return begin(XmlReaders.open(text, document, limits), document);
    } catch (XMLStreamException e) {
      throw XmlReaders.malformed(e, document);
    }
  }

  private static XmlCursor begin(XMLStreamReader2 reader, String document)
      throws DocumentException {
    XmlCursor cursor = new XmlCursor(reader, document);
    cursor.nextChild(0);
    return cursor;
  }

  /** Opens a stream and stands on its root element. The stream stays the caller's to close. */
  public static XmlCursor open(InputStream bytes, String document, Limits limits)
      throws DocumentException {
    try {
      return begin(XmlReaders.open(bytes, document, limits), document);
    } catch (XMLStreamException e) {
      throw XmlReaders.malformed(e, document);
    }
  }

  private static String megabytes(long bytes) {
    return (bytes >> 20) + " MB";
  }

  /** How many elements are open, the current one included. */
  public int depth() {
    return depth;
  }

  /**
   * Moves to the next child of the element that was current at {@code parentDepth}; false at its
   * end.
   */
  public boolean nextChild(int parentDepth) throws DocumentException {
    return nextChild(parentDepth, null);
  }

  /** Like {@link #nextChild}; text that stands directly in the element is added to {@code text}. */
  public boolean nextChildOrText(int parentDepth, StringBuilder text) throws DocumentException {
    return nextChild(parentDepth, text);
  }

  private boolean nextChild(int parentDepth, @Nullable StringBuilder text)
      throws DocumentException {
    try {
      while (true) {
        int event = reader.next();
        if (event == XMLStreamConstants.START_ELEMENT) {
          depth++;
          if (depth == parentDepth + 1) {
            place = null;
            return true;
          }
        } else if (event == XMLStreamConstants.END_ELEMENT) {
          depth--;
          if (depth == parentDepth - 1) {
            return false;
          }
        } else if (text != null && depth == parentDepth && reader.isCharacters()) {
          text.append(reader.getText());
        } else if (event == XMLStreamConstants.DTD) {
          oddities.add(Finding.warning("XML_TYPE_DEFINITION_IGNORED").at(Place.in(document)));
        } else if (event == XMLStreamConstants.END_DOCUMENT) {
          return false;
        }
      }
    } catch (XMLStreamException e) {
      throw XmlReaders.malformed(e, document);
    } catch (WstxLazyException e) {
      throw XmlReaders.malformed(e, document);
    }
  }

  /** The text of the current element and all below it; stands at its end afterwards. */
  public String text() throws DocumentException {
    int outer = depth - 1;
    String only = "";
    @Nullable StringBuilder several = null;
    try {
      while (depth > outer) {
        int event = reader.next();
        if (event == XMLStreamConstants.END_ELEMENT) {
          depth--;
        } else if (event == XMLStreamConstants.START_ELEMENT) {
          depth++;
        } else if (reader.isCharacters()) {
          // Nearly every text comes in one piece, which then need not be copied again.
          if (several != null) {
            several.append(reader.getText());
          } else if (only.isEmpty()) {
            only = reader.getText();
          } else {
            several = new StringBuilder(only).append(reader.getText());
          }
        }
      }
    } catch (XMLStreamException e) {
      throw XmlReaders.malformed(e, document);
    } catch (WstxLazyException e) {
      throw XmlReaders.malformed(e, document);
    }
    return several == null ? only : several.toString();
  }

  public String namespace() {
    String namespace = reader.getNamespaceURI();
    return namespace == null ? "" : namespace;
  }

  public String local() {
    return reader.getLocalName();
  }

  public Name name() {
    return Name.of(namespace(), local());
  }

  /** An attribute in no namespace. */
  public Optional<String> attribute(String local) {
    return attribute("", local);
  }

  public Optional<String> attribute(String namespace, String local) {
    for (int i = 0; i < reader.getAttributeCount(); i++) {
      if (reader.getAttributeLocalName(i).equals(local)
          && namespace.equals(attributeNamespace(i))) {
        return Optional.of(reader.getAttributeValue(i));
      }
    }
    return Optional.empty();
  }

  public int attributeCount() {
    return reader.getAttributeCount();
  }

  public String attributeLocal(int index) {
    return reader.getAttributeLocalName(index);
  }

  public String attributeValue(int index) {
    return reader.getAttributeValue(index);
  }

  /**
   * The value of an attribute without white space around it. For what recurs, like names and types:
   * the same text is the same string.
   */
  public String attributeToken(int index) throws DocumentException {
    try {
      reader.getAttributeAs(index, tokens);
      return tokens.last();
    } catch (XMLStreamException e) {
      throw XmlReaders.malformed(e, document);
    }
  }

  public boolean hasAttributes() {
    return reader.getAttributeCount() > 0;
  }

  /** Every attribute of the current element, in order. */
  public List<XmlAttribute> attributes() {
    List<XmlAttribute> attributes = new ArrayList<>(reader.getAttributeCount());
    for (int i = 0; i < reader.getAttributeCount(); i++) {
      attributes.add(
          new XmlAttribute(
              attributeNamespace(i), reader.getAttributeLocalName(i), reader.getAttributeValue(i)));
    }
    return attributes;
  }

  public String attributeNamespace(int index) {
    String namespace = reader.getAttributeNamespace(index);
    return namespace == null ? "" : namespace;
  }

  /**
   * A qualified name written as text, by the prefixes in force here; empty if its prefix is not.
   */
  public Optional<Name> resolve(String qualified) {
    String trimmed = qualified.strip();
    int colon = trimmed.indexOf(':');
    String prefix = colon < 0 ? "" : trimmed.substring(0, colon);
    String local = trimmed.substring(colon + 1);
    if (prefix.equals("xml")) {
      return Optional.of(Name.of(XML_NAMESPACE, local));
    }
    String namespace = reader.getNamespaceURI(prefix);
    if (namespace == null || namespace.isEmpty()) {
      return prefix.isEmpty() ? Optional.of(Name.of("", local)) : Optional.empty();
    }
    return Optional.of(Name.of(namespace, local));
  }

  /** The namespace that a prefix stands for here; empty if none. */
  public String namespaceOf(String prefix) {
    String namespace = reader.getNamespaceURI(prefix);
    return namespace == null ? "" : namespace;
  }

  /** Where the current element starts. */
  public Place place() {
    Place known = place;
    if (known == null) {
      known = locate();
      place = known;
    }
    return known;
  }

  private Place locate() {
    var start = reader.getLocationInfo().getStartLocation();
    return new Place(document, start.getLineNumber() + skippedLines, start.getColumnNumber());
  }

  /** What was put right or passed over before the first element. */
  public List<Finding> oddities() {
    return oddities;
  }

  /** The prefixes that the current element declares, without the default one. */
  public Map<String, String> prefixes() {
    Map<String, String> declared = new LinkedHashMap<>();
    for (int i = 0; i < reader.getNamespaceCount(); i++) {
      String prefix = reader.getNamespacePrefix(i);
      if (prefix != null && !prefix.isEmpty()) {
        declared.put(prefix, reader.getNamespaceURI(i));
      }
    }
    return declared;
  }

  /** Reads on to the end of the document, which must hold nothing more. */
  public void finish() throws DocumentException {
    try {
      while (reader.hasNext()) {
        reader.next();
      }
    } catch (XMLStreamException e) {
      throw XmlReaders.malformed(e, document);
    }
  }

  /** The type that the current element says it is of (XML Schema 1.0 part 1, section 2.6.1). */
  public Optional<Name> typeAttribute() {
    return attribute("http://www.w3.org/2001/XMLSchema-instance", "type").flatMap(this::resolve);
  }

  @Override
  public void close() {
    try {
      reader.close();
    } catch (XMLStreamException e) {
      // Nothing is left to release: the bytes are the caller's.
    }
  }
}
