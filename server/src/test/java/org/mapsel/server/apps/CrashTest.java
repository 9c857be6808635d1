package org.mapsel.server.apps;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.mapsel.server.MapselServer;
import org.mapsel.server.testing.Api;
import org.mapsel.server.testing.Postgres;

/** The server is killed between two edits, as a power cut would do it. */
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
  void nothingAcknowledgedIsLost() throws Exception {
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
    first.destroyForcibly();
    first.onExit().join();

    Process second = start(port);
    try {
      assertThat(acknowledged).isEqualTo(25);
      assertThat(api.get(app).text("/name")).isEqualTo("Name 25");
      assertThat(api.post(app + "/undo", "{'version':26}").text("/name")).isEqualTo("Name 24");
    } finally {
      second.destroy();
      second.onExit().join();
    }
  }
}
