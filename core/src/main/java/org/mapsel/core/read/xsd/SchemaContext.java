package org.mapsel.core.read.xsd;

import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.document.DocumentException;
import org.mapsel.core.document.XmlCursor;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.read.Reading;
import org.mapsel.core.ref.Name;
import org.mapsel.core.ref.Place;
import org.mapsel.core.shape.Occurrence;

/**
 * The schema element around what is being read, and the cursor in it.
 *
 * @param target the namespace its declarations go into
 * @param chameleon whether the schema has no namespace of its own and takes the including one's
 * @param redefined what another schema redefines of this one; kept under another name for it
 * @param known the names met so far, so that each is kept once
 * @param redefining the component that is being redefined here; its own name means the original
 */
record SchemaContext(
    XmlCursor cursor,
    Reading reading,
    String target,
    boolean chameleon,
    boolean elementsQualified,
    boolean attributesQualified,
    Set<Name> redefined,
    @Nullable Name redefining,
    KnownNames known) {

  /** The namespace of XML Schema 1.0; the drafts before it are read by the same rules. */
  private static final Set<String> XSD =
      Set.of(
          "http://www.w3.org/2001/XMLSchema",
          "http://www.w3.org/2000/10/XMLSchema",
          "http://www.w3.org/1999/XMLSchema");

  static boolean isXsd(String namespace) {
    return XSD.contains(namespace);
  }

  private static final Pattern WHITE_SPACE = Pattern.compile("\\s+");

  SchemaContext redefining(Name name) {
    return new SchemaContext(
        cursor,
        reading,
        target,
        chameleon,
        elementsQualified,
        attributesQualified,
        redefined,
        name,
        new KnownNames());
  }

  boolean onXsd() {
    return isXsd(cursor.namespace());
  }

  Optional<String> attribute(String local) {
    return cursor.attribute(local);
  }

  boolean isTrue(String attribute) {
    return attribute(attribute)
        .map(v -> v.strip().equals("true") || v.strip().equals("1"))
        .orElse(false);
  }

  Name targetName(String local) {
    return known.local(target, local);
  }

  /** The name under which a global component is kept. */
  Name declaredName(String local) {
    Name name = targetName(local);
    return redefined.contains(name) ? original(name) : name;
  }

  private static Name original(Name name) {
    return Name.of(name.namespace(), name.local() + "~original");
  }

  /** A reference as written in an attribute. An unknown prefix is told once and left dangling. */
  Name resolve(String qualified) {
    Name before = known.qualified(qualified, cursor);
    if (before != null) {
      return before;
    }
    Optional<Name> resolved = cursor.resolve(qualified);
    if (resolved.isEmpty()) {
      reading
          .findings()
          .add(Finding.error("XSD_PREFIX_UNKNOWN", "name", qualified).at(cursor.place()));
      return Name.of("", qualified);
    }
    Name name = resolved.get();
    if (chameleon && name.namespace().isEmpty()) {
      name = targetName(name.local());
    }
    if (name.equals(redefining)) {
      return original(name);
    }
    Standards.mention(name.namespace(), reading);
    if (!chameleon) {
      known.keep(qualified, name);
    }
    return name;
  }

  /** minOccurs and maxOccurs of the current element. */
  Occurrence occurrence() {
    return occurrence(attribute("minOccurs").orElse(null), attribute("maxOccurs").orElse(null));
  }

  Occurrence occurrence(@Nullable String min, @Nullable String max) {
    if (min == null && max == null) {
      return Occurrence.ONE;
    }
    int least = min == null ? 1 : count(min, 1);
    int most = max == null ? 1 : count(max, 1);
    return Occurrence.of(least, Math.max(least, most));
  }

  private int count(String text, int otherwise) {
    if (text.strip().equals("unbounded") || text.strip().equals("*")) {
      return Occurrence.UNBOUNDED;
    }
    try {
      return Math.max(0, Integer.parseInt(text.strip()));
    } catch (NumberFormatException e) {
      reading
          .findings()
          .add(Finding.warning("XSD_OCCURRENCE_INVALID", "text", text).at(cursor.place()));
      return otherwise;
    }
  }

  /**
   * The text of an annotation, on which the cursor stands: what is written for people, or else what
   * is written for programs, where some put their labels (section 3.13).
   */
  String documentation() throws DocumentException {
    int depth = cursor.depth();
    StringBuilder forPeople = new StringBuilder();
    StringBuilder forPrograms = new StringBuilder();
    while (cursor.nextChild(depth)) {
      StringBuilder text = cursor.local().equals("documentation") ? forPeople : forPrograms;
      String one = tidy(cursor.text());
      if (!one.isEmpty()) {
        text.append(text.isEmpty() ? "" : " ").append(one);
      }
    }
    return forPeople.isEmpty() ? forPrograms.toString() : forPeople.toString();
  }

  /** White space as one blank; most texts are so already. */
  private static String tidy(String text) {
    String stripped = text.strip();
    for (int i = 1; i < stripped.length(); i++) {
      char c = stripped.charAt(i);
      boolean plain = c == ' ' ? stripped.charAt(i - 1) != ' ' : !Character.isWhitespace(c);
      if (!plain) {
        return WHITE_SPACE.matcher(stripped).replaceAll(" ");
      }
    }
    return stripped;
  }

  Place place() {
    return cursor.place();
  }
}
