package org.mapsel.core.shape;

import org.mapsel.core.ref.Name;

/** How a field stands in a message. */
public sealed interface Wire {

  /** An element of its own; the namespace is empty for an unqualified one. */
  record XmlElement(Name name) implements Wire {}

  /** An attribute of the element around it. */
  record XmlAttribute(Name name) implements Wire {}

  /** The text of the element around it. */
  record XmlText() implements Wire {}

  /** Any element or attribute that the schema lets in. */
  record XmlAny() implements Wire {}

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
      case XmlAny any -> "*";
      case XmlText text -> "";
      case Group group -> "";
    };
  }
}
