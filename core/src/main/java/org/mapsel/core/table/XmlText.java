package org.mapsel.core.table;

import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.function.Consumer;
import javax.xml.stream.XMLOutputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamWriter;

/** Writes XML whose elements stand in each other as the calls do. */
final class XmlText {

  private final XMLStreamWriter out;

  private XmlText(XMLStreamWriter out) {
    this.out = out;
  }

  /**
   * Writes a document.
   *
   * @param namespace that the prefix of the root stands for
   * @param root with its prefix
   */
  static byte[] write(String namespace, String root, Consumer<XmlText> content) {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    try {
      XMLStreamWriter out =
          XMLOutputFactory.newFactory().createXMLStreamWriter(bytes, StandardCharsets.UTF_8.name());
      out.writeStartDocument(StandardCharsets.UTF_8.name(), "1.0");
      out.writeStartElement(root);
      out.writeAttribute("xmlns:" + root.substring(0, root.indexOf(':')), namespace);
      content.accept(new XmlText(out));
      out.writeEndDocument();
      out.close();
    } catch (XMLStreamException e) {
      throw neverHappens(e);
    }
    return bytes.toByteArray();
  }

  private static IllegalStateException neverHappens(XMLStreamException e) {
    return new IllegalStateException("Memory takes everything", e);
  }

  void element(String name, Runnable content) {
    try {
      out.writeStartElement(name);
      content.run();
      out.writeEndElement();
    } catch (XMLStreamException e) {
      throw neverHappens(e);
    }
  }

  void attribute(String name, String value) {
    try {
      out.writeAttribute(name, value);
    } catch (XMLStreamException e) {
      throw neverHappens(e);
    }
  }

  void namespace(String uri) {
    attribute("xmlns", uri);
  }

  void text(String text) {
    try {
      out.writeCharacters(text);
    } catch (XMLStreamException e) {
      throw neverHappens(e);
    }
  }
}
