package org.mapsel.standins;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** One line a request: operation, the values it received, status, milliseconds. */
@Component
@Order(1)
public class RequestLog extends OncePerRequestFilter {

  /** Where an endpoint leaves the operation and its values for the line. */
  public static final String WHAT = RequestLog.class.getName() + ".what";

  private static final Logger LOG = LoggerFactory.getLogger("requests");

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    long start = System.nanoTime();
    try {
      chain.doFilter(request, response);
    } finally {
      Object what = request.getAttribute(WHAT);
      LOG.info(
          "{} {} -> {} in {} ms",
          request.getRequestURI(),
          what == null ? request.getMethod() : what,
          response.getStatus(),
          TimeUnit.NANOSECONDS.toMillis(System.nanoTime() - start));
    }
  }
}
