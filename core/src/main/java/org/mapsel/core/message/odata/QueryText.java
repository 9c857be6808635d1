package org.mapsel.core.message.odata;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.finding.Findings;
import org.mapsel.core.message.Trail;
import org.mapsel.core.message.http.Percent;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.service.EdmTypes;
import org.mapsel.core.service.EntityModel;
import org.mapsel.core.service.EntityQuery;
import org.mapsel.core.service.EntityQuery.Comparison;
import org.mapsel.core.shape.Facets;
import org.mapsel.core.shape.ScalarText;
import org.mapsel.core.shape.ScalarType;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.value.BooleanValue;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;

/** System query options as text (OData 4.01 URL conventions, section 5.1; 2.0, section 4). */
final class QueryText {

  private final boolean old;
  private final String type;
  private final EntityModel model;
  private final Findings findings;
  private final Literals literals;

  QueryText(boolean old, String type, EntityModel model, Findings findings) {
    this.old = old;
    this.type = type;
    this.model = model;
    this.findings = findings;
    this.literals = new Literals(old, findings);
  }

  /** Name and value, ready for an address; empty if the option asks for nothing. */
  Optional<String> option(String name, Value value, Trail path) {
    List<Value> items = value instanceof ListValue list ? list.items() : List.of(value);
    String text =
        switch (name) {
          case EntityQuery.FILTER -> filter(items, path);
          case EntityQuery.ORDER -> order(items, path);
          case EntityQuery.SELECT, EntityQuery.EXPAND ->
              items.stream().map(ScalarText::print).collect(Collectors.joining(","));
          default -> ScalarText.print(value);
        };
    boolean count = name.equals(EntityQuery.COUNT);
    if (text.isEmpty() || count && text.equals("false")) {
      return Optional.empty();
    }
    if (count && old) {
      return Optional.of("$inlinecount=allpages");
    }
    return Optional.of(name + "=" + Percent.encode(text).replace("%2C", ",").replace("%27", "'"));
  }

  private String order(List<Value> items, Trail path) {
    List<String> orders = new ArrayList<>();
    for (Value item : items) {
      String field = text(item, EntityQuery.FIELD);
      boolean known = property(field) != null;
      if (field.isEmpty() || !known) {
        findings.add(path.then(EntityQuery.FIELD).error("MESSAGE_PARAMETER_MISSING"));
      }
      boolean down =
          item instanceof RecordValue record
              && (record.get(EntityQuery.DESCENDING) == BooleanValue.TRUE
                  || text(item, EntityQuery.DESCENDING).equals("true"));
      orders.add(down ? field + " desc" : field);
    }
    return String.join(",", orders);
  }

  private static String text(Value record, String field) {
    Value value = record instanceof RecordValue given ? given.get(field) : Value.ABSENT;
    return value instanceof RecordValue || value instanceof ListValue
        ? ""
        : ScalarText.print(value);
  }

  private String filter(List<Value> items, Trail path) {
    List<String> conditions = new ArrayList<>();
    for (Value item : items) {
      condition(item, path).ifPresent(conditions::add);
    }
    return String.join(" and ", conditions);
  }

  private Optional<String> condition(Value item, Trail path) {
    String field = text(item, EntityQuery.FIELD);
    Optional<Comparison> comparison = Comparison.labelled(text(item, EntityQuery.COMPARISON));
    Shape.Scalar scalar = property(field);
    if (scalar == null) {
      findings.add(path.then(EntityQuery.FIELD).error("MESSAGE_PARAMETER_MISSING"));
      return Optional.empty();
    }
    if (comparison.isEmpty()) {
      findings.add(path.then(EntityQuery.COMPARISON).error("MESSAGE_PARAMETER_MISSING"));
      return Optional.empty();
    }
    if (comparison.get() == Comparison.EMPTY || comparison.get() == Comparison.GIVEN) {
      return Optional.of(field + (comparison.get() == Comparison.EMPTY ? " eq null" : " ne null"));
    }
    Value value = item instanceof RecordValue record ? record.get(EntityQuery.VALUE) : Value.ABSENT;
    if (value.isAbsent() || value == Value.NULL) {
      findings.add(path.then(EntityQuery.VALUE).error("MESSAGE_PARAMETER_MISSING"));
      return Optional.empty();
    }
    String literal = literals.literal(scalar, value, path.then(EntityQuery.VALUE));
    return literal == null
        ? Optional.empty()
        : Optional.of(condition(field, comparison.get(), literal));
  }

  private String condition(String field, Comparison comparison, String literal) {
    return switch (comparison) {
      case EQUALS -> field + " eq " + literal;
      case DIFFERS -> field + " ne " + literal;
      case LESS -> field + " lt " + literal;
      case AT_MOST -> field + " le " + literal;
      case MORE -> field + " gt " + literal;
      case AT_LEAST -> field + " ge " + literal;
      case CONTAINS ->
          old
              ? "substringof(" + literal + "," + field + ")"
              : "contains(" + field + "," + literal + ")";
      case STARTS -> "startswith(" + field + "," + literal + ")";
      case ENDS -> "endswith(" + field + "," + literal + ")";
      case EMPTY -> field + " eq null";
      case GIVEN -> field + " ne null";
    };
  }

  /** The simple type of a property; null if there is no such. */
  private Shape.@Nullable Scalar property(String name) {
    for (EntityModel.StructuredType step : model.line(type)) {
      for (EntityModel.Property property : step.properties()) {
        if (property.name().equals(name)) {
          String base =
              model.typeDefinitions().stream()
                  .filter(one -> one.name().equals(property.type()))
                  .map(EntityModel.TypeDefinition::base)
                  .findFirst()
                  .orElse(property.type());
          return new Shape.Scalar(
              new ShapeId("", base),
              EdmTypes.find(base).orElse(ScalarType.TEXT),
              base,
              Facets.NONE);
        }
      }
    }
    return null;
  }
}
