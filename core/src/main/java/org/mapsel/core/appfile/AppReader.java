package org.mapsel.core.appfile;

import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.model.Model;
import org.mapsel.core.page.Action;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Argument;
import org.mapsel.core.page.Call;
import org.mapsel.core.page.Folio;
import org.mapsel.core.page.Frame;
import org.mapsel.core.page.Input;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.Reaction;
import org.mapsel.core.page.Shown;
import org.mapsel.core.page.Trigger;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.ref.ReactionId;
import org.mapsel.core.shape.ScalarType;

/** Reads apps in the current format. */
final class AppReader {

  private AppReader() {}

  static App read(Json json) {
    return new App(
        json.text("name"),
        json.list("services", one -> new App.ServiceUse(one.text("service"), one.text("edition"))),
        json.find("model").map(ModelReader::read).orElse(Model.EMPTY),
        json.list("pages", AppReader::page),
        new Folio(json.list("start", AppReader::section)),
        json.list("refused", AppReader::refused),
        json.find("issued").map(Json::number).orElse(0));
  }

  private static App.RefusedPair refused(Json json) {
    return new App.RefusedPair(
        json.text("service"),
        new OperationId(json.text("operation")),
        json.path("parameter"),
        json.path("given"));
  }

  private static Folio.Section section(Json json) {
    return new Folio.Section(json.text("title"), json.list("entries", AppReader::entry));
  }

  private static Folio.Entry entry(Json json) {
    return new Folio.Entry(
        json.findText("app").orElse(""),
        json.findText("page").orElse(""),
        json.text("name"),
        json.findText("line").orElse(""),
        json.find("figure")
            .map(
                figure ->
                    new Folio.Figure(
                        new PartId(figure.text("part")), figure.findText("words").orElse(""))));
  }

  private static Page page(Json json) {
    return new Page(
        new PageId(json.text("id")),
        json.text("name"),
        json.list("arguments", AppReader::argument),
        json.list("parts", AppReader::part),
        json.list("calls", AppReader::call),
        json.list("reactions", AppReader::reaction));
  }

  private static Argument argument(Json json) {
    return new Argument(
        json.text("name"),
        json.find("shape").map(ModelReader::shape),
        json.find("type").map(type -> type.choice(ScalarType.class)).orElse(ScalarType.TEXT));
  }

  private static Part part(Json json) {
    return switch (json.kind()) {
      case "form" -> new Part.Form(base(json), json.list("items", AppReader::input));
      case "lines" -> new Part.Lines(base(json), json.list("items", AppReader::input));
      case "group" ->
          new Part.Group(
              base(json),
              json.find("way")
                  .map(way -> way.choice(Part.Group.Way.class))
                  .orElse(Part.Group.Way.OPEN));
      case "table" -> new Part.Table(rowsBase(json), json.list("items", AppReader::shown));
      case "cards" -> new Part.Cards(rowsBase(json), json.list("items", AppReader::shown));
      case "chart" ->
          new Part.Chart(
              rowsBase(json),
              json.list("items", AppReader::shown),
              json.find("drawing")
                  .map(drawing -> drawing.choice(Part.Chart.Drawing.class))
                  .orElse(Part.Chart.Drawing.LINE));
      case "record" -> new Part.Record(base(json), json.list("items", AppReader::shown));
      case "button" ->
          new Part.Button(
              base(json),
              json.find("manner")
                  .map(manner -> manner.choice(Part.Button.Manner.class))
                  .orElse(Part.Button.Manner.MAIN));
      case "text" -> new Part.Text(base(json));
      default -> throw json.get("kind").wrong("the kind of a part");
    };
  }

  private static Part.Base rowsBase(Json json) {
    return base(json).with(Part.OverRows.ROWS, mapping(json, Part.OverRows.ROWS));
  }

  private static Part.Base base(Json json) {
    Part.Base base = new Part.Base(new PartId(json.text("id")), Map.of(), frame(json));
    return base.with(Part.HEADING, mapping(json, Part.HEADING))
        .with(Part.SHOWN_IF, mapping(json, Part.SHOWN_IF));
  }

  private static Frame frame(Json json) {
    return json.find("frame")
        .map(
            frame ->
                new Frame(
                    frame
                        .find("width")
                        .map(width -> width.choice(Frame.Width.class))
                        .orElse(Frame.Width.FULL),
                    new Frame.StateWords(
                        words(frame, "whenBefore"),
                        words(frame, "whenWaiting"),
                        words(frame, "whenEmpty"),
                        words(frame, "whenFailed")),
                    frame.find("buildersOnly").map(Json::flag).orElse(false),
                    frame.findText("within").map(PartId::new)))
        .orElse(Frame.USUAL);
  }

  private static String words(Json frame, String name) {
    return frame.find(name).map(Json::text).orElse("");
  }

  private static Input input(Json json) {
    return new Input(
        new PartId(json.text("id")),
        ModelReader.overrides(json, "only"),
        mapping(json, Input.START),
        json.find("input").map(kind -> kind.choice(Input.Kind.class)),
        json.find(Input.OPTIONS)
            .map(
                options ->
                    new Input.Options(
                        mapping(options.get("rows")),
                        options.path("value"),
                        options.path("words"))));
  }

  private static Shown shown(Json json) {
    return new Shown(
        new PartId(json.text("id")),
        ModelReader.overrides(json, "only"),
        mapping(json, Shown.VALUE),
        json.find("total").map(total -> total.choice(Shown.Total.class)),
        json.list("inside", Json::text));
  }

  private static Call call(Json json) {
    return new Call(
        new CallId(json.text("id")),
        json.text("service"),
        new OperationId(json.text("operation")),
        new EndpointId(json.text("endpoint")),
        json.list(
            "parameters", one -> new Call.Parameter(one.path("path"), mapping(one.get("from")))));
  }

  private static Reaction reaction(Json json) {
    return new Reaction(
        new ReactionId(json.text("id")),
        trigger(json.get("when")),
        mapping(json, Reaction.CONDITION),
        json.list("steps", AppReader::step),
        json.list("failure", AppReader::step));
  }

  private static Trigger trigger(Json when) {
    return switch (when.kind()) {
      case "opened" -> new Trigger.Opened();
      case "cameBack" -> new Trigger.CameBack();
      case "pressed" -> new Trigger.Pressed(new PartId(when.text("button")));
      case "changed" -> new Trigger.Changed(new PartId(when.text("input")));
      case "rowChosen" -> new Trigger.RowChosen(new PartId(when.text("part")));
      case "every" -> new Trigger.Every(when.get("seconds").number());
      case "answered" -> new Trigger.Answered(new CallId(when.text("call")));
      default -> throw when.get("kind").wrong("the kind of an event");
    };
  }

  private static Reaction.Step step(Json json) {
    return new Reaction.Step(
        new PartId(json.text("id")), action(json), json.members("with", AppReader::mapping));
  }

  private static Action action(Json json) {
    return switch (json.kind()) {
      case "call" -> new Action.MakeCall(new CallId(json.text("call")));
      case "set" -> new Action.SetInput(new PartId(json.text("input")));
      case "clear" -> new Action.Clear(new PartId(json.text("form")));
      case "say" -> new Action.Say();
      case "ask" -> new Action.Ask();
      case "goTo" ->
          new Action.GoTo(
              new PageId(json.text("page")), new TreeSet<>(json.list("arguments", Json::text)));
      case "goBack" -> new Action.GoBack();
      case "open" -> new Action.OpenAddress();
      case "stop" -> new Action.Stop();
      default -> throw json.get("kind").wrong("the kind of a step");
    };
  }

  private static Optional<Mapping> mapping(Json json, String name) {
    return json.find(name).map(AppReader::mapping);
  }

  private static Mapping mapping(Json json) {
    return new Mapping(source(json), json.findText("likely").orElse(""));
  }

  private static Source source(Json json) {
    return switch (json.kind()) {
      case "entered" -> new Source.Entered(new PartId(json.text("input")));
      case "fixed" -> new Source.Fixed(json.text("text"));
      case "argument" -> new Source.Argument(json.text("name"), json.path("path"));
      case "chosen" -> new Source.Chosen(new PartId(json.text("part")), json.path("path"));
      case "row" -> new Source.Row(json.path("path"));
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
