package org.mapsel.core.read.odata;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.mapsel.core.document.DataDocument;
import org.mapsel.core.document.DataNode;
import org.mapsel.core.document.Limits;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.read.Reading;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;

/** One JSON document with metadata (OData CSDL JSON 4.01). */
final class CsdlJson {

  private final Csdl csdl;
  private final String document;
  private final Aliases aliases = new Aliases();

  private CsdlJson(Csdl csdl, String document) {
    this.csdl = csdl;
    this.document = document;
  }

  static boolean isJson(SourceText source) {
    for (byte b : source.bytes()) {
      if (b > ' ') {
        return b == '{';
      }
    }
    return false;
  }

  static void read(SourceText source, Csdl csdl, Reading reading) {
    DataDocument read = DataDocument.read(source, Limits.DESCRIPTION);
    read.problem().ifPresent(reading.findings()::add);
    read.root().ifPresent(root -> new CsdlJson(csdl, source.address()).root(root));
  }

  private void root(DataNode root) {
    csdl.version = csdl.version.isEmpty() ? root.text("$Version") : csdl.version;
    root.find("$Reference").ifPresent(references -> references.forEachMember(this::reference));
    // Aliases must be known before any name is used.
    root.forEachMember(
        (name, schema) -> {
          if (isSchema(name, schema)) {
            aliases.add(schema.text("$Alias"), name);
            csdl.namespaces.put(name, true);
          }
        });
    root.forEachMember(
        (name, schema) -> {
          if (isSchema(name, schema)) {
            schema(name, schema);
          }
        });
    String container = root.text("$EntityContainer");
    csdl.container = container.substring(container.lastIndexOf('.') + 1);
  }

  private static boolean isSchema(String name, DataNode node) {
    return !name.startsWith("$") && node.isObject();
  }

  private void reference(String uri, DataNode reference) {
    List<String> namespaces = new ArrayList<>();
    for (DataNode include : reference.items("$Include")) {
      aliases.add(include.text("$Alias"), include.text("$Namespace"));
      namespaces.add(include.text("$Namespace"));
    }
    csdl.references.add(new Csdl.Reference(uri, namespaces, reference.place(document)));
  }

  private void schema(String namespace, DataNode schema) {
    schema.forEachMember(
        (name, member) -> {
          String qualified = namespace + "." + name;
          if (name.equals("$Annotations")) {
            member.forEachMember(
                (target, annotated) -> annotations(aliases.target(target), annotated, "@"));
          } else if (member.isArray()) {
            member.forEach(overload -> operation(qualified, overload));
          } else if (member.isObject()) {
            member(qualified, member);
          }
        });
  }

  private void member(String name, DataNode member) {
    switch (member.text("$Kind")) {
      case "EntityType" -> type(name, member, true);
      case "ComplexType" -> type(name, member, false);
      case "EnumType" -> {
        csdl.enums.add(
            new Csdl.Enum(
                name,
                member.names().stream()
                    .filter(one -> !one.startsWith("$") && one.indexOf('@') < 0)
                    .toList(),
                member.isTrue("$IsFlags")));
        annotations(name, member, "@");
      }
      case "TypeDefinition" ->
          csdl.definitions.add(
              new Csdl.Definition(name, aliases.resolve(member.text("$UnderlyingType"))));
      case "EntityContainer" -> container(name, member);
      default -> {}
    }
  }

  private void type(String name, DataNode node, boolean entity) {
    Csdl.Type type = new Csdl.Type(name, entity);
    type.base = node.findText("$BaseType").map(aliases::resolve);
    type.isAbstract = node.isTrue("$Abstract");
    type.open = node.isTrue("$OpenType");
    type.media = node.isTrue("$HasStream");
    for (DataNode key : node.items("$Key")) {
      type.keys.add(key.isObject() ? key.items().get(0).text() : key.text());
    }
    annotations(name, node, "@");
    node.forEachMember(
        (member, described) -> {
          if (member.startsWith("$") || member.indexOf('@') >= 0 || !described.isObject()) {
            return;
          }
          if (described.text("$Kind").equals("NavigationProperty")) {
            type.navigations.add(
                new Csdl.Link(
                    member,
                    typeOf(described),
                    described.isTrue("$Nullable"),
                    described.findText("$Partner"),
                    described.isTrue("$ContainsTarget"),
                    "",
                    ""));
          } else {
            type.properties.add(typed(member, described));
          }
          annotations(name + "/" + member, described, "@");
        });
    csdl.types.add(type);
  }

  private String typeOf(DataNode node) {
    String type = aliases.resolve(node.findText("$Type").orElse("Edm.String"));
    return node.isTrue("$Collection") ? "Collection(" + type + ")" : type;
  }

  private Csdl.Member typed(String name, DataNode node) {
    return new Csdl.Member(
        name,
        typeOf(node),
        node.isTrue("$Nullable"),
        node.findText("$MaxLength").filter(text -> text.matches("\\d{1,9}")).map(Integer::valueOf),
        node.findText("$Scale"),
        node.findText("$DefaultValue"));
  }

  private void operation(String name, DataNode node) {
    csdl.operations.add(
        new Csdl.Operation(
            name,
            node.text("$Kind").equals("Action"),
            node.isTrue("$IsBound"),
            node.items("$Parameter").stream().map(one -> typed(one.text("$Name"), one)).toList(),
            node.find("$ReturnType").map(this::typeOf)));
    annotations(name, node, "@");
  }

  private void container(String container, DataNode node) {
    node.forEachMember(
        (name, member) -> {
          if (name.startsWith("$") || name.indexOf('@') >= 0 || !member.isObject()) {
            return;
          }
          if (member.has("$Action")) {
            csdl.imports.add(
                new Csdl.Import(name, aliases.resolve(member.text("$Action")), Optional.empty()));
          } else if (member.has("$Function")) {
            csdl.imports.add(
                new Csdl.Import(name, aliases.resolve(member.text("$Function")), Optional.empty()));
          } else if (member.has("$Type")) {
            csdl.sets.add(
                new Csdl.Set(
                    name,
                    aliases.resolve(member.text("$Type")),
                    !member.isTrue("$Collection"),
                    container));
            annotations(container + "/" + name, member, "@");
          }
        });
  }

  private void annotations(String target, DataNode node, String mark) {
    node.forEachMember(
        (name, value) -> {
          if (name.startsWith(mark) && name.indexOf('@', 1) < 0) {
            csdl.annotate(target, aliases.resolve(name.substring(1)), value(value));
          }
        });
  }

  private static Value value(DataNode node) {
    return switch (node.kind()) {
      case OBJECT -> {
        if (node.size() == 1 && node.names().get(0).startsWith("$")) {
          yield AnnotationXml.path(node.items().get(0).text());
        }
        Map<String, Value> fields = new LinkedHashMap<>();
        node.forEachMember((name, member) -> fields.put(name, value(member)));
        yield RecordValue.of(fields);
      }
      case ARRAY -> new ListValue(node.items().stream().map(CsdlJson::value).toList());
      case NULL -> Value.NULL;
      case STRING, NUMBER, BOOLEAN -> Value.text(node.text());
    };
  }
}
