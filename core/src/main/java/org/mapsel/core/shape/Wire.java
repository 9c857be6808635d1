package org.mapsel.core.shape;

import org.mapsel.core.ref.Name;
import org.mapsel.core.ref.ShapeId;

/** How a field stands in a message. */
public sealed interface Wire {

  /** An element of its own; the namespace is empty for an unqualified one. */
  record XmlElement(Name name) implements Wire {}

  /** An attribute of the element around it. */
  record XmlAttribute(Name name) implements Wire {}

  /** The text of the element around it. */
  record XmlText() implements Wire {}

  /**
   * Any element that the schema lets in.
   *
   * @param example the name of one with simple content, to make samples with
   * @param shape the shape of that content
   */
  record XmlAny(Name example, ShapeId shape) implements Wire {}

  /**
   * An item of an array in the SOAP encoding (SOAP 1.1, section 5.4.2): an element whose name says
   * nothing.
   *
   * @param local the name it is given all the same
   * @param type the item type as the array names it
   */
  record ArrayItem(String local, Name type) implements Wire {}

  /** Nothing of its own: says by xsi:type that the element around it is of this type. */
  record Kind(Name type) implements Wire {}

  /** A parameter of a plain HTTP request. */
  record Parameter(String name) implements Wire {}

  /** The whole body of a message. */
  record Body() implements Wire {}

  /** A part of a multipart message, beside the envelope. */
  record Attachment(String part) implements Wire {}

  /** Nothing of its own: its fields stand directly in the element around it. */
  record Group() implements Wire {}

  /** A block in the header of a SOAP envelope. */
  record SoapHeader(Name name) implements Wire {}

  /** The name it has on the wire, as people know it: attributes with @, open content as a star. */
  default String label() {
    return switch (this) {
      case XmlElement element -> element.name().local();
      case XmlAttribute attribute -> "@" + attribute.name().local();
      case SoapHeader header -> header.name().local();
      case ArrayItem item -> item.local();
      case Parameter parameter -> parameter.name();
      case Attachment attachment -> attachment.part();
      case XmlAny any -> "*";
      case Kind kind -> "";
      case Body body -> "";
      case XmlText text -> "";
      case Group group -> "";
    };
  }
}
