package org.mapsel.standins;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Arrays;
import org.mapsel.standins.Switches.Mode;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import org.springframework.web.util.ContentCachingResponseWrapper;

/**
 * Does to requests what the switches say. Descriptions stay normal, unless they are locked too; the
 * switches always do.
 */
@Component
@Order(2)
class MisbehavingFilter extends OncePerRequestFilter {

  private static final String ERROR_PAGE =
      "<!DOCTYPE html><html><head><title>502 Bad Gateway</title></head>"
          + "<body><h1>502 Bad Gateway</h1><p>The harbour gateway is having a rest.</p></body></html>";

  /** User pilot, password slack-water, as RFC 7617 writes them. */
  private static final String PASS = "Basic cGlsb3Q6c2xhY2std2F0ZXI=";

  private final Switches switches;

  MisbehavingFilter(Switches switches) {
    this.switches = switches;
  }

  @Override
  protected boolean shouldNotFilter(HttpServletRequest request) {
    String path = request.getRequestURI();
    if (ControlController.isControl(path)) {
      return true;
    }
    boolean described =
        path.startsWith("/berthing") && !request.getMethod().equals("POST")
            || path.endsWith("/openapi.json")
            || path.endsWith("/$metadata");
    return described && !switches.is(Mode.LOCKED);
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    switch (switches.get().mode()) {
      case NORMAL, FAULT, HUGE, SECOND_EDITION -> chain.doFilter(request, response);
      case SLOW -> {
        pause(switches.get().millis());
        chain.doFilter(request, response);
      }
      case LOCKED -> {
        if (PASS.equals(request.getHeader("Authorization"))) {
          chain.doFilter(request, response);
        } else {
          response.setHeader("WWW-Authenticate", "Basic realm=\"Saltmere\"");
          response.setStatus(HttpServletResponse.SC_UNAUTHORIZED);
        }
      }
      case DROPPED -> {
        // Announcing a body that never comes makes the container close the connection.
        response.setContentType("text/xml");
        response.setContentLength(1_000);
        response.flushBuffer();
        throw new IOException("dropped, as the switch says");
      }
      case ERROR_PAGE -> {
        response.setStatus(HttpServletResponse.SC_BAD_GATEWAY);
        response.setContentType("text/html;charset=utf-8");
        response.getWriter().write(ERROR_PAGE);
      }
      case TRUNCATED -> {
        ContentCachingResponseWrapper whole = new ContentCachingResponseWrapper(response);
        chain.doFilter(request, whole);
        byte[] body = whole.getContentAsByteArray();
        byte[] half = Arrays.copyOf(body, body.length / 2);
        response.setContentLength(half.length);
        response.getOutputStream().write(half);
      }
    }
  }

  private static void pause(long millis) {
    try {
      Thread.sleep(millis);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }
}
