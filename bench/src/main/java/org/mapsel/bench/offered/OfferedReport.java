package org.mapsel.bench.offered;

import jakarta.servlet.http.HttpServlet;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.ThreadLocalRandom;
import javax.sql.DataSource;
import org.mapsel.server.MapselServer;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.web.servlet.ServletRegistrationBean;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.context.support.GenericApplicationContext;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * Measures an offered table beside what it stands on: {@code OfferedReport DATABASE PASSWORD FOLDER
 * ROWS}. Both sides take turns in one process; only their ratio says something.
 */
public final class OfferedReport {

  private static final int CLIENTS = 16;
  private static final int ROUNDS = 4;
  private static final long ROUND_NANOS = 5_000_000_000L;
  private static final JsonMapper JSON = new JsonMapper();

  private final String base;
  private final HttpClient http =
      HttpClient.newBuilder().version(HttpClient.Version.HTTP_1_1).build();

  private OfferedReport(String base) {
    this.base = base;
  }

  /** Reads a row of the bare table and writes it as JSON, with nothing in between. */
  private static final class BareRow extends HttpServlet {
    private static final long serialVersionUID = 1L;
    private final transient DataSource database;

    BareRow(DataSource database) {
      this.database = database;
    }

    @Override
    protected void doGet(HttpServletRequest request, HttpServletResponse response)
        throws IOException {
      ObjectNode row = JSON.createObjectNode();
      try (Connection connection = database.getConnection();
          var read = connection.prepareStatement("select * from bare where c0 = ?")) {
        read.setString(1, request.getPathInfo().substring(1));
        try (var rows = read.executeQuery()) {
          rows.next();
          for (int i = 1; i <= 20; i++) {
            row.putPOJO(rows.getMetaData().getColumnName(i), String.valueOf(rows.getObject(i)));
          }
        }
      } catch (SQLException e) {
        throw new IOException(e);
      }
      byte[] body = row.toString().getBytes(StandardCharsets.UTF_8);
      response.setContentType("application/json");
      response.getOutputStream().write(body);
    }
  }

  public static void main(String[] arguments) throws Exception {
    RowsFile file = RowsFile.write(Path.of(arguments[2]), Integer.parseInt(arguments[3]));
    SpringApplication application = new SpringApplication(MapselServer.class);
    application.addInitializers(OfferedReport::withBareRow);
    try (ConfigurableApplicationContext context =
        application.run(
            "--server.port=0",
            "--logging.level.root=warn",
            "--mapsel.secrets.key-file=" + Path.of(arguments[2], "secret.key"),
            "--spring.datasource.url=" + arguments[0],
            "--spring.datasource.password=" + arguments[1])) {
      OfferedReport report =
          new OfferedReport(
              "http://localhost:"
                  + context.getEnvironment().getRequiredProperty("local.server.port"));
      double copy;
      try (Connection database =
          DriverManager.getConnection(arguments[0], "mapsel", arguments[1])) {
        copy = file.copied(database);
      }
      report.print(file, copy);
    }
  }

  private static void withBareRow(ConfigurableApplicationContext context) {
    ((GenericApplicationContext) context)
        .registerBean(
            "bareRow",
            ServletRegistrationBean.class,
            () ->
                new ServletRegistrationBean<>(
                    new BareRow(context.getBean(DataSource.class)), "/bare/*"));
  }

  private void print(RowsFile file, double copy) throws Exception {
    long start = System.nanoTime();
    JsonNode draft =
        sent(
            "/api/tables/drafts?name=Calls.csv",
            HttpRequest.BodyPublishers.ofFile(file.csv()),
            "application/octet-stream");
    double looked = (System.nanoTime() - start) / 1e9;
    ObjectNode wish = JSON.createObjectNode();
    wish.set("offer", draft.get("offer"));
    wish.put("keyed", false).put("leaveOut", false);
    start = System.nanoTime();
    JsonNode load =
        sent(
            "/api/tables/drafts/" + draft.at("/id").asString() + "/loads",
            HttpRequest.BodyPublishers.ofString(wish.toString()),
            "application/json");
    while (load.at("/state").asString().equals("RUNNING")) {
      Thread.sleep(100);
      load = JSON.readTree(got("/api/tables/loads/" + load.at("/id").asString()));
    }
    double loaded = (System.nanoTime() - start) / 1e9;
    System.out.printf(
        "%,d rows, %d MB: COPY alone %.1f s, looked at in %.1f s, loaded in %.1f s (%s): %.2f times COPY%n",
        file.rows(),
        Files.size(file.csv()) >> 20,
        copy,
        looked,
        loaded,
        load.at("/state").asString(),
        loaded / copy);
    String offer = load.at("/offered").asString();
    unlimited(offer);
    String offered = "/offered/" + offer + "/http/calls/K";
    System.out.println("A row: " + got(offered + 1));
    measured("/bare/K", file.rows());
    measured(offered, file.rows());
    double bare = 0;
    double ours = 0;
    for (int i = 0; i < ROUNDS; i++) {
      bare += measured("/bare/K", file.rows());
      ours += measured(offered, file.rows());
    }
    System.out.printf(
        "By key: bare %,.0f a second, offered %,.0f a second: %.2f%n",
        bare / ROUNDS, ours / ROUNDS, ours / bare);
  }

  private void unlimited(String offer) throws IOException, InterruptedException {
    HttpRequest request =
        HttpRequest.newBuilder(URI.create(base + "/api/tables/" + offer + "/settings"))
            .header("Origin", base)
            .header("Content-Type", "application/json")
            .PUT(
                HttpRequest.BodyPublishers.ofString(
                    "{\"keyed\":false,\"paused\":false,\"perMinute\":1000000000}"))
            .build();
    answered(request);
  }

  private JsonNode sent(String path, HttpRequest.BodyPublisher body, String type)
      throws IOException, InterruptedException {
    return JSON.readTree(
        answered(
            HttpRequest.newBuilder(URI.create(base + path))
                .header("Origin", base)
                .header("Content-Type", type)
                .POST(body)
                .build()));
  }

  private String got(String path) throws IOException, InterruptedException {
    return answered(HttpRequest.newBuilder(URI.create(base + path)).build());
  }

  private String answered(HttpRequest request) throws IOException, InterruptedException {
    HttpResponse<String> answer = http.send(request, HttpResponse.BodyHandlers.ofString());
    if (answer.statusCode() >= 300) {
      throw new IOException(request.uri() + ": " + answer.statusCode() + " " + answer.body());
    }
    return answer.body();
  }

  /** Requests a second, of random rows. */
  private double measured(String path, int rows) throws InterruptedException, ExecutionException {
    long start = System.nanoTime();
    List<Future<Integer>> clients = new ArrayList<>();
    try (var pool = Executors.newFixedThreadPool(CLIENTS)) {
      for (int i = 0; i < CLIENTS; i++) {
        clients.add(pool.submit(() -> asked(path, rows, start + ROUND_NANOS)));
      }
      int all = 0;
      for (Future<Integer> client : clients) {
        all += client.get();
      }
      return all / ((System.nanoTime() - start) / 1e9);
    }
  }

  private int asked(String path, int rows, long until) throws IOException, InterruptedException {
    int asked = 0;
    while (System.nanoTime() < until) {
      got(path + ThreadLocalRandom.current().nextInt(rows));
      asked++;
    }
    return asked;
  }
}
