package org.mapsel.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.Callable;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.json.ValueJson;
import org.mapsel.core.pairing.Grade;
import org.mapsel.core.pairing.Lexicon;
import org.mapsel.core.pairing.Pairer;
import org.mapsel.core.pairing.Pairing;
import org.mapsel.core.pairing.PairingField;
import org.mapsel.core.pairing.PairingFields;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.shape.Hints;
import org.mapsel.core.value.Value;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Prints which fields of two operations belong to each other. */
@Command(
    name = "pair",
    description = {
      "Print which fields of two operations belong to each other.",
      "LEFT and RIGHT are descriptions; in means what an operation takes, out what it returns.",
      "Several jobs stand in a file, one a line: a JSON array of arguments, or an object with left,",
      "right (three words each) and perhaps leftPath, rightPath, leftValues and rightValues."
    })
final class PairCommand implements Callable<Integer> {

  private static final JsonMapper JSON = new JsonMapper();

  private final Console console;

  @Parameters(
      arity = "1..6",
      paramLabel = "LEFT OPERATION in|out RIGHT OPERATION in|out",
      description = "Or @FILE with a job on each line.")
  private List<String> job = List.of();

  @Option(names = "--left-path", paramLabel = "A/B", description = "Only what is inside there.")
  private String leftPath = "";

  @Option(names = "--right-path", paramLabel = "C/D", description = "Only what is inside there.")
  private String rightPath = "";

  @Option(
      names = "--left-values",
      paramLabel = "FILE",
      description = "Sample values: one JSON object, or an array of them.")
  private @Nullable Path leftValues;

  @Option(names = "--right-values", paramLabel = "FILE", description = "Likewise.")
  private @Nullable Path rightValues;

  @Option(names = "--format", description = "text or json.")
  private DescribeCommand.Format format = DescribeCommand.Format.TEXT;

  PairCommand(Console console) {
    this.console = console;
  }

  /** One side of a job. */
  private record Side(String source, String operation, String direction) {}

  @Override
  public Integer call() {
    if (job.size() == 1 && job.getFirst().startsWith("@")) {
      return jobs(Path.of(job.getFirst().substring(1)));
    }
    if (job.size() != 6) {
      throw new CommandFailure(
          "Give six words: LEFT OPERATION in|out RIGHT OPERATION in|out, or @FILE.");
    }
    print(
        new Pairer(Lexicon.shipped())
            .pair(fields(side(0), leftPath, leftValues), fields(side(3), rightPath, rightValues)));
    return Console.DONE;
  }

  private Side side(int first) {
    return new Side(job.get(first), job.get(first + 1), job.get(first + 2));
  }

  /** A job that cannot be done is told of with its line, and the others are done. */
  private int jobs(Path file) {
    List<String> lines;
    try {
      lines = Files.readAllLines(file);
    } catch (IOException e) {
      throw new CommandFailure(file + " cannot be read: " + e);
    }
    int status = Console.DONE;
    for (int i = 0; i < lines.size(); i++) {
      if (!lines.get(i).isBlank()) {
        status = Math.max(status, line(file + ", line " + (i + 1), lines.get(i)));
      }
    }
    return status;
  }

  private int line(String place, String line) {
    List<String> arguments;
    try {
      arguments = arguments(JSON.readTree(line));
    } catch (JacksonException e) {
      console.err().println(place + " is no JSON: " + e.getOriginalMessage());
      return Console.WITH_ERRORS;
    }
    PairCommand one = new PairCommand(console);
    try {
      new CommandLine(one).parseArgs(arguments.toArray(String[]::new));
      one.format = DescribeCommand.Format.JSON;
      if (one.job.size() != 6) {
        throw new CommandFailure("A job has six words and options.");
      }
      return one.call();
    } catch (CommandFailure | CommandLine.ParameterException failure) {
      console.err().println(place + ": " + failure.getMessage());
      ObjectNode told = JSON.createObjectNode().put("error", failure.getMessage());
      console.out().println(JSON.writeValueAsString(told));
      return Console.WITH_ERRORS;
    }
  }

  /** An array of arguments, or an object with both sides and what else there is to say. */
  private static List<String> arguments(JsonNode job) {
    List<String> arguments = new ArrayList<>();
    if (job.isArray()) {
      job.forEach(argument -> arguments.add(argument.asString()));
      return arguments;
    }
    for (String side : List.of("left", "right")) {
      job.path(side).forEach(argument -> arguments.add(argument.asString()));
    }
    for (String side : List.of("left", "right")) {
      option(arguments, "--" + side + "-path", job.path(side + "Path"));
      option(arguments, "--" + side + "-values", job.path(side + "Values"));
    }
    return arguments;
  }

  private static void option(List<String> arguments, String name, JsonNode value) {
    if (value.isString()) {
      arguments.add(name);
      arguments.add(value.asString());
    }
  }

  private List<PairingField> fields(Side side, String path, @Nullable Path values) {
    Service service = Choice.service(console, side.source());
    Operation operation = Choice.operation(service, side.operation());
    Hints.Direction way =
        switch (side.direction()) {
          case "in" -> Hints.Direction.SENT_ONLY;
          case "out" -> Hints.Direction.RETURNED_ONLY;
          default ->
              throw new CommandFailure(
                  "Say in or out after the operation, not " + side.direction() + ".");
        };
    ShapeId root = way == Hints.Direction.SENT_ONLY ? operation.input() : operation.output();
    FieldPath below = path.isEmpty() ? FieldPath.ROOT : FieldPath.of(path.split("/"));
    if (!below.isRoot() && service.shapes().way(root, below).isEmpty()) {
      throw new CommandFailure(
          "There is no " + path + " in what goes " + side.direction() + " of " + operation.id());
    }
    return PairingFields.of(service.shapes(), root, below, way, samples(service, root, values));
  }

  private static List<Value> samples(Service service, ShapeId root, @Nullable Path file) {
    if (file == null) {
      return List.of();
    }
    try {
      JsonNode read = JSON.readTree(Files.readAllBytes(file));
      List<Value> samples = new ArrayList<>();
      for (JsonNode one : read.isArray() ? read : List.of(read)) {
        samples.add(ValueJson.readRecord(one, service.shapes(), root));
      }
      return samples;
    } catch (IOException e) {
      throw new CommandFailure(file + " cannot be read: " + e);
    } catch (JacksonException e) {
      throw new CommandFailure(file + " is not JSON: " + e.getOriginalMessage());
    }
  }

  private void print(Pairing pairing) {
    switch (format) {
      case TEXT -> text(pairing);
      case JSON -> console.out().println(JSON.writeValueAsString(json(pairing)));
    }
  }

  private void text(Pairing pairing) {
    for (Pairing.Pair pair : pairing.pairs()) {
      console
          .out()
          .printf(
              Locale.ROOT,
              "%-6s %.2f  %s = %s  (%s)%n",
              name(pair.grade()),
              pair.score(),
              words(pair.left()),
              words(pair.right()),
              String.join(", ", pair.reasons()));
    }
    pairing.leftOnly().forEach(one -> console.out().println("only left   " + words(one)));
    pairing.rightOnly().forEach(one -> console.out().println("only right  " + words(one)));
  }

  private static String words(PairingField field) {
    return String.join("/", names(field));
  }

  private static String name(Grade grade) {
    return grade.name().toLowerCase(Locale.ROOT);
  }

  private static List<String> names(PairingField field) {
    return IntStream.range(0, field.path().length()).mapToObj(field.path()::name).toList();
  }

  private static ObjectNode json(Pairing pairing) {
    ObjectNode json = JSON.createObjectNode();
    ArrayNode pairs = json.putArray("pairs");
    for (Pairing.Pair pair : pairing.pairs()) {
      ObjectNode one = pairs.addObject();
      one.set("left", path(pair.left()));
      one.set("right", path(pair.right()));
      one.put("score", Math.round(pair.score() * 1000) / 1000.0);
      one.put("grade", name(pair.grade()));
      ArrayNode reasons = one.putArray("reasons");
      pair.reasons().forEach(reasons::add);
    }
    ArrayNode left = json.putArray("leftOnly");
    pairing.leftOnly().forEach(field -> left.add(path(field)));
    ArrayNode right = json.putArray("rightOnly");
    pairing.rightOnly().forEach(field -> right.add(path(field)));
    return json;
  }

  private static ArrayNode path(PairingField field) {
    ArrayNode path = JSON.createArrayNode();
    names(field).forEach(path::add);
    return path;
  }
}
