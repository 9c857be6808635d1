package org.mapsel.server.samples;

import java.nio.charset.Charset;
import java.util.Optional;
import org.mapsel.core.message.Response;
import org.springframework.stereotype.Component;

/** Answers of the log as the wire view shows them. */
@Component
public class LoggedAnswers {

  /**
   * An answer.
   *
   * @param body as text, character by character what the wire view shows
   */
  public record Logged(String body, Response response, Charset charset) {

    /** The same answer with another body. */
    public Response with(String other) {
      return new Response(response.status(), response.headers(), other.getBytes(charset));
    }
  }

  private final ExchangeStore exchanges;

  LoggedAnswers(ExchangeStore exchanges) {
    this.exchanges = exchanges;
  }

  /** The answer of an exchange; nothing if nobody answered, or if only its start was kept. */
  public Optional<Logged> find(String exchange) {
    return exchanges
        .find(exchange)
        .filter(kept -> kept.responseBytes() <= kept.responseBody().length)
        .flatMap(
            kept ->
                kept.status()
                    .map(
                        status ->
                            new Logged(
                                BodyText.of(kept),
                                new Response(status, kept.responseHeaders(), kept.responseBody()),
                                BodyText.charset(kept))));
  }
}
