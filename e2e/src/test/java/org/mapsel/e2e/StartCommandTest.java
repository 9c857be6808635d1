package org.mapsel.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.File;
import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
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
    assertThat(mapsel("start", "--key", "/etc/hostname").words()).contains("TLS needs both");
    assertThat(mapsel("start", "--listen", "harbour.example").words())
        .contains("Other machines are let in only over TLS");
  }

  @Test
  void startingTwiceStoppingTwiceAndResettingAreHarmless() throws Exception {
    Path data = Programs.temporary("mapsel-start");
    Product product = aboveABusyPort(data);
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

  /** A busy port is stepped over, and the start says so. */
  private static Product aboveABusyPort(Path data) throws IOException {
    try (ServerSocket busy = new ServerSocket(0, 5, InetAddress.getLoopbackAddress())) {
      Product product = Product.emptyIn(data, busy.getLocalPort());
      assertThat(product.said()).contains("Port " + busy.getLocalPort() + " is busy; taking ");
      assertThat(product.address()).doesNotEndWith(":" + busy.getLocalPort());
      return product;
    }
  }

  @Test
  void aServerThatEndsIsStartedAgainWithAllDataButNotForEver() throws Exception {
    Path data = Programs.temporary("mapsel-start");
    try (Product product = Product.emptyIn(data)) {
      make(product.address(), "Duty desk");
      for (int again = 1; again <= 3; again++) {
        product.killServer();
        product.awaitReadyAgain();
        assertThat(get(product.address() + "/api/apps")).contains("Duty desk");
      }
      assertThat(data.resolve("logs/server.log.3")).exists();
      product.killServer();
      product.awaitEnd();
      assertThat(data.resolve("run/main")).doesNotExist();
      assertThat(Files.exists(data.resolve("postgres/cluster/postmaster.pid"))).isFalse();
    }
  }

  @Test
  void aProcessThatOnlyHasTheNumberOfOursIsLeftAlone() throws Exception {
    Path data = Programs.temporary("mapsel-start");
    Process foreign = new ProcessBuilder("cat").start();
    try {
      Files.createDirectories(data.resolve("run"));
      Files.writeString(data.resolve("run/server"), foreign.pid() + " 1");
      Programs.run(List.of("./mapsel", "stop", "--data", data.toString()));
      assertThat(foreign.isAlive()).isTrue();
    } finally {
      foreign.destroy();
    }
  }

  @Test
  void aBackupIsRestoredElsewhereAndOnlyWithItsPassphrase() throws Exception {
    Path data = Programs.temporary("mapsel-start");
    Path elsewhere = Programs.temporary("mapsel-start");
    Path word = Files.writeString(data.resolve("word"), "slack water\n");
    Path wrong = Files.writeString(data.resolve("wrong"), "high water\n");
    Path copy = data.resolve("copy.mapsel");
    try (Product product = Product.emptyIn(data)) {
      make(product.address(), "Duty desk");
      run("backup", copy, data, word);
    }
    assertThat(Files.readString(copy, StandardCharsets.ISO_8859_1)).doesNotContain("Duty desk");
    assertThat(status("restore", copy, elsewhere, wrong)).isNotZero();
    run("restore", copy, elsewhere, word);
    try (Product product = Product.emptyIn(elsewhere)) {
      assertThat(get(product.address() + "/api/apps")).contains("Duty desk");
    }
  }

  private static int status(String command, Path copy, Path data, Path word) throws Exception {
    return new ProcessBuilder(
            "./mapsel",
            command,
            copy.toString(),
            "--data",
            data.toString(),
            "--passphrase-file",
            word.toString(),
            "--yes")
        .directory(Programs.ROOT.toFile())
        .inheritIO()
        .start()
        .waitFor();
  }

  private static void run(String command, Path copy, Path data, Path word) throws Exception {
    assertThat(status(command, copy, data, word)).isZero();
  }

  private static String get(String address) throws Exception {
    return HttpClient.newHttpClient()
        .send(HttpRequest.newBuilder(URI.create(address)).build(), BodyHandlers.ofString())
        .body();
  }

  private static void make(String address, String app) throws Exception {
    HttpClient.newHttpClient()
        .send(
            HttpRequest.newBuilder(URI.create(address + "/api/apps"))
                .header("Origin", address)
                .header("Content-Type", "application/json")
                .POST(BodyPublishers.ofString("{\"name\":\"" + app + "\"}"))
                .build(),
            BodyHandlers.discarding());
  }
}
