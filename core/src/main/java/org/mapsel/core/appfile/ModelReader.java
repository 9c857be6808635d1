package org.mapsel.core.appfile;

import java.util.List;
import org.mapsel.core.model.Choice;
import org.mapsel.core.model.DerivedField;
import org.mapsel.core.model.DerivedField.Rule;
import org.mapsel.core.model.FieldRef;
import org.mapsel.core.model.Format;
import org.mapsel.core.model.Model;
import org.mapsel.core.model.ModelField;
import org.mapsel.core.model.Overrides;
import org.mapsel.core.model.RecordType;
import org.mapsel.core.model.ShapeRef;
import org.mapsel.core.model.ValueList;
import org.mapsel.core.ref.ListId;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.ref.TypeId;

/** Reads models in the current format. */
final class ModelReader {

  private ModelReader() {}

  static Model read(Json json) {
    return new Model(
        json.list("types", ModelReader::type),
        json.list(
            "lists",
            list ->
                new ValueList(
                    new ListId(list.text("id")),
                    list.text("name"),
                    list.list(
                        "items", item -> new Choice(item.text("code"), item.text("words"))))));
  }

  private static RecordType type(Json json) {
    List<ShapeRef> shapes = json.list("shapes", ModelReader::shape);
    if (shapes.isEmpty()) {
      throw json.wrong("a record type with a shape");
    }
    return new RecordType(
        new TypeId(json.text("id")),
        json.text("name"),
        shapes,
        json.list("fields", ModelReader::field),
        json.list(
            "derived",
            one ->
                new DerivedField(one.text("name"), rule(one.get("rule")), overrides(one, "set"))));
  }

  static ShapeRef shape(Json json) {
    return new ShapeRef(
        json.text("service"),
        new ShapeId(json.findText("namespace").orElse(""), json.text("shape")));
  }

  private static ModelField field(Json json) {
    List<FieldRef> at = json.list("at", one -> new FieldRef(shape(one), one.text("name")));
    if (at.isEmpty()) {
      throw json.wrong("a field that stands somewhere");
    }
    return new ModelField(json.text("name"), at, overrides(json, "set"));
  }

  private static Rule rule(Json json) {
    return switch (json.kind()) {
      case "lookedUp" ->
          new Rule.LookedUp(
              json.path("list"),
              json.text("key"),
              json.text("wanted"),
              json.text("value"),
              json.findText("otherwise"));
      case "cutOut" -> new Rule.CutOut(json.path("text"), json.text("pattern"), json.text("group"));
      case "decoded" ->
          new Rule.Decoded(
              json.path("text"),
              json.get("coding").choice(DerivedField.Coding.class),
              json.path("inside"));
      case "picked" ->
          new Rule.Picked(
              json.path("list"),
              json.get("place").number(),
              json.findText("where"),
              json.path("inside"));
      case "folded" ->
          new Rule.Folded(
              json.path("values"),
              json.get("fold").choice(DerivedField.Fold.class),
              json.text("separator"));
      case "computed" -> new Rule.Computed(json.text("formula"));
      default -> throw json.get("kind").wrong("the kind of a derived field");
    };
  }

  static Overrides overrides(Json around, String name) {
    return around
        .find(name)
        .map(
            json ->
                new Overrides(
                    json.findText("label"),
                    json.findText("help"),
                    json.find("format").map(ModelReader::format),
                    json.findText("unit"),
                    json.find("order").map(Json::number),
                    json.find("key").map(Json::flag),
                    json.find("title").map(Json::flag),
                    json.find("hidden").map(Json::flag),
                    json.findText("list").map(ListId::new),
                    json.findText("empty"),
                    json.find("required").map(Json::flag),
                    json.find("personal").map(Json::flag)))
        .orElse(Overrides.NONE);
  }

  private static Format format(Json json) {
    return switch (json.kind()) {
      case "plain" -> new Format.Plain();
      case "longText" -> new Format.LongText();
      case "number" ->
          new Format.Number(
              json.find("digits").map(Json::number),
              json.get("grouped").flag(),
              json.get("signed").flag());
      case "money" -> new Format.Money(json.text("currency"));
      case "date" -> new Format.Date(json.get("length").choice(Format.Length.class));
      case "time" -> new Format.Time(json.get("seconds").flag());
      case "dateTime" ->
          new Format.DateTime(
              json.get("length").choice(Format.Length.class), json.findText("zone"));
      case "yesNo" -> new Format.YesNo(json.text("yes"), json.text("no"));
      case "picture" -> new Format.Picture();
      case "link" -> new Format.Link();
      case "telephone" -> new Format.Telephone();
      case "mail" -> new Format.Mail();
      case "progress" -> new Format.Progress(json.get("full").node().asDouble(100));
      default -> throw json.get("kind").wrong("the kind of a format");
    };
  }
}
