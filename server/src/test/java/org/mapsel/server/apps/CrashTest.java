package org.mapsel.server.apps;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.mapsel.server.MapselServer;
import org.mapsel.server.testing.Api;
import org.mapsel.server.testing.FakeBerthing;
import org.mapsel.server.testing.Postgres;

/** The server is killed while something is sent, as a power cut would do it. */
class CrashTest {

  private final String database = Postgres.shared().newDatabase("crash");

  private Process start(int port) throws IOException {
    Process process =
        new ProcessBuilder(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-cp",
                System.getProperty(
                    "surefire.test.class.path", System.getProperty("java.class.path")),
                MapselServer.class.getName(),
                "--server.port=" + port,
                "--logging.level.org.mapsel=INFO",
                "--spring.datasource.url=" + database,
                "--spring.datasource.password=" + Postgres.shared().password())
            .redirectErrorStream(true)
            .start();
    var printed = process.inputReader();
    String line = printed.readLine();
    while (line != null && !line.contains("Started MapselServer")) {
      line = printed.readLine();
    }
    assertThat(line).as("the server has started").isNotNull();
    Thread.startVirtualThread(() -> printed.lines().forEach(ignored -> {}));
    return process;
  }

  private static int freePort() throws IOException {
    try (ServerSocket socket = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
      return socket.getLocalPort();
    }
  }

  @Test
  void nothingAcknowledgedIsLostAndWhatWasSentIsKnown() throws Exception {
    int port = freePort();
    Api api = new Api("http://localhost:" + port);
    Process first = start(port);
    String app = "/api/apps/" + api.post("/api/apps", "{'name':'Name 0'}").text("/id");
    int acknowledged = 0;
    for (int i = 1; i <= 25; i++) {
      Api.Answer edited =
          api.post(
              app + "/edits",
              "{'version':" + i + ",'edit':{'kind':'renameApp','name':'Name " + i + "'}}");
      acknowledged = edited.body().at("/version").asInt() - 1;
    }
    try (FakeBerthing host = new FakeBerthing()) {
      host.offer(
          "/bookings.json",
          """
          {"openapi":"3.1.0","info":{"title":"Bookings","version":"1"},"servers":[{"url":"%s"}],
           "paths":{"/bookings":{"post":{"operationId":"book","responses":{"204":{"description":"Booked."}}}}}}
          """
              .formatted(host.address()));
      host.behave(exchange -> first.destroyForcibly().onExit().join());
      String operation =
          "/api/services/" + api.take(host.address() + "/bookings.json") + "/operations/book";
      assertThatThrownBy(
              () -> api.post(operation + "/tries", "{'parameters':{},'endpoint':'main'}"))
          .hasRootCauseInstanceOf(IOException.class);
    }

    Process second = start(port);
    try {
      assertThat(acknowledged).isEqualTo(25);
      assertThat(api.get(app).text("/name")).isEqualTo("Name 25");
      assertThat(api.post(app + "/undo", "{'version':26}").text("/name")).isEqualTo("Name 24");
      String exchange = api.get("/api/exchanges").text("/0/id");
      assertThat(api.get("/api/exchanges/" + exchange).text("/failure/code"))
          .isEqualTo("SERVER_EXCHANGE_UNFINISHED");
    } finally {
      second.destroy();
      second.onExit().join();
    }
  }
}
