package org.mapsel.standins;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import org.springframework.web.util.ContentCachingResponseWrapper;

/**
 * Makes Berthing a newer edition of itself, in its description and in what it answers: one field
 * has another name, one is gone, one parameter is required, one field is new and one is wider.
 */
@Component
@Order(3)
class SecondEditionFilter extends OncePerRequestFilter {

  private final Switches switches;

  SecondEditionFilter(Switches switches) {
    this.switches = switches;
  }

  @Override
  protected boolean shouldNotFilter(HttpServletRequest request) {
    return !request.getRequestURI().startsWith("/berthing")
        || !switches.is(Switches.Mode.SECOND_EDITION);
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    ContentCachingResponseWrapper whole = new ContentCachingResponseWrapper(response);
    chain.doFilter(request, whole);
    byte[] newer =
        newer(new String(whole.getContentAsByteArray(), StandardCharsets.UTF_8))
            .getBytes(StandardCharsets.UTF_8);
    response.setContentLength(newer.length);
    response.getOutputStream().write(newer);
  }

  private static String newer(String text) {
    return text
        // Renamed: the time of arrival.
        .replace("name=\"etaUtc\"", "name=\"etaTimeUtc\"")
        .replaceAll("(</?(?:\\w+:)?)etaUtc\\b", "$1etaTimeUtc")
        // Gone: whether a pilot was ordered. New: how many tugs are.
        .replace(
            "<xs:element name=\"pilotOrdered\" type=\"xs:boolean\"/>",
            "<xs:element name=\"tugs\" type=\"xs:int\" minOccurs=\"0\"/>")
        .replaceAll("<(?:\\w+:)?pilotOrdered\\b[^>]*>[^<]*</(?:\\w+:)?pilotOrdered>", "")
        // Required: the basin of a list.
        .replaceAll("minOccurs=\"0\" (name=\"basin\")", "$1")
        // Wider: how many arrivals at most.
        .replace("name=\"limit\" type=\"xs:int\"", "name=\"limit\" type=\"xs:decimal\"");
  }
}
