package org.mapsel.e2e;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Semaphore;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The whole product, started and stopped by its own command on data of its own. */
final class Product implements AutoCloseable {

  private static final Pattern READY = Pattern.compile("Mapsel is ready(?: again)?: +(http\\S+)");

  private final Path data;
  private final List<String> options;
  private final int standInsPort = Programs.freePort();
  private final StringBuilder said = new StringBuilder();
  private final Semaphore readyAgain = new Semaphore(0);
  private Process process;
  private String address = "";

  private Product(Path data, List<String> options) {
    this.data = data;
    this.options = options;
  }

  /** With the demo services and the demo app. */
  static Product withDemo() {
    Product product = new Product(Programs.temporary("mapsel-e2e"), List.of());
    product.start();
    return product;
  }

  /** With nothing in it. */
  static Product empty() {
    Product product = new Product(Programs.temporary("mapsel-e2e"), List.of("--no-demo"));
    product.start();
    return product;
  }

  /** With nothing in it, in a folder of the caller's choice. */
  static Product emptyIn(Path data) {
    return emptyIn(data, Programs.freePort());
  }

  /** Likewise, with further options of the command. */
  static Product emptyWith(String... options) {
    List<String> all = new ArrayList<>(List.of("--no-demo"));
    all.addAll(List.of(options));
    Product product = new Product(Programs.temporary("mapsel-e2e"), all);
    product.start();
    return product;
  }

  static Product emptyIn(Path data, int port) {
    Product product = new Product(data, List.of("--no-demo"));
    product.start(port);
    return product;
  }

  /** What the command printed until it was ready. */
  String said() {
    return said.toString();
  }

  /** Waits until the command has started the server again. */
  void awaitReadyAgain() {
    readyAgain.acquireUninterruptibly();
  }

  /** Waits until the command has ended by itself. */
  void awaitEnd() {
    process.onExit().join();
  }

  String address() {
    return address;
  }

  void start() {
    start(Programs.freePort());
  }

  private void start(int port) {
    List<String> command =
        new ArrayList<>(
            List.of(
                "./mapsel", "start", "--data", data.toString(), "--port", String.valueOf(port)));
    command.addAll(options);
    ProcessBuilder builder =
        new ProcessBuilder(command).directory(Programs.ROOT.toFile()).redirectErrorStream(true);
    builder.environment().put("MAPSEL_BUILT", "yes");
    builder.environment().put("MAPSEL_ANSWER_TIMEOUT", "8s");
    // None lives long enough for the second compiler to pay.
    builder.environment().put("MAPSEL_TIER", "1");
    builder.environment().put("MAPSEL_STANDINS_PORT", String.valueOf(standInsPort));
    try {
      process = builder.start();
      said.setLength(0);
      BufferedReader printed = process.inputReader();
      for (String line = printed.readLine(); line != null; line = printed.readLine()) {
        said.append(line).append('\n');
        Matcher ready = READY.matcher(line);
        if (ready.find()) {
          address = ready.group(1);
          // What else it says must be read, or it would block one day.
          Thread.startVirtualThread(
              () ->
                  printed
                      .lines()
                      .filter(more -> READY.matcher(more).find())
                      .forEach(more -> readyAgain.release()));
          return;
        }
      }
      throw new IllegalStateException("The product did not start:\n" + said);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  void stop() {
    Programs.run(List.of("./mapsel", "stop", "--data", data.toString()));
  }

  /** Ends the server as a power cut would. */
  void killServer() {
    try {
      long pid = Long.parseLong(Files.readString(data.resolve("run/server")).split(" ")[0]);
      ProcessHandle server = ProcessHandle.of(pid).orElseThrow();
      server.destroyForcibly();
      server.onExit().join();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  StandIns standIns() {
    return new StandIns("http://localhost:" + standInsPort, null);
  }

  @Override
  public void close() {
    Programs.run(List.of("./mapsel", "reset", "--yes", "--data", data.toString()));
  }
}
