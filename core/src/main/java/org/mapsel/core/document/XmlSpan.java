package org.mapsel.core.document;

import com.ctc.wstx.exc.WstxLazyException;
import java.io.StringReader;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import org.codehaus.stax2.XMLStreamReader2;

/**
 * Where an element stands in the text of a document, with all that is in it. Positions count
 * characters from 0; an end is the position behind the last one.
 *
 * @param tagEnd behind the start tag
 * @param contentEnd before the end tag; where there is none, behind the start tag
 * @param text what stands directly in it, without escapes
 */
public record XmlSpan(
    String local,
    int start,
    int tagEnd,
    int contentEnd,
    int end,
    String text,
    List<Attribute> attributes,
    List<XmlSpan> children) {

  private static final String SAMPLE = "sample";
  private static final Pattern ATTRIBUTE =
      Pattern.compile("([^\\s=\"'<>/]+)\\s*=\\s*(?:\"[^\"]*\"|'[^']*')");

  /**
   * An attribute that declares no prefix.
   *
   * @param start where its name starts
   * @param valueStart behind the quote before its value
   * @param valueEnd before the quote after it
   */
  public record Attribute(
      String namespace, String local, String value, int start, int valueStart, int valueEnd) {}

  /** Whether start and end are one tag. */
  public boolean isEmptyTag() {
    return contentEnd == end;
  }

  /** The root element of a document. */
  public static XmlSpan read(String document) throws DocumentException {
    try {
      XMLStreamReader2 reader = XmlReaders.open(new StringReader(document), SAMPLE, Limits.ANSWER);
      while (reader.next() != XMLStreamConstants.START_ELEMENT) {
        // What stands before the root says nothing.
      }
      XmlSpan root = element(reader, document);
      while (reader.hasNext()) {
        // What stands behind the root may be broken too.
        reader.next();
      }
      return root;
    } catch (XMLStreamException e) {
      throw XmlReaders.malformed(e, SAMPLE);
    } catch (WstxLazyException e) {
      throw XmlReaders.malformed(e, SAMPLE);
    }
  }

  private static XmlSpan element(XMLStreamReader2 reader, String document)
      throws XMLStreamException {
    String local = reader.getLocalName();
    int start = (int) reader.getLocationInfo().getStartingCharOffset();
    int tagEnd = (int) reader.getLocationInfo().getEndingCharOffset();
    List<Attribute> attributes = attributes(reader, document, start, tagEnd);
    StringBuilder text = new StringBuilder();
    List<XmlSpan> children = new ArrayList<>();
    for (int event = reader.next();
        event != XMLStreamConstants.END_ELEMENT;
        event = reader.next()) {
      if (event == XMLStreamConstants.START_ELEMENT) {
        children.add(element(reader, document));
      } else if (reader.isCharacters()) {
        text.append(reader.getText());
      }
    }
    boolean one = document.charAt(tagEnd - 2) == '/';
    int end = one ? tagEnd : (int) reader.getLocationInfo().getEndingCharOffset();
    int contentEnd = one ? tagEnd : (int) reader.getLocationInfo().getStartingCharOffset();
    return new XmlSpan(
        local, start, tagEnd, contentEnd, end, text.toString(), attributes, children);
  }

  /** The parser tells what attributes there are, in their order, but not where. */
  private static List<Attribute> attributes(
      XMLStreamReader2 reader, String document, int start, int tagEnd) {
    List<Attribute> attributes = new ArrayList<>();
    Matcher written = ATTRIBUTE.matcher(document).region(start, tagEnd);
    while (attributes.size() < reader.getAttributeCount() && written.find()) {
      if (!written.group(1).equals("xmlns") && !written.group(1).startsWith("xmlns:")) {
        int index = attributes.size();
        int quote = document.charAt(written.end() - 1);
        String namespace = reader.getAttributeNamespace(index);
        attributes.add(
            new Attribute(
                namespace == null ? "" : namespace,
                reader.getAttributeLocalName(index),
                reader.getAttributeValue(index),
                written.start(),
                document.indexOf(quote, written.start()) + 1,
                written.end() - 1));
      }
    }
    return attributes;
  }
}
