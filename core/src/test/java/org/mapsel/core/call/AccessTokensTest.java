package org.mapsel.core.call;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.mapsel.core.exchange.Exchange;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.FindingText;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.message.Access;
import org.mapsel.core.message.AccessHeaders;
import org.mapsel.core.message.Header;
import org.mapsel.core.message.Request;
import org.mapsel.core.message.Response;
import org.mapsel.core.message.Secret;

/** Tokens as time goes by, and what a server may say instead of giving one. */
class AccessTokensTest {

  private static final Access ACCESS =
      Access.NONE.as(
          new Access.Login.ClientCredentials(
              "https://quay.example/tokens", "desk", Secret.of("s3cret"), "read write"));

  private final List<Request> asked = new ArrayList<>();
  private Instant now = Instant.parse("2031-05-14T06:40:00Z");
  private int status = 200;
  private String answer = "{\"access_token\":\"t1\",\"expires_in\":300}";
  private Optional<Finding> failure = Optional.empty();

  private final AccessTokens tokens =
      new AccessTokens(
          (request, access) -> {
            asked.add(request);
            Response response =
                new Response(status, Map.of(), answer.getBytes(StandardCharsets.UTF_8));
            return new Exchange(
                request,
                failure.isPresent() ? Optional.empty() : Optional.of(response),
                failure,
                now,
                Duration.ZERO);
          },
          () -> now,
          new ExpiringMap(() -> now));

  private static List<String> headers(Outcome<Access> granted) {
    return AccessHeaders.of(granted.get()).stream().map(Header::value).toList();
  }

  @Test
  void aTokenHoldsUntilShortlyBeforeItsEnd() {
    assertThat(headers(tokens.granted(ACCESS))).containsExactly("Bearer t1");
    now = now.plusSeconds(269);
    tokens.granted(ACCESS);
    assertThat(asked).hasSize(1);

    now = now.plusSeconds(2);
    answer = "{\"access_token\":\"t2\"}";
    assertThat(headers(tokens.granted(ACCESS))).containsExactly("Bearer t2");
    now = now.plus(Duration.ofMinutes(59));
    tokens.granted(ACCESS);
    assertThat(asked).hasSize(2);
    now = now.plus(Duration.ofMinutes(1));
    tokens.granted(ACCESS);
    assertThat(asked).as("a token without an end holds an hour").hasSize(3);
  }

  @Test
  void theRequestSaysWhoAsksAndForWhat() {
    tokens.granted(ACCESS);

    assertThat(new String(asked.get(0).body(), StandardCharsets.UTF_8))
        .isEqualTo("grant_type=client_credentials&scope=read+write");
    assertThat(asked.get(0).headers())
        .extracting(Header::value)
        .contains("Basic ZGVzazpzM2NyZXQ=", "application/x-www-form-urlencoded");
  }

  @Test
  void whatIsNoTokenIsToldWithoutTheSecret() {
    status = 503;
    answer = "<html>s3cret is down</html>";
    assertThat(FindingText.lines(tokens.granted(ACCESS).findings()))
        .contains("CALL_TOKEN_REFUSED", "status 503", "no token in the answer");

    status = 400;
    answer = "{\"error\":\"invalid_scope\",\"error_description\":\"s3cret may not write\"}";
    assertThat(FindingText.lines(tokens.granted(ACCESS).findings()))
        .contains("may not write")
        .doesNotContain("s3cret");

    failure = Optional.of(Finding.error("CALL_TOKEN_REFUSED", "reason", "nobody there"));
    assertThat(tokens.granted(ACCESS).findings()).containsExactly(failure.get());
  }

  @Test
  void otherLoginsAreLeftAlone() {
    Access basic = Access.NONE.as(new Access.Login.Basic("pilot", Secret.of("tide")));

    assertThat(tokens.granted(basic).get()).isSameAs(basic);
    assertThat(asked).isEmpty();
  }
}
