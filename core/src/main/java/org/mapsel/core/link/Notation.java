package org.mapsel.core.link;

import java.util.List;
import org.mapsel.core.declare.DataType;
import org.mapsel.core.ref.Name;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.Occurrence;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Wire;

/** What values with named members are written in; the same type is a shape of its own in each. */
enum Notation {
  JSON,
  XML;

  /** The id of a declared type in this notation. */
  ShapeId id(String name) {
    return new ShapeId(this == JSON ? "" : "xml", name);
  }

  /** What people call a member; what a format says of its own data has marks in its name. */
  static String fieldName(String member) {
    if (member.isEmpty() || member.charAt(0) != '@' && member.charAt(0) != '_') {
      return member;
    }
    String plain = member.startsWith("@") ? member.substring(member.lastIndexOf('.') + 1) : member;
    String bare = plain.replaceFirst("^[@_]+", "");
    return bare.isEmpty() ? member : plain.startsWith("__") || plain.startsWith("@") ? bare : plain;
  }

  /** How a member stands in a message. */
  Wire wire(String member, DataTypes.Meaning meaning) {
    if (this == JSON) {
      return new Wire.Member(member);
    }
    if (meaning.xml().text()) {
      return new Wire.XmlText();
    }
    Name name = Name.of(meaning.xml().namespace(), meaning.xml().name().orElse(member));
    boolean list = meaning.form() instanceof DataType.ListOf;
    return meaning.xml().attribute() && !list
        ? new Wire.XmlAttribute(name)
        : new Wire.XmlElement(name);
  }

  /**
   * A list in XML: its items stand one after another, with an element around them if the
   * description says that they are wrapped. Items are named like the list unless they have a name.
   */
  static Field xmlList(DataShapes shapes, Field field, DataType.ListOf list, boolean wrapped) {
    Wire.XmlElement element = (Wire.XmlElement) field.wire();
    DataTypes.Meaning item = shapes.types().meaning(list.item());
    Name name =
        item.xml().name().isPresent()
            ? Name.of(item.xml().namespace(), item.xml().name().get())
            : element.name();
    ShapeId inside = shapes.reserve(field.shape());
    Occurrence most = list.occurrence();
    ShapeId shape = shapes.shape(item, () -> inside.inner("item"), XML);
    if (!wrapped) {
      int least = field.isRequired() ? Math.max(1, most.min()) : 0;
      return field
          .of(shape)
          .occurring(Occurrence.of(least, most.max()))
          .on(new Wire.XmlElement(name));
    }
    Field items = Field.of(name.local(), shape, most, new Wire.XmlElement(name));
    shapes.add(new Shape.Record(inside, List.of(items)));
    return field.of(inside);
  }
}
