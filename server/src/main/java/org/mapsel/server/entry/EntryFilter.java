package org.mapsel.server.entry;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Optional;
import java.util.stream.Stream;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.authority.AuthorityUtils;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.web.filter.OncePerRequestFilter;

/** Says of each request to the API whether it comes from a builder. */
class EntryFilter extends OncePerRequestFilter {

  static final String COOKIE = "mapsel-signed-in";

  private final Entry entry;

  EntryFilter(Entry entry) {
    this.entry = entry;
  }

  @Override
  protected boolean shouldNotFilter(HttpServletRequest request) {
    return !request.getRequestURI().startsWith("/api/");
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    if (token(request).filter(entry::isSignedIn).isPresent() || !entry.isGuarded()) {
      SecurityContextHolder.getContext()
          .setAuthentication(
              UsernamePasswordAuthenticationToken.authenticated(
                  "builder", null, AuthorityUtils.createAuthorityList(Entry.BUILDER)));
    }
    chain.doFilter(request, response);
  }

  static Optional<String> token(HttpServletRequest request) {
    return Stream.ofNullable(request.getCookies())
        .flatMap(Stream::of)
        .filter(cookie -> cookie.getName().equals(COOKIE))
        .map(Cookie::getValue)
        .findFirst();
  }
}
