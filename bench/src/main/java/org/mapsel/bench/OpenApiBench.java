package org.mapsel.bench;

import java.util.concurrent.TimeUnit;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.intake.Description;
import org.mapsel.core.intake.Intake;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;

/** An OpenAPI description of about 10 MB, from bytes to a service ready to be called. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
public class OpenApiBench {

  private static final int TYPES = 7_500;

  private byte[] description;

  @Setup
  public void make() {
    description = DataInputs.openApi(TYPES);
    int operations = read().get().service().operations().size();
    System.out.println(description.length + " bytes, " + operations + " operations");
    if (operations < TYPES) {
      throw new IllegalStateException("Only " + operations + " operations were read.");
    }
  }

  private Outcome<Description> read() {
    return Intake.read(
        new SourceText("large", description),
        address -> Outcome.failed(Finding.error("READ_DOCUMENT_MISSING", "address", address)));
  }

  @Benchmark
  public int barePass() throws Exception {
    return DataInputs.barePass(description);
  }

  @Benchmark
  public Object toTheService() {
    return read();
  }
}
