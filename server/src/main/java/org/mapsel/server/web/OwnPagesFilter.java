package org.mapsel.server.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.mapsel.core.finding.Finding;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import tools.jackson.databind.json.JsonMapper;

/**
 * Answers only under its own names, loopback ones if no others are given, so that no other site can
 * rebind its name to this server, and changes things only for requests from its own pages.
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
  private final Set<String> hosts = new HashSet<>(LOOPBACK);

  /**
   * @param names further names that this server is called by
   */
  OwnPagesFilter(JsonMapper json, @Value("${mapsel.hosts:}") List<String> names) {
    this.json = json;
    names.forEach(name -> hosts.add(name.toLowerCase(Locale.ROOT)));
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    String host = request.getHeader("Host");
    if (host == null || !hosts.contains(host.replaceFirst(":\\d+$", "").toLowerCase(Locale.ROOT))) {
      ProblemHandler.write(
          response,
          json,
          HttpStatus.MISDIRECTED_REQUEST,
          List.of(Finding.error("SERVER_HOST_FOREIGN")));
      return;
    }
    String origin = request.getHeader("Origin");
    // Programs ask offered tables; only browsers say which page a request comes from.
    boolean own =
        origin == null && request.getRequestURI().startsWith("/offered/")
            || (request.getScheme() + "://" + host).equalsIgnoreCase(origin);
    if (!SAFE.contains(request.getMethod()) && !own) {
      ProblemHandler.write(
          response, json, HttpStatus.FORBIDDEN, List.of(Finding.error("SERVER_REQUEST_FOREIGN")));
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
}
