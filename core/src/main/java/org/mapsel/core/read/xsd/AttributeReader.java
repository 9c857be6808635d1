package org.mapsel.core.read.xsd;

import java.util.List;
import java.util.Optional;
import org.mapsel.core.declare.AttributeDeclaration;
import org.mapsel.core.declare.AttributeDeclaration.Use;
import org.mapsel.core.declare.Attributes;
import org.mapsel.core.declare.TypeDeclaration;
import org.mapsel.core.declare.TypeRef;
import org.mapsel.core.document.DocumentException;
import org.mapsel.core.document.XmlCursor;
import org.mapsel.core.ref.Name;
import org.mapsel.core.ref.Place;
import org.mapsel.core.shape.Facets;

/** Reads attributes and attribute groups (XML Schema 1.0 part 1, sections 3.2 and 3.6). */
final class AttributeReader {

  private static final String WSDL = "http://schemas.xmlsoap.org/wsdl/";

  private final SchemaContext context;
  private final XmlCursor cursor;

  AttributeReader(SchemaContext context) {
    this.context = context;
    this.cursor = context.cursor();
  }

  AttributeDeclaration globalAttribute() throws DocumentException {
    return attribute(context.declaredName(context.attribute("name").orElse("")), false);
  }

  Attributes namedGroup() throws DocumentException {
    AttributeCollector collector = new AttributeCollector();
    int depth = cursor.depth();
    while (cursor.nextChild(depth)) {
      take(collector);
    }
    return collector.collected();
  }

  /** Takes the attribute, group reference or wildcard that the cursor stands on. */
  void take(AttributeCollector collector) throws DocumentException {
    switch (cursor.local()) {
      case "anyAttribute" -> collector.any = true;
      case "attributeGroup" ->
          context.attribute("ref").map(context::resolve).ifPresent(collector.groups::add);
      case "attribute" -> {
        Optional<String> ref = context.attribute("ref");
        Optional<String> arrayType = cursor.attribute(WSDL, "arrayType");
        if (arrayType.isPresent()) {
          collector.arrayOf = Optional.of(itemType(arrayType.get().strip()));
        } else if (ref.isPresent()) {
          collector.own.add(attribute(context.resolve(ref.get()), true));
        } else {
          collector.own.add(attribute(localName(), false));
        }
      }
      default -> {}
    }
  }

  /** The item type in {@code type[]}; of {@code type[][]} it is an array again. */
  private TypeRef itemType(String arrayType) {
    int bracket = arrayType.lastIndexOf('[');
    String item = bracket < 0 ? arrayType : arrayType.substring(0, bracket);
    Place place = context.place();
    if (item.endsWith("]")) {
      Attributes inner = new Attributes(List.of(), List.of(), false, Optional.of(itemType(item)));
      return new TypeRef.Inline(
          new TypeDeclaration.Complex(
              Optional.empty(),
              place,
              Optional.empty(),
              Optional.empty(),
              inner,
              false,
              false,
              Facets.NONE));
    }
    return new TypeRef.Named(context.resolve(item), place);
  }

  private Name localName() {
    String local = context.attribute("name").orElse("").strip();
    boolean qualified =
        context.attribute("form").map("qualified"::equals).orElse(context.attributesQualified());
    return qualified ? context.targetName(local) : Name.of("", local);
  }

  private AttributeDeclaration attribute(Name name, boolean reference) throws DocumentException {
    Place place = context.place();
    TypeReader types = new TypeReader(context);
    Optional<TypeRef> type = types.named("type");
    Use use =
        switch (context.attribute("use").orElse("optional")) {
          case "required" -> Use.REQUIRED;
          case "prohibited" -> Use.PROHIBITED;
          default -> Use.OPTIONAL;
        };
    Optional<String> preset = context.attribute("default");
    Optional<String> fixed = context.attribute("fixed");
    String documentation = "";
    int depth = cursor.depth();
    while (cursor.nextChild(depth)) {
      if (cursor.local().equals("simpleType")) {
        type = Optional.of(new TypeRef.Inline(types.simpleType()));
      } else if (cursor.local().equals("annotation")) {
        documentation = context.documentation();
      }
    }
    return new AttributeDeclaration(
        name,
        reference,
        type.orElse(new TypeRef.Anything()),
        use,
        preset,
        fixed,
        documentation,
        place);
  }
}
