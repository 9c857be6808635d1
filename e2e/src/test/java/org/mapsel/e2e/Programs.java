package org.mapsel.e2e;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;

/** Where the product's programs are, and free ports for them. */
final class Programs {

  static final Path ROOT = root();

  private Programs() {}

  private static Path root() {
    Path here = Path.of("").toAbsolutePath();
    while (!Files.exists(here.resolve("mapsel"))) {
      here = here.getParent();
    }
    return here;
  }

  static Path jar(String module) {
    return ROOT.resolve(module + "/target/mapsel-" + module + "-0.1.0-SNAPSHOT.jar");
  }

  static int freePort() {
    try (ServerSocket socket = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
      return socket.getLocalPort();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  static Path temporary(String prefix) {
    try {
      return Files.createTempDirectory(prefix);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** Runs a command to its end and gives what it printed. */
  static String run(List<String> command) {
    try {
      Process process =
          new ProcessBuilder(command).directory(ROOT.toFile()).redirectErrorStream(true).start();
      String printed = new String(process.getInputStream().readAllBytes());
      if (process.waitFor() != 0) {
        throw new IllegalStateException(command + " failed:\n" + printed);
      }
      return printed;
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException(e);
    }
  }
}
