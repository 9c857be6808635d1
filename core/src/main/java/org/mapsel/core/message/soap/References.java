package org.mapsel.core.message.soap;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import javax.xml.XMLConstants;
import javax.xml.parsers.DocumentBuilderFactory;
import javax.xml.parsers.ParserConfigurationException;
import javax.xml.transform.TransformerException;
import javax.xml.transform.TransformerFactory;
import javax.xml.transform.dom.DOMSource;
import javax.xml.transform.stream.StreamResult;
import org.mapsel.core.document.Limits;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Findings;
import org.w3c.dom.Attr;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.NamedNodeMap;
import org.w3c.dom.Node;
import org.xml.sax.SAXException;

/**
 * Puts values that an encoded answer holds once and refers to, by {@code href} and {@code id}, in
 * the places that refer to them (SOAP 1.1, section 5.4.1; SOAP 1.2 part 2, section 3.1.5).
 */
final class References {

  /** What an answer may grow to; more is an attack by values that refer to each other. */
  private static final int MAX_COPIED = 1_000_000;

  private final Findings findings;
  private final Map<String, Element> byId = new HashMap<>();
  private final Set<String> open = new HashSet<>();
  private int copied;

  private References(Findings findings) {
    this.findings = findings;
  }

  /** The answer without references; as it was if it has none or is not well-formed. */
  static byte[] resolve(byte[] body, Findings findings) {
    String text = new String(body, StandardCharsets.ISO_8859_1);
    if (!text.contains("ref=")) {
      return body;
    }
    try {
      DocumentBuilderFactory factory = DocumentBuilderFactory.newDefaultInstance();
      factory.setNamespaceAware(true);
      factory.setFeature(XMLConstants.FEATURE_SECURE_PROCESSING, true);
      factory.setAttribute(
          "http://www.oracle.com/xml/jaxp/properties/maxElementDepth",
          String.valueOf(Limits.ANSWER.maxDepth()));
      factory.setFeature("http://apache.org/xml/features/disallow-doctype-decl", true);
      var builder = factory.newDocumentBuilder();
      builder.setErrorHandler(null);
      Document document = builder.parse(new ByteArrayInputStream(body));
      References references = new References(findings);
      references.index(document.getDocumentElement());
      references.replaceIn(document.getDocumentElement());
      ByteArrayOutputStream bytes = new ByteArrayOutputStream(body.length);
      TransformerFactory.newDefaultInstance()
          .newTransformer()
          .transform(new DOMSource(document), new StreamResult(bytes));
      return bytes.toByteArray();
    } catch (SAXException e) {
      // Whoever reads the body next says where it is broken.
      return body;
    } catch (IOException | ParserConfigurationException | TransformerException e) {
      throw new IllegalStateException(e);
    }
  }

  private void index(Element element) {
    String id = element.getAttribute("id");
    if (id.isEmpty()) {
      id = element.getAttributeNS(Soap.ENCODING_12, "id");
    }
    if (!id.isEmpty()) {
      byId.put(id, element);
    }
    for (Node child = element.getFirstChild(); child != null; child = child.getNextSibling()) {
      if (child instanceof Element inner) {
        index(inner);
      }
    }
  }

  private void replaceIn(Element element) {
    Optional<String> target = target(element);
    if (target.isPresent()) {
      Element value = byId.get(target.get());
      if (value == null) {
        findings.add(Finding.warning("MESSAGE_REFERENCE_DANGLING", "id", target.get()));
        return;
      }
      if (open.size() > Limits.ANSWER.maxDepth() || !open.add(target.get())) {
        findings.add(Finding.warning("MESSAGE_REFERENCE_CIRCULAR", "id", target.get()));
        return;
      }
      copy(value, element);
      replaceChildren(element);
      open.remove(target.get());
    } else {
      replaceChildren(element);
    }
  }

  private void replaceChildren(Element element) {
    for (Node child = element.getFirstChild(); child != null; child = child.getNextSibling()) {
      if (child instanceof Element inner) {
        replaceIn(inner);
      }
    }
  }

  private static int weight(Node node) {
    int weight = 1;
    for (Node child = node.getFirstChild(); child != null; child = child.getNextSibling()) {
      weight += weight(child);
    }
    return weight;
  }

  private static Optional<String> target(Element element) {
    String href = element.getAttribute("href");
    String ref = element.getAttributeNS(Soap.ENCODING_12, "ref");
    if (href.startsWith("#")) {
      return Optional.of(href.substring(1));
    }
    String bare = element.getAttribute("ref");
    if (bare.startsWith("#")) {
      // There are servers that leave the namespace out.
      return Optional.of(bare.substring(1));
    }
    return ref.isEmpty() ? Optional.empty() : Optional.of(ref.replaceFirst("^#", ""));
  }

  private void copy(Element from, Element to) {
    to.removeAttribute("href");
    to.removeAttribute("ref");
    to.removeAttributeNS(Soap.ENCODING_12, "ref");
    NamedNodeMap attributes = from.getAttributes();
    for (int i = 0; i < attributes.getLength(); i++) {
      Attr attribute = (Attr) attributes.item(i);
      if (!attribute.getName().equals("id")) {
        to.setAttributeNS(attribute.getNamespaceURI(), attribute.getName(), attribute.getValue());
      }
    }
    for (Node child = from.getFirstChild(); child != null; child = child.getNextSibling()) {
      copied += weight(child);
      if (copied > MAX_COPIED) {
        findings.add(
            Finding.error("MESSAGE_REFERENCES_TOO_MANY", "limit", String.valueOf(MAX_COPIED)));
        return;
      }
      to.appendChild(child.cloneNode(true));
    }
  }
}
