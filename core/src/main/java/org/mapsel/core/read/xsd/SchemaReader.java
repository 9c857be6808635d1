package org.mapsel.core.read.xsd;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Optional;
import org.mapsel.core.document.DocumentException;
import org.mapsel.core.document.Limits;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.document.XmlCursor;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.read.Reading;
import org.mapsel.core.ref.Place;

/** Reads XML Schema 1.0 documents, with those they include and import, into declarations. */
public final class SchemaReader {

  /** A schema document that still has to be read, and the namespace it is included into. */
  private record Pending(SourceText source, Optional<String> includedInto) {}

  private final Reading reading;
  private final Deque<Pending> pending = new ArrayDeque<>();

  public SchemaReader(Reading reading) {
    this.reading = reading;
  }

  /** Whether the cursor stands on a schema element. */
  public static boolean isSchema(XmlCursor cursor) {
    return cursor.namespace().equals(SchemaContext.XSD) && cursor.local().equals("schema");
  }

  /** Reads the schema that the cursor stands on; what it imports is read by {@link #finish}. */
  public void readInline(XmlCursor cursor) throws DocumentException {
    readSchema(cursor, Optional.empty());
  }

  /** Asks for a schema document by its location, to be read by {@link #finish}. */
  public void ask(String location, Place from) {
    enqueue(location, from, Optional.empty());
  }

  /** Reads every schema document that was asked for, until no new one is. */
  public void finish() {
    while (!pending.isEmpty()) {
      Pending next = pending.poll();
      try (XmlCursor cursor = XmlCursor.open(next.source(), Limits.DESCRIPTION)) {
        if (isSchema(cursor)) {
          readSchema(cursor, next.includedInto());
        } else {
          reading
              .findings()
              .add(
                  Finding.error("XSD_DOCUMENT_UNEXPECTED", "element", cursor.local())
                      .at(cursor.place()));
        }
      } catch (DocumentException e) {
        reading.findings().add(e.finding());
      }
    }
  }

  private void enqueue(String location, Place from, Optional<String> includedInto) {
    reading
        .open(location, from, "schema " + includedInto.orElse(""))
        .ifPresent(source -> pending.add(new Pending(source, includedInto)));
  }

  private void readSchema(XmlCursor cursor, Optional<String> includedInto)
      throws DocumentException {
    Optional<String> own = cursor.attribute("targetNamespace");
    SchemaContext context =
        new SchemaContext(
            cursor,
            reading,
            own.or(() -> includedInto).orElse(""),
            own.isEmpty() && includedInto.isPresent(),
            cursor.attribute("elementFormDefault").orElse("").equals("qualified"),
            cursor.attribute("attributeFormDefault").orElse("").equals("qualified"));
    int depth = cursor.depth();
    while (cursor.nextChild(depth)) {
      if (context.onXsd()) {
        readTopLevel(context);
      }
    }
  }

  private void readTopLevel(SchemaContext context) throws DocumentException {
    XmlCursor cursor = context.cursor();
    Optional<String> name = context.attribute("name");
    switch (cursor.local()) {
      case "include" ->
          context
              .attribute("schemaLocation")
              .ifPresent(at -> enqueue(at, context.place(), Optional.of(context.target())));
      case "redefine" -> readRedefine(context);
      case "import" ->
          // Without a location the namespace is declared elsewhere in the same description.
          context.attribute("schemaLocation").ifPresent(at -> ask(at, context.place()));
      case "annotation", "notation" -> {}
      default -> {
        if (name.isEmpty()) {
          reading
              .findings()
              .add(
                  Finding.error("XSD_NAME_MISSING", "element", cursor.local()).at(context.place()));
        } else {
          declare(context, name.get());
        }
      }
    }
  }

  /** The redefined document is taken in; what is written anew here stands first and so wins. */
  private void readRedefine(SchemaContext context) throws DocumentException {
    reading.findings().add(Finding.warning("XSD_REDEFINE_PARTIAL").at(context.place()));
    context
        .attribute("schemaLocation")
        .ifPresent(at -> enqueue(at, context.place(), Optional.of(context.target())));
  }

  private void declare(SchemaContext context, String name) throws DocumentException {
    TypeReader types = new TypeReader(context);
    var declarations = reading.declarations();
    switch (context.cursor().local()) {
      case "element" -> declarations.add(new ParticleReader(context).globalElement());
      case "complexType" -> declarations.add(context.targetName(name), types.complexType());
      case "simpleType" -> declarations.add(context.targetName(name), types.simpleType());
      case "attribute" -> declarations.add(new AttributeReader(context).globalAttribute());
      case "group" ->
          declarations.addGroup(context.targetName(name), new ParticleReader(context).namedGroup());
      case "attributeGroup" ->
          declarations.addAttributeGroup(
              context.targetName(name), new AttributeReader(context).namedGroup());
      default ->
          reading
              .findings()
              .add(
                  Finding.warning("XSD_ELEMENT_UNKNOWN", "element", context.cursor().local())
                      .at(context.place()));
    }
  }
}
