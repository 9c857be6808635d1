package org.mapsel.cli;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.Executors;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.intake.Description;
import org.mapsel.core.message.Response;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.serve.IncomingRequest;
import org.mapsel.core.serve.Recorded;
import org.mapsel.core.serve.Served;
import org.mapsel.core.serve.StandIn;
import org.mapsel.core.service.Endpoint;
import org.mapsel.core.service.Service;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.verify.Sample;

/** The door of stand-ins: HTTP on loopback, with switches for what real services do on bad days. */
public final class StandInServer implements AutoCloseable {

  private static final int MAX_BODY = 64 << 20;
  private static final String DESCRIPTIONS = "/descriptions/";
  private static final String SWITCHES = "/switches";

  /** How it misbehaves. */
  private enum Mode {
    NORMAL,
    SLOW,
    DROP,
    ERROR,
    FAULT
  }

  /** A service that is played, and its description as it was read. */
  private record Played(Description description, StandIn standIn) {}

  private final Console console;
  private final HttpServer http;
  private final List<Played> played = new ArrayList<>();
  private final CountDownLatch ended = new CountDownLatch(1);
  private volatile Mode mode = Mode.NORMAL;
  private volatile long millis = 3_000;

  private StandInServer(
      HttpServer http, List<Description> descriptions, List<Sample> samples, Console console) {
    this.http = http;
    this.console = console;
    for (Description description : descriptions) {
      Service service = description.service();
      played.add(new Played(description, new StandIn(service, recorded(service, samples))));
    }
  }

  /**
   * Listens from now on.
   *
   * @param port a free one is taken if it is 0
   */
  static StandInServer start(
      int port, List<Description> descriptions, List<Sample> samples, Console console)
      throws IOException {
    HttpServer http =
        HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), port), 0);
    StandInServer server = new StandInServer(http, descriptions, samples, console);
    http.setExecutor(Executors.newVirtualThreadPerTaskExecutor());
    http.createContext("/", server::handle);
    http.start();
    return server;
  }

  /** Listens for tests, with nothing recorded. */
  public static StandInServer of(Description description) throws IOException {
    return start(0, List.of(description), List.of(), new Console(System.out, System.err));
  }

  private static Recorded recorded(Service service, List<Sample> samples) {
    Map<OperationId, List<Recorded.Sample>> byOperation = new HashMap<>();
    for (Sample sample : samples) {
      if (service.findOperation(sample.operation()).isPresent()
          && (sample.answer().isPresent() || sample.failure().isPresent())) {
        byOperation
            .computeIfAbsent(sample.operation(), none -> new ArrayList<>())
            .add(
                new Recorded.Sample(
                    sample.parameters(service),
                    sample.answer(service).orElse(RecordValue.empty()),
                    sample.failure()));
      }
    }
    return operation -> byOperation.getOrDefault(operation, List.of());
  }

  /** Where it listens. */
  public String address() {
    return "http://localhost:" + http.getAddress().getPort();
  }

  /** Says what is offered where. */
  void tell() {
    for (int i = 0; i < played.size(); i++) {
      Service service = played.get(i).description().service();
      console.out().println(service.name() + ": described at " + address() + described(i, 0));
      for (Endpoint endpoint : service.endpoints()) {
        boolean spoken = played.get(i).standIn().endpoints().contains(endpoint.id());
        console
            .out()
            .println(
                "  "
                    + endpoint.protocol().label()
                    + "  "
                    + (spoken ? address() + StandIn.path(endpoint) : "is not played"));
      }
    }
    console
        .out()
        .println(
            "Switches: PUT "
                + address()
                + SWITCHES
                + "/SLOW?millis=3000, DROP, ERROR, FAULT, NORMAL");
    console.out().println("To stop: Ctrl+C");
    console.out().flush();
  }

  void awaitEnd() {
    try {
      ended.await();
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  @Override
  public void close() {
    http.stop(0);
    ended.countDown();
  }

  private void handle(HttpExchange exchange) throws IOException {
    try (exchange) {
      String path = exchange.getRequestURI().getRawPath();
      if (path.startsWith(SWITCHES)) {
        turn(exchange, path);
      } else {
        serve(exchange, path);
      }
    }
  }

  private void turn(HttpExchange exchange, String path) throws IOException {
    String wanted = path.substring(SWITCHES.length()).replace("/", "").toUpperCase(Locale.ROOT);
    if (exchange.getRequestMethod().equals("PUT")) {
      try {
        mode = Mode.valueOf(wanted);
      } catch (IllegalArgumentException e) {
        send(exchange, 404, "text/plain", "There is no switch " + wanted + ".\n");
        return;
      }
      String query = exchange.getRequestURI().getQuery();
      if (query != null && query.matches("millis=\\d{1,6}")) {
        millis = Long.parseLong(query.substring("millis=".length()));
      }
    }
    send(exchange, 200, "text/plain", mode + "\n");
  }

  private void serve(HttpExchange exchange, String path) throws IOException {
    Instant start = Instant.now();
    byte[] body = exchange.getRequestBody().readNBytes(MAX_BODY + 1);
    if (body.length > MAX_BODY) {
      send(exchange, 413, "text/plain", "The request is larger than 64 MB.\n");
      return;
    }
    if (exchange.getRequestMethod().equals("GET")) {
      Optional<SourceText> described = described(path, exchange.getRequestURI().getRawQuery());
      if (described.isPresent()) {
        send(exchange, 200, type(described.get().address()), here(described.get()));
        return;
      }
    }
    if (!misbehaves(exchange)) {
      answer(exchange, path, body, start);
    }
  }

  /** Whether the switches have dealt with it. */
  private boolean misbehaves(HttpExchange exchange) throws IOException {
    switch (mode) {
      case NORMAL -> {
        return false;
      }
      case SLOW -> {
        try {
          Thread.sleep(millis);
        } catch (InterruptedException e) {
          Thread.currentThread().interrupt();
        }
        return false;
      }
      case DROP -> {
        // A body is announced and never comes, so the connection breaks.
        exchange.sendResponseHeaders(200, 1_000);
        return true;
      }
      case ERROR -> {
        send(exchange, 502, "text/html", "<html><body><h1>502 Bad Gateway</h1></body></html>");
        return true;
      }
      case FAULT -> {
        send(
            exchange, 500, "application/json", "{\"status\":500,\"title\":\"As the switch says\"}");
        return true;
      }
    }
    return false;
  }

  private void answer(HttpExchange exchange, String path, byte[] body, Instant start)
      throws IOException {
    Map<String, List<String>> headers = new LinkedHashMap<>();
    exchange.getRequestHeaders().forEach(headers::put);
    IncomingRequest asked =
        new IncomingRequest(
            exchange.getRequestMethod(),
            path,
            Optional.ofNullable(exchange.getRequestURI().getRawQuery()).orElse(""),
            headers,
            body);
    Served served = null;
    for (Played one : played) {
      Served here = one.standIn().answer(asked);
      if (served == null || here.operation().isPresent()) {
        served = here;
      }
      if (here.operation().isPresent()) {
        break;
      }
    }
    Response response = served.response();
    response
        .headers()
        .forEach((name, values) -> values.forEach(v -> exchange.getResponseHeaders().add(name, v)));
    exchange.sendResponseHeaders(
        response.status(), response.body().length == 0 ? -1 : response.body().length);
    if (response.body().length > 0) {
      exchange.getResponseBody().write(response.body());
    }
    console
        .out()
        .println(
            exchange.getRequestMethod()
                + " "
                + path
                + "  "
                + served.operation().map(OperationId::text).orElse("nothing known")
                + "  "
                + response.status()
                + "  "
                + Duration.between(start, Instant.now()).toMillis()
                + " ms");
    console.out().flush();
  }

  private static void send(HttpExchange exchange, int status, String type, String text)
      throws IOException {
    byte[] bytes = text.getBytes(StandardCharsets.UTF_8);
    exchange.getResponseHeaders().add("Content-Type", type + "; charset=utf-8");
    exchange.sendResponseHeaders(status, bytes.length);
    exchange.getResponseBody().write(bytes);
  }

  /** The path of a document of a service; the first one is where its description starts. */
  private String described(int service, int document) {
    List<SourceText> documents = played.get(service).description().documents();
    String address = documents.get(document).address();
    String folder = documents.getFirst().address().replaceFirst("[^/]*$", "");
    String inside =
        address.startsWith(folder)
            ? address.substring(folder.length())
            : address.replaceFirst(".*/", "");
    return DESCRIPTIONS + service + "/" + (inside.isEmpty() ? "description" : inside);
  }

  /** The document that is asked for: by its path, as {@code $metadata}, or as {@code ?wsdl}. */
  private Optional<SourceText> described(String path, @Nullable String query) {
    for (int i = 0; i < played.size(); i++) {
      Played one = played.get(i);
      List<SourceText> documents = one.description().documents();
      for (int j = 0; j < documents.size(); j++) {
        if (described(i, j).equals(path)) {
          return Optional.of(documents.get(j));
        }
      }
      for (Endpoint endpoint : one.description().service().endpoints()) {
        String base = StandIn.path(endpoint);
        if (path.equals(base + "/$metadata")
            || path.equals(base) && "wsdl".equalsIgnoreCase(query)) {
          return Optional.of(documents.getFirst());
        }
      }
    }
    return Optional.empty();
  }

  /** A document with the addresses of endpoints where they are played. */
  private String here(SourceText document) {
    String text = new String(document.bytes(), StandardCharsets.UTF_8);
    for (Played one : played) {
      for (Endpoint endpoint : one.description().service().endpoints()) {
        if (endpoint.address().matches("https?://.+")) {
          text = text.replace(endpoint.address(), address() + StandIn.path(endpoint));
        }
      }
    }
    return text;
  }

  private static String type(String address) {
    return address.endsWith(".json")
        ? "application/json"
        : address.matches(".*\\.ya?ml") ? "application/yaml" : "text/xml";
  }
}
