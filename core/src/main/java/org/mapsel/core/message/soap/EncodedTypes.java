package org.mapsel.core.message.soap;

import java.util.Optional;
import org.mapsel.core.ref.Name;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Wire;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;

/** What an element says about its type in the SOAP encoding (SOAP 1.1, sections 5.1 and 5.4.2). */
final class EncodedTypes {

  private static final String XSD = "http://www.w3.org/2001/XMLSchema";

  /** Gives the prefix of a namespace, declaring it where needed. */
  interface Prefixes {
    String of(String namespace);
  }

  private final Optional<String> type;
  private final Optional<String> arrayType;
  private final String encodingPrefix;

  private EncodedTypes(Optional<String> type, Optional<String> arrayType, String encodingPrefix) {
    this.type = type;
    this.arrayType = arrayType;
    this.encodingPrefix = encodingPrefix;
  }

  static EncodedTypes of(Shape shape, Value value, Prefixes prefixes) {
    Optional<Field> items = items(shape);
    if (items.isPresent() && items.get().wire() instanceof Wire.ArrayItem item) {
      Value given = value instanceof RecordValue record ? record.get(items.get().name()) : value;
      int count = given instanceof ListValue list ? list.items().size() : given.isAbsent() ? 0 : 1;
      String encoding = prefixes.of(Soap.ENCODING_11);
      return new EncodedTypes(
          Optional.of(encoding + ":Array"),
          Optional.of(
              prefixes.of(item.type().namespace()) + ":" + item.type().local() + "[" + count + "]"),
          encoding);
    }
    Optional<Name> name = name(shape);
    return new EncodedTypes(
        name.isEmpty()
            ? Optional.empty()
            : Optional.of(prefixes.of(name.get().namespace()) + ":" + name.get().local()),
        Optional.empty(),
        "");
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

  void writeTo(XmlText out) {
    if (type.isPresent()) {
      out.attribute("xsi:type", type.get());
    }
    if (arrayType.isPresent()) {
      out.attribute(encodingPrefix + ":arrayType", arrayType.get());
    }
  }
}
