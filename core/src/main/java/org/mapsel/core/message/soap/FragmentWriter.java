package org.mapsel.core.message.soap;

import java.nio.charset.StandardCharsets;
import java.util.Map;
import org.mapsel.core.document.DocumentException;
import org.mapsel.core.document.Limits;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.document.XmlAttribute;
import org.mapsel.core.document.XmlCursor;

/** Copies XML that somebody gave as text into a message. */
final class FragmentWriter {

  private final XmlCursor cursor;
  private final ElementWriter elements;
  private final XmlText out;

  private FragmentWriter(XmlCursor cursor, ElementWriter elements, XmlText out) {
    this.cursor = cursor;
    this.elements = elements;
    this.out = out;
  }

  /** False, with nothing written, if the text is not one well-formed element. */
  static boolean write(String text, ElementWriter elements, XmlText out) {
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

  private void copy() throws DocumentException {
    String outer = elements.start(cursor.name());
    for (Map.Entry<String, String> prefix : cursor.prefixes().entrySet()) {
      out.namespace(prefix.getKey(), prefix.getValue());
    }
    for (XmlAttribute attribute : cursor.attributes()) {
      if (attribute.namespace().isEmpty()) {
        out.attribute(attribute.local(), attribute.value());
      } else {
        String prefix = elements.prefixOf(attribute.namespace());
        out.attribute(prefix + ":" + attribute.local(), attribute.value());
      }
    }
    StringBuilder text = new StringBuilder();
    int depth = cursor.depth();
    while (cursor.nextChildOrText(depth, text)) {
      out.characters(text.toString());
      text.setLength(0);
      copy();
    }
    out.characters(text.toString());
    elements.end(outer);
  }
}
