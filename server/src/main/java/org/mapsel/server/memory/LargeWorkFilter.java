package org.mapsel.server.memory;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.List;
import org.mapsel.core.finding.Finding;
import org.mapsel.server.web.ProblemHandler;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import tools.jackson.databind.json.JsonMapper;

/** Answering a request is one piece of work; what it sends is held in memory as JSON. */
@Component
class LargeWorkFilter extends OncePerRequestFilter {

  private final LargeWork work;
  private final JsonMapper json;

  LargeWorkFilter(LargeWork work, JsonMapper json) {
    this.work = work;
    this.json = json;
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    LargeWork.Share share = work.begin();
    try {
      if (isJson(request) && !work.hasRoomFor(request.getContentLengthLong())) {
        ProblemHandler.write(
            response,
            json,
            HttpStatus.SERVICE_UNAVAILABLE,
            List.of(Finding.error("SERVER_TOO_MUCH_AT_ONCE")));
        return;
      }
      chain.doFilter(request, response);
    } finally {
      share.end();
    }
  }

  /** Files are put down on the disk as they come. */
  private static boolean isJson(HttpServletRequest request) {
    String type = request.getContentType();
    return type != null && type.startsWith("application/json");
  }
}
