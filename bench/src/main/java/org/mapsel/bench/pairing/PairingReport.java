package org.mapsel.bench.pairing;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.mapsel.bench.Documents;
import org.mapsel.core.intake.Description;
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

/**
 * Measures pairing over the types of real descriptions, restyled in several ways, so that the right
 * answer is known: {@code PairingReport FOLDER}. Half of the documents are for tuning, the other
 * half only for reporting.
 */
public final class PairingReport {

  private static final int FEWEST = 6;
  private static final int MOST = 120;
  private static final int TYPES_EACH = 3;
  private static final long LARGEST = 3_000_000;

  private final Map<String, Tally> tallies = new TreeMap<>();
  private final Map<String, Tally> hints = new TreeMap<>();
  private int jobs;

  /** What came out, by grade. */
  private static final class Tally {
    private final Map<Grade, int[]> grades = new EnumMap<>(Grade.class);
    private int truth;

    void add(Pairing pairing, Map<FieldPath, FieldPath> right) {
      truth += right.size();
      for (Pairing.Pair pair : pairing.pairs()) {
        boolean isRight = pair.right().path().equals(right.get(pair.left().path()));
        of(pair.grade())[isRight ? 0 : 1]++;
      }
    }

    int[] of(Grade grade) {
      return grades.computeIfAbsent(grade, none -> new int[2]);
    }
  }

  public static void main(String[] arguments) throws IOException {
    PairingReport report = new PairingReport();
    List<Path> files;
    try (Stream<Path> all = Files.walk(Path.of(arguments[0]))) {
      files =
          all.filter(Files::isRegularFile)
              .filter(file -> file.toString().matches(".*\\.(wsdl|xml|json|ya?ml|edmx)"))
              .filter(file -> !file.toString().contains("/.dl/"))
              .sorted()
              .toList();
    }
    for (Path file : files) {
      if (Files.size(file) < LARGEST) {
        report.add(file);
      }
    }
    report.print();
  }

  private void add(Path file) {
    Optional<Service> service;
    try {
      service = Documents.read(file).map(Description::service);
    } catch (IOException | RuntimeException odd) {
      System.err.println(file + ": " + odd);
      return;
    }
    if (service.isEmpty()) {
      return;
    }
    String half =
        Math.floorMod(file.getFileName().toString().hashCode(), 2) == 0 ? "tune" : "unseen";
    List<List<PairingField>> types = types(service.get(), file);
    for (int i = 0; i < types.size(); i++) {
      Random random = new Random(file.toString().hashCode() * 31L + i);
      List<PairingField> strange = types.get((i + 1) % types.size());
      Restyled.Style style =
          Restyled.Style.values()[random.nextInt(Restyled.Style.values().length)];
      Restyled other =
          Restyled.of(
              types.get(i), i == 0 && types.size() == 1 ? List.of() : strange, style, random);
      measure(half, style, types.get(i), other);
    }
  }

  private static List<List<PairingField>> types(Service service, Path file) {
    List<Operation> operations = new ArrayList<>();
    service.operations().forEach(operations::add);
    Collections.shuffle(operations, new Random(file.toString().hashCode()));
    List<List<PairingField>> types = new ArrayList<>();
    for (Operation operation : operations) {
      for (ShapeId root : List.of(operation.output(), operation.input())) {
        List<PairingField> fields =
            PairingFields.of(
                service.shapes(), root, FieldPath.ROOT, Hints.Direction.BOTH, List.of());
        boolean fits = fields.size() >= FEWEST && fields.size() <= MOST;
        if (fits && types.size() < TYPES_EACH && !types.contains(fields)) {
          types.add(fields);
        }
      }
    }
    return types;
  }

  private void measure(String half, Restyled.Style style, List<PairingField> left, Restyled other) {
    jobs++;
    Pairer pairer = new Pairer(Lexicon.shipped());
    Pairing pairing = pairer.pair(left, other.right());
    for (String name : List.of(half, half + " " + style.name().toLowerCase(Locale.ROOT))) {
      tallies.computeIfAbsent(name, none -> new Tally()).add(pairing, other.truth());
    }
    if (half.equals("tune")) {
      if (System.getProperty("wrong") != null) {
        printWrong(pairing, other.truth());
      }
      return;
    }
    for (String hint : Pairer.hintNames()) {
      hints
          .computeIfAbsent("without " + hint, none -> new Tally())
          .add(pairer.without(hint).pair(left, other.right()), other.truth());
    }
    SeenBoth seen = SeenBoth.of(left, other, new Random(jobs));
    hints
        .computeIfAbsent("with values", none -> new Tally())
        .add(pairer.pair(seen.left(), seen.right()), other.truth());
  }

  private static void printWrong(Pairing pairing, Map<FieldPath, FieldPath> truth) {
    for (Pairing.Pair pair : pairing.pairs()) {
      if (!pair.right().path().equals(truth.get(pair.left().path()))) {
        System.err.printf(
            "%s %.2f %s -> %s, not %s %s%n",
            pair.grade(),
            pair.score(),
            pair.left().path(),
            pair.right().path(),
            truth.get(pair.left().path()),
            pair.reasons());
      }
    }
  }

  private void print() {
    System.out.println(jobs + " pairs of types");
    System.out.printf(
        "%-20s %6s %22s %22s %22s%n", "", "true", "sure", "sure and likely", "with guesses");
    tallies.forEach(PairingReport::print);
    System.out.println("What each hint earns on the unseen half: the same without it");
    hints.forEach(PairingReport::print);
  }

  private static void print(String name, Tally tally) {
    System.out.printf("%-20s %6d", name, tally.truth);
    int right = 0;
    int wrong = 0;
    for (Grade grade : Grade.values()) {
      right += tally.of(grade)[0];
      wrong += tally.of(grade)[1];
      System.out.printf(
          "   right %.3f found %.3f",
          right / (double) Math.max(1, right + wrong), right / (double) tally.truth);
    }
    System.out.println();
  }
}
