package org.mapsel.core.appfile;

import org.mapsel.core.json.PathJson;
import org.mapsel.core.model.DerivedField;
import org.mapsel.core.model.DerivedField.Rule;
import org.mapsel.core.model.Format;
import org.mapsel.core.model.Model;
import org.mapsel.core.model.ModelField;
import org.mapsel.core.model.Overrides;
import org.mapsel.core.model.RecordType;
import org.mapsel.core.model.ShapeRef;
import org.mapsel.core.model.ValueList;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Writes models. */
final class ModelWriter {

  private static final JsonNodeFactory NODES = JsonNodeFactory.instance;

  private ModelWriter() {}

  static ObjectNode write(Model model) {
    ObjectNode json = NODES.objectNode();
    AppWriter.list(json, "types", model.types(), ModelWriter::type);
    AppWriter.list(json, "lists", model.lists(), ModelWriter::list);
    return json;
  }

  private static ObjectNode type(RecordType type) {
    ObjectNode json = NODES.objectNode();
    json.put("id", type.id().text()).put("name", type.name());
    AppWriter.list(json, "shapes", type.shapes(), ModelWriter::shape);
    AppWriter.list(json, "fields", type.fields(), ModelWriter::field);
    AppWriter.list(json, "derived", type.derived(), ModelWriter::derived);
    return json;
  }

  static ObjectNode shape(ShapeRef shape) {
    ObjectNode json = NODES.objectNode();
    json.put("service", shape.service());
    if (!shape.shape().namespace().isEmpty()) {
      json.put("namespace", shape.shape().namespace());
    }
    return json.put("shape", shape.shape().name());
  }

  private static ObjectNode field(ModelField field) {
    ObjectNode json = NODES.objectNode();
    json.put("name", field.name());
    AppWriter.list(json, "at", field.at(), at -> shape(at.owner()).put("name", at.name()));
    overrides(json, "set", field.set());
    return json;
  }

  private static ObjectNode derived(DerivedField field) {
    ObjectNode json = NODES.objectNode();
    json.put("name", field.name());
    json.set("rule", rule(field.rule()));
    overrides(json, "set", field.set());
    return json;
  }

  private static ObjectNode rule(Rule rule) {
    ObjectNode json = NODES.objectNode();
    switch (rule) {
      case Rule.LookedUp lookup -> {
        json.put("kind", "lookedUp").set("list", PathJson.write(lookup.list()));
        json.put("key", lookup.key()).put("wanted", lookup.wanted()).put("value", lookup.value());
        lookup.otherwise().ifPresent(otherwise -> json.put("otherwise", otherwise));
      }
      case Rule.CutOut cut -> {
        json.put("kind", "cutOut").set("text", PathJson.write(cut.text()));
        json.put("pattern", cut.pattern()).put("group", cut.group());
      }
      case Rule.Decoded decoded -> {
        json.put("kind", "decoded").set("text", PathJson.write(decoded.text()));
        json.put("coding", Json.name(decoded.coding()));
        json.set("inside", PathJson.write(decoded.inside()));
      }
      case Rule.Picked picked -> {
        json.put("kind", "picked").set("list", PathJson.write(picked.list()));
        json.put("place", picked.place());
        picked.where().ifPresent(where -> json.put("where", where));
        json.set("inside", PathJson.write(picked.inside()));
      }
      case Rule.Folded folded -> {
        json.put("kind", "folded").set("values", PathJson.write(folded.values()));
        json.put("fold", Json.name(folded.fold())).put("separator", folded.separator());
      }
      case Rule.Computed computed ->
          json.put("kind", "computed").put("formula", computed.formula());
    }
    return json;
  }

  private static ObjectNode list(ValueList list) {
    ObjectNode json = NODES.objectNode();
    json.put("id", list.id().text()).put("name", list.name());
    AppWriter.list(
        json,
        "items",
        list.items(),
        item -> NODES.objectNode().put("code", item.code()).put("words", item.words()));
    return json;
  }

  static void overrides(ObjectNode around, String name, Overrides set) {
    if (set.saysNothing()) {
      return;
    }
    ObjectNode json = around.putObject(name);
    set.label().ifPresent(label -> json.put("label", label));
    set.help().ifPresent(help -> json.put("help", help));
    set.format().ifPresent(format -> json.set("format", format(format)));
    set.unit().ifPresent(unit -> json.put("unit", unit));
    set.order().ifPresent(order -> json.put("order", order));
    set.key().ifPresent(key -> json.put("key", key));
    set.title().ifPresent(title -> json.put("title", title));
    set.hidden().ifPresent(hidden -> json.put("hidden", hidden));
    set.list().ifPresent(list -> json.put("list", list.text()));
    set.empty().ifPresent(empty -> json.put("empty", empty));
    set.required().ifPresent(required -> json.put("required", required));
    set.personal().ifPresent(personal -> json.put("personal", personal));
  }

  private static ObjectNode format(Format format) {
    ObjectNode json = NODES.objectNode();
    switch (format) {
      case Format.Plain plain -> json.put("kind", "plain");
      case Format.LongText text -> json.put("kind", "longText");
      case Format.Number number -> {
        json.put("kind", "number");
        number.digits().ifPresent(digits -> json.put("digits", digits));
        json.put("grouped", number.grouped()).put("signed", number.signed());
      }
      case Format.Money money -> json.put("kind", "money").put("currency", money.currency());
      case Format.Date date -> json.put("kind", "date").put("length", Json.name(date.length()));
      case Format.Time time -> json.put("kind", "time").put("seconds", time.seconds());
      case Format.DateTime both -> {
        json.put("kind", "dateTime").put("length", Json.name(both.length()));
        both.zone().ifPresent(zone -> json.put("zone", zone));
      }
      case Format.YesNo words ->
          json.put("kind", "yesNo").put("yes", words.yes()).put("no", words.no());
      case Format.Picture picture -> json.put("kind", "picture");
      case Format.Link link -> json.put("kind", "link");
      case Format.Telephone telephone -> json.put("kind", "telephone");
      case Format.Mail mail -> json.put("kind", "mail");
      case Format.Progress progress -> json.put("kind", "progress").put("full", progress.full());
    }
    return json;
  }
}
