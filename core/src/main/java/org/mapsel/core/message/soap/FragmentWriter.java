package org.mapsel.core.message.soap;

import java.nio.charset.StandardCharsets;
import java.util.Map;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamWriter;
import org.mapsel.core.document.DocumentException;
import org.mapsel.core.document.Limits;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.document.XmlAttribute;
import org.mapsel.core.document.XmlCursor;

/** Copies XML that somebody gave as text into a message. */
final class FragmentWriter {

  private final XmlCursor cursor;
  private final ElementWriter elements;
  private final XMLStreamWriter out;

  private FragmentWriter(XmlCursor cursor, ElementWriter elements, XMLStreamWriter out) {
    this.cursor = cursor;
    this.elements = elements;
    this.out = out;
  }

  /** False, with nothing written, if the text is not one well-formed element. */
  static boolean write(String text, ElementWriter elements, XMLStreamWriter out)
      throws XMLStreamException {
    if (!text.stripLeading().startsWith("<")) {
      return false;
    }
    SourceText source =
        new SourceText("value", text.stripLeading().getBytes(StandardCharsets.UTF_8));
    try (XmlCursor check = XmlCursor.open(source, Limits.ANSWER)) {
      check.text();
      check.finish();
    } catch (DocumentException e) {
      return false;
    }
    try (XmlCursor cursor = XmlCursor.open(source, Limits.ANSWER)) {
      new FragmentWriter(cursor, elements, out).copy();
      return true;
    } catch (DocumentException e) {
      throw new IllegalStateException("Checked just now", e);
    }
  }

  private void copy() throws DocumentException, XMLStreamException {
    String outer = elements.start(cursor.name());
    for (Map.Entry<String, String> prefix : cursor.prefixes().entrySet()) {
      out.writeNamespace(prefix.getKey(), prefix.getValue());
    }
    for (XmlAttribute attribute : cursor.attributes()) {
      if (attribute.namespace().isEmpty()) {
        out.writeAttribute(attribute.local(), attribute.value());
      } else {
        String prefix = elements.prefixOf(attribute.namespace());
        out.writeAttribute(prefix, attribute.namespace(), attribute.local(), attribute.value());
      }
    }
    StringBuilder text = new StringBuilder();
    int depth = cursor.depth();
    while (cursor.nextChildOrText(depth, text)) {
      out.writeCharacters(text.toString());
      text.setLength(0);
      copy();
    }
    out.writeCharacters(text.toString());
    elements.end(outer);
  }
}
