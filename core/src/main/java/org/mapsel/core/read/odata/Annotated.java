package org.mapsel.core.read.odata;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.service.EntityModel.Capabilities;
import org.mapsel.core.shape.Hints;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.TextValue;
import org.mapsel.core.value.Value;

/**
 * What annotations say of one thing, whether they are of the standard vocabularies (Core,
 * Capabilities, Measures, Validation), of others with the same words, or attributes of version 2.0
 * metadata.
 */
final class Annotated {

  private static final Hints KEY = Hints.NONE.asKey();

  static final Annotated NOTHING = new Annotated(Map.of());

  private final Map<String, Value> said;

  /**
   * @param said values by the last word of their terms
   */
  Annotated(Map<String, Value> said) {
    this.said = said;
  }

  private Value value(String term) {
    return said.getOrDefault(term, Value.NULL);
  }

  /** The text of an annotation; nothing if it is a path or a record. */
  Optional<String> text(String term) {
    return text(value(term));
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

  String documentation() {
    if (said.isEmpty()) {
      return "";
    }
    String brief = text("Description").orElse("");
    String more = text("LongDescription").orElse("");
    String hint = text("@quickinfo").orElse("");
    String said = brief.isEmpty() ? hint : brief;
    return said.isEmpty() || more.isEmpty() ? said + more : said + "\n\n" + more;
  }

  /** What is said of a property for whoever shows or fills it. */
  Hints hints(boolean key) {
    Hints hints = key ? KEY : Hints.NONE;
    if (said.isEmpty()) {
      return hints;
    }
    Optional<String> label = text("Label").or(() -> text("@label"));
    if (label.isPresent() && !label.get().isBlank()) {
      hints = hints.labelled(label.get());
    }
    Optional<String> unit = text("Unit").or(() -> text("ISOCurrency"));
    if (unit.isPresent()) {
      hints = hints.withUnit(unit.get());
    }
    if (isReadOnly()) {
      hints = hints.travelling(Hints.Direction.RETURNED_ONLY);
    }
    if (is("Hidden") || isNot("@visible")) {
      hints = hints.asHidden();
    }
    return hints;
  }

  private boolean isReadOnly() {
    boolean neither = isNot("@creatable") && isNot("@updatable");
    return neither
        || is("Computed")
        || text("Permissions").filter(said -> said.endsWith("/Read")).isPresent()
        || text("FieldControl").filter(said -> said.endsWith("/ReadOnly")).isPresent();
  }

  private boolean is(String term) {
    return value(term) instanceof TextValue text && text.text().equals("true");
  }

  private boolean isNot(String term) {
    return value(term) instanceof TextValue text && text.text().equals("false");
  }

  /** The properties that a list of a type shows. */
  List<String> columns() {
    List<String> columns = new ArrayList<>();
    if (value("LineItem") instanceof ListValue items) {
      items.items().forEach(item -> path(item).ifPresent(columns::add));
    }
    return columns;
  }

  /** The property that names an entity of a type. */
  Optional<String> title() {
    return path(value("HeaderInfo").at(FieldPath.of("Title")));
  }

  /**
   * What may be done with a set.
   *
   * @param properties the names of what its entities have, as far as something is said of it
   * @param of what is said of each of them
   */
  Capabilities capabilities(List<String> properties, Function<String, Annotated> of) {
    if (said.isEmpty() && properties.isEmpty()) {
      return Capabilities.ALL;
    }
    List<String> notFiltered = paths("FilterRestrictions", "NonFilterableProperties");
    List<String> notSorted = paths("SortRestrictions", "NonSortableProperties");
    for (String property : properties) {
      Annotated more = of.apply(property);
      if (more.isNot("@filterable")) {
        notFiltered.add(property);
      }
      if (more.isNot("@sortable")) {
        notSorted.add(property);
      }
    }
    return new Capabilities(
        may("ReadRestrictions", "Readable", "@addressable"),
        may("InsertRestrictions", "Insertable", "@creatable"),
        may("UpdateRestrictions", "Updatable", "@updatable"),
        may("DeleteRestrictions", "Deletable", "@deletable"),
        may("FilterRestrictions", "Filterable", "@filterable"),
        may("SortRestrictions", "Sortable", "@sortable"),
        may("SearchRestrictions", "Searchable", "@searchable"),
        may("CountRestrictions", "Countable", "@countable"),
        !isNot("TopSupported"),
        !isNot("SkipSupported"),
        may("ExpandRestrictions", "Expandable", "@expandable"),
        notFiltered,
        notSorted);
  }

  private boolean may(String term, String member, String attribute) {
    Optional<String> allowed = text(value(term).at(FieldPath.of(member)));
    return allowed.isPresent() ? !allowed.get().equals("false") : !isNot(attribute);
  }

  private List<String> paths(String term, String member) {
    List<String> paths = new ArrayList<>(0);
    if (value(term) instanceof RecordValue record && record.get(member) instanceof ListValue list) {
      for (Value item : list.items()) {
        path(item).or(() -> text(item)).ifPresent(paths::add);
      }
    }
    return paths;
  }

  /** The values that a property may have; any if there are none. */
  List<String> allowed() {
    List<String> allowed = new ArrayList<>(0);
    if (value("AllowedValues") instanceof ListValue list) {
      for (Value item : list.items()) {
        if (item instanceof RecordValue record && record.get("Value") instanceof TextValue text) {
          allowed.add(text.text());
        }
      }
    }
    return allowed;
  }
}
