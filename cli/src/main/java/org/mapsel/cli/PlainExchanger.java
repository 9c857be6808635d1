package org.mapsel.cli;

import java.io.IOException;
import java.io.InputStream;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import org.mapsel.core.exchange.Exchange;
import org.mapsel.core.exchange.Exchanger;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.message.Access;
import org.mapsel.core.message.Request;
import org.mapsel.core.message.Response;

/** Sends requests without any login beyond the headers that it is given. */
final class PlainExchanger implements Exchanger {

  private static final Duration PATIENCE = Duration.ofSeconds(60);
  private static final int MAX_ANSWER = 64 << 20;

  private final HttpClient http =
      HttpClient.newBuilder().connectTimeout(Duration.ofSeconds(10)).build();
  private final Map<String, String> headers;

  PlainExchanger(Map<String, String> headers) {
    this.headers = headers;
  }

  @Override
  public Exchange send(Request request, Access access) {
    Instant start = Instant.now();
    try {
      HttpRequest.Builder builder =
          HttpRequest.newBuilder(URI.create(request.address()))
              .timeout(PATIENCE)
              .method(request.method(), HttpRequest.BodyPublishers.ofByteArray(request.body()));
      request.headers().forEach(header -> builder.header(header.name(), header.value()));
      headers.forEach(builder::header);
      HttpResponse<InputStream> response =
          http.send(builder.build(), HttpResponse.BodyHandlers.ofInputStream());
      try (InputStream in = response.body()) {
        byte[] body = in.readNBytes(MAX_ANSWER + 1);
        if (body.length > MAX_ANSWER) {
          return failed(request, start, "the answer is larger than 64 MB");
        }
        return new Exchange(
            request,
            Optional.of(new Response(response.statusCode(), response.headers().map(), body)),
            Optional.empty(),
            start,
            Duration.between(start, Instant.now()));
      }
    } catch (IOException | IllegalArgumentException e) {
      return failed(request, start, String.valueOf(e.getMessage()));
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      return failed(request, start, "interrupted");
    }
  }

  private static Exchange failed(Request request, Instant start, String reason) {
    return new Exchange(
        request,
        Optional.empty(),
        Optional.of(
            Finding.error(
                "EXCHANGE_CONNECTION_REFUSED", "address", request.address(), "reason", reason)),
        start,
        Duration.between(start, Instant.now()));
  }
}
