package org.mapsel.server.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.mapsel.core.finding.Finding;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import tools.jackson.databind.json.JsonMapper;

/**
 * Answers only under loopback names, so that no other site can rebind its name to this server, and
 * changes things only for requests from its own pages.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class OwnPagesFilter extends OncePerRequestFilter {

  private static final Set<String> LOOPBACK = Set.of("localhost", "127.0.0.1", "[::1]");
  private static final Set<String> SAFE = Set.of("GET", "HEAD", "OPTIONS");
  private static final String POLICY =
      "default-src 'self'; img-src 'self' data:; style-src 'self' 'unsafe-inline';"
          + " font-src 'self' data:; frame-ancestors 'none'; base-uri 'none'; form-action 'self'";

  private final JsonMapper json;

  OwnPagesFilter(JsonMapper json) {
    this.json = json;
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    String host = request.getHeader("Host");
    if (host == null
        || !LOOPBACK.contains(host.replaceFirst(":\\d+$", "").toLowerCase(Locale.ROOT))) {
      refuse(response, HttpStatus.MISDIRECTED_REQUEST, "SERVER_HOST_FOREIGN");
      return;
    }
    String origin = request.getHeader("Origin");
    // Programs ask offered tables; only browsers say which page a request comes from.
    boolean own =
        origin == null && request.getRequestURI().startsWith("/offered/")
            || ("http://" + host).equalsIgnoreCase(origin);
    if (!SAFE.contains(request.getMethod()) && !own) {
      refuse(response, HttpStatus.FORBIDDEN, "SERVER_REQUEST_FOREIGN");
      return;
    }
    response.setHeader("Content-Security-Policy", POLICY);
    response.setHeader("X-Content-Type-Options", "nosniff");
    response.setHeader("Referrer-Policy", "no-referrer");
    if (request.getRequestURI().startsWith("/api/")) {
      response.setHeader("Cache-Control", "no-store");
    }
    chain.doFilter(request, response);
  }

  private void refuse(HttpServletResponse response, HttpStatus status, String code)
      throws IOException {
    byte[] body =
        json.writeValueAsString(ProblemHandler.detail(status, List.of(Finding.error(code))))
            .getBytes(StandardCharsets.UTF_8);
    response.setStatus(status.value());
    response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
    response.getOutputStream().write(body);
  }
}
