package org.mapsel.server.services;

import java.util.function.Function;
import org.mapsel.server.outgoing.Progress;
import org.mapsel.server.services.ServiceViews.IntakeEvent;
import org.mapsel.server.services.ServiceViews.ProgressView;
import org.mapsel.server.web.LineStream;

/**
 * An intake's answer as it comes about. Whoever reads it may go away, which ends the fetching at
 * its next piece.
 */
final class IntakeStream implements Progress {

  /** Bytes between two lines, so that a quick document does not bring thousands of them. */
  private static final long STEP = 1 << 18;

  private final LineStream lines;
  private long told;

  IntakeStream(LineStream lines) {
    this.lines = lines;
  }

  @Override
  public synchronized void fetched(String address, long bytes, long length) {
    if (bytes >= told && bytes - told < STEP) {
      return;
    }
    told = bytes;
    Long known = length == UNKNOWN ? null : length;
    lines.tell(new IntakeEvent(new ProgressView(address, bytes, known), null, null, null));
  }

  /** Reads while telling, and ends with what came of it. */
  void run(Function<Progress, IntakeEvent> reading) {
    lines.end(() -> reading.apply(this), problem -> new IntakeEvent(null, null, null, problem));
  }
}
