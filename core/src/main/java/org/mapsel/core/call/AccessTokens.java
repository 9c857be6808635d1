package org.mapsel.core.call;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.util.ArrayList;
import java.util.Base64;
import java.util.List;
import java.util.Optional;
import org.mapsel.core.exchange.Exchange;
import org.mapsel.core.exchange.Exchanger;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.message.Access;
import org.mapsel.core.message.Access.Login;
import org.mapsel.core.message.Header;
import org.mapsel.core.message.Request;
import org.mapsel.core.message.Response;
import org.mapsel.core.message.Secret;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Bearer tokens fetched with client credentials (RFC 6749, section 4.4), each kept until shortly
 * before it runs out.
 */
public final class AccessTokens {

  private static final JsonMapper JSON = new JsonMapper();

  /** A token that runs out on the way is of no use. */
  private static final Duration MARGIN = Duration.ofSeconds(30);

  /** One whose end is far away or is not said is asked for again after this at the latest. */
  private static final Duration LONGEST = Duration.ofHours(1);

  private final Exchanger exchanger;
  private final InstantSource clock;
  private final ExpiringStore store;

  private record Token(Secret text, Instant until) {}

  /**
   * @param store keeps the tokens
   */
  public AccessTokens(Exchanger exchanger, InstantSource clock, ExpiringStore store) {
    this.exchanger = exchanger;
    this.clock = clock;
    this.store = store;
  }

  private static String key(Login.ClientCredentials login) {
    return String.join(
        "\n",
        "token",
        login.tokenAddress(),
        login.client(),
        login.secret().reveal(),
        login.scope());
  }

  /** The access with which requests can be sent: with a token where one has to be fetched. */
  public Outcome<Access> granted(Access access) {
    if (!(access.login() instanceof Login.ClientCredentials login)) {
      return Outcome.of(access);
    }
    Optional<String> known = store.find(key(login));
    if (known.isPresent()) {
      return Outcome.of(access.as(new Login.Bearer(Secret.of(known.get()))));
    }
    Outcome<Token> fetched = fetch(login, access);
    fetched.value().ifPresent(token -> store.put(key(login), token.text().reveal(), token.until()));
    return new Outcome<>(
        fetched.value().map(token -> access.as(new Login.Bearer(token.text()))),
        fetched.findings());
  }

  /** The same with a new token, after the service has refused the one it was sent. */
  Outcome<Access> renewed(Access access) {
    if (access.login() instanceof Login.ClientCredentials login) {
      store.remove(key(login));
    }
    return granted(access);
  }

  private Outcome<Token> fetch(Login.ClientCredentials login, Access access) {
    Exchange first = send(login, access, true);
    boolean elsewhere =
        first.response().filter(response -> response.status() / 100 == 4).isPresent();
    // Servers should take the credentials in the header, but some want them in the form.
    Exchange last = elsewhere ? send(login, access, false) : first;
    return last.response()
        .map(response -> read(response, login))
        .orElseGet(() -> Outcome.failed(last.failure().orElseThrow()));
  }

  private Exchange send(Login.ClientCredentials login, Access access, boolean inHeader) {
    StringBuilder form = new StringBuilder("grant_type=client_credentials");
    if (!login.scope().isBlank()) {
      form.append("&scope=").append(encoded(login.scope()));
    }
    List<Header> headers = new ArrayList<>();
    headers.add(
        new Header("Content-Type", "application/x-www-form-urlencoded", "a token is asked"));
    headers.add(new Header("Accept", "application/json", "tokens come as JSON"));
    String client = encoded(login.client());
    String secret = encoded(login.secret().reveal());
    if (inHeader) {
      byte[] both = (client + ":" + secret).getBytes(StandardCharsets.UTF_8);
      headers.add(
          new Header(
              "Authorization",
              "Basic " + Base64.getEncoder().encodeToString(both),
              "who asks for the token"));
    } else {
      form.append("&client_id=").append(client).append("&client_secret=").append(secret);
    }
    return exchanger.send(
        new Request(
            "POST",
            login.tokenAddress(),
            headers,
            form.toString().getBytes(StandardCharsets.UTF_8)),
        Access.NONE.through(access.connection()));
  }

  private static String encoded(String text) {
    return URLEncoder.encode(text, StandardCharsets.UTF_8);
  }

  /** RFC 6749, sections 5.1 and 5.2. */
  private Outcome<Token> read(Response response, Login.ClientCredentials login) {
    JsonNode said = json(response.body());
    Optional<String> token =
        said.path("access_token").asStringOpt().filter(text -> !text.isBlank());
    if (response.status() == 200 && token.isPresent()) {
      long seconds = said.path("expires_in").asLong(0);
      Duration holds =
          seconds <= 0 || seconds > LONGEST.toSeconds() ? LONGEST : Duration.ofSeconds(seconds);
      Instant until = clock.instant().plus(holds).minus(MARGIN);
      return Outcome.of(new Token(Secret.of(token.get()), until));
    }
    String reason =
        said.path("error_description")
            .asStringOpt()
            .or(() -> said.path("error").asStringOpt())
            .orElse("no token in the answer");
    return Outcome.failed(
        Finding.error(
            "CALL_TOKEN_REFUSED",
            "address",
            login.tokenAddress(),
            "status",
            String.valueOf(response.status()),
            "reason",
            reason.replace(login.secret().reveal(), Secret.hidden().reveal())));
  }

  private static JsonNode json(byte[] body) {
    try {
      return JSON.readTree(body);
    } catch (JacksonException e) {
      // An answer that is no JSON holds no token; its status tells the rest.
      return JSON.createObjectNode();
    }
  }
}
