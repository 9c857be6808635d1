package org.mapsel.server.outgoing;

import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.net.ConnectException;
import java.net.NoRouteToHostException;
import java.net.SocketTimeoutException;
import java.net.URI;
import java.net.UnknownHostException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.function.Supplier;
import javax.net.ssl.SSLException;
import org.apache.hc.client5.http.ConnectTimeoutException;
import org.apache.hc.client5.http.classic.methods.HttpUriRequestBase;
import org.apache.hc.client5.http.impl.classic.CloseableHttpClient;
import org.apache.hc.core5.http.ClassicHttpResponse;
import org.apache.hc.core5.http.io.entity.ByteArrayEntity;
import org.mapsel.core.document.Limits;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.exchange.Exchange;
import org.mapsel.core.exchange.Exchanger;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.message.Access;
import org.mapsel.core.message.AccessHeaders;
import org.mapsel.core.message.EchoedSecrets;
import org.mapsel.core.message.Header;
import org.mapsel.core.message.Request;
import org.mapsel.core.message.Response;
import org.mapsel.server.memory.LargeWork;
import org.mapsel.server.web.Problem;
import org.springframework.stereotype.Component;

/** The one place from which requests leave: calls to services, and fetching of descriptions. */
@Component
public class OutgoingHttp implements Exchanger {

  private static final int MAX_REDIRECTS = 5;

  private final OutgoingSettings settings;
  private final Clock clock;
  private final CloseableHttpClient plain;
  private final HostGates gates;
  private final LargeWork work;
  private final ExecutorService threads = Executors.newVirtualThreadPerTaskExecutor();

  OutgoingHttp(OutgoingSettings settings, Clock clock, LargeWork work) {
    this.work = work;
    this.settings = settings;
    this.clock = clock;
    this.plain = Clients.of(Access.NONE, settings).get();
    this.gates = new HostGates(settings.connectionsPerHost(), settings.waitingPerHost());
  }

  @PreDestroy
  void close() throws IOException {
    threads.shutdownNow();
    plain.close();
  }

  /** Refuses an access whose certificates cannot be used. */
  public void check(Access access) {
    Outcome<CloseableHttpClient> client = Clients.of(access, settings);
    try {
      client.value().orElseThrow(() -> Problem.refused(client.findings())).close();
    } catch (IOException e) {
      throw new IllegalStateException(e);
    }
  }

  @Override
  public Exchange send(Request request, Access access) {
    Instant started = clock.instant();
    long start = System.nanoTime();
    String shown = AccessHeaders.shown(request.address(), access);
    int limit = (int) settings.maxAnswer().toBytes();
    Outcome<Response> outcome =
        attempt(request, access, new AnswerBody(shown, limit, Progress.UNSEEN, work));
    Duration took = Duration.ofNanos(System.nanoTime() - start);
    return new Exchange(
        request, outcome.value(), outcome.findings().stream().findFirst(), started, took);
  }

  /** A document of a description; redirects are followed, but never with credentials elsewhere. */
  public Outcome<SourceText> fetch(String address, Access access, Progress progress) {
    String at = address;
    Access current = access;
    for (int redirects = 0; redirects <= MAX_REDIRECTS; redirects++) {
      Request request =
          new Request(
              "GET", AccessHeaders.address(at, current), AccessHeaders.of(current), new byte[0]);
      String shown = AccessHeaders.shown(request.address(), current);
      int limit = (int) Limits.DESCRIPTION.maxBytes();
      Outcome<Response> outcome =
          attempt(request, current, new AnswerBody(shown, limit, progress, work));
      if (outcome.value().isEmpty()) {
        return Outcome.failed(outcome.findings());
      }
      Response response = outcome.get();
      Optional<String> location = response.header("Location");
      if (response.status() / 100 == 3 && location.isPresent()) {
        String next = resolved(at, location.get());
        current = isSameServer(at, next) ? current : Access.NONE;
        at = next;
      } else if (response.status() == 200) {
        return Outcome.of(
            new SourceText(address, EchoedSecrets.of(current).hiddenIn(response.body())));
      } else {
        String code =
            response.status() == 401 || response.status() == 407
                ? "EXCHANGE_LOGIN_WANTED"
                : "EXCHANGE_STATUS_REFUSED";
        return Outcome.failed(
            Finding.error(
                code,
                "address",
                AccessHeaders.shown(at, access),
                "status",
                String.valueOf(response.status())));
      }
    }
    return Outcome.failed(Finding.error("EXCHANGE_REDIRECTS_TOO_MANY", "address", address));
  }

  private static String resolved(String base, String location) {
    try {
      return URI.create(base).resolve(location).toString();
    } catch (IllegalArgumentException e) {
      return location;
    }
  }

  /** The scheme and the server of an address, without a user; empty if it has none. */
  public static String originOf(String address) {
    try {
      URI uri = URI.create(address);
      return uri.getScheme() == null || uri.getAuthority() == null
          ? ""
          : (uri.getScheme() + "://" + uri.getAuthority().replaceFirst("^.*@", ""))
              .toLowerCase(Locale.ROOT);
    } catch (IllegalArgumentException e) {
      return "";
    }
  }

  /** Whether two addresses lead to the same server, so that both may see the same credentials. */
  public static boolean isSameServer(String one, String other) {
    String origin = originOf(one);
    return !origin.isEmpty() && origin.equals(originOf(other));
  }

  private Outcome<Response> attempt(Request request, Access access, AnswerBody body) {
    String shown = body.address();
    HttpUriRequestBase message;
    try {
      URI uri = URI.create(request.address());
      if (uri.getHost() == null) {
        return Outcome.failed(Finding.error("EXCHANGE_ADDRESS_INVALID", "address", shown));
      }
      message = new HttpUriRequestBase(request.method(), uri);
    } catch (IllegalArgumentException e) {
      return Outcome.failed(Finding.error("EXCHANGE_ADDRESS_INVALID", "address", shown));
    }
    if (request.body().length > 0) {
      message.setEntity(new ByteArrayEntity(request.body(), null));
    }
    for (Header header : request.headers()) {
      message.addHeader(header.name(), header.value());
    }
    return inTurn(originOf(request.address()), shown, () -> attempt(access, message, body));
  }

  /** Does something when it is its turn at a server. */
  private Outcome<Response> inTurn(
      String server, String shown, Supplier<Outcome<Response>> attempt) {
    HostGates.Entry entry;
    try {
      entry = gates.enter(server, settings.answerTimeout());
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      return Outcome.failed(busy(shown));
    }
    if (entry != HostGates.Entry.IN) {
      return Outcome.failed(busy(shown));
    }
    try {
      return attempt.get();
    } finally {
      gates.leave(server);
    }
  }

  private static Finding busy(String address) {
    return Finding.error("EXCHANGE_TOO_MANY_WAITING", "address", address);
  }

  private Outcome<Response> attempt(Access access, HttpUriRequestBase message, AnswerBody body) {
    if (!needsOwnClient(access)) {
      return attempt(plain, message, body);
    }
    Outcome<CloseableHttpClient> own = Clients.of(access, settings);
    if (own.value().isEmpty()) {
      return Outcome.failed(own.findings());
    }
    try (CloseableHttpClient client = own.get()) {
      return attempt(client, message, body);
    } catch (IOException e) {
      throw new IllegalStateException(e);
    }
  }

  private static boolean needsOwnClient(Access access) {
    return access.login() instanceof Access.Login.Digest
        || !access.connection().equals(Access.Connection.PLAIN);
  }

  private Outcome<Response> attempt(
      CloseableHttpClient client, HttpUriRequestBase message, AnswerBody body) {
    Future<Response> sending =
        threads.submit(() -> client.execute(message, response -> read(response, message, body)));
    try {
      // Timeouts of the connection begin anew with every byte; this one covers everything.
      return Outcome.of(sending.get(settings.answerTimeout().toMillis(), TimeUnit.MILLISECONDS));
    } catch (ExecutionException e) {
      return Outcome.failed(failure(body, e.getCause()));
    } catch (TimeoutException e) {
      message.abort();
      return Outcome.failed(late(body.address()));
    } catch (InterruptedException e) {
      message.abort();
      Thread.currentThread().interrupt();
      return Outcome.failed(failure(body, e));
    }
  }

  private static Response read(
      ClassicHttpResponse response, HttpUriRequestBase message, AnswerBody body)
      throws IOException {
    try {
      return body.read(response);
    } catch (IOException | RuntimeException e) {
      // Without this the client would first take in what nobody wants any more.
      message.abort();
      throw e;
    }
  }

  private Finding late(String address) {
    return Finding.error(
        "EXCHANGE_ANSWER_LATE",
        "address",
        address,
        "seconds",
        String.valueOf(settings.answerTimeout().toSeconds()));
  }

  private Finding failure(AnswerBody body, Throwable cause) {
    String address = body.address();
    String reason = Optional.ofNullable(cause.getMessage()).orElse("connection refused");
    return switch (cause) {
      case AnswerBody.TooLarge large ->
          Finding.error(
              "EXCHANGE_ANSWER_TOO_LARGE",
              "address",
              address,
              "limit",
              (body.limit() >> 20) + " MB");
      case AnswerBody.NoRoom full -> Finding.error("EXCHANGE_NO_ROOM", "address", address);
      case ConnectTimeoutException late ->
          Finding.error(
              "EXCHANGE_CONNECTION_REFUSED", "address", address, "reason", "nobody answered");
      case SocketTimeoutException late -> late(address);
      case SSLException untrusted ->
          Finding.error("EXCHANGE_SERVER_UNTRUSTED", "address", address, "reason", reason);
      case UnknownHostException unknown ->
          Finding.error(
              "EXCHANGE_CONNECTION_REFUSED", "address", address, "reason", "there is no such host");
      case ConnectException refused ->
          Finding.error("EXCHANGE_CONNECTION_REFUSED", "address", address, "reason", reason);
      case NoRouteToHostException unreachable ->
          Finding.error("EXCHANGE_CONNECTION_REFUSED", "address", address, "reason", reason);
      default -> Finding.error("EXCHANGE_ANSWER_DROPPED", "address", address, "reason", reason);
    };
  }
}
