package org.mapsel.server.web;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.util.function.Function;
import java.util.function.Supplier;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import tools.jackson.databind.json.JsonMapper;

/**
 * An answer as it comes about: one JSON object a line. What fails before the first line is answered
 * like anywhere else; after it, by a line of its own. Safe for several threads.
 */
public final class LineStream {

  public static final String MEDIA_TYPE = "application/x-ndjson";

  private static final Logger LOG = LoggerFactory.getLogger(LineStream.class);

  private final JsonMapper json;
  private final HttpServletResponse response;
  private boolean begun;

  public LineStream(JsonMapper json, HttpServletResponse response) {
    this.json = json;
    this.response = response;
  }

  /**
   * Tells something on the way.
   *
   * @throws UncheckedIOException if nobody listens any more
   */
  public synchronized void tell(Object event) {
    try {
      if (!begun) {
        response.setContentType(MEDIA_TYPE);
        begun = true;
      }
      OutputStream out = response.getOutputStream();
      out.write(json.writeValueAsBytes(event));
      out.write('\n');
      out.flush();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /**
   * Tells what everything came to.
   *
   * @param failed how a problem is told where something was told already
   */
  public void end(Supplier<?> last, Function<ProblemView, ?> failed) {
    Object end;
    try {
      end = last.get();
    } catch (Problem problem) {
      if (!isBegun()) {
        throw problem;
      }
      end = failed.apply(ProblemView.of(problem));
    }
    try {
      tell(end);
    } catch (UncheckedIOException e) {
      LOG.debug("Nobody waits for the answer any more", e);
    }
  }

  private synchronized boolean isBegun() {
    return begun;
  }
}
