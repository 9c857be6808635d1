package org.mapsel.standins;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.time.LocalTime;
import java.time.temporal.ChronoUnit;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import org.springframework.web.util.ContentCachingRequestWrapper;

/** One line a request: operation, the values it received, status, milliseconds. */
@Component
@Order(1)
public class RequestLog extends OncePerRequestFilter {

  /** Where an endpoint leaves the operation and its values for the line. */
  public static final String WHAT = RequestLog.class.getName() + ".what";

  private static final Logger LOG = LoggerFactory.getLogger("requests");
  private static final int MOST = 40;
  private static final int LONGEST = 2_000;

  /** A request that arrived. */
  record Arrived(LocalTime at, String path, String what, int status, long millis) {}

  private final Deque<Arrived> last = new ArrayDeque<>();

  /** The last ones, the newest first. */
  List<Arrived> last() {
    synchronized (last) {
      return List.copyOf(last);
    }
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    long start = System.nanoTime();
    ContentCachingRequestWrapper read = new ContentCachingRequestWrapper(request, LONGEST);
    try {
      chain.doFilter(read, response);
    } finally {
      long millis = TimeUnit.NANOSECONDS.toMillis(System.nanoTime() - start);
      String path = request.getRequestURI();
      String what = what(read);
      LOG.info("{} {} -> {} in {} ms", path, what, response.getStatus(), millis);
      if (!ControlController.isControl(path)) {
        keep(
            new Arrived(
                LocalTime.now().truncatedTo(ChronoUnit.MILLIS),
                path,
                what,
                response.getStatus(),
                millis));
      }
    }
  }

  private void keep(Arrived arrived) {
    synchronized (last) {
      last.addFirst(arrived);
      if (last.size() > MOST) {
        last.removeLast();
      }
    }
  }

  /** Forms are left out: they bring secrets. */
  private static String what(ContentCachingRequestWrapper request) {
    Object left = request.getAttribute(WHAT);
    if (left != null) {
      return left.toString();
    }
    StringBuilder what = new StringBuilder(request.getMethod());
    if (request.getQueryString() != null) {
      what.append(' ').append(decoded(request.getQueryString()));
    }
    String type = request.getContentType();
    if (type != null && (type.contains("json") || type.contains("xml"))) {
      what.append(' ')
          .append(
              new String(request.getContentAsByteArray(), StandardCharsets.UTF_8)
                  .replaceAll("\\s+", " "));
    }
    return what.toString();
  }

  private static String decoded(String query) {
    try {
      return URLDecoder.decode(query, StandardCharsets.UTF_8);
    } catch (IllegalArgumentException e) {
      return query;
    }
  }
}
