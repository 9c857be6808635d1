package org.mapsel.server.tables;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import io.github.bucket4j.Bucket;
import io.swagger.v3.oas.annotations.Hidden;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.net.URI;
import java.time.Duration;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.message.Response;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.serve.IncomingRequest;
import org.mapsel.core.serve.OfferedService;
import org.mapsel.core.serve.Served;
import org.mapsel.server.tables.OfferStore.KeptOffer;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.server.ResponseStatusException;

/** Answers those who ask offered tables, over every protocol. */
@RestController
class OfferedController {

  private static final Logger LOG = LoggerFactory.getLogger(OfferedController.class);
  private static final int MAX_BODY = 16 << 20;
  private static final String NOBODY = "";

  private final Offers offers;
  private final OfferLog log;
  private final Cache<String, Bucket> buckets =
      Caffeine.newBuilder().maximumSize(10_000).expireAfterAccess(Duration.ofMinutes(5)).build();

  OfferedController(Offers offers, OfferLog log) {
    this.offers = offers;
    this.log = log;
  }

  @Hidden
  @RequestMapping("/offered/{offer}/**")
  void serve(@PathVariable String offer, HttpServletRequest request, HttpServletResponse response)
      throws IOException {
    Optional<Offers.Ready> found = offers.find(offer);
    if (found.isEmpty()) {
      response.sendError(HttpStatus.NOT_FOUND.value());
      return;
    }
    long start = System.nanoTime();
    IncomingRequest asked = incoming(request);
    Answered answered = answer(found.get(), asked, request);
    Optional<Download> download = answered.download();
    if (download.isPresent()) {
      log.add(offer, answered.client(), answered.operation(), HttpStatus.OK.value(), 0);
      response.setContentType(download.get().type());
      download
          .get()
          .write(
              response.getOutputStream(),
              reader -> offers.each(found.get().kept(), download.get().table(), reader));
      return;
    }
    log.add(
        offer,
        answered.client(),
        answered.operation(),
        answered.response().status(),
        (System.nanoTime() - start) / 1_000_000);
    response.setStatus(answered.response().status());
    answered
        .response()
        .headers()
        .forEach((name, values) -> values.forEach(value -> response.addHeader(name, value)));
    response.getOutputStream().write(answered.response().body());
  }

  /** What goes back, to whom, of what; a file instead of the response where one is asked for. */
  private record Answered(
      @Nullable String client, String operation, Response response, Optional<Download> download) {

    Answered(@Nullable String client, String operation, Response response) {
      this(client, operation, response, Optional.empty());
    }
  }

  private Answered answer(Offers.Ready ready, IncomingRequest asked, HttpServletRequest request) {
    OfferedService service = ready.service();
    String path = request.getMethod() + " " + request.getRequestURI();
    Optional<SourceText> description = service.description(asked);
    if (description.isPresent()) {
      return new Answered(null, "description", described(description.get()));
    }
    String client = client(ready, asked);
    if (ready.kept().keyed() && client == null) {
      return new Answered(
          null,
          path,
          service.refuse(
              asked, 401, "A key is wanted, in the header X-API-Key, that is known here."));
    }
    if (ready.kept().paused()) {
      return new Answered(client, path, service.refuse(asked, 503, "It is paused; ask later."));
    }
    if (!bucket(ready.kept(), client).tryConsume(1)) {
      return new Answered(
          client,
          path,
          service.refuse(
              asked,
              429,
              "More than " + ready.kept().perMinute() + " requests in a minute; ask later."));
    }
    String base = URI.create(offers.address(ready.kept().id())).getRawPath();
    Optional<Download> download =
        request.getMethod().equals("GET")
            ? Download.of(ready.kept().offer(), asked.path().substring(base.length()))
            : Optional.empty();
    if (download.isPresent()) {
      return new Answered(client, path, new Response(200, Map.of(), new byte[0]), download);
    }
    try {
      Served served = service.answer(asked);
      return new Answered(
          client, served.operation().map(OperationId::text).orElse(path), served.response());
    } catch (RuntimeException e) {
      // Rows that were replaced twice since this request began to wait are gone.
      Optional<Offers.Ready> now = offers.find(ready.kept().id());
      if (now.isPresent() && now.get() != ready) {
        return answer(now.get(), asked, request);
      }
      LOG.error("{} could not be answered", path, e);
      return new Answered(
          client,
          path,
          service.refuse(asked, 500, "It could not be answered; the log here says why."));
    }
  }

  private static Response described(SourceText description) {
    String type =
        description.address().endsWith("json")
            ? "application/json"
            : description.address().endsWith("wsdl")
                ? "text/xml; charset=utf-8"
                : "application/xml";
    return new Response(200, Map.of("Content-Type", List.of(type)), description.bytes());
  }

  private static @Nullable String client(Offers.Ready ready, IncomingRequest asked) {
    Optional<String> key =
        asked
            .header("X-API-Key")
            .or(
                () ->
                    asked
                        .header("Authorization")
                        .filter(login -> login.startsWith("Bearer "))
                        .map(login -> login.substring("Bearer ".length())));
    return key.map(Offers::hash).map(ready.keys()::get).orElse(null);
  }

  private Bucket bucket(KeptOffer offer, @Nullable String client) {
    String who =
        offer.id() + "/" + offer.perMinute() + "/" + Objects.requireNonNullElse(client, NOBODY);
    return buckets.get(
        who,
        none ->
            Bucket.builder()
                .addLimit(
                    limit ->
                        limit
                            .capacity(offer.perMinute())
                            .refillGreedy(offer.perMinute(), Duration.ofMinutes(1)))
                .build());
  }

  private static IncomingRequest incoming(HttpServletRequest request) throws IOException {
    Map<String, List<String>> headers = new LinkedHashMap<>();
    request
        .getHeaderNames()
        .asIterator()
        .forEachRemaining(name -> headers.put(name, Collections.list(request.getHeaders(name))));
    byte[] body = request.getInputStream().readNBytes(MAX_BODY + 1);
    if (body.length > MAX_BODY) {
      throw new ResponseStatusException(HttpStatus.CONTENT_TOO_LARGE);
    }
    return new IncomingRequest(
        request.getMethod(),
        request.getRequestURI(),
        Optional.ofNullable(request.getQueryString()).orElse(""),
        headers,
        body);
  }
}
