package org.mapsel.core.shape;

import java.util.Optional;
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

  /**
   * A parameter of a plain HTTP request.
   *
   * @param explode whether every item of a list stands by itself
   * @param reserved whether characters that mean something in an address stay as they are
   * @param content the media type that its value is written in, where it is no plain text
   */
  record Parameter(
      String name, In in, Style style, boolean explode, boolean reserved, Optional<String> content)
      implements Wire {

    /** One that goes where the endpoint wants all parameters. */
    public static Parameter plain(String name) {
      return new Parameter(name, In.BY_ENDPOINT, Style.FORM, true, false, Optional.empty());
    }
  }

  /** Where in a request a parameter goes. */
  enum In {
    PATH,
    QUERY,
    HEADER,
    COOKIE,
    /** The whole query of the address. */
    QUERY_STRING,
    /** Into the address or the body, as the endpoint has it. */
    BY_ENDPOINT
  }

  /** How the value of a parameter is written (OpenAPI 3.1, Parameter Object, style values). */
  enum Style {
    FORM,
    SIMPLE,
    LABEL,
    MATRIX,
    SPACE_DELIMITED,
    PIPE_DELIMITED,
    /** Like {@link #SPACE_DELIMITED}, with tabs (Swagger 2.0). */
    TAB_DELIMITED,
    DEEP_OBJECT
  }

  /** The whole body of a message. */
  record Body() implements Wire {}

  /** A member of a JSON object. */
  record Member(String name) implements Wire {}

  /** Nothing of its own: it is the whole value that stands where the record around it would. */
  record Whole() implements Wire {}

  /** The members of a JSON object whose names nobody declared, each with its name and value. */
  record Entries() implements Wire {}

  /** The name of such a member. */
  record EntryName() implements Wire {}

  /**
   * Nothing of its own: one of several types that the value around it may have.
   *
   * @param member the member that tells which, and what it says
   */
  record Variant(Optional<String> member, String value) implements Wire {}

  /** A member of a form or a part of a multipart message (RFC 7578). */
  record FormPart(String name, Style style, boolean explode, Optional<String> contentType)
      implements Wire {}

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
      case Member member -> member.name();
      case FormPart part -> part.name();
      case XmlAny any -> "*";
      case Entries entries -> "*";
      case EntryName name -> "";
      case Whole whole -> "";
      case Variant variant -> "";
      case Kind kind -> "";
      case Body body -> "";
      case XmlText text -> "";
      case Group group -> "";
    };
  }
}
