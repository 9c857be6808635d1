package org.mapsel.server.testing;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.Executors;
import java.util.zip.GZIPOutputStream;

/** The description of Berthing, and answers as bad as a test wants them. */
public final class FakeBerthing implements AutoCloseable {

  private static final Path FILES = Path.of("../standins/src/main/resources/berthing");

  /** What a vessel's picture would come as; short, so that tests can read it. */
  private static final String VESSEL =
      """
      <s:Envelope xmlns:s="http://schemas.xmlsoap.org/soap/envelope/"><s:Body>
      <VesselParticularsResponse xmlns="urn:saltmere:berthing" xmlns:t="urn:saltmere:berthing:types">
      <hullNumber>S-20417</hullNumber>
      <entry><t:key>LOA</t:key><t:value>129.7</t:value></entry>
      <entry><t:key>MOOR</t:key><t:value>6 lines</t:value></entry>
      </VesselParticularsResponse></s:Body></s:Envelope>""";

  /** Writes an answer. */
  @FunctionalInterface
  public interface Behaviour {
    void answer(HttpExchange exchange) throws IOException, InterruptedException;
  }

  private final HttpServer server;
  private final List<String> received = new CopyOnWriteArrayList<>();
  private final Map<String, Behaviour> pages = new ConcurrentHashMap<>();
  private volatile Behaviour behaviour =
      exchange -> write(exchange, 200, "text/xml", bytes(VESSEL));

  public FakeBerthing() {
    try {
      server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    server.setExecutor(Executors.newVirtualThreadPerTaskExecutor());
    server.createContext("/", this::handle);
    server.start();
  }

  public String address() {
    return "http://127.0.0.1:" + server.getAddress().getPort();
  }

  public String description() {
    return address() + "/berthing/berthing.wsdl";
  }

  /** The bodies of the requests so far. */
  public List<String> received() {
    return received;
  }

  /** Serves something else than its description at a path. */
  public void serve(String path, Behaviour page) {
    pages.put(path, page);
  }

  /** Serves a JSON document at a path, in place of what was there before. */
  public void offer(String path, String json) {
    serve(path, exchange -> write(exchange, 200, "application/json", bytes(json)));
  }

  public void behave(Behaviour wanted) {
    behaviour = wanted;
  }

  public static byte[] bytes(String text) {
    return text.getBytes(StandardCharsets.UTF_8);
  }

  public static byte[] zipped(String text) throws IOException {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    try (OutputStream zip = new GZIPOutputStream(bytes)) {
      zip.write(bytes(text));
    }
    return bytes.toByteArray();
  }

  public static String vessel() {
    return VESSEL;
  }

  public static void write(HttpExchange exchange, int status, String mediaType, byte[] body)
      throws IOException {
    exchange.getResponseHeaders().set("Content-Type", mediaType);
    exchange.sendResponseHeaders(status, body.length == 0 ? -1 : body.length);
    exchange.getResponseBody().write(body);
  }

  private void handle(HttpExchange exchange) throws IOException {
    try (exchange) {
      String name = exchange.getRequestURI().getPath().replaceFirst(".*/", "");
      if (exchange.getRequestMethod().equals("POST")) {
        received.add(new String(exchange.getRequestBody().readAllBytes(), StandardCharsets.UTF_8));
        behaviour.answer(exchange);
      } else if (pages.containsKey(exchange.getRequestURI().getPath())) {
        pages.get(exchange.getRequestURI().getPath()).answer(exchange);
      } else {
        Path file = FILES.resolve(name.replace("Schema.xsd", ".xsd"));
        if (Files.exists(file)) {
          String text =
              Files.readString(file)
                  .replace("location=\"/berthing", "location=\"" + address() + "/berthing");
          write(exchange, 200, "text/xml", bytes(text));
        } else {
          write(exchange, 404, "text/html", bytes("<html>nothing here</html>"));
        }
      }
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  @Override
  public void close() {
    server.stop(0);
  }
}
