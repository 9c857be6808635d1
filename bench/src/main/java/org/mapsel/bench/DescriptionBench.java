package org.mapsel.bench;

import java.util.concurrent.TimeUnit;
import javax.xml.stream.XMLStreamException;
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

/** A description of 5,000 types and about 5 MB, from bytes to a service ready to be called. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
public class DescriptionBench {

  private static final int TYPES = 5_000;
  private static final int TIMES = 10;

  private byte[] description;
  private byte[] tenfold;

  @Setup
  public void make() {
    description = Inputs.description(TYPES);
    tenfold = Inputs.description(TIMES * TYPES);
    if (read(description).get().service().operations().isEmpty()) {
      throw new IllegalStateException("No operations were read.");
    }
  }

  private static Outcome<Description> read(byte[] description) {
    return Intake.read(
        new SourceText("large.wsdl", description),
        address -> Outcome.failed(Finding.error("READ_DOCUMENT_MISSING", "address", address)));
  }

  @Benchmark
  public int barePass() throws XMLStreamException {
    return BarePass.over(description);
  }

  @Benchmark
  public Object toTheService() {
    return read(description);
  }

  /** Ten times as large must take about ten times as long. */
  @Benchmark
  public Object tenfoldToTheService() {
    return read(tenfold);
  }
}
