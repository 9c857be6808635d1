package org.mapsel.server.entry;

import jakarta.servlet.http.HttpServletRequest;
import java.time.Duration;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseCookie;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Signing in and out. */
@RestController
@RequestMapping("/api/session")
class SessionController {

  /** What is typed to come in. */
  record SignInRequest(String password) {}

  /**
   * Who is there.
   *
   * @param guarded whether builders have to sign in
   */
  record SessionView(boolean guarded, boolean builder) {}

  private final Entry entry;

  SessionController(Entry entry) {
    this.entry = entry;
  }

  @GetMapping
  SessionView get() {
    return new SessionView(entry.isGuarded(), entry.mayBuild());
  }

  @PostMapping
  ResponseEntity<SessionView> signIn(@RequestBody SignInRequest typed, HttpServletRequest request) {
    String token = entry.signIn(typed.password());
    return ResponseEntity.ok()
        .header(HttpHeaders.SET_COOKIE, cookie(request, token, Entry.STAYS))
        .body(new SessionView(true, true));
  }

  @DeleteMapping
  ResponseEntity<SessionView> signOut(HttpServletRequest request) {
    EntryFilter.token(request).ifPresent(entry::signOut);
    return ResponseEntity.ok()
        .header(HttpHeaders.SET_COOKIE, cookie(request, "", Duration.ZERO))
        .body(new SessionView(entry.isGuarded(), !entry.isGuarded()));
  }

  private static String cookie(HttpServletRequest request, String token, Duration stays) {
    return ResponseCookie.from(EntryFilter.COOKIE, token)
        .httpOnly(true)
        .secure(request.isSecure())
        .sameSite("Strict")
        .path("/api")
        .maxAge(stays)
        .build()
        .toString();
  }
}
