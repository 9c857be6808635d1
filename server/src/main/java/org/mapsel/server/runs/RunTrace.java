package org.mapsel.server.runs;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.mapsel.core.page.run.Happening;
import org.mapsel.server.apps.HappeningWords;
import org.mapsel.server.runs.RunViews.TraceEntry;
import org.mapsel.server.runs.RunViews.TraceKind;
import org.mapsel.server.runs.RunViews.TracedCall;

/** What happened after a press, put down as it happens. */
final class RunTrace {

  private static final String FAILS = "which fails";

  private final long began;
  private final List<TraceEntry> entries = new ArrayList<>();

  /** Which entries are of calls that are not back yet, by the call. */
  private final Map<String, Deque<Integer>> open = new HashMap<>();

  /**
   * @param now in milliseconds, as it is told everywhere here
   */
  RunTrace(long now) {
    this.began = now;
  }

  List<TraceEntry> entries() {
    return List.copyOf(entries);
  }

  /** What happens then, on a page that this one leads to. */
  RunTrace further() {
    return new RunTrace(began);
  }

  void add(RunTrace further) {
    entries.addAll(further.entries);
  }

  void tell(List<Happening> happenings, HappeningWords words, long now) {
    for (Happening happening : happenings) {
      if (happening instanceof Happening.Calls calls) {
        open.computeIfAbsent(calls.call().text(), none -> new ArrayDeque<>()).add(entries.size());
      }
      String told = isExplained(happening) ? FAILS : words.of(happening);
      entries.add(new TraceEntry(kind(happening), now - began, told, null));
    }
  }

  /** Whether the call that failed says why already. */
  private boolean isExplained(Happening happening) {
    return happening instanceof Happening.Fails fails
        && entries.stream()
            .map(TraceEntry::call)
            .filter(Objects::nonNull)
            .anyMatch(
                call -> call.call().equals(fails.call().text()) && !call.findings().isEmpty());
  }

  /** A call that was told of is back. */
  void made(TracedCall call) {
    int at = open.get(call.call()).remove();
    TraceEntry entry = entries.get(at);
    entries.set(at, new TraceEntry(entry.kind(), entry.atMillis(), entry.words(), call));
  }

  private static TraceKind kind(Happening happening) {
    return switch (happening) {
      case Happening.Enters enters -> TraceKind.EVENT;
      case Happening.Chooses chooses -> TraceKind.EVENT;
      case Happening.Begins begins -> TraceKind.EVENT;
      case Happening.HoldsNot not -> TraceKind.PASSED_OVER;
      case Happening.Lacks lacks -> TraceKind.PASSED_OVER;
      case Happening.ComesLate late -> TraceKind.PASSED_OVER;
      case Happening.Calls calls -> TraceKind.STEP;
      case Happening.Fails fails -> TraceKind.STEP;
      case Happening.Sets sets -> TraceKind.STEP;
      case Happening.Clears clears -> TraceKind.STEP;
      case Happening.Says says -> TraceKind.STEP;
      case Happening.Asks asks -> TraceKind.STEP;
      case Happening.Opens opens -> TraceKind.STEP;
      case Happening.GoesBack back -> TraceKind.STEP;
      case Happening.OpensAddress opens -> TraceKind.STEP;
      case Happening.Stops stops -> TraceKind.STEP;
    };
  }
}
