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
import java.util.Optional;
import javax.xml.XMLConstants;
import javax.xml.parsers.DocumentBuilderFactory;
import javax.xml.transform.Source;
import javax.xml.transform.TransformerFactory;
import javax.xml.transform.dom.DOMSource;
import javax.xml.transform.stream.StreamResult;
import javax.xml.transform.stream.StreamSource;
import javax.xml.validation.Schema;
import javax.xml.validation.SchemaFactory;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.intake.Description;
import org.mapsel.core.read.xsd.Standards;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.Wire;
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
    return of(description, Optional.empty());
  }

  /**
   * For the parts of an rpc message, which stand in no namespace: no schema declares them, but the
   * description gives their types.
   */
  public static SchemaValidation ofParts(Description description, ShapeId message)
      throws Exception {
    StringBuilder schema = new StringBuilder("<schema xmlns='" + XSD + "'>");
    StringBuilder elements = new StringBuilder();
    for (Field part : description.service().shapes().fieldsOf(message)) {
      if (part.wire() instanceof Wire.XmlElement element && element.name().namespace().isEmpty()) {
        ShapeId type = part.shape();
        if (!type.namespace().equals(XSD) && !type.namespace().isEmpty()) {
          schema.append("<import namespace='" + type.namespace() + "'/>");
        }
        elements.append(
            "<element name='"
                + part.name()
                + "' type='t:"
                + type.name()
                + "' xmlns:t='"
                + type.namespace()
                + "'/>");
      }
    }
    return of(description, Optional.of(schema.append(elements).append("</schema>").toString()));
  }

  private static SchemaValidation of(Description description, Optional<String> parts)
      throws Exception {
    Map<String, List<String>> byNamespace = new HashMap<>();
    Map<String, String> byAddress = new HashMap<>();
    List<Source> inline = new ArrayList<>();
    int number = 0;
    for (SourceText source : description.documents()) {
      Document document = parse(source.bytes());
      Element root = document.getDocumentElement();
      if (root.getLocalName().equals("schema")) {
        byAddress.put(source.address(), text(root));
        byNamespace
            .computeIfAbsent(root.getAttribute("targetNamespace"), none -> new ArrayList<>())
            .add(source.address());
        continue;
      }
      NodeList schemas = root.getElementsByTagNameNS(XSD, "schema");
      for (int i = 0; i < schemas.getLength(); i++) {
        Element schema = (Element) schemas.item(i);
        inheritPrefixes(schema);
        String text = text(schema);
        String address = source.address() + ".inline" + number++ + ".xsd";
        byAddress.put(address, text);
        byNamespace
            .computeIfAbsent(schema.getAttribute("targetNamespace"), none -> new ArrayList<>())
            .add(address);
        inline.add(new StreamSource(new StringReader(text), address));
      }
    }
    if (inline.isEmpty()) {
      byAddress.forEach(
          (address, text) -> inline.add(new StreamSource(new StringReader(text), address)));
    }
    parts.ifPresent(
        text -> inline.add(new StreamSource(new StringReader(text), "file:///parts.xsd")));
    SchemaFactory factory = SchemaFactory.newInstance(XSD);
    factory.setErrorHandler(new Strict());
    DOMImplementationLS ls =
        (DOMImplementationLS) DOMImplementationRegistry.newInstance().getDOMImplementation("LS");
    factory.setResourceResolver(
        (type, namespace, publicId, systemId, base) -> {
          String address = systemId == null ? "" : resolve(base, systemId);
          String text = byAddress.get(address);
          if (text == null) {
            text = all(namespace, byNamespace.get(namespace == null ? "" : namespace));
          }
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

  /** The same where the documents are files: the validator finds what they refer to by itself. */
  public static SchemaValidation ofFiles(Description description) throws Exception {
    List<Source> sources = new ArrayList<>();
    for (SourceText source : description.documents()) {
      Element root = parse(source.bytes()).getDocumentElement();
      NodeList schemas = root.getElementsByTagNameNS(XSD, "schema");
      for (int i = 0; i < schemas.getLength(); i++) {
        Element schema = (Element) schemas.item(i);
        inheritPrefixes(schema);
        sources.add(new StreamSource(new StringReader(text(schema)), source.address()));
      }
    }
    SchemaFactory factory = SchemaFactory.newInstance(XSD);
    factory.setErrorHandler(new Strict());
    return new SchemaValidation(factory.newSchema(sources.toArray(new Source[0])));
  }

  /** Several schemas of one namespace, as one that includes them all; null if there is none. */
  private static @Nullable String all(
      @Nullable String namespace, @Nullable List<String> addresses) {
    if (addresses == null) {
      return null;
    }
    StringBuilder schema = new StringBuilder("<schema xmlns='" + XSD + "'");
    if (namespace != null) {
      schema.append(" targetNamespace='" + namespace + "'");
    }
    schema.append(">");
    addresses.forEach(address -> schema.append("<include schemaLocation='" + address + "'/>"));
    return schema.append("</schema>").toString();
  }

  private static String resolve(String base, String location) {
    return base == null ? location : URI.create(base).resolve(location).toString();
  }

  /** Validates every element in the body of an envelope; throws where it is not valid. */
  public int validateBody(byte[] envelope) throws Exception {
    Element root = parse(envelope).getDocumentElement();
    Node body = root.getElementsByTagNameNS(root.getNamespaceURI(), "Body").item(0);
    return validateChildren(body);
  }

  /** Validates the elements in the header of an envelope that are not part of a standard. */
  public int validateHeader(byte[] envelope) throws Exception {
    Element root = parse(envelope).getDocumentElement();
    Node header = root.getElementsByTagNameNS(root.getNamespaceURI(), "Header").item(0);
    return header == null ? 0 : validateChildren(header);
  }

  /** Like {@link #validateBody}, one element further in: the parts of an rpc message. */
  public int validateParts(byte[] envelope) throws Exception {
    Element root = parse(envelope).getDocumentElement();
    Node body = root.getElementsByTagNameNS(root.getNamespaceURI(), "Body").item(0);
    return validateChildren(body.getFirstChild());
  }

  private int validateChildren(Node parent) throws Exception {
    int validated = 0;
    for (Node child = parent.getFirstChild(); child != null; child = child.getNextSibling()) {
      if (child instanceof Element element && !Standards.isKnown(namespace(element))) {
        var validator = schema.newValidator();
        validator.setErrorHandler(new Strict());
        validator.validate(new DOMSource(child));
        validated++;
      }
    }
    return validated;
  }

  private static String namespace(Element element) {
    return element.getNamespaceURI() == null ? "" : element.getNamespaceURI();
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
    // Messages keep the order of the schema, so a sequence asks for more than an all group does;
    // and
    // this validator refuses all groups in places where toolkits use them.
    return writer.toString().replaceAll("(</?(\\w+:)?)all(?=[ />])", "$1sequence");
  }

  private static final class Strict extends DefaultHandler {
    @Override
    public void error(org.xml.sax.SAXParseException e) throws SAXException {
      throw e;
    }
  }
}
