package org.mapsel.server.tables;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.table.TableOffer;
import org.mapsel.core.table.WrongCell;
import org.mapsel.server.tables.TableViews.LoadState;
import org.mapsel.server.tables.TableViews.LoadView;
import org.mapsel.server.tables.TableViews.RowsDifference;
import org.mapsel.server.tables.TableViews.WrongView;
import org.mapsel.server.web.FindingView;

/** Rows on their way from a file into the workspace; it can be stopped. */
final class Load {

  private static final int LISTED = 200;

  /** Ends a load that nobody wants any more. */
  static final class Stopped extends RuntimeException {
    private static final long serialVersionUID = 1L;

    Stopped() {
      super("stopped", null, false, false);
    }
  }

  private final String id = UUID.randomUUID().toString();
  private final List<WrongCell> wrong = new ArrayList<>();
  private long rows;
  private long wrongCells;
  private boolean stopped;
  private LoadState state = LoadState.RUNNING;
  private @Nullable String offered;
  private List<RowsDifference> differences = List.of();
  private List<Finding> findings = List.of();

  /** What is to come in place of others, until that is said. */
  private Optional<Waiting> waiting = Optional.empty();

  /**
   * Rows that were loaded and not taken yet.
   *
   * @param offer with its columns as the file has them
   * @param places where the rows of each table stand
   */
  record Waiting(TableOffer offer, Map<String, String> places) {}

  String id() {
    return id;
  }

  synchronized void row() {
    rows++;
    if (stopped) {
      throw new Stopped();
    }
  }

  synchronized void wrong(List<WrongCell> cells) {
    wrongCells += cells.size();
    cells.stream().limit(LISTED - (long) wrong.size()).forEach(wrong::add);
    if (stopped) {
      throw new Stopped();
    }
  }

  synchronized boolean hasWrong() {
    return wrongCells > 0;
  }

  synchronized void stop() {
    stopped = true;
  }

  synchronized void end(LoadState end) {
    state = end;
  }

  synchronized void done(String offer) {
    offered = offer;
    state = LoadState.DONE;
  }

  synchronized void failed(Finding finding) {
    findings = List.of(finding);
    state = LoadState.FAILED;
  }

  /** The rows are there, and wait to be taken in place of others. */
  synchronized void waiting(String offer, Waiting there, List<RowsDifference> differing) {
    waiting = Optional.of(there);
    differences = differing;
    done(offer);
  }

  /** What waits; nobody gets to know twice. */
  synchronized Optional<Waiting> taken() {
    Optional<Waiting> there = waiting;
    waiting = Optional.empty();
    return there;
  }

  synchronized LoadView view() {
    return new LoadView(
        id,
        state,
        rows,
        wrongCells,
        wrong.stream().map(WrongView::of).toList(),
        offered,
        differences,
        FindingView.of(findings));
  }
}
