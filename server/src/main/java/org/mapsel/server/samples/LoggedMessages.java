package org.mapsel.server.samples;

import java.nio.charset.Charset;
import java.util.Optional;
import org.mapsel.core.message.Request;
import org.mapsel.core.message.Response;
import org.springframework.stereotype.Component;

/** Messages of the log: as they were kept, and as the wire view shows them. */
@Component
public class LoggedMessages {

  /**
   * An answer as it is shown.
   *
   * @param body as text, character by character what the wire view shows
   */
  public record Shown(String body, Response response, Charset charset) {

    /** The same answer with another body. */
    public Response with(String other) {
      return new Response(response.status(), response.headers(), other.getBytes(charset));
    }
  }

  /**
   * What a service answered once.
   *
   * @param mediaType empty if it was not said
   * @param whole whether all of the body was kept
   */
  public record Answered(
      String service, String operation, int status, String mediaType, String body, boolean whole) {}

  /**
   * An exchange as it is kept: every secret hidden, long bodies cut.
   *
   * @param whole whether all of both bodies was kept
   */
  public record Exchanged(
      String service,
      String operation,
      Request request,
      Optional<Response> response,
      boolean whole) {}

  private final ExchangeStore exchanges;

  LoggedMessages(ExchangeStore exchanges) {
    this.exchanges = exchanges;
  }

  /** The answer of an exchange; nothing if nobody answered, or if only its start was kept. */
  public Optional<Shown> shown(String exchange) {
    return exchanges
        .find(exchange)
        .filter(kept -> kept.responseBytes() <= kept.responseBody().length)
        .flatMap(
            kept ->
                kept.status()
                    .map(
                        status ->
                            new Shown(
                                BodyText.of(kept),
                                new Response(status, kept.responseHeaders(), kept.responseBody()),
                                BodyText.charset(kept))));
  }

  /** An exchange of the log. */
  public Optional<Exchanged> find(String exchange) {
    return exchanges
        .find(exchange)
        .map(
            kept ->
                new Exchanged(
                    kept.service(),
                    kept.operation(),
                    new Request(
                        kept.method(), kept.address(), kept.requestHeaders(), kept.requestBody()),
                    kept.status()
                        .map(
                            status ->
                                new Response(status, kept.responseHeaders(), kept.responseBody())),
                    kept.requestBody().length < ExchangeStore.MAX_BODY
                        && kept.responseBytes() <= kept.responseBody().length));
  }

  /** What was answered in an exchange; nothing if there is none, or nobody answered. */
  public Optional<Answered> answered(String exchange) {
    return exchanges
        .find(exchange)
        .filter(kept -> kept.status().isPresent())
        .map(
            kept ->
                new Answered(
                    kept.service(),
                    kept.operation(),
                    kept.status().get(),
                    kept.responseHeaders().entrySet().stream()
                        .filter(header -> header.getKey().equalsIgnoreCase("content-type"))
                        .flatMap(header -> header.getValue().stream())
                        .findFirst()
                        .orElse(""),
                    BodyText.of(kept),
                    kept.responseBytes() <= kept.responseBody().length));
  }
}
