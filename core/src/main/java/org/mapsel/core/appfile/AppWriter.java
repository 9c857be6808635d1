package org.mapsel.core.appfile;

import java.util.List;
import java.util.TreeMap;
import java.util.function.Function;
import org.mapsel.core.json.PathJson;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.page.Action;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Argument;
import org.mapsel.core.page.Call;
import org.mapsel.core.page.Folio;
import org.mapsel.core.page.Frame;
import org.mapsel.core.page.Input;
import org.mapsel.core.page.Item;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.Reaction;
import org.mapsel.core.page.Shown;
import org.mapsel.core.page.Trigger;
import org.mapsel.core.ref.FieldPath;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Writes apps: members in a fixed order, what is empty left out. */
final class AppWriter {

  private static final JsonNodeFactory NODES = JsonNodeFactory.instance;

  private AppWriter() {}

  static ObjectNode write(App app) {
    ObjectNode json = NODES.objectNode();
    json.put(AppFile.NUMBER, AppFile.FORMAT);
    json.put("name", app.name());
    json.put("issued", app.issued());
    list(json, "services", app.services(), AppWriter::service);
    ObjectNode model = ModelWriter.write(app.model());
    if (!model.isEmpty()) {
      json.set("model", model);
    }
    list(json, "start", app.start().sections(), AppWriter::section);
    list(json, "refused", app.refused(), AppWriter::refused);
    list(json, "pages", app.pages(), AppWriter::page);
    return json;
  }

  private static ObjectNode refused(App.RefusedPair pair) {
    ObjectNode json =
        NODES.objectNode().put("service", pair.service()).put("operation", pair.operation().text());
    json.set("parameter", PathJson.write(pair.parameter()));
    json.set("given", PathJson.write(pair.given()));
    return json;
  }

  private static ObjectNode section(Folio.Section section) {
    ObjectNode json = NODES.objectNode().put("title", section.title());
    list(json, "entries", section.entries(), AppWriter::entry);
    return json;
  }

  private static ObjectNode entry(Folio.Entry entry) {
    ObjectNode json = NODES.objectNode();
    if (!entry.app().isEmpty()) {
      json.put("app", entry.app());
    }
    if (!entry.page().isEmpty()) {
      json.put("page", entry.page());
    }
    json.put("name", entry.name());
    if (!entry.line().isEmpty()) {
      json.put("line", entry.line());
    }
    entry
        .figure()
        .ifPresent(
            figure ->
                json.putObject("figure")
                    .put("part", figure.part().text())
                    .put("words", figure.words()));
    return json;
  }

  private static ObjectNode service(App.ServiceUse use) {
    return NODES.objectNode().put("service", use.service()).put("edition", use.edition());
  }

  private static ObjectNode page(Page page) {
    ObjectNode json = NODES.objectNode();
    json.put("id", page.id().text()).put("name", page.name());
    list(json, "arguments", page.arguments(), AppWriter::argument);
    list(json, "parts", page.parts(), AppWriter::part);
    list(json, "calls", page.calls(), AppWriter::call);
    list(json, "reactions", page.reactions(), AppWriter::reaction);
    return json;
  }

  private static ObjectNode argument(Argument argument) {
    ObjectNode json = NODES.objectNode().put("name", argument.name());
    argument
        .record()
        .ifPresentOrElse(
            shape -> json.set("shape", ModelWriter.shape(shape)),
            () -> json.put("type", Json.name(argument.scalar())));
    return json;
  }

  private static void frame(ObjectNode json, Frame frame) {
    if (frame.equals(Frame.USUAL)) {
      return;
    }
    ObjectNode written = json.putObject("frame");
    if (frame.width() != Frame.Width.FULL) {
      written.put("width", Json.name(frame.width()));
    }
    words(written, "whenBefore", frame.words().before());
    words(written, "whenWaiting", frame.words().waiting());
    words(written, "whenEmpty", frame.words().empty());
    words(written, "whenFailed", frame.words().failed());
    if (frame.buildersOnly()) {
      written.put("buildersOnly", true);
    }
    frame.within().ifPresent(around -> written.put("within", around.text()));
  }

  private static void words(ObjectNode json, String name, String words) {
    if (!words.isEmpty()) {
      json.put(name, words);
    }
  }

  private static ObjectNode part(Part part) {
    ObjectNode json = NODES.objectNode();
    String kind =
        switch (part) {
          case Part.Form form -> "form";
          case Part.Lines lines -> "lines";
          case Part.Group group -> "group";
          case Part.Table table -> "table";
          case Part.Cards cards -> "cards";
          case Part.Chart chart -> "chart";
          case Part.Record record -> "record";
          case Part.Button button -> "button";
          case Part.Text text -> "text";
        };
    json.put("kind", kind).put("id", part.id().text());
    new TreeMap<>(part.slots()).forEach((name, mapping) -> json.set(name, mapping(mapping)));
    frame(json, part.frame());
    if (part instanceof Part.Chart chart && chart.drawing() != Part.Chart.Drawing.LINE) {
      json.put("drawing", Json.name(chart.drawing()));
    }
    if (part instanceof Part.Button button && button.manner() != Part.Button.Manner.MAIN) {
      json.put("manner", Json.name(button.manner()));
    }
    if (part instanceof Part.Group group && group.way() != Part.Group.Way.OPEN) {
      json.put("way", Json.name(group.way()));
    }
    list(json, "items", part.items(), AppWriter::item);
    return json;
  }

  private static ObjectNode item(Item item) {
    ObjectNode json = NODES.objectNode();
    json.put("id", item.id().text());
    item.mapping().ifPresent(mapping -> json.set(item.slot(), mapping(mapping)));
    if (item instanceof Input input) {
      input.kind().ifPresent(kind -> json.put("input", Json.name(kind)));
      input
          .options()
          .ifPresent(
              options -> {
                ObjectNode written = json.putObject(Input.OPTIONS);
                written.set("rows", mapping(options.rows()));
                written.set("value", PathJson.write(options.value()));
                written.set("words", PathJson.write(options.words()));
              });
    }
    if (item instanceof Shown shown) {
      shown.total().ifPresent(total -> json.put("total", Json.name(total)));
      if (!shown.inside().isEmpty()) {
        shown.inside().forEach(json.putArray("inside")::add);
      }
    }
    ModelWriter.overrides(json, "only", item.only());
    return json;
  }

  private static ObjectNode call(Call call) {
    ObjectNode json = NODES.objectNode();
    json.put("id", call.id().text()).put("service", call.service());
    json.put("operation", call.operation().text()).put("endpoint", call.endpoint().text());
    list(
        json,
        "parameters",
        call.parameters(),
        parameter -> {
          ObjectNode one = NODES.objectNode();
          one.set("path", PathJson.write(parameter.path()));
          one.set("from", mapping(parameter.mapping()));
          return one;
        });
    return json;
  }

  private static ObjectNode reaction(Reaction reaction) {
    ObjectNode json = NODES.objectNode();
    json.put("id", reaction.id().text());
    json.set("when", trigger(reaction.when()));
    reaction.condition().ifPresent(mapping -> json.set(Reaction.CONDITION, mapping(mapping)));
    list(json, "steps", reaction.steps(), AppWriter::step);
    list(json, "failure", reaction.failure(), AppWriter::step);
    return json;
  }

  private static ObjectNode trigger(Trigger when) {
    return switch (when) {
      case Trigger.Opened opened -> kind("opened");
      case Trigger.CameBack back -> kind("cameBack");
      case Trigger.Pressed pressed -> kind("pressed").put("button", pressed.button().text());
      case Trigger.Changed changed -> kind("changed").put("input", changed.input().text());
      case Trigger.RowChosen chosen -> kind("rowChosen").put("part", chosen.part().text());
      case Trigger.Every every -> kind("every").put("seconds", every.seconds());
      case Trigger.Answered answered -> kind("answered").put("call", answered.call().text());
    };
  }

  private static ObjectNode step(Reaction.Step step) {
    ObjectNode json =
        switch (step.action()) {
          case Action.MakeCall make -> kind("call").put("call", make.call().text());
          case Action.SetInput set -> kind("set").put("input", set.input().text());
          case Action.Clear clear -> kind("clear").put("form", clear.form().text());
          case Action.Say say -> kind("say");
          case Action.Ask ask -> kind("ask");
          case Action.GoTo go -> {
            ObjectNode written = kind("goTo").put("page", go.page().text());
            if (!go.arguments().isEmpty()) {
              ArrayNode names = written.putArray("arguments");
              go.arguments().forEach(names::add);
            }
            yield written;
          }
          case Action.GoBack back -> kind("goBack");
          case Action.OpenAddress open -> kind("open");
          case Action.Stop stop -> kind("stop");
        };
    json.put("id", step.id().text());
    if (!step.slots().isEmpty()) {
      ObjectNode with = json.putObject("with");
      new TreeMap<>(step.slots()).forEach((name, mapping) -> with.set(name, mapping(mapping)));
    }
    return json;
  }

  private static ObjectNode kind(String kind) {
    return NODES.objectNode().put("kind", kind);
  }

  private static ObjectNode mapping(Mapping mapping) {
    ObjectNode json = source(mapping.source());
    if (!mapping.likely().isEmpty()) {
      json.put("likely", mapping.likely());
    }
    return json;
  }

  private static ObjectNode source(Source source) {
    return switch (source) {
      case Source.Entered entered -> kind("entered").put("input", entered.input().text());
      case Source.Fixed fixed -> kind("fixed").put("text", fixed.text());
      case Source.Argument argument ->
          at(kind("argument").put("name", argument.name()), argument.path());
      case Source.Chosen chosen ->
          at(kind("chosen").put("part", chosen.part().text()), chosen.path());
      case Source.Row row -> at(kind("row"), row.path());
      case Source.Returned returned ->
          at(kind("returned").put("call", returned.call().text()), returned.path());
      case Source.Derived derived -> {
        ObjectNode json = kind("derived");
        json.set("record", source(derived.record()));
        yield json.put("field", derived.field());
      }
      case Source.Formula formula -> kind("formula").put("text", formula.text());
      case Source.Run run -> kind("run").put("what", Json.name(run.what()));
    };
  }

  private static ObjectNode at(ObjectNode json, FieldPath path) {
    json.set("path", PathJson.write(path));
    return json;
  }

  static <T> void list(
      ObjectNode json, String name, List<? extends T> items, Function<T, ObjectNode> writer) {
    if (!items.isEmpty()) {
      ArrayNode list = json.putArray(name);
      items.forEach(item -> list.add(writer.apply(item)));
    }
  }
}
