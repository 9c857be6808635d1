package org.mapsel.bench;

import java.util.List;
import java.util.Locale;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.mapsel.core.model.Formats;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.plan.PagePlan;
import org.mapsel.core.page.run.PageEffect;
import org.mapsel.core.page.run.PageEvent;
import org.mapsel.core.page.run.PageRunner;
import org.mapsel.core.page.run.PageState;
import org.mapsel.core.page.view.PageView;
import org.mapsel.core.page.view.PageViews;
import org.mapsel.core.page.view.PartView;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.testing.Client;
import org.mapsel.core.testing.PageBench;
import org.mapsel.core.value.RecordValue;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;

/**
 * A press on a page of 100 parts, its answer of ten rows and what is drawn then, beside the same on
 * a page of one operation.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
public class PageStepBench {

  private static final int PARTS = 100;
  private static final int ROWS = 10;
  private static final Formats FORMATS = new Formats(Locale.UK);

  private final RecordValue answer =
      Client.json(
          IntStream.range(0, ROWS)
              .mapToObj(row -> "{'number':'J-" + row + "','depth':" + row + "}")
              .collect(Collectors.joining(",", "{'job':[", "]}")));

  private Used small;
  private Used large;

  /** A page with all but the last of its answers there. */
  private record Used(PagePlan plan, PageState state, PartId button) {

    PageView pressed(RecordValue answer) {
      PageRunner runner = new PageRunner(plan, FORMATS, PageBench.NOW);
      PageRunner.Stepped asked = runner.step(state, new PageEvent.Pressed(button));
      PageEffect.RunCall call = (PageEffect.RunCall) asked.effects().getFirst();
      PageState after =
          runner.step(asked.state(), new PageEvent.Answered(call, answer, "x")).state();
      return new PageViews(plan, after, FORMATS, PageBench.NOW, false).page();
    }
  }

  private Used used(int parts) {
    PageBench bench =
        new PageBench()
            .with("dredging", "/descriptions/dredging.wsdl")
            .start("dredging", "FindJobs");
    while (bench.page().parts().size() < parts) {
      bench.add("dredging", "FindJobs");
    }
    List<PartId> buttons =
        bench.page().parts().stream().filter(Part.Button.class::isInstance).map(Part::id).toList();
    PagePlan plan = bench.plan();
    PageRunner runner = new PageRunner(plan, FORMATS, PageBench.NOW);
    PageState state = PageState.EMPTY;
    for (PartId button : buttons) {
      PageRunner.Stepped asked = runner.step(state, new PageEvent.Pressed(button));
      state = asked.state();
      for (PageEffect effect : asked.effects()) {
        state =
            runner
                .step(state, new PageEvent.Answered((PageEffect.RunCall) effect, answer, "x"))
                .state();
      }
    }
    return new Used(plan, state, buttons.getLast());
  }

  @Setup
  public void make() {
    small = used(1);
    large = used(PARTS);
    long tables =
        large.pressed(answer).parts().stream().filter(PartView.TableView.class::isInstance).count();
    if (large.plan().page().parts().size() < PARTS || tables < PARTS / 4) {
      throw new IllegalStateException(tables + " tables.");
    }
  }

  /** A page of one operation. */
  @Benchmark
  public Object barePass() {
    return small.pressed(answer);
  }

  @Benchmark
  public Object pageOfManyParts() {
    return large.pressed(answer);
  }
}
