package org.mapsel.core.read.xsd;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.mapsel.core.document.DocumentException;
import org.mapsel.core.document.Limits;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.document.XmlCursor;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.read.Reading;
import org.mapsel.core.ref.Name;
import org.mapsel.core.ref.Place;

/** Reads XML Schema 1.0 documents, with those they include and import, into declarations. */
public final class SchemaReader {

  /**
   * A schema document that still has to be read.
   *
   * @param includedInto the namespace it is included into
   * @param redefined the names of which the including schema has declarations of its own
   */
  private record Pending(SourceText source, Optional<String> includedInto, Set<Name> redefined) {}

  private final Reading reading;
  private final Deque<Pending> pending = new ArrayDeque<>();
  private final Set<String> standards = new HashSet<>();

  public SchemaReader(Reading reading) {
    this.reading = reading;
  }

  /** Whether the cursor stands on a schema element. */
  public static boolean isSchema(XmlCursor cursor) {
    return cursor.local().equals("schema") && SchemaContext.isXsd(cursor.namespace());
  }

  /** Reads the schema that the cursor stands on; what it imports is read by {@link #finish}. */
  public void readInline(XmlCursor cursor) throws DocumentException {
    readSchema(cursor, Optional.empty(), Set.of());
  }

  /** Asks for a schema document by its location, to be read by {@link #finish}. */
  public void ask(String location, Place from) {
    enqueue(location, from, Optional.empty(), Set.of());
  }

  /** Reads every schema document that was asked for, until no new one is. */
  public void finish() {
    do {
      while (!pending.isEmpty()) {
        read(pending.poll());
      }
      for (String namespace : List.copyOf(reading.mentioned())) {
        if (standards.add(namespace)) {
          pending.add(new Pending(Standards.schema(namespace), Optional.empty(), Set.of()));
        }
      }
    } while (!pending.isEmpty());
  }

  private void read(Pending next) {
    try (XmlCursor cursor = XmlCursor.open(next.source(), Limits.DESCRIPTION)) {
      cursor.oddities().forEach(reading.findings()::add);
      if (isSchema(cursor)) {
        readSchema(cursor, next.includedInto(), next.redefined());
      } else if (!readWithin(cursor)) {
        reading
            .findings()
            .add(
                Finding.error("XSD_DOCUMENT_UNEXPECTED", "element", cursor.local())
                    .at(Place.in(next.source().address())));
      }
    } catch (DocumentException e) {
      reading.findings().add(e.finding());
    }
  }

  /** The schemas inside a document that is something else, for instance another description. */
  private boolean readWithin(XmlCursor cursor) throws DocumentException {
    boolean found = false;
    int depth = cursor.depth();
    while (cursor.nextChild(depth)) {
      if (cursor.local().equals("types")) {
        int inner = cursor.depth();
        while (cursor.nextChild(inner)) {
          if (isSchema(cursor)) {
            readInline(cursor);
            found = true;
          }
        }
      }
    }
    return found;
  }

  private void enqueue(
      String location, Place from, Optional<String> includedInto, Set<Name> redefined) {
    String purpose = "schema " + includedInto.orElse("") + (redefined.isEmpty() ? "" : redefined);
    reading
        .open(location, from, purpose)
        .ifPresent(source -> pending.add(new Pending(source, includedInto, redefined)));
  }

  private void readSchema(XmlCursor cursor, Optional<String> includedInto, Set<Name> redefined)
      throws DocumentException {
    Optional<String> own = cursor.attribute("targetNamespace");
    SchemaContext context =
        new SchemaContext(
            cursor,
            reading,
            own.or(() -> includedInto).orElse(""),
            own.isEmpty() && includedInto.isPresent(),
            cursor.attribute("elementFormDefault").orElse("").equals("qualified"),
            cursor.attribute("attributeFormDefault").orElse("").equals("qualified"),
            redefined,
            null,
            new KnownNames());
    int depth = cursor.depth();
    while (cursor.nextChild(depth)) {
      if (context.onXsd()) {
        readTopLevel(context);
      }
    }
  }

  private void readTopLevel(SchemaContext context) throws DocumentException {
    Optional<String> name = context.attribute("name");
    switch (context.cursor().local()) {
      case "include" ->
          context
              .attribute("schemaLocation")
              .ifPresent(
                  at ->
                      enqueue(
                          at, context.place(), Optional.of(context.target()), context.redefined()));
      case "redefine" -> readRedefine(context);
      case "import" -> readImport(context);
      case "annotation", "notation" -> {}
      default -> {
        if (name.isEmpty()) {
          reading
              .findings()
              .add(
                  Finding.error("XSD_NAME_MISSING", "element", context.cursor().local())
                      .at(context.place()));
        } else {
          declare(context, name.get());
        }
      }
    }
  }

  /** Without a location the namespace is declared elsewhere in the same description. */
  private void readImport(SchemaContext context) {
    String namespace = context.attribute("namespace").orElse("");
    if (Standards.isKnown(namespace)) {
      reading.mention(namespace);
    } else {
      context.attribute("schemaLocation").ifPresent(at -> ask(at, context.place()));
    }
  }

  /**
   * Components written anew (section 4.2.2): inside them their own name means the one that the
   * redefined document has, which is kept under another name.
   */
  private void readRedefine(SchemaContext context) throws DocumentException {
    XmlCursor cursor = context.cursor();
    Optional<String> location = context.attribute("schemaLocation");
    Place place = context.place();
    Set<Name> redefined = new HashSet<>(context.redefined());
    int depth = cursor.depth();
    while (cursor.nextChild(depth)) {
      Optional<String> name = context.attribute("name");
      if (name.isPresent()) {
        Name self = context.targetName(name.get());
        redefined.add(self);
        declare(context.redefining(self), name.get());
      }
    }
    location.ifPresent(at -> enqueue(at, place, Optional.of(context.target()), redefined));
  }

  private void declare(SchemaContext context, String name) throws DocumentException {
    TypeReader types = new TypeReader(context);
    Name declared = context.declaredName(name);
    var declarations = reading.declarations();
    Place place = context.place();
    switch (context.cursor().local()) {
      case "element" -> declarations.add(new ParticleReader(context).globalElement());
      case "complexType" -> declarations.add(declared, types.complexType());
      case "simpleType" -> declarations.add(declared, types.simpleType());
      case "attribute" -> declarations.add(new AttributeReader(context).globalAttribute());
      case "group" ->
          declarations.addGroup(declared, new ParticleReader(context).namedGroup(), place);
      case "attributeGroup" ->
          declarations.addAttributeGroup(
              declared, new AttributeReader(context).namedGroup(), place);
      default ->
          reading
              .findings()
              .add(
                  Finding.warning("XSD_ELEMENT_UNKNOWN", "element", context.cursor().local())
                      .at(context.place()));
    }
  }
}
