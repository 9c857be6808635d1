package org.mapsel.core.read.odata;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.mapsel.core.document.DocumentException;
import org.mapsel.core.document.XmlCursor;
import org.mapsel.core.value.Value;

/** One XML document with metadata, read in one pass. */
final class CsdlXml {

  private static final String NAME = "Name";
  private static final String TYPE = "Type";

  private static final int LENGTH_DIGITS = 9;

  private final XmlCursor cursor;
  private final Csdl csdl;
  private final Aliases aliases = new Aliases();
  private final AnnotationXml values;
  private String namespace = "";

  CsdlXml(XmlCursor cursor, Csdl csdl) {
    this.cursor = cursor;
    this.csdl = csdl;
    this.values = new AnnotationXml(cursor);
  }

  /** Reads the element that the cursor stands on with everything in it. */
  void document() throws DocumentException {
    switch (cursor.local()) {
      case "Edmx" -> {
        String version = attribute("Version");
        csdl.version = csdl.version.isEmpty() && !version.equals("1.0") ? version : csdl.version;
        each(this::document);
      }
      case "DataServices" -> {
        // Until version 3.0 the wrapper has a version of its own, and that of OData is here.
        String version = attribute("DataServiceVersion");
        csdl.version = csdl.version.isEmpty() ? version : csdl.version;
        each(this::document);
      }
      case "Schema" -> schema();
      case "Reference" -> reference();
      default -> {}
    }
  }

  /** What is to be done with every child. */
  private interface Step {
    void run() throws DocumentException;
  }

  private void each(Step step) throws DocumentException {
    int depth = cursor.depth();
    while (cursor.nextChild(depth)) {
      step.run();
    }
  }

  private String attribute(String name) throws DocumentException {
    for (int i = 0; i < cursor.attributeCount(); i++) {
      if (cursor.attributeLocal(i).equals(name)) {
        return cursor.attributeToken(i);
      }
    }
    return "";
  }

  private boolean is(String name) throws DocumentException {
    return attribute(name).equals("true");
  }

  private String qualified(String name) {
    return namespace + "." + name;
  }

  private void reference() throws DocumentException {
    String uri = attribute("Uri");
    var place = cursor.place();
    List<String> namespaces = new ArrayList<>();
    each(
        () -> {
          if (cursor.local().equals("Include")) {
            aliases.add(attribute("Alias"), attribute("Namespace"));
            namespaces.add(attribute("Namespace"));
          }
        });
    csdl.references.add(new Csdl.Reference(uri, namespaces, place));
  }

  private void schema() throws DocumentException {
    namespace = attribute("Namespace");
    aliases.add(attribute("Alias"), namespace);
    csdl.namespaces.put(namespace, true);
    if (csdl.version.isEmpty()) {
      csdl.version = cursor.namespace().endsWith("2009/11/edm") ? "3.0" : "2.0";
    }
    each(this::member);
  }

  private void member() throws DocumentException {
    switch (cursor.local()) {
      case "EntityType" -> type(true);
      case "ComplexType" -> type(false);
      case "EnumType" -> enumType();
      case "TypeDefinition" ->
          csdl.definitions.add(
              new Csdl.Definition(
                  qualified(attribute(NAME)), aliases.resolve(attribute("UnderlyingType"))));
      case "Association" -> association();
      case "Action", "Function" -> operation();
      case "EntityContainer" -> container();
      case "Annotations" -> annotations(aliases.target(attribute("Target")));
      default -> {}
    }
  }

  private void annotations(String target) throws DocumentException {
    each(() -> annotation(target));
  }

  /** Takes an annotation of whatever is being read; anything else is somebody else's. */
  private void annotation(String target) throws DocumentException {
    if (cursor.local().equals("Annotation") || cursor.local().equals("ValueAnnotation")) {
      String term = aliases.resolve(attribute("Term"));
      csdl.annotate(target, term, values.value());
    } else if (cursor.local().equals("Documentation")) {
      each(
          () -> {
            if (cursor.local().equals("Summary")) {
              csdl.annotate(target, "Description", Value.text(cursor.text().strip()));
            }
          });
    }
  }

  /** Version 2.0 has hints as attributes of other namespaces. */
  private void attributeHints(String target) {
    for (int i = 0; i < cursor.attributeCount(); i++) {
      if (!cursor.attributeNamespace(i).isEmpty()) {
        String hint = "@" + cursor.attributeLocal(i);
        csdl.annotate(target, hint, Value.text(cursor.attributeValue(i)));
      }
    }
  }

  private boolean hasHints() {
    for (int i = 0; i < cursor.attributeCount(); i++) {
      if (!cursor.attributeNamespace(i).isEmpty()) {
        return true;
      }
    }
    return false;
  }

  private void type(boolean entity) throws DocumentException {
    String name = qualified(attribute(NAME));
    Csdl.Type type = new Csdl.Type(name, entity);
    String base = attribute("BaseType");
    type.base = base.isEmpty() ? Optional.empty() : Optional.of(aliases.resolve(base));
    type.isAbstract = is("Abstract");
    type.open = is("OpenType");
    type.media = is("HasStream");
    attributeHints(name);
    csdl.types.add(type);
    each(
        () -> {
          switch (cursor.local()) {
            case "Key" ->
                each(
                    () -> {
                      if (cursor.local().equals("PropertyRef")) {
                        type.keys.add(attribute(NAME));
                      }
                    });
            case "Property" -> type.properties.add(property(name));
            case "NavigationProperty" -> type.navigations.add(navigation(name));
            default -> annotation(name);
          }
        });
  }

  private Csdl.Member property(String owner) throws DocumentException {
    Csdl.Member member = typed();
    if (hasHints()) {
      attributeHints(owner + "/" + member.name());
    }
    int depth = cursor.depth();
    while (cursor.nextChild(depth)) {
      annotation(owner + "/" + member.name());
    }
    return member;
  }

  /** Name, type and facets of a property, parameter or the like; metadata is mostly these. */
  private Csdl.Member typed() throws DocumentException {
    String name = "";
    String type = "Edm.String";
    boolean list = false;
    boolean nullable = true;
    Optional<Integer> length = Optional.empty();
    Optional<String> scale = Optional.empty();
    Optional<String> preset = Optional.empty();
    for (int i = 0; i < cursor.attributeCount(); i++) {
      switch (cursor.attributeLocal(i)) {
        case NAME -> name = cursor.attributeToken(i);
        case TYPE -> type = cursor.attributeToken(i);
        case "Nullable" -> nullable = !cursor.attributeToken(i).equals("false");
        case "MaxLength" -> length = length(cursor.attributeToken(i));
        case "Scale" -> scale = Optional.of(cursor.attributeToken(i));
        case "DefaultValue" ->
            preset = Optional.of(cursor.attributeValue(i)).filter(text -> !text.isEmpty());
        case "CollectionKind" -> {
          String kind = cursor.attributeToken(i);
          list = kind.equals("List") || kind.equals("Bag");
        }
        default -> {}
      }
    }
    String resolved = aliases.resolve(type);
    String whole = list ? "Collection(" + resolved + ")" : resolved;
    return new Csdl.Member(name, whole, nullable, length, scale, preset);
  }

  /** A greatest length may also be the word "max", which says nothing. */
  private static Optional<Integer> length(String text) {
    if (text.isEmpty() || text.length() > LENGTH_DIGITS) {
      return Optional.empty();
    }
    for (int i = 0; i < text.length(); i++) {
      if (text.charAt(i) < '0' || text.charAt(i) > '9') {
        return Optional.empty();
      }
    }
    return Optional.of(Integer.valueOf(text));
  }

  private Csdl.Link navigation(String owner) throws DocumentException {
    String name = attribute(NAME);
    String partner = attribute("Partner");
    Csdl.Link link =
        new Csdl.Link(
            name,
            attribute(TYPE).isEmpty() ? "" : aliases.resolve(attribute(TYPE)),
            !attribute("Nullable").equals("false"),
            partner.isEmpty() ? Optional.empty() : Optional.of(partner),
            is("ContainsTarget"),
            aliases.resolve(attribute("Relationship")),
            attribute("ToRole"));
    each(() -> annotation(owner + "/" + name));
    return link;
  }

  private void enumType() throws DocumentException {
    String name = qualified(attribute(NAME));
    boolean flags = is("IsFlags");
    List<String> members = new ArrayList<>();
    each(
        () -> {
          if (cursor.local().equals("Member")) {
            members.add(attribute(NAME));
          } else {
            annotation(name);
          }
        });
    csdl.enums.add(new Csdl.Enum(name, members, flags));
  }

  private void association() throws DocumentException {
    List<Csdl.End> ends = new ArrayList<>();
    String name = qualified(attribute(NAME));
    each(
        () -> {
          if (cursor.local().equals("End")) {
            String type = aliases.resolve(attribute(TYPE));
            String role = attribute("Role");
            ends.add(
                new Csdl.End(
                    role.isEmpty() ? type.substring(type.lastIndexOf('.') + 1) : role,
                    type,
                    attribute("Multiplicity")));
          }
        });
    csdl.associations.put(name, ends);
  }

  private void operation() throws DocumentException {
    boolean action = cursor.local().equals("Action");
    boolean bound = is("IsBound");
    String name = qualified(attribute(NAME));
    List<Csdl.Member> parameters = new ArrayList<>();
    List<String> returns = new ArrayList<>();
    each(
        () -> {
          switch (cursor.local()) {
            case "Parameter" -> {
              Csdl.Member parameter = typed();
              parameters.add(parameter);
              each(() -> annotation(name + "/" + parameter.name()));
            }
            case "ReturnType" -> returns.add(aliases.resolve(attribute(TYPE)));
            default -> annotation(name);
          }
        });
    csdl.operations.add(
        new Csdl.Operation(name, action, bound, parameters, returns.stream().findFirst()));
  }

  private void container() throws DocumentException {
    String container = qualified(attribute(NAME));
    csdl.container = csdl.container.isEmpty() ? attribute(NAME) : csdl.container;
    each(
        () -> {
          String target = container + "/" + attribute(NAME);
          switch (cursor.local()) {
            case "EntitySet" -> set(attribute("EntityType"), false, container, target);
            case "Singleton" -> set(attribute(TYPE), true, container, target);
            case "ActionImport" -> callable(attribute("Action"));
            case "FunctionImport" -> functionImport();
            case "Annotation" -> annotation(container);
            default -> {}
          }
        });
  }

  private void set(String type, boolean single, String container, String target)
      throws DocumentException {
    csdl.sets.add(new Csdl.Set(attribute(NAME), aliases.resolve(type), single, container));
    attributeHints(target);
    each(() -> annotation(target));
  }

  private void callable(String of) throws DocumentException {
    csdl.imports.add(new Csdl.Import(attribute(NAME), aliases.resolve(of), Optional.empty()));
  }

  /** In version 4 it only names a function; before, it is the function itself. */
  private void functionImport() throws DocumentException {
    if (!attribute("Function").isEmpty()) {
      callable(attribute("Function"));
      return;
    }
    String local = attribute(NAME);
    String name = qualified(local);
    String method = attribute("HttpMethod");
    String returns = attribute("ReturnType");
    boolean bound = is("IsBindable");
    List<Csdl.Member> parameters = new ArrayList<>();
    List<String> returned = new ArrayList<>();
    each(
        () -> {
          if (cursor.local().equals("Parameter")) {
            parameters.add(typed());
          } else if (cursor.local().equals("ReturnType")) {
            returned.add(aliases.resolve(attribute(TYPE)));
          }
        });
    csdl.operations.add(
        new Csdl.Operation(
            name,
            method.equals("POST"),
            bound,
            parameters,
            returns.isEmpty()
                ? returned.stream().findFirst()
                : Optional.of(aliases.resolve(returns))));
    csdl.imports.add(new Csdl.Import(local, name, Optional.of(method.isEmpty() ? "GET" : method)));
  }
}
