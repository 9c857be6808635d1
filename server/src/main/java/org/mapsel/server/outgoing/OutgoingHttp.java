package org.mapsel.server.outgoing;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.net.ConnectException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpClient.Redirect;
import java.net.http.HttpConnectTimeoutException;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpTimeoutException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.zip.GZIPInputStream;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.exchange.Exchange;
import org.mapsel.core.exchange.Exchanger;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.message.Access;
import org.mapsel.core.message.Header;
import org.mapsel.core.message.Request;
import org.mapsel.core.message.Response;
import org.springframework.stereotype.Component;

/** The one place from which requests leave: calls to services, and fetching of descriptions. */
@Component
public class OutgoingHttp implements Exchanger {

  private final OutgoingSettings settings;
  private final Clock clock;
  private final HttpClient calls;
  private final HttpClient descriptions;

  OutgoingHttp(OutgoingSettings settings, Clock clock) {
    this.settings = settings;
    this.clock = clock;
    // A redirected POST would silently become a GET, so calls follow none.
    this.calls = client(Redirect.NEVER);
    this.descriptions = client(Redirect.NORMAL);
  }

  private HttpClient client(Redirect redirect) {
    return HttpClient.newBuilder()
        .version(HttpClient.Version.HTTP_1_1)
        .connectTimeout(settings.connectTimeout())
        .followRedirects(redirect)
        .build();
  }

  @Override
  public Exchange send(Request request, Access access) {
    Instant started = clock.instant();
    long start = System.nanoTime();
    Outcome<Response> outcome = attempt(calls, request);
    Duration took = Duration.ofNanos(System.nanoTime() - start);
    return new Exchange(
        request, outcome.value(), outcome.findings().stream().findFirst(), started, took);
  }

  /** A document of a description. */
  public Outcome<SourceText> fetch(String address) {
    Request request = new Request("GET", address, List.of(), new byte[0]);
    Outcome<Response> outcome = attempt(descriptions, request);
    if (outcome.value().isEmpty()) {
      return Outcome.failed(outcome.findings());
    }
    Response response = outcome.get();
    if (response.status() != 200) {
      return Outcome.failed(
          Finding.error(
              "EXCHANGE_STATUS_REFUSED",
              "address",
              address,
              "status",
              String.valueOf(response.status())));
    }
    return Outcome.of(new SourceText(address, response.body()));
  }

  private Outcome<Response> attempt(HttpClient client, Request request) {
    HttpRequest.Builder builder;
    try {
      builder = HttpRequest.newBuilder(URI.create(request.address()));
    } catch (IllegalArgumentException e) {
      return Outcome.failed(
          Finding.error("EXCHANGE_ADDRESS_INVALID", "address", request.address()));
    }
    builder.method(request.method(), BodyPublishers.ofByteArray(request.body()));
    for (Header header : request.headers()) {
      builder.header(header.name(), header.value());
    }
    builder.header("Accept-Encoding", "gzip");
    builder.timeout(settings.answerTimeout());
    CompletableFuture<HttpResponse<byte[]>> sending =
        client.sendAsync(builder.build(), info -> new LimitedBody(settings.maxAnswer().toBytes()));
    try {
      // The builder's timeout ends with the headers; this one covers the body too.
      HttpResponse<byte[]> response =
          sending.get(settings.answerTimeout().toMillis(), TimeUnit.MILLISECONDS);
      return Outcome.of(
          new Response(response.statusCode(), response.headers().map(), body(response)));
    } catch (ExecutionException e) {
      return Outcome.failed(failure(request.address(), e.getCause()));
    } catch (IOException e) {
      return Outcome.failed(failure(request.address(), e));
    } catch (TimeoutException e) {
      sending.cancel(true);
      return Outcome.failed(late(request.address()));
    } catch (InterruptedException e) {
      sending.cancel(true);
      Thread.currentThread().interrupt();
      return Outcome.failed(failure(request.address(), e));
    }
  }

  private byte[] body(HttpResponse<byte[]> response) throws IOException {
    boolean zipped =
        response.headers().firstValue("Content-Encoding").filter("gzip"::equals).isPresent();
    if (!zipped) {
      return response.body();
    }
    long limit = settings.maxAnswer().toBytes();
    try (InputStream in = new GZIPInputStream(new ByteArrayInputStream(response.body()))) {
      byte[] body = in.readNBytes((int) limit + 1);
      if (body.length > limit) {
        throw new LimitedBody.TooLarge();
      }
      return body;
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

  private Finding failure(String address, Throwable cause) {
    String reason = Optional.ofNullable(cause.getMessage()).orElse("connection refused");
    return switch (cause) {
      case LimitedBody.TooLarge large ->
          Finding.error(
              "EXCHANGE_ANSWER_TOO_LARGE",
              "address",
              address,
              "limit",
              settings.maxAnswer().toMegabytes() + " MB");
      case HttpConnectTimeoutException late ->
          Finding.error(
              "EXCHANGE_CONNECTION_REFUSED", "address", address, "reason", "nobody answered");
      case HttpTimeoutException late -> late(address);
      case ConnectException refused ->
          Finding.error("EXCHANGE_CONNECTION_REFUSED", "address", address, "reason", reason);
      default -> Finding.error("EXCHANGE_ANSWER_DROPPED", "address", address, "reason", reason);
    };
  }
}
