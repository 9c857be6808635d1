package org.mapsel.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.File;
import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;

/** The one command that newcomers type. */
class StartCommandTest {

  /** What a command said, and how it ended. */
  private record Said(int status, String words) {}

  private static Said mapsel(String... arguments) throws IOException, InterruptedException {
    List<String> command = new ArrayList<>(List.of("./mapsel"));
    command.addAll(List.of(arguments));
    ProcessBuilder builder =
        new ProcessBuilder(command)
            .directory(Programs.ROOT.toFile())
            .redirectErrorStream(true)
            // Nobody is there to answer a question.
            .redirectInput(new File("/dev/null"));
    builder.environment().put("MAPSEL_BUILT", "yes");
    Process process = builder.start();
    String words = new String(process.getInputStream().readAllBytes());
    assertThat(process.waitFor(1, TimeUnit.MINUTES)).isTrue();
    return new Said(process.exitValue(), words);
  }

  @Test
  void helpTellsEveryCommandAndMistakesAreExplained() throws Exception {
    assertThat(mapsel("--help").words())
        .contains(
            "start",
            "stop",
            "reset",
            "test",
            "dev",
            "screenshots",
            "--port",
            "--data",
            "--no-demo");
    Said unknown = mapsel("begin");
    assertThat(unknown.status()).isEqualTo(1);
    assertThat(unknown.words()).contains("I do not know \"begin\"");
    assertThat(mapsel("start", "--prot", "1").words()).contains("I do not know \"--prot\"");
    assertThat(mapsel("start", "--port", "many").words()).contains("--port needs a number");
  }

  @Test
  void startingTwiceStoppingTwiceAndResettingAreHarmless() throws Exception {
    Path data = Programs.temporary("mapsel-start");
    Product product = Product.emptyIn(data);
    Said again = mapsel("start", "--data", data.toString());
    assertThat(again.status()).isZero();
    assertThat(again.words()).contains("running already: " + product.address());

    assertThat(mapsel("stop", "--data", data.toString()).words()).contains("Mapsel has stopped.");
    assertThat(mapsel("stop", "--data", data.toString()).words())
        .contains("Mapsel is not running.");
    assertThat(data.resolve("postgres/cluster")).exists();
    assertThat(Files.list(data.resolve("run"))).isEmpty();

    Said refused = mapsel("reset", "--data", data.toString());
    assertThat(refused.status()).isEqualTo(1);
    assertThat(refused.words()).contains("Nothing was deleted.");
    assertThat(data.resolve("postgres/cluster")).exists();
    assertThat(mapsel("reset", "--yes", "--data", data.toString()).words())
        .contains("All data is deleted.");
    assertThat(data.resolve("postgres")).doesNotExist();
  }

  @Test
  void aBusyPortIsSteppedOverAndSaid() throws Exception {
    try (ServerSocket busy = new ServerSocket(0, 5, InetAddress.getLoopbackAddress())) {
      Path data = Programs.temporary("mapsel-start");
      try (Product product = Product.emptyIn(data, busy.getLocalPort())) {
        assertThat(product.said()).contains("Port " + busy.getLocalPort() + " is busy; taking ");
        assertThat(product.address()).doesNotEndWith(":" + busy.getLocalPort());
      }
    }
  }

  @Test
  void whatEndsOnItsOwnEndsTheRestAndSaysSo() throws Exception {
    Path data = Programs.temporary("mapsel-start");
    try (Product product = Product.emptyIn(data)) {
      product.killServer();
      product.awaitEnd();
      assertThat(data.resolve("run/main")).doesNotExist();
      assertThat(Files.exists(data.resolve("postgres/cluster/postmaster.pid"))).isFalse();
    }
  }
}
