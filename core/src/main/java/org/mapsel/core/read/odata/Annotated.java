package org.mapsel.core.read.odata;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.service.EntityModel.Capabilities;
import org.mapsel.core.shape.Hints;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.TextValue;
import org.mapsel.core.value.Value;

/**
 * What annotations say, whether they are of the standard vocabularies (Core, Capabilities,
 * Measures, Validation), of others with the same words, or attributes of version 2.0 metadata.
 */
final class Annotated {

  private final Csdl csdl;

  Annotated(Csdl csdl) {
    this.csdl = csdl;
  }

  /** The text of an annotation; nothing if it is a path or a record. */
  Optional<String> text(String target, String term) {
    return csdl.annotation(target, term).flatMap(Annotated::text);
  }

  private static Optional<String> text(Value value) {
    return value instanceof TextValue text ? Optional.of(text.text()) : Optional.empty();
  }

  /** The path that an annotation holds, or that one of its members holds. */
  private static Optional<String> path(Value value) {
    return value instanceof RecordValue record
        ? text(record.get(AnnotationXml.PATH)).or(() -> path(record.get("Value")))
        : Optional.empty();
  }

  String documentation(String target) {
    String brief = text(target, "Description").orElse("");
    String more = text(target, "LongDescription").orElse("");
    String hint = text(target, "@quickinfo").orElse("");
    String said = brief.isEmpty() ? hint : brief;
    return said.isEmpty() || more.isEmpty() ? said + more : said + "\n\n" + more;
  }

  /** What is said of a property for whoever shows or fills it. */
  Hints hints(String target, boolean key) {
    Hints hints = key ? Hints.NONE.asKey() : Hints.NONE;
    Optional<String> label = text(target, "Label").or(() -> text(target, "@label"));
    if (label.isPresent() && !label.get().isBlank()) {
      hints = hints.labelled(label.get());
    }
    Optional<String> unit = text(target, "Unit").or(() -> text(target, "ISOCurrency"));
    if (unit.isPresent()) {
      hints = hints.withUnit(unit.get());
    }
    if (isReadOnly(target)) {
      hints = hints.travelling(Hints.Direction.RETURNED_ONLY);
    }
    if (is(target, "Hidden") || text(target, "@visible").equals(Optional.of("false"))) {
      hints = hints.asHidden();
    }
    return hints;
  }

  private boolean isReadOnly(String target) {
    boolean neither =
        text(target, "@creatable").equals(Optional.of("false"))
            && text(target, "@updatable").equals(Optional.of("false"));
    return neither
        || is(target, "Computed")
        || text(target, "Permissions").filter(said -> said.endsWith("/Read")).isPresent()
        || text(target, "FieldControl").filter(said -> said.endsWith("/ReadOnly")).isPresent();
  }

  private boolean is(String target, String term) {
    return text(target, term).equals(Optional.of("true"));
  }

  /** The properties that a list of a type shows. */
  List<String> columns(String type) {
    List<String> columns = new ArrayList<>();
    if (csdl.annotation(type, "LineItem").orElse(Value.NULL) instanceof ListValue items) {
      items.items().forEach(item -> path(item).ifPresent(columns::add));
    }
    return columns;
  }

  /** The property that names an entity of a type. */
  Optional<String> title(String type) {
    return csdl.annotation(type, "HeaderInfo")
        .map(header -> header.at(FieldPath.of("Title")))
        .flatMap(Annotated::path);
  }

  /** What may be done with a set. */
  Capabilities capabilities(String target, List<String> properties, String type) {
    List<String> notFiltered = paths(target, "FilterRestrictions", "NonFilterableProperties");
    List<String> notSorted = paths(target, "SortRestrictions", "NonSortableProperties");
    for (String property : properties) {
      if (text(type + "/" + property, "@filterable").equals(Optional.of("false"))) {
        notFiltered.add(property);
      }
      if (text(type + "/" + property, "@sortable").equals(Optional.of("false"))) {
        notSorted.add(property);
      }
    }
    return new Capabilities(
        may(target, "ReadRestrictions", "Readable", "@addressable"),
        may(target, "InsertRestrictions", "Insertable", "@creatable"),
        may(target, "UpdateRestrictions", "Updatable", "@updatable"),
        may(target, "DeleteRestrictions", "Deletable", "@deletable"),
        may(target, "FilterRestrictions", "Filterable", "@filterable"),
        may(target, "SortRestrictions", "Sortable", "@sortable"),
        may(target, "SearchRestrictions", "Searchable", "@searchable"),
        may(target, "CountRestrictions", "Countable", "@countable"),
        !text(target, "TopSupported").equals(Optional.of("false")),
        !text(target, "SkipSupported").equals(Optional.of("false")),
        may(target, "ExpandRestrictions", "Expandable", "@expandable"),
        notFiltered,
        notSorted);
  }

  private boolean may(String target, String term, String member, String attribute) {
    Optional<String> said =
        csdl.annotation(target, term)
            .map(value -> value.at(FieldPath.of(member)))
            .flatMap(Annotated::text)
            .or(() -> text(target, attribute));
    return !said.equals(Optional.of("false"));
  }

  private List<String> paths(String target, String term, String member) {
    List<String> paths = new ArrayList<>();
    Value restrictions = csdl.annotation(target, term).orElse(Value.NULL);
    if (restrictions instanceof RecordValue record
        && record.get(member) instanceof ListValue list) {
      for (Value item : list.items()) {
        path(item).or(() -> text(item)).ifPresent(paths::add);
      }
    }
    return paths;
  }
}
