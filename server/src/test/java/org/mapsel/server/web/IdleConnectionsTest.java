package org.mapsel.server.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.InetAddress;
import java.net.Socket;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.mapsel.server.testing.TestServer;

/** Callers that begin to speak and fall silent. */
class IdleConnectionsTest {

  private static final String HALF = "GET /api/ready HTTP/1.1\r\nHost: local";
  private static final int MANY = 1_000;

  /** Longer than any of these may last; whoever waits so long has failed. */
  private static final int TOO_LONG = 20_000;

  @RegisterExtension
  static final TestServer SERVER =
      new TestServer(
          "--server.tomcat.connection-timeout=300ms", "--server.tomcat.keep-alive-timeout=300ms");

  private static Socket saying(String words) throws IOException {
    int port = URI.create(SERVER.api().address()).getPort();
    Socket socket = new Socket(InetAddress.getLoopbackAddress(), port);
    socket.setSoTimeout(TOO_LONG);
    socket.getOutputStream().write(words.getBytes(StandardCharsets.US_ASCII));
    return socket;
  }

  @Test
  void whoFallsSilentInARequestIsHungUpOn() throws IOException {
    try (Socket silent = saying(HALF)) {
      assertThat(silent.getInputStream().readAllBytes()).asString().doesNotContain("200");
    }
  }

  @Test
  void whoFallsSilentAfterOneToo() throws IOException {
    try (Socket silent = saying(HALF + "host\r\n\r\n")) {
      assertThat(silent.getInputStream().readAllBytes()).asString().contains("200", "ready");
    }
  }

  @Test
  void manyWhoAreSilentHoldNobodyElse() throws IOException {
    List<Socket> silent = new ArrayList<>();
    try {
      for (int i = 0; i < MANY; i++) {
        silent.add(saying(HALF));
      }
      assertThat(SERVER.api().get("/api/session").status()).isEqualTo(200);
    } finally {
      for (Socket one : silent) {
        one.close();
      }
    }
  }
}
