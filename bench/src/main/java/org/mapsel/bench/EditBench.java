package org.mapsel.bench;

import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.mapsel.core.model.Overrides;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.check.Checked;
import org.mapsel.core.page.check.Checker;
import org.mapsel.core.page.edit.AppEdit;
import org.mapsel.core.page.edit.AppEditor;
import org.mapsel.core.page.edit.SetOnlyHere;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.testing.PageBench;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;

/** An edit on an app of 100 pages and about 2,000 slots: its plan and what there is to say. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
public class EditBench {

  private static final int PAGES = 100;
  private static final int SLOTS = 2_000;

  private Checker checker;
  private App alone;
  private App app;
  private AppEdit edit;
  private Checked before;
  private AppEditor editor;

  @Setup
  public void make() {
    PageBench bench = new PageBench().with("dredging", "/descriptions/dredging.wsdl");
    for (int i = 0; i < PAGES; i++) {
      bench.start("dredging", "FindJobs", fields());
    }
    app = bench.app();
    long slots =
        app.pages().stream()
            .mapToLong(
                page ->
                    page.items().count()
                        + page.calls().stream().mapToLong(call -> call.parameters().size()).sum()
                        + page.parts().stream().mapToLong(part -> part.slots().size()).sum())
            .sum();
    if (app.pages().size() != PAGES || slots < SLOTS * 3 / 4) {
      throw new IllegalStateException(app.pages().size() + " pages with " + slots + " slots.");
    }
    Page last = app.pages().getLast();
    alone = app.withPages(List.of(last));
    edit =
        new SetOnlyHere(
            last.id(),
            last.items().toList().getLast().item().id(),
            Overrides.labelled("Another label"));
    checker = new Checker(bench.lookup());
    editor = new AppEditor(bench.lookup());
    before = checker.check(app, Optional.empty());
  }

  private FieldPath[] fields() {
    return Stream.of("by", "number", "begins", "ends", "depth")
        .map(name -> FieldPath.of("job", name))
        .toArray(FieldPath[]::new);
  }

  /** The page that is edited, as if it were the only one. */
  @Benchmark
  public Object barePass() {
    return checker.check(alone, Optional.empty()).findings();
  }

  @Benchmark
  public Object editAndCheck() {
    App edited = editor.apply(app, edit).get();
    return checker.check(edited, Optional.of(before)).findings();
  }
}
