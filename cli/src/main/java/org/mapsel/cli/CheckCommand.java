package org.mapsel.cli;

import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import org.mapsel.core.appfile.ServiceDescription;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.FindingText;
import org.mapsel.core.finding.Subject;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.ServiceLookup;
import org.mapsel.core.page.check.AppFinding;
import org.mapsel.core.page.check.Checker;
import org.mapsel.core.ref.SlotId;
import org.mapsel.core.service.Service;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Prints what is to be said about an app: what does not fit, is missing or does nothing. */
@Command(name = "check", description = "Check an app against the descriptions of its services.")
final class CheckCommand implements Callable<Integer> {

  private static final JsonMapper JSON = new JsonMapper();

  private final Console console;

  @Parameters(paramLabel = "APP", description = "The app as JSON.")
  private Path file = Path.of("");

  @Option(
      names = "--service",
      paramLabel = "NAME=SOURCE",
      description = "Where the description of one of the app's services is; once a service.")
  private Map<String, String> sources = Map.of();

  @Option(names = "--format", description = "text or json.")
  private DescribeCommand.Format format = DescribeCommand.Format.TEXT;

  CheckCommand(Console console) {
    this.console = console;
  }

  @Override
  public Integer call() {
    App app = AppArgument.read(console, file);
    Map<String, Service> editions = new HashMap<>();
    for (ServiceDescription one : AppArgument.descriptions(console, file)) {
      editions.put(one.edition(), service(one));
    }
    ServiceLookup services = edition -> Optional.ofNullable(editions.get(edition));
    List<AppFinding> findings = new Checker(services).check(app, Optional.empty()).findings();
    switch (format) {
      case TEXT -> findings.forEach(found -> print(app, found));
      case JSON -> console.out().println(json(app, findings));
    }
    return Console.hasErrors(findings.stream().map(AppFinding::finding).toList())
        ? Console.WITH_ERRORS
        : Console.DONE;
  }

  /** A service from where the command line says it is, or else from the file itself. */
  private Service service(ServiceDescription one) {
    String source = sources.get(one.service());
    if (source != null) {
      return Choice.service(console, source);
    }
    if (one.documents().isEmpty()) {
      throw new CommandFailure(
          "The app uses the service "
              + one.service()
              + "; say where its description is: --service "
              + one.service()
              + "=SOURCE");
    }
    return Choice.described(console, one);
  }

  private void print(App app, AppFinding found) {
    console
        .out()
        .println(
            found.page().flatMap(app::find).map(Page::name).orElse("Model")
                + ": "
                + FindingText.lines(List.of(found.finding())));
    console.out().println("    " + FindingText.advice(found.finding()));
  }

  private static String json(App app, List<AppFinding> findings) {
    ArrayNode all = JSON.createArrayNode();
    for (AppFinding found : findings) {
      Finding finding = found.finding();
      ObjectNode node = all.addObject();
      node.put("code", finding.code());
      node.put("severity", finding.severity().name().toLowerCase(Locale.ROOT));
      found
          .page()
          .ifPresent(
              page ->
                  node.put("page", page.text())
                      .put("pageName", app.find(page).map(Page::name).orElse("")));
      finding.subject().ifPresent(subject -> node.set("about", about(subject)));
      node.put("message", FindingText.message(finding));
      node.put("advice", FindingText.advice(finding));
    }
    return JSON.writerWithDefaultPrettyPrinter()
        .writeValueAsString(JSON.createObjectNode().set("findings", all));
  }

  private static ObjectNode about(Subject subject) {
    ObjectNode node = JSON.createObjectNode();
    switch (subject) {
      case Subject.AboutParameter parameter -> node.put("parameter", parameter.path().toString());
      case Subject.AboutSlot slot -> {
        switch (slot.slot()) {
          case SlotId.OfPart part -> node.put("part", part.owner().text()).put("slot", part.name());
          case SlotId.OfParameter parameter ->
              node.put("call", parameter.call().text())
                  .put("parameter", parameter.parameter().toString());
        }
      }
      case Subject.AboutPart part -> node.put("part", part.part().text());
      case Subject.AboutCall call -> node.put("call", call.call().text());
      case Subject.AboutField field ->
          node.put("type", field.type().text()).put("field", field.field());
    }
    return node;
  }
}
