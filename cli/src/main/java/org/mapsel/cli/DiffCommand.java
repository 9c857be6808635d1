package org.mapsel.cli;

import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.drift.Difference;
import org.mapsel.core.drift.Drift;
import org.mapsel.core.drift.Harm;
import org.mapsel.core.finding.FindingText;
import org.mapsel.core.json.PathJson;
import org.mapsel.core.page.App;
import org.mapsel.core.page.ServiceLookup;
import org.mapsel.core.page.check.AppFinding;
import org.mapsel.core.page.check.Impact;
import org.mapsel.core.service.Service;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Prints what differs between two editions of a description, and what that does to an app. */
@Command(
    name = "diff",
    description = "Print what differs between two editions of a description, worst first.")
final class DiffCommand implements Callable<Integer> {

  private static final JsonMapper JSON = new JsonMapper();

  private final Console console;

  @Parameters(index = "0", paramLabel = "OLD", description = "The description as it was.")
  private String old = "";

  @Parameters(index = "1", paramLabel = "NEW", description = "The description as it is.")
  private String now = "";

  @Option(names = "--format", description = "text or json.")
  private DescribeCommand.Format format = DescribeCommand.Format.TEXT;

  @Option(
      names = "--app",
      paramLabel = "APP",
      description = "An app as JSON: also print what it makes of the new edition.")
  private @Nullable Path app;

  @Option(
      names = "--service",
      paramLabel = "NAME",
      description = "Which of the app's services it is; needed if it has several.")
  private @Nullable String service;

  DiffCommand(Console console) {
    this.console = console;
  }

  @Override
  public Integer call() {
    Service before = Choice.service(console, old);
    Service after = Choice.service(console, now);
    List<Difference> differences = Drift.between(before, after);
    List<AppFinding> touched = app == null ? List.of() : touched(before, after);
    switch (format) {
      case TEXT -> {
        differences.forEach(one -> console.out().println(words(one)));
        touched.forEach(one -> console.out().println("app: " + FindingText.message(one.finding())));
        if (differences.isEmpty()) {
          console.out().println("Nothing differs.");
        }
      }
      case JSON -> console.out().println(JSON.writeValueAsString(json(differences, touched)));
    }
    boolean breaks =
        differences.stream().anyMatch(one -> one.harm() == Harm.BREAKS)
            || Console.hasErrors(touched.stream().map(AppFinding::finding).toList());
    return breaks ? Console.WITH_ERRORS : Console.DONE;
  }

  private List<AppFinding> touched(Service before, Service after) {
    App known = AppArgument.read(console, app);
    List<String> names = known.services().stream().map(App.ServiceUse::service).toList();
    String name = service == null && names.size() == 1 ? names.getFirst() : service;
    if (name == null || !names.contains(name)) {
      throw new CommandFailure(
          "Say with --service which of the app's services this is: " + String.join(", ", names));
    }
    String edition = known.edition(name).orElseThrow();
    return Impact.of(known, only(edition, before), only(edition, after));
  }

  private static ServiceLookup only(String edition, Service service) {
    return wanted -> wanted.equals(edition) ? Optional.of(service) : Optional.empty();
  }

  private static String name(Enum<?> constant) {
    return constant.name().toLowerCase(Locale.ROOT).replace('_', ' ');
  }

  private static String words(Difference one) {
    String where =
        one.operation() + one.side().map(side -> " " + name(side) + " " + one.path()).orElse("");
    String what =
        one.before().isEmpty()
            ? one.after()
            : one.after().isEmpty() ? one.before() : one.before() + " → " + one.after();
    return name(one.harm()) + ": " + where + ": " + name(one.kind()) + " " + what;
  }

  private static ObjectNode json(List<Difference> differences, List<AppFinding> touched) {
    ObjectNode json = JSON.createObjectNode();
    ArrayNode list = json.putArray("differences");
    for (Difference one : differences) {
      ObjectNode node = list.addObject();
      node.put("harm", name(one.harm())).put("kind", name(one.kind()));
      node.put("operation", one.operation().text());
      one.side().ifPresent(side -> node.put("side", name(side)));
      if (!one.path().isRoot()) {
        node.set("path", PathJson.write(one.path()));
      }
      one.renamed().ifPresent(path -> node.set("renamed", PathJson.write(path)));
      node.put("before", one.before()).put("after", one.after());
    }
    ArrayNode findings = json.putArray("app");
    for (AppFinding one : touched) {
      findings
          .addObject()
          .put("code", one.finding().code())
          .put("severity", name(one.finding().severity()))
          .put("message", FindingText.message(one.finding()))
          .put("advice", FindingText.advice(one.finding()));
    }
    return json;
  }
}
