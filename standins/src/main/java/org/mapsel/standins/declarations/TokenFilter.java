package org.mapsel.standins.declarations;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** Lets in only who has a token (RFC 6750); the description and the tokens are for everybody. */
@Component
@Order(3)
class TokenFilter extends OncePerRequestFilter {

  private static final String SCHEME = "Bearer ";

  private final Tokens tokens;

  TokenFilter(Tokens tokens) {
    this.tokens = tokens;
  }

  @Override
  protected boolean shouldNotFilter(HttpServletRequest request) {
    String path = request.getRequestURI();
    boolean ours = path.startsWith("/declarations") || path.startsWith("/mooring-advice");
    return !ours || path.equals(Tokens.PATH) || path.endsWith("/openapi.json");
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    String given = request.getHeader("Authorization");
    if (given != null
        && given.startsWith(SCHEME)
        && tokens.isGood(given.substring(SCHEME.length()))) {
      chain.doFilter(request, response);
      return;
    }
    response.setStatus(HttpServletResponse.SC_UNAUTHORIZED);
    response.setHeader("WWW-Authenticate", "Bearer realm=\"Declarations\"");
    response.setContentType("application/problem+json");
    response
        .getWriter()
        .write("{\"title\":\"Who declares?\",\"detail\":\"Send a token that is still good.\"}");
  }
}
