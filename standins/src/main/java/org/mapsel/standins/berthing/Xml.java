package org.mapsel.standins.berthing;

import javax.xml.XMLConstants;
import javax.xml.parsers.DocumentBuilderFactory;
import javax.xml.parsers.ParserConfigurationException;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.Node;

/** Builds answers as DOM elements. */
final class Xml {

  static final String MESSAGES = "urn:saltmere:berthing";
  static final String TYPES = "urn:saltmere:berthing:types";

  private Xml() {}

  static Element message(String name) {
    try {
      DocumentBuilderFactory factory = DocumentBuilderFactory.newInstance();
      factory.setNamespaceAware(true);
      Document document = factory.newDocumentBuilder().newDocument();
      Element root = document.createElementNS(MESSAGES, "b:" + name);
      root.setAttributeNS(XMLConstants.XMLNS_ATTRIBUTE_NS_URI, "xmlns:t", TYPES);
      document.appendChild(root);
      return root;
    } catch (ParserConfigurationException e) {
      throw new IllegalStateException(e);
    }
  }

  static Element child(Element parent, String namespace, String name) {
    String prefix = namespace.equals(MESSAGES) ? "b:" : "t:";
    Element child = parent.getOwnerDocument().createElementNS(namespace, prefix + name);
    parent.appendChild(child);
    return child;
  }

  static void text(Element parent, String namespace, String name, Object value) {
    child(parent, namespace, name).setTextContent(String.valueOf(value));
  }

  /** The text of the first element of this name below, or null. */
  static String find(Element from, String name) {
    Node found = from.getElementsByTagNameNS("*", name).item(0);
    return found == null ? null : found.getTextContent();
  }

  /** Every value in a message as {@code name=value}, for the request log. */
  static String values(Element from) {
    StringBuilder values = new StringBuilder();
    for (Node node = from.getFirstChild(); node != null; node = node.getNextSibling()) {
      if (node instanceof Element element) {
        boolean leaf = element.getElementsByTagNameNS("*", "*").getLength() == 0;
        values.append(
            leaf ? " " + element.getLocalName() + "=" + element.getTextContent() : values(element));
      }
    }
    return values.toString();
  }
}
