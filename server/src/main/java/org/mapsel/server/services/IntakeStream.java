package org.mapsel.server.services;

import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.util.function.Function;
import org.mapsel.server.outgoing.Progress;
import org.mapsel.server.services.ServiceViews.IntakeEvent;
import org.mapsel.server.services.ServiceViews.ProgressView;
import org.mapsel.server.web.Problem;
import org.mapsel.server.web.ProblemView;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import tools.jackson.databind.json.JsonMapper;

/**
 * An intake's answer as it comes about: one JSON object a line. Whoever reads it may go away, which
 * ends the fetching at its next piece.
 */
final class IntakeStream implements Progress {

  static final String MEDIA_TYPE = "application/x-ndjson";

  private static final Logger LOG = LoggerFactory.getLogger(IntakeStream.class);

  /** Bytes between two lines, so that a quick document does not bring thousands of them. */
  private static final long STEP = 1 << 18;

  private final JsonMapper json;
  private final OutputStream out;
  private long told;

  IntakeStream(JsonMapper json, OutputStream out) {
    this.json = json;
    this.out = out;
  }

  @Override
  public synchronized void fetched(String address, long bytes, long length) {
    if (bytes >= told && bytes - told < STEP) {
      return;
    }
    told = bytes;
    Long known = length == UNKNOWN ? null : length;
    write(new IntakeEvent(new ProgressView(address, bytes, known), null, null, null));
  }

  /** Reads while telling, and ends with what came of it. */
  void run(Function<Progress, IntakeEvent> reading) {
    IntakeEvent last;
    try {
      last = reading.apply(this);
    } catch (Problem problem) {
      last = new IntakeEvent(null, null, null, ProblemView.of(problem));
    }
    try {
      write(last);
    } catch (UncheckedIOException e) {
      LOG.debug("Nobody waits for the intake any more", e);
    }
  }

  private synchronized void write(IntakeEvent event) {
    try {
      out.write(json.writeValueAsBytes(event));
      out.write('\n');
      out.flush();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
