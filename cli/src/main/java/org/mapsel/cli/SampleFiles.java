package org.mapsel.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.verify.Sample;
import org.mapsel.core.verify.SampleFile;

/** Samples in a folder, a JSON file each, folders inside it included. */
final class SampleFiles {

  private SampleFiles() {}

  static List<Sample> read(Console console, Path folder) {
    try (Stream<Path> files = Files.walk(folder)) {
      return files
          .filter(file -> file.toString().endsWith(".json"))
          .sorted()
          .map(file -> sample(console, file))
          .toList();
    } catch (IOException e) {
      throw new CommandFailure(folder + " cannot be read: " + e);
    }
  }

  private static Sample sample(Console console, Path file) {
    Outcome<Sample> read = SampleFile.read(AppArgument.json(file));
    if (read.value().isEmpty()) {
      console.tell(read.findings());
      throw new CommandFailure(file + " is not a sample that can be read.");
    }
    return read.get();
  }
}
