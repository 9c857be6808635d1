package org.mapsel.core.testing;

import java.io.ByteArrayInputStream;
import java.io.StringReader;
import java.io.StringWriter;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import javax.xml.XMLConstants;
import javax.xml.parsers.DocumentBuilderFactory;
import javax.xml.transform.Source;
import javax.xml.transform.TransformerFactory;
import javax.xml.transform.dom.DOMSource;
import javax.xml.transform.stream.StreamResult;
import javax.xml.transform.stream.StreamSource;
import javax.xml.validation.Schema;
import javax.xml.validation.SchemaFactory;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.intake.Description;
import org.mapsel.core.read.xsd.Standards;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.NamedNodeMap;
import org.w3c.dom.Node;
import org.w3c.dom.NodeList;
import org.w3c.dom.bootstrap.DOMImplementationRegistry;
import org.w3c.dom.ls.DOMImplementationLS;
import org.w3c.dom.ls.LSInput;
import org.xml.sax.SAXException;
import org.xml.sax.helpers.DefaultHandler;

/** Validates messages with the JDK's schema validator against a description's own schemas. */
public final class SchemaValidation {

  private static final String XSD = XMLConstants.W3C_XML_SCHEMA_NS_URI;

  private final Schema schema;

  private SchemaValidation(Schema schema) {
    this.schema = schema;
  }

  public static SchemaValidation of(Description description) throws Exception {
    Map<String, String> byNamespace = new HashMap<>();
    Map<String, String> byAddress = new HashMap<>();
    List<Source> inline = new ArrayList<>();
    int number = 0;
    for (SourceText source : description.documents()) {
      Document document = parse(source.bytes());
      Element root = document.getDocumentElement();
      if (root.getLocalName().equals("schema")) {
        byAddress.put(source.address(), text(root));
        byNamespace.putIfAbsent(root.getAttribute("targetNamespace"), text(root));
        continue;
      }
      NodeList schemas = root.getElementsByTagNameNS(XSD, "schema");
      for (int i = 0; i < schemas.getLength(); i++) {
        Element schema = (Element) schemas.item(i);
        inheritPrefixes(schema);
        String text = text(schema);
        byNamespace.putIfAbsent(schema.getAttribute("targetNamespace"), text);
        inline.add(new StreamSource(new StringReader(text), source.address() + "#" + number++));
      }
    }
    if (inline.isEmpty()) {
      byAddress.forEach(
          (address, text) -> inline.add(new StreamSource(new StringReader(text), address)));
    }
    SchemaFactory factory = SchemaFactory.newInstance(XSD);
    factory.setErrorHandler(new Strict());
    DOMImplementationLS ls =
        (DOMImplementationLS) DOMImplementationRegistry.newInstance().getDOMImplementation("LS");
    factory.setResourceResolver(
        (type, namespace, publicId, systemId, base) -> {
          String address = systemId == null ? "" : resolve(base, systemId);
          String text =
              byAddress.getOrDefault(address, byNamespace.get(namespace == null ? "" : namespace));
          if (text == null && namespace != null && Standards.isKnown(namespace)) {
            text = new String(Standards.schema(namespace).bytes(), StandardCharsets.UTF_8);
          }
          if (text == null) {
            return null;
          }
          LSInput input = ls.createLSInput();
          input.setStringData(text);
          input.setSystemId(address.isEmpty() ? "namespace:" + namespace : address);
          return input;
        });
    return new SchemaValidation(factory.newSchema(inline.toArray(new Source[0])));
  }

  private static String resolve(String base, String location) {
    return base == null ? location : URI.create(base).resolve(location).toString();
  }

  /** Validates every element in the body of an envelope; throws where it is not valid. */
  public int validateBody(byte[] envelope) throws Exception {
    Element root = parse(envelope).getDocumentElement();
    Node body = root.getElementsByTagNameNS(root.getNamespaceURI(), "Body").item(0);
    int validated = 0;
    for (Node child = body.getFirstChild(); child != null; child = child.getNextSibling()) {
      if (child instanceof Element) {
        var validator = schema.newValidator();
        validator.setErrorHandler(new Strict());
        validator.validate(new DOMSource(child));
        validated++;
      }
    }
    return validated;
  }

  private static void inheritPrefixes(Element schema) {
    for (Node outer = schema.getParentNode();
        outer instanceof Element element;
        outer = outer.getParentNode()) {
      NamedNodeMap attributes = element.getAttributes();
      for (int i = 0; i < attributes.getLength(); i++) {
        Node attribute = attributes.item(i);
        if (attribute.getNodeName().startsWith("xmlns")
            && !schema.hasAttribute(attribute.getNodeName())) {
          schema.setAttributeNS(
              XMLConstants.XMLNS_ATTRIBUTE_NS_URI,
              attribute.getNodeName(),
              attribute.getNodeValue());
        }
      }
    }
  }

  private static Document parse(byte[] bytes) throws Exception {
    DocumentBuilderFactory factory = DocumentBuilderFactory.newInstance();
    factory.setNamespaceAware(true);
    return factory.newDocumentBuilder().parse(new ByteArrayInputStream(bytes));
  }

  private static String text(Element element) throws Exception {
    StringWriter writer = new StringWriter();
    TransformerFactory.newInstance()
        .newTransformer()
        .transform(new DOMSource(element), new StreamResult(writer));
    return writer.toString();
  }

  private static final class Strict extends DefaultHandler {
    @Override
    public void error(org.xml.sax.SAXParseException e) throws SAXException {
      throw e;
    }
  }
}
