package org.mapsel.core.message.soap;

import java.util.Optional;
import org.mapsel.core.ref.Name;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.service.Protocol;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Wire;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;

/**
 * What every element says about its type in the SOAP encoding (SOAP 1.1, sections 5.1 and 5.4.2;
 * SOAP 1.2 part 2, sections 3.1.4 and 3.1.6).
 */
final class EncodedTypes {

  private static final String XSD = "http://www.w3.org/2001/XMLSchema";
  private static final String ARRAY = "Array";

  /** Gives the prefix of a namespace, declaring it where needed. */
  interface Prefixes {
    String of(String namespace);
  }

  private final String encoding;

  private EncodedTypes(String encoding) {
    this.encoding = encoding;
  }

  /** The rules of the version of SOAP that a protocol is of. */
  static EncodedTypes of(Protocol protocol) {
    return new EncodedTypes(Soap.encoding(protocol));
  }

  String namespace() {
    return encoding;
  }

  /** Writes the attributes into the start tag that is open. */
  void write(Shape shape, Value value, Prefixes prefixes, XmlText out) {
    Optional<Field> items = items(shape);
    if (items.isPresent() && items.get().wire() instanceof Wire.ArrayItem item) {
      Value given = value instanceof RecordValue record ? record.get(items.get().name()) : value;
      int count = given instanceof ListValue list ? list.items().size() : given.isAbsent() ? 0 : 1;
      String itemType = qualified(item.type(), prefixes);
      String prefix = prefixes.of(encoding);
      out.attribute("xsi:type", prefix + ":" + ARRAY);
      if (encoding.equals(Soap.ENCODING_11)) {
        out.attribute(prefix + ":arrayType", itemType + "[" + count + "]");
      } else {
        out.attribute(prefix + ":itemType", itemType);
        out.attribute(prefix + ":arraySize", String.valueOf(count));
      }
    } else {
      name(shape).ifPresent(name -> out.attribute("xsi:type", qualified(name, prefixes)));
    }
  }

  /**
   * Descriptions name the types of SOAP 1.1 also where their binding is of SOAP 1.2, whose servers
   * know the simple ones by XML Schema alone.
   */
  private String qualified(Name type, Prefixes prefixes) {
    String namespace = type.namespace();
    if (Soap.isEncoding(namespace) && !encoding.equals(Soap.ENCODING_11)) {
      namespace = type.local().equals(ARRAY) ? encoding : XSD;
    }
    return prefixes.of(namespace) + ":" + type.local();
  }

  private static Optional<Field> items(Shape shape) {
    return shape instanceof Shape.Record record && record.fields().size() == 1
        ? Optional.of(record.fields().get(0))
        : Optional.empty();
  }

  private static Optional<Name> name(Shape shape) {
    ShapeId id = shape.id();
    if (!id.namespace().isEmpty() && !id.name().startsWith("/") && !id.name().isEmpty()) {
      return shape instanceof Shape.Open
          ? Optional.empty()
          : Optional.of(Name.of(id.namespace(), id.name()));
    }
    return shape instanceof Shape.Scalar scalar && scalar.builtIn().startsWith("xs:")
        ? Optional.of(Name.of(XSD, scalar.builtIn().substring(3)))
        : Optional.empty();
  }
}
