package org.mapsel.standins.tides;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** Lets in only who knows the key; the description is for everybody. */
@Component
@Order(3)
class TidesKeyFilter extends OncePerRequestFilter {

  static final String HEADER = "X-Api-Key";

  /** As it stands in the guide of the demo. */
  static final String KEY = "ebb-and-flow";

  @Override
  protected boolean shouldNotFilter(HttpServletRequest request) {
    String path = request.getRequestURI();
    return !path.startsWith("/tides/") || path.startsWith("/tides/openapi");
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    if (KEY.equals(request.getHeader(HEADER))) {
      chain.doFilter(request, response);
      return;
    }
    response.setStatus(HttpServletResponse.SC_UNAUTHORIZED);
    response.setContentType("application/problem+json");
    response.getWriter().write("{\"title\":\"Who calls?\",\"detail\":\"Send the key.\"}");
  }
}
