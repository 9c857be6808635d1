package org.mapsel.bench;

import java.util.Collection;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.results.RunResult;
import org.openjdk.jmh.runner.Runner;
import org.openjdk.jmh.runner.RunnerException;
import org.openjdk.jmh.runner.options.OptionsBuilder;
import org.openjdk.jmh.runner.options.TimeValue;

/** Runs every benchmark beside its bare pass and prints how many times as long it takes. */
public final class Ratios {

  private static final String BASELINE = "barePass";

  private Ratios() {}

  public static void main(String[] arguments) throws RunnerException {
    Class<?>[] all = {
      DescriptionBench.class,
      OpenApiBench.class,
      MetadataBench.class,
      AnswerBench.class,
      DataAnswerBench.class,
      RequestBench.class,
      EditBench.class,
      PageStepBench.class,
      DriftBench.class,
      ImpactBench.class,
      FormulaBench.class,
      PatternBench.class
    };
    for (Class<?> benchmark : all) {
      if (arguments.length > 0 && !benchmark.getSimpleName().startsWith(arguments[0])) {
        continue;
      }
      Collection<RunResult> results =
          new Runner(
                  new OptionsBuilder()
                      .include(benchmark.getName())
                      .forks(1)
                      .warmupIterations(4)
                      .warmupTime(TimeValue.seconds(2))
                      .measurementIterations(6)
                      .measurementTime(TimeValue.seconds(2))
                      // The collector that the start command and the command line have; heaps that
                      // still grow would be measured too.
                      .jvmArgs("-Xms6g", "-Xmx6g", "-XX:+UseParallelGC")
                      .build())
              .run();
      print(benchmark, results);
    }
    AnswerMemory.print();
  }

  private static void print(Class<?> benchmark, Collection<RunResult> results) {
    double bare =
        results.stream()
            .filter(result -> result.getPrimaryResult().getLabel().equals(BASELINE))
            .mapToDouble(Ratios::time)
            .findFirst()
            .orElseThrow();
    for (RunResult result : results) {
      System.out.printf(
          "RATIO %s.%s %.0f %s, %.2f times the bare pass%n",
          benchmark.getSimpleName(),
          result.getPrimaryResult().getLabel(),
          result.getPrimaryResult().getScore(),
          result.getPrimaryResult().getScoreUnit(),
          time(result) / bare);
    }
  }

  /** A time, in whatever unit, also where operations in a time were counted. */
  private static double time(RunResult result) {
    double score = result.getPrimaryResult().getScore();
    return result.getParams().getMode() == Mode.Throughput ? 1 / score : score;
  }
}
