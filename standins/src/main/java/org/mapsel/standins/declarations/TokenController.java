package org.mapsel.standins.declarations;

import com.fasterxml.jackson.annotation.JsonProperty;
import io.swagger.v3.oas.annotations.Hidden;
import java.nio.charset.StandardCharsets;
import java.util.Base64;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Gives tokens to clients that know their secret (RFC 6749, section 4.4). */
@Hidden
@RestController
class TokenController {

  /** As they stand in the guide of the demo. */
  private static final String CLIENT = "duty-desk";

  private static final String SECRET = "spring-tide";

  /** A token and how long it is good, as section 5.1 names them. */
  record Given(
      @JsonProperty("access_token") String token,
      @JsonProperty("token_type") String type,
      @JsonProperty("expires_in") long seconds) {}

  private final Tokens tokens;

  TokenController(Tokens tokens) {
    this.tokens = tokens;
  }

  @PostMapping(Tokens.PATH)
  ResponseEntity<Object> token(
      @RequestParam("grant_type") String grant,
      @RequestHeader(name = "Authorization", required = false) @Nullable String authorization,
      @RequestParam(name = "client_id", defaultValue = "") String client,
      @RequestParam(name = "client_secret", defaultValue = "") String secret) {
    if (!grant.equals("client_credentials")) {
      return refused(HttpStatus.BAD_REQUEST, "unsupported_grant_type");
    }
    boolean known =
        authorization == null
            ? client.equals(CLIENT) && secret.equals(SECRET)
            : authorization.equals(basic());
    return known
        ? ResponseEntity.ok()
            .cacheControl(CacheControl.noStore())
            .body(new Given(tokens.give(), "Bearer", Tokens.LIFE.toSeconds()))
        : refused(HttpStatus.UNAUTHORIZED, "invalid_client");
  }

  private static String basic() {
    String both = CLIENT + ":" + SECRET;
    return "Basic " + Base64.getEncoder().encodeToString(both.getBytes(StandardCharsets.UTF_8));
  }

  private static ResponseEntity<Object> refused(HttpStatus status, String error) {
    return ResponseEntity.status(status).body(Map.of("error", error));
  }
}
