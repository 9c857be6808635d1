package org.mapsel.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.intake.Catalogue;
import org.mapsel.core.intake.Description;
import org.mapsel.core.intake.Found;
import org.mapsel.core.read.catalogue.CatalogueEntry;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Prints what descriptions hold. */
@Command(name = "describe", description = "Print what a description holds.")
final class DescribeCommand implements java.util.concurrent.Callable<Integer> {

  /** How results are printed. */
  enum Format {
    TEXT,
    JSON
  }

  /**
   * What is printed of a description.
   *
   * @param depth names that lead to a field in a message
   * @param variants whether derived types and substitutes are listed too
   */
  record View(boolean fields, int depth, boolean variants, Optional<String> operation) {}

  private final Console console;

  @Parameters(
      arity = "1..*",
      paramLabel = "SOURCE",
      description = "A file, an address, - for standard input, or @FILE with one a line.")
  private List<String> sources = List.of();

  @Option(names = "--format", description = "text or json.")
  private Format format = Format.TEXT;

  @Option(names = "--depth", description = "How deep fields are listed; 6 unless given.")
  private int depth = 6;

  @Option(names = "--no-fields", description = "Leave the fields out.")
  private boolean noFields;

  @Option(names = "--variants", description = "List derived types and substitutes too.")
  private boolean variants;

  @Option(names = "--operation", paramLabel = "NAME", description = "Only this operation.")
  private @Nullable String operation;

  DescribeCommand(Console console) {
    this.console = console;
  }

  @Override
  public Integer call() {
    List<String> all = expanded();
    boolean several = all.size() > 1 || sources.get(0).startsWith("@");
    View view = new View(!noFields, depth, variants, Optional.ofNullable(operation));
    int status = Console.DONE;
    for (String source : all) {
      Outcome<Found> read = Sources.look(source);
      if (several || format == Format.JSON) {
        DescriptionJson.print(console.out(), source, read, view, !several);
      } else {
        read.value().ifPresent(found -> print(found, view));
      }
      if (!several) {
        console.tell(read.findings());
      }
      status = Math.max(status, statusOf(read));
    }
    return status;
  }

  private void print(Found found, View view) {
    switch (found) {
      case Description description -> DescriptionText.print(console.out(), description, view);
      case Catalogue catalogue -> {
        for (CatalogueEntry entry : catalogue.entries()) {
          console.out().println(entry.name() + "  " + entry.address());
        }
      }
    }
  }

  private static int statusOf(Outcome<Found> read) {
    if (read.value().isEmpty()) {
      return Console.NOT_DONE;
    }
    return Console.hasErrors(read.findings()) ? Console.WITH_ERRORS : Console.DONE;
  }

  private List<String> expanded() {
    List<String> all = new ArrayList<>();
    for (String source : sources) {
      if (source.startsWith("@")) {
        try {
          Files.readAllLines(Path.of(source.substring(1))).stream()
              .map(String::strip)
              .filter(line -> !line.isEmpty())
              .forEach(all::add);
        } catch (IOException e) {
          throw new CommandFailure("The list " + source.substring(1) + " cannot be read: " + e);
        }
      } else {
        all.add(source);
      }
    }
    return all;
  }
}
