package org.mapsel.bench;

import java.util.Optional;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.mapsel.core.page.App;
import org.mapsel.core.page.check.Checker;
import org.mapsel.core.page.check.EditionMove;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.service.SeenSamples;
import org.mapsel.core.testing.PageBench;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;

/** What a newer edition means for 100 apps, beside checking each of them once. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
public class ImpactBench {

  private static final int APPS = 100;
  private static final int PAGES = 5;

  private PageBench bench;
  private App app;

  @Setup
  public void make() {
    bench =
        new PageBench()
            .with("dredging", "/descriptions/dredging.wsdl")
            .with("next", "/descriptions/dredging.wsdl");
    FieldPath[] fields =
        Stream.of("by", "number", "begins", "ends", "depth")
            .map(name -> FieldPath.of("job", name))
            .toArray(FieldPath[]::new);
    for (int i = 0; i < PAGES; i++) {
      bench.start("dredging", "FindJobs", fields);
    }
    app = bench.app();
  }

  @Benchmark
  public int barePass() {
    int findings = 0;
    for (int i = 0; i < APPS; i++) {
      findings += new Checker(bench.lookup()).check(app, Optional.empty()).findings().size();
    }
    return findings;
  }

  @Benchmark
  public int impact() {
    int findings = 0;
    for (int i = 0; i < APPS; i++) {
      findings +=
          EditionMove.of(app, "dredging", "next", bench.lookup(), SeenSamples.NONE)
              .orElseThrow()
              .findings()
              .size();
    }
    return findings;
  }
}
