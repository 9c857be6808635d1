package org.mapsel.bench;

import java.util.Collection;
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
      RequestBench.class
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
                      .jvmArgs("-Xmx6g")
                      .build())
              .run();
      print(benchmark, results);
    }
    AnswerMemory.print();
  }

  private static void print(Class<?> benchmark, Collection<RunResult> results) {
    double bare = Double.NaN;
    for (RunResult result : results) {
      if (result.getPrimaryResult().getLabel().equals(BASELINE)) {
        bare = result.getPrimaryResult().getScore();
      }
    }
    for (RunResult result : results) {
      double score = result.getPrimaryResult().getScore();
      if (Double.isNaN(bare)) {
        System.out.printf(
            "RATE %s.%s %.0f %s%n",
            benchmark.getSimpleName(),
            result.getPrimaryResult().getLabel(),
            score,
            result.getPrimaryResult().getScoreUnit());
        continue;
      }
      System.out.printf(
          "RATIO %s.%s %.1f ms, %.2f times the bare pass%n",
          benchmark.getSimpleName(), result.getPrimaryResult().getLabel(), score, score / bare);
    }
  }
}
