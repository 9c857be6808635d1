package org.mapsel.core.message.soap;

import java.util.List;
import java.util.Map;
import java.util.Objects;
import javax.xml.XMLConstants;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.finding.Findings;
import org.mapsel.core.message.ParameterCheck;
import org.mapsel.core.message.Trail;
import org.mapsel.core.message.UnknownFields;
import org.mapsel.core.message.soap.WritePlan.Step;
import org.mapsel.core.ref.Name;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.ScalarText;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Shapes;
import org.mapsel.core.shape.Wire;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.NumberValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.TextValue;
import org.mapsel.core.value.Value;

/**
 * Writes values as elements and attributes in the order of their shape. What is required and not
 * given, or not of its type, is a finding that names the field.
 */
final class ElementWriter {

  private final Shapes shapes;
  private final Findings findings;
  private final XmlText out;
  private final @Nullable EncodedTypes encoded;
  private String defaultNamespace = "";

  /**
   * @param encoded how every element says its type; null where the schema alone does
   */
  ElementWriter(Shapes shapes, Findings findings, XmlText out, @Nullable EncodedTypes encoded) {
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
  String start(Name name) {
    return start(WritePlan.Tag.of(name));
  }

  private String start(WritePlan.Tag tag) {
    String outer = defaultNamespace;
    out.start(tag.local());
    if (!tag.namespace().equals(outer)) {
      out.defaultNamespace(tag.namespace());
      defaultNamespace = tag.namespace();
    }
    return outer;
  }

  /** Starts an element that leaves the default namespace as it is. */
  String startWithPrefix(String prefix, Name name) {
    if (name.namespace().isEmpty()) {
      return start(name);
    }
    out.start(prefix + ":" + name.local());
    out.namespace(prefix, name.namespace());
    return defaultNamespace;
  }

  void end(String outerNamespace) {
    out.end();
    defaultNamespace = outerNamespace;
  }

  /** Attributes first, as XML wants it, then the rest in order. */
  void content(ShapeId shape, Value value, Trail path) {
    if (!(value instanceof RecordValue record)) {
      findings.add(path.error("MESSAGE_RECORD_EXPECTED"));
      return;
    }
    WritePlan plan = WritePlan.of(shapes, shape);
    if (!plan.plain()) {
      kind(plan.fields(), record, path);
      attributes(plan.fields(), record, path);
    }
    int known = 0;
    List<Step> steps = plan.steps();
    boolean all = plan.plain();
    int size = steps.size();
    for (int i = 0; i < size; i++) {
      Step step = steps.get(i);
      Value given = record.get(i, step.field().name());
      known += given.isAbsent() ? 0 : 1;
      if (all || step.isContent()) {
        field(step, given, path);
      }
    }
    if (known != record.present()) {
      UnknownFields.report(plan.fields(), record, path, findings);
    }
  }

  private void attributes(List<Field> fields, RecordValue record, Trail path) {
    for (Field field : fields) {
      if (field.wire() instanceof Wire.XmlAttribute attribute) {
        attribute(field, attribute.name(), record.get(field.name()), path.then(field.name()));
      }
    }
  }

  /** Says which derived type the element is of, and writes the attributes that the type adds. */
  private void kind(List<Field> fields, RecordValue record, Trail path) {
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

  private void typeAttribute(Name type) {
    String prefix = type.namespace().isEmpty() ? "" : prefixOf(type.namespace()) + ":";
    out.attribute(prefixOf(Soap.XSI) + ":type", prefix + type.local());
  }

  /** Writes a field of the value at {@code parent}, as often as it has items. */
  void field(Field field, Value value, Trail parent) {
    field(Step.of(field, shapes.get(field.shape())), value, parent);
  }

  private void field(Step step, Value value, Trail parent) {
    if (isPlain(step, value)) {
      plain(step, value, parent);
      return;
    }
    Trail path = parent.then(step.field().name());
    if (value.isAbsent()) {
      if (step.field().isRequired()) {
        missing(step, path);
      }
    } else if (value instanceof ListValue list) {
      if (list.items().isEmpty() && step.field().isRequired()) {
        missing(step, path);
      }
      for (Value item : list.items()) {
        one(step, item, path);
      }
    } else {
      one(step, value, path);
    }
  }

  /** Whether a field is one simple element like those around it, as nearly all are. */
  private boolean isPlain(Step step, Value value) {
    return step.check() != null
        && encoded == null
        && (value instanceof TextValue || value instanceof NumberValue)
        && step.element() != null
        && step.element().namespace().equals(defaultNamespace);
  }

  private void plain(Step step, Value value, Trail parent) {
    Trail path = parent.then(step.field().name());
    String text = Objects.requireNonNull(step.check()).text(value, path, findings);
    if (text != null && !out.element(Objects.requireNonNull(step.element()), text)) {
      findings.add(path.error("MESSAGE_CHARACTER_REFUSED"));
    }
  }

  private void missing(Step step, Trail path) {
    Field field = step.field();
    if (field.assumed().isPresent() && step.shape() instanceof Shape.Scalar) {
      one(step, Value.text(field.assumed().get()), path);
    } else if (!canBeEmpty(field, step.shape())) {
      findings.add(path.error("MESSAGE_PARAMETER_MISSING"));
    } else if (field.nillable()) {
      one(step, Value.NULL, path);
    } else {
      one(step, RecordValue.empty(), path);
    }
  }

  /**
   * Whether a required field may stand with nothing in it: null, or a record of optional fields.
   */
  private boolean canBeEmpty(Field field, Shape shape) {
    return field.nillable()
        || shape instanceof Shape.Record record
            && record.fields().stream().allMatch(inner -> !inner.isRequired() || isAssumed(inner));
  }

  /** Whether it has a value even if nobody gives one. */
  private boolean isAssumed(Field field) {
    Shape shape = shapes.get(field.shape());
    return shape instanceof Shape.Scalar && field.assumed().isPresent()
        || shape instanceof Shape.Record && !field.isRepeated() && canBeEmpty(field, shape);
  }

  private void one(Step step, Value value, Trail path) {
    switch (step.field().wire()) {
      case Wire.XmlElement element -> element(step, value, path);
      case Wire.SoapHeader header -> element(step, value, path);
      case Wire.ArrayItem item -> element(step, value, path);
      case Wire.Member member -> element(step, value, path);
      case Wire.XmlAttribute attribute -> attribute(step.field(), attribute.name(), value, path);
      case Wire.Kind kind -> kindContent(step.field(), value, path);
      case Wire.XmlAny any -> open(value, path, true);
      case Wire.Entries entries -> findings.add(path.error("MESSAGE_FIELD_UNKNOWN"));
      case Wire.EntryName name -> findings.add(path.error("MESSAGE_FIELD_UNKNOWN"));
      case Wire.Attachment attachment -> findings.add(path.error("MESSAGE_ATTACHMENT_UNSUPPORTED"));
      case Wire.XmlText text -> inside(step.shape(), value, path);
      case Wire.Group group -> inside(step.shape(), value, path);
      case Wire.Parameter parameter -> inside(step.shape(), value, path);
      case Wire.Body body -> inside(step.shape(), value, path);
      case Wire.Whole whole -> inside(step.shape(), value, path);
      case Wire.Variant variant -> inside(step.shape(), value, path);
      case Wire.FormPart part -> inside(step.shape(), value, path);
    }
  }

  /** What a derived type adds, except the attributes, which stand in the start tag already. */
  private void kindContent(Field field, Value value, Trail path) {
    RecordValue record = value instanceof RecordValue given ? given : RecordValue.empty();
    WritePlan plan = WritePlan.of(shapes, field.shape());
    for (Step added : plan.steps()) {
      if (added.isContent()) {
        field(added, record.get(added.field().name()), path);
      }
    }
    UnknownFields.report(plan.fields(), record, path, findings);
  }

  private void element(Step step, Value value, Trail path) {
    String outer = start(Objects.requireNonNull(step.element()));
    if (encoded != null && value != Value.NULL) {
      encoded.write(step.shape(), value, this::prefixOf, out);
    }
    if (value == Value.NULL) {
      if (step.field().nillable()) {
        out.attribute(prefixOf(Soap.XSI) + ":nil", "true");
      } else {
        findings.add(path.error("MESSAGE_NULL_REFUSED"));
      }
    } else {
      inside(step.shape(), value, path);
    }
    end(outer);
  }

  private void inside(Shape shape, Value value, Trail path) {
    switch (shape) {
      case Shape.Record record -> content(record.id(), value, path);
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
  private void open(Value value, Trail path, boolean elementsOnly) {
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
            findings.add(path.error("MESSAGE_OPEN_NOT_XML"));
          } else if (!out.characters(text)) {
            findings.add(path.error("MESSAGE_CHARACTER_REFUSED"));
          }
        }
      }
    }
  }

  private void openElement(String name, Value value, Trail path) {
    for (Value one : value instanceof ListValue list ? list.items() : List.of(value)) {
      if (!XmlNames.isLocal(name)) {
        findings.add(path.error("MESSAGE_NAME_REFUSED"));
      } else {
        String outer = start(Name.of(defaultNamespace, name));
        open(one, path, false);
        end(outer);
      }
    }
  }

  private void oneOf(Shape.OneOf oneOf, Value value, Trail path) {
    RecordValue record = value instanceof RecordValue given ? given : RecordValue.empty();
    List<Field> given =
        oneOf.alternatives().stream()
            .filter(field -> !record.get(field.name()).isAbsent())
            .toList();
    if (given.size() == 1) {
      field(given.get(0), record.get(given.get(0).name()), path);
    } else if (given.size() > 1) {
      findings.add(path.error("MESSAGE_ALTERNATIVES_TOO_MANY"));
    } else if (oneOf.alternatives().stream().allMatch(Field::isRequired)) {
      findings.add(path.error("MESSAGE_PARAMETER_MISSING"));
    }
  }

  private void write(Shape.Scalar scalar, Value value, Trail path) {
    String text = checked(scalar, value, path);
    if (text != null && !out.characters(text)) {
      findings.add(path.error("MESSAGE_CHARACTER_REFUSED"));
    }
  }

  private void attribute(Field field, Name name, Value value, Trail path) {
    Value given =
        value.isAbsent() && field.isRequired()
            ? field.assumed().map(Value::text).orElse(value)
            : value;
    if (given.isAbsent()) {
      if (field.isRequired()) {
        findings.add(path.error("MESSAGE_PARAMETER_MISSING"));
      }
      return;
    }
    String text = checked((Shape.Scalar) shapes.get(field.shape()), given, path);
    if (text == null) {
      return;
    }
    String prefix = name.namespace().isEmpty() ? "" : prefixOf(name.namespace()) + ":";
    if (!out.attribute(prefix + name.local(), text)) {
      findings.add(path.error("MESSAGE_CHARACTER_REFUSED"));
    }
  }

  String prefixOf(String namespace) {
    if (namespace.equals(XMLConstants.XML_NS_URI)) {
      return "xml";
    }
    String known = out.prefix(namespace);
    if (known != null && !known.isEmpty()) {
      return known;
    }
    String prefix = "n" + Integer.toUnsignedString(namespace.hashCode(), 36);
    out.namespace(prefix, namespace);
    return prefix;
  }

  /** The text of a simple value; null, with a finding, if it is not one that the type lets in. */
  private @Nullable String checked(Shape.Scalar scalar, Value value, Trail path) {
    if (value instanceof RecordValue || value instanceof ListValue) {
      findings.add(path.error("MESSAGE_SIMPLE_EXPECTED"));
      return null;
    }
    return ParameterCheck.of(scalar).text(value, path, findings);
  }
}
