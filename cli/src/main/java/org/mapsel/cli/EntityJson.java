package org.mapsel.cli;

import java.util.List;
import java.util.function.Consumer;
import org.mapsel.core.service.EntityModel;
import org.mapsel.core.service.EntityModel.Callable;
import org.mapsel.core.service.EntityModel.StructuredType;
import tools.jackson.core.JsonGenerator;

/** An entity model as JSON, in the form of docs/formats/description.schema.json. */
final class EntityJson {

  private final JsonGenerator out;

  EntityJson(JsonGenerator out) {
    this.out = out;
  }

  void write(EntityModel model) {
    all("entityTypes", model.entityTypes(), this::type);
    all("complexTypes", model.complexTypes(), this::type);
    all(
        "enumTypes",
        model.enumTypes(),
        type -> {
          out.writeStringProperty("name", type.name());
          names("members", type.members());
          out.writeBooleanProperty("flags", type.flags());
        });
    all(
        "entitySets",
        model.sets().stream().filter(set -> !set.single()).toList(),
        set -> set(model, set));
    all(
        "singletons",
        model.sets().stream().filter(EntityModel.EntitySet::single).toList(),
        set -> set(model, set));
    all("actions", model.callables().stream().filter(Callable::action).toList(), this::callable);
    all(
        "functions",
        model.callables().stream().filter(one -> !one.action()).toList(),
        this::callable);
    all(
        "imports",
        model.imports(),
        one -> {
          out.writeStringProperty("name", one.name());
          out.writeStringProperty("of", one.of());
          one.method().ifPresent(method -> out.writeStringProperty("method", method));
        });
  }

  private <T> void all(String name, List<T> items, Consumer<T> one) {
    out.writeArrayPropertyStart(name);
    for (T item : items) {
      out.writeStartObject();
      one.accept(item);
      out.writeEndObject();
    }
    out.writeEndArray();
  }

  private void names(String name, List<String> names) {
    out.writeArrayPropertyStart(name);
    names.forEach(out::writeString);
    out.writeEndArray();
  }

  private void set(EntityModel model, EntityModel.EntitySet set) {
    out.writeStringProperty("name", set.name());
    out.writeStringProperty("type", set.type());
    names(
        "keys",
        model.line(set.type()).stream().flatMap(type -> type.keys().stream()).distinct().toList());
  }

  private void type(StructuredType type) {
    out.writeStringProperty("name", type.name());
    type.base().ifPresent(base -> out.writeStringProperty("base", base));
    out.writeBooleanProperty("abstract", type.isAbstract());
    out.writeBooleanProperty("open", type.open());
    out.writeBooleanProperty("media", type.media());
    names("keys", type.keys());
    all(
        "properties",
        type.properties(),
        property -> {
          out.writeStringProperty("name", property.name());
          out.writeStringProperty("type", property.type());
          out.writeBooleanProperty("nullable", property.nullable());
          property.maxLength().ifPresent(most -> out.writeNumberProperty("maxLength", most));
          property.hints().label().ifPresent(label -> out.writeStringProperty("label", label));
          property.hints().unit().ifPresent(unit -> out.writeStringProperty("unit", unit));
        });
    all(
        "navigations",
        type.navigations(),
        way -> {
          out.writeStringProperty("name", way.name());
          out.writeStringProperty("type", way.type());
          way.partner().ifPresent(partner -> out.writeStringProperty("partner", partner));
          out.writeBooleanProperty("contained", way.contained());
        });
  }

  private void callable(Callable callable) {
    out.writeStringProperty("name", callable.name());
    out.writeBooleanProperty("bound", callable.bound());
    all(
        "parameters",
        callable.parameters(),
        parameter -> {
          out.writeStringProperty("name", parameter.name());
          out.writeStringProperty("type", parameter.type());
          out.writeBooleanProperty("nullable", parameter.nullable());
        });
    callable.returns().ifPresent(type -> out.writeStringProperty("returns", type));
  }
}
