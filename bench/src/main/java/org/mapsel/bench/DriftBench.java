package org.mapsel.bench;

import java.nio.charset.StandardCharsets;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.drift.Difference;
import org.mapsel.core.drift.Drift;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.intake.Intake;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;

/**
 * Two editions of a description of 20,000 operations, with one field in a hundred types renamed:
 * reading both, and telling them apart. Each type leads to the next, so that the operations of ten
 * types see each change.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
public class DriftBench {

  private static final int TYPES = 10_000;
  private static final int CHANGED = 100;

  private byte[] before;
  private byte[] after;

  @Setup
  public void make() {
    before = DataInputs.openApi(TYPES);
    StringBuilder text = new StringBuilder(new String(before, StandardCharsets.UTF_8));
    for (int i = 0; i < CHANGED; i++) {
      int type = text.indexOf("\"Thing%d\":{".formatted(i * TYPES / CHANGED));
      int field = text.indexOf("\"field7\"", type);
      text.replace(field, field + "\"field7\"".length(), "\"field_seven\"");
    }
    after = text.toString().getBytes(StandardCharsets.UTF_8);
    List<Difference> differences = Drift.between(read(before), read(after));
    System.out.println(differences.size() + " differences");
    if (differences.size() < 2 * CHANGED) {
      throw new IllegalStateException("Only " + differences.size() + " differences were found.");
    }
  }

  private static Service read(byte[] description) {
    return Intake.read(
            new SourceText("large", description),
            address -> Outcome.failed(Finding.error("READ_DOCUMENT_MISSING", "address", address)))
        .get()
        .service();
  }

  @Benchmark
  public int barePass() {
    return types(read(before)) + types(read(after));
  }

  /** All that is described is read; types and operations are made when somebody asks for them. */
  private static int types(Service service) {
    Set<ShapeId> met = new HashSet<>();
    Deque<ShapeId> waiting = new ArrayDeque<>();
    for (Operation operation : service.operations()) {
      waiting.add(operation.input());
      waiting.add(operation.output());
      while (!waiting.isEmpty()) {
        ShapeId next = waiting.poll();
        if (met.add(next)) {
          service.shapes().fieldsOf(next).forEach(field -> waiting.add(field.shape()));
        }
      }
    }
    return met.size();
  }

  @Benchmark
  public Object readAndDiff() {
    return Drift.between(read(before), read(after));
  }
}
