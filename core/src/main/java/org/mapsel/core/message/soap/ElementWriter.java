package org.mapsel.core.message.soap;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import javax.xml.XMLConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamWriter;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Findings;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.Name;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.ScalarText;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Shapes;
import org.mapsel.core.shape.Wire;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;

/**
 * Writes values as elements and attributes in the order of their shape. What is required and not
 * given, or not of its type, is a finding that names the field.
 */
final class ElementWriter {

  private final Shapes shapes;
  private final Findings findings;
  private final XMLStreamWriter out;
  private final boolean encoded;
  private String defaultNamespace = "";

  /**
   * @param encoded whether every element says its type, by the rules of SOAP 1.1, section 5
   */
  ElementWriter(Shapes shapes, Findings findings, XMLStreamWriter out, boolean encoded) {
    this.shapes = shapes;
    this.findings = findings;
    this.out = out;
    this.encoded = encoded;
  }

  /**
   * Starts an element; its namespace becomes the default one where it is not already.
   *
   * @return the default namespace around it, for {@link #end}
   */
  String start(Name name) throws XMLStreamException {
    String outer = defaultNamespace;
    out.writeStartElement("", name.local(), name.namespace());
    if (!name.namespace().equals(outer)) {
      out.writeDefaultNamespace(name.namespace());
      defaultNamespace = name.namespace();
    }
    return outer;
  }

  void end(String outerNamespace) throws XMLStreamException {
    out.writeEndElement();
    defaultNamespace = outerNamespace;
  }

  /** Attributes first, as XML wants it, then the rest in order. */
  void content(List<Field> fields, Value value, FieldPath path) throws XMLStreamException {
    if (!(value instanceof RecordValue record)) {
      findings.add(Finding.error("MESSAGE_RECORD_EXPECTED", "field", path.toString()).about(path));
      return;
    }
    kind(fields, record, path);
    attributes(fields, record, path);
    for (Field field : fields) {
      if (isContent(field.wire())) {
        field(field, record.get(field.name()), path);
      }
    }
    reportUnknown(fields, record, path);
  }

  private void attributes(List<Field> fields, RecordValue record, FieldPath path)
      throws XMLStreamException {
    for (Field field : fields) {
      if (field.wire() instanceof Wire.XmlAttribute attribute) {
        attribute(field, attribute.name(), record.get(field.name()), path.then(field.name()));
      }
    }
  }

  /** Says which derived type the element is of, and writes the attributes that the type adds. */
  private void kind(List<Field> fields, RecordValue record, FieldPath path)
      throws XMLStreamException {
    for (Field field : fields) {
      if (field.wire() instanceof Wire.Group
          && record.get(field.name()) instanceof RecordValue chosen
          && shapes.get(field.shape()) instanceof Shape.OneOf oneOf
          && oneOf.reason() == Shape.OneOf.Reason.DERIVATION) {
        for (Field kind : oneOf.alternatives()) {
          if (kind.wire() instanceof Wire.Kind type
              && chosen.get(kind.name()) instanceof RecordValue added) {
            typeAttribute(type.type());
            attributes(
                shapes.fieldsOf(kind.shape()), added, path.then(field.name()).then(kind.name()));
          }
        }
      }
    }
  }

  private void typeAttribute(Name type) throws XMLStreamException {
    String prefix = type.namespace().isEmpty() ? "" : prefixOf(type.namespace()) + ":";
    out.writeAttribute("xsi", Soap.XSI, "type", prefix + type.local());
  }

  private static boolean isContent(Wire wire) {
    return !(wire instanceof Wire.XmlAttribute || wire instanceof Wire.SoapHeader);
  }

  private void reportUnknown(List<Field> fields, RecordValue record, FieldPath path) {
    record.forEach(
        (name, value) -> {
          if (fields.stream().noneMatch(field -> field.name().equals(name))) {
            findings.add(
                Finding.error("MESSAGE_FIELD_UNKNOWN", "field", path.then(name).toString())
                    .about(path.then(name)));
          }
        });
  }

  /** Writes a field of the value at {@code parent}, as often as it has items. */
  void field(Field field, Value value, FieldPath parent) throws XMLStreamException {
    FieldPath path = parent.then(field.name());
    if (value.isAbsent()) {
      if (field.isRequired()) {
        missing(field, path);
      }
    } else if (value instanceof ListValue list) {
      if (list.items().isEmpty() && field.isRequired()) {
        missing(field, path);
      }
      for (Value item : list.items()) {
        one(field, item, path);
      }
    } else {
      one(field, value, path);
    }
  }

  private void missing(Field field, FieldPath path) throws XMLStreamException {
    if (field.fixed().isPresent() && shapes.get(field.shape()) instanceof Shape.Scalar) {
      one(field, Value.text(field.fixed().get()), path);
    } else if (!canBeEmpty(field)) {
      findings.add(
          Finding.error("MESSAGE_PARAMETER_MISSING", "field", path.toString()).about(path));
    } else if (field.nillable()) {
      one(field, Value.NULL, path);
    } else {
      one(field, RecordValue.empty(), path);
    }
  }

  /**
   * Whether a required field may stand with nothing in it: null, or a record of optional fields.
   */
  private boolean canBeEmpty(Field field) {
    return field.nillable()
        || shapes.get(field.shape()) instanceof Shape.Record record
            && record.fields().stream().noneMatch(Field::isRequired);
  }

  private void one(Field field, Value value, FieldPath path) throws XMLStreamException {
    switch (field.wire()) {
      case Wire.XmlElement element -> element(field, element.name(), value, path);
      case Wire.SoapHeader header -> element(field, header.name(), value, path);
      case Wire.XmlText text -> text(field, value, path);
      case Wire.Group group -> inside(shapes.get(field.shape()), value, path);
      case Wire.ArrayItem item -> element(field, Name.of("", item.local()), value, path);
      case Wire.Kind kind -> kindContent(field, value, path);
      case Wire.XmlAny any -> open(value, path, true);
      case Wire.XmlAttribute attribute -> attribute(field, attribute.name(), value, path);
      case Wire.Parameter parameter -> text(field, value, path);
      case Wire.Body body -> text(field, value, path);
      case Wire.Attachment attachment ->
          findings.add(
              Finding.error("MESSAGE_ATTACHMENT_UNSUPPORTED", "field", path.toString())
                  .about(path));
    }
  }

  /** What a derived type adds, except the attributes, which stand in the start tag already. */
  private void kindContent(Field field, Value value, FieldPath path) throws XMLStreamException {
    RecordValue record = value instanceof RecordValue given ? given : RecordValue.empty();
    for (Field added : shapes.fieldsOf(field.shape())) {
      if (isContent(added.wire())) {
        field(added, record.get(added.name()), path);
      }
    }
    reportUnknown(shapes.fieldsOf(field.shape()), record, path);
  }

  private void element(Field field, Name name, Value value, FieldPath path)
      throws XMLStreamException {
    String outer = start(name);
    if (encoded && value != Value.NULL) {
      EncodedTypes.of(shapes.get(field.shape()), value, this::prefixOf).writeTo(out);
    }
    if (value == Value.NULL) {
      if (field.nillable()) {
        out.writeAttribute("xsi", Soap.XSI, "nil", "true");
      } else {
        findings.add(Finding.error("MESSAGE_NULL_REFUSED", "field", path.toString()).about(path));
      }
    } else {
      Shape shape = shapes.get(field.shape());
      if (shape instanceof Shape.Scalar) {
        text(field, value, path);
      } else {
        inside(shape, value, path);
      }
    }
    end(outer);
  }

  private void inside(Shape shape, Value value, FieldPath path) throws XMLStreamException {
    switch (shape) {
      case Shape.Record record -> content(record.fields(), value, path);
      case Shape.OneOf oneOf -> oneOf(oneOf, value, path);
      case Shape.Scalar scalar -> write(scalar, value, path);
      case Shape.Repeated repeated -> inside(shapes.get(repeated.item()), value, path);
      case Shape.Open open -> open(value, path, false);
    }
  }

  /**
   * Open content: well-formed XML as it stands, a record as elements named like its fields, any
   * other text as text, except where only elements may stand.
   */
  private void open(Value value, FieldPath path, boolean elementsOnly) throws XMLStreamException {
    switch (value) {
      case ListValue list -> {
        for (Value item : list.items()) {
          open(item, path, elementsOnly);
        }
      }
      case RecordValue record -> {
        for (Map.Entry<String, Value> child : record.toMap().entrySet()) {
          openElement(child.getKey(), child.getValue(), path.then(child.getKey()));
        }
      }
      default -> {
        String text = ScalarText.print(value);
        if (!FragmentWriter.write(text, this, out)) {
          if (elementsOnly) {
            findings.add(
                Finding.error("MESSAGE_OPEN_NOT_XML", "field", path.toString()).about(path));
          } else {
            out.writeCharacters(text);
          }
        }
      }
    }
  }

  private void openElement(String name, Value value, FieldPath path) throws XMLStreamException {
    for (Value one : value instanceof ListValue list ? list.items() : List.of(value)) {
      if (!XmlNames.isLocal(name)) {
        findings.add(Finding.error("MESSAGE_NAME_REFUSED", "field", path.toString()).about(path));
      } else {
        String outer = start(Name.of(defaultNamespace, name));
        open(one, path, false);
        end(outer);
      }
    }
  }

  private void oneOf(Shape.OneOf oneOf, Value value, FieldPath path) throws XMLStreamException {
    RecordValue record = value instanceof RecordValue given ? given : RecordValue.empty();
    List<Field> given =
        oneOf.alternatives().stream()
            .filter(field -> !record.get(field.name()).isAbsent())
            .toList();
    if (given.size() == 1) {
      field(given.get(0), record.get(given.get(0).name()), path);
    } else if (given.size() > 1) {
      findings.add(
          Finding.error("MESSAGE_ALTERNATIVES_TOO_MANY", "field", path.toString()).about(path));
    } else if (oneOf.alternatives().stream().allMatch(Field::isRequired)) {
      findings.add(
          Finding.error("MESSAGE_PARAMETER_MISSING", "field", path.toString()).about(path));
    }
  }

  private void text(Field field, Value value, FieldPath path) throws XMLStreamException {
    if (shapes.get(field.shape()) instanceof Shape.Scalar scalar) {
      write(scalar, value, path);
    } else {
      inside(shapes.get(field.shape()), value, path);
    }
  }

  private void write(Shape.Scalar scalar, Value value, FieldPath path) throws XMLStreamException {
    Optional<String> text = checked(scalar, value, path);
    if (text.isPresent()) {
      out.writeCharacters(text.get());
    }
  }

  private void attribute(Field field, Name name, Value value, FieldPath path)
      throws XMLStreamException {
    Value given =
        value.isAbsent() && field.isRequired() && field.fixed().isPresent()
            ? Value.text(field.fixed().get())
            : value;
    if (given.isAbsent()) {
      if (field.isRequired()) {
        findings.add(
            Finding.error("MESSAGE_PARAMETER_MISSING", "field", path.toString()).about(path));
      }
      return;
    }
    Optional<String> text = checked((Shape.Scalar) shapes.get(field.shape()), given, path);
    if (text.isEmpty()) {
      return;
    }
    if (name.namespace().isEmpty()) {
      out.writeAttribute(name.local(), text.get());
    } else {
      String prefix = prefixOf(name.namespace());
      out.writeAttribute(prefix, name.namespace(), name.local(), text.get());
    }
  }

  String prefixOf(String namespace) throws XMLStreamException {
    if (namespace.equals(XMLConstants.XML_NS_URI)) {
      return "xml";
    }
    if (namespace.equals(Soap.XSI)) {
      return "xsi";
    }
    String known = out.getPrefix(namespace);
    if (known != null && !known.isEmpty()) {
      return known;
    }
    String prefix = "n" + Integer.toUnsignedString(namespace.hashCode(), 36);
    out.writeNamespace(prefix, namespace);
    return prefix;
  }

  /** The text of a simple value, if it is one that the type lets in. */
  private Optional<String> checked(Shape.Scalar scalar, Value value, FieldPath path) {
    if (value instanceof RecordValue || value instanceof ListValue) {
      findings.add(Finding.error("MESSAGE_SIMPLE_EXPECTED", "field", path.toString()).about(path));
      return Optional.empty();
    }
    String text = ScalarText.print(scalar.type(), value);
    Optional<Finding> wrong = ParameterCheck.check(scalar, text, path);
    wrong.ifPresent(findings::add);
    return wrong.isPresent()
        ? Optional.empty()
        : ScalarText.parse(scalar.type(), text)
            .map(parsed -> ScalarText.print(scalar.type(), parsed));
  }
}
