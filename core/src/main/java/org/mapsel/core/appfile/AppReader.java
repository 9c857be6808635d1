package org.mapsel.core.appfile;

import java.util.Optional;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.model.Model;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Call;
import org.mapsel.core.page.Input;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.Reaction;
import org.mapsel.core.page.Shown;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.ref.ReactionId;

/** Reads apps in the current format. */
final class AppReader {

  private AppReader() {}

  static App read(Json json) {
    return new App(
        json.text("name"),
        json.list("services", one -> new App.ServiceUse(one.text("service"), one.text("edition"))),
        json.find("model").map(ModelReader::read).orElse(Model.EMPTY),
        json.list("pages", AppReader::page),
        json.find("issued").map(Json::number).orElse(0));
  }

  private static Page page(Json json) {
    return new Page(
        new PageId(json.text("id")),
        json.text("name"),
        json.list("parts", AppReader::part),
        json.list("calls", AppReader::call),
        json.list("reactions", AppReader::reaction));
  }

  private static Part part(Json json) {
    PartId id = new PartId(json.text("id"));
    Optional<Mapping> heading = mapping(json, Part.HEADING);
    return switch (json.kind()) {
      case "form" -> new Part.Form(id, heading, json.list("items", AppReader::input));
      case "table" ->
          new Part.Table(
              id, heading, mapping(json, Part.Table.ROWS), json.list("items", AppReader::shown));
      case "record" -> new Part.Record(id, heading, json.list("items", AppReader::shown));
      case "button" -> new Part.Button(id, heading);
      case "text" -> new Part.Text(id, heading);
      default -> throw json.get("kind").wrong("the kind of a part");
    };
  }

  private static Input input(Json json) {
    return new Input(
        new PartId(json.text("id")),
        ModelReader.overrides(json, "only"),
        mapping(json, Input.START),
        json.find("input").map(kind -> kind.choice(Input.Kind.class)));
  }

  private static Shown shown(Json json) {
    return new Shown(
        new PartId(json.text("id")),
        ModelReader.overrides(json, "only"),
        mapping(json, Shown.VALUE));
  }

  private static Call call(Json json) {
    return new Call(
        new CallId(json.text("id")),
        json.text("service"),
        new OperationId(json.text("operation")),
        new EndpointId(json.text("endpoint")),
        json.list(
            "parameters",
            one -> new Call.Parameter(one.path("path"), new Mapping(source(one.get("from"))))));
  }

  private static Reaction reaction(Json json) {
    Json when = json.get("when");
    Reaction.Trigger trigger =
        switch (when.kind()) {
          case "opened" -> new Reaction.Trigger.Opened();
          case "pressed" -> new Reaction.Trigger.Pressed(new PartId(when.text("button")));
          default -> throw when.get("kind").wrong("the kind of an event");
        };
    return new Reaction(
        new ReactionId(json.text("id")), trigger, json.list("steps", AppReader::step));
  }

  private static Reaction.Step step(Json json) {
    return switch (json.kind()) {
      case "call" -> new Reaction.Step.MakeCall(new CallId(json.text("call")));
      default -> throw json.get("kind").wrong("the kind of a step");
    };
  }

  private static Optional<Mapping> mapping(Json json, String name) {
    return json.find(name).map(source -> new Mapping(source(source)));
  }

  private static Source source(Json json) {
    return switch (json.kind()) {
      case "entered" -> new Source.Entered(new PartId(json.text("input")));
      case "fixed" -> new Source.Fixed(json.text("text"));
      case "argument" -> new Source.Argument(json.text("name"), json.path("path"));
      case "chosen" -> new Source.Chosen(new PartId(json.text("part")), json.path("path"));
      case "row" -> new Source.Row(json.path("path"));
      case "draft" -> new Source.Draft(new PartId(json.text("form")), json.path("path"));
      case "returned" -> new Source.Returned(new CallId(json.text("call")), json.path("path"));
      case "derived" -> derived(json);
      case "formula" -> new Source.Formula(json.text("text"));
      case "run" -> new Source.Run(json.get("what").choice(Source.Run.What.class));
      default -> throw json.get("kind").wrong("the kind of a source");
    };
  }

  private static Source derived(Json json) {
    Source record = source(json.get("record"));
    if (record instanceof Source.Derived) {
      throw json.get("record").wrong("where a record comes from");
    }
    return new Source.Derived(record, json.text("field"));
  }
}
