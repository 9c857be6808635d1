package org.mapsel.server.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedReader;
import java.io.InputStreamReader;
import java.net.Socket;
import java.net.URI;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.mapsel.server.testing.Api;
import org.mapsel.server.testing.TestServer;

class OwnPagesTest {

  @RegisterExtension static final TestServer SERVER = new TestServer();

  private static HttpRequest.Builder newApp(String origin) {
    HttpRequest.Builder request =
        HttpRequest.newBuilder(URI.create(SERVER.api().address() + "/api/apps"))
            .header("Content-Type", "application/json")
            .POST(BodyPublishers.ofString("{\"name\":\"Foreign\"}"));
    return origin.isEmpty() ? request : request.header("Origin", origin);
  }

  @Test
  void onlyOwnPagesChangeAnything() {
    Api api = SERVER.api();
    for (String origin : new String[] {"", "null", "http://evil.example", "http://localhost:1"}) {
      Api.Answer answer = api.send(newApp(origin));
      assertThat(answer.status()).as("Origin " + origin).isEqualTo(403);
      assertThat(answer.code()).isEqualTo("SERVER_REQUEST_FOREIGN");
    }
    assertThat(api.get("/api/apps").body()).isEmpty();
    assertThat(api.send(newApp(api.address())).status()).isEqualTo(200);
  }

  @Test
  void foreignHostNamesAreRefused() throws Exception {
    int port = URI.create(SERVER.api().address()).getPort();
    try (Socket socket = new Socket("127.0.0.1", port)) {
      socket
          .getOutputStream()
          .write(
              "GET /api/apps HTTP/1.0\r\nHost: harbour.example\r\n\r\n"
                  .getBytes(StandardCharsets.US_ASCII));
      BufferedReader answer =
          new BufferedReader(
              new InputStreamReader(socket.getInputStream(), StandardCharsets.UTF_8));
      assertThat(answer.readLine()).contains("421");
      assertThat(answer.lines().toList().toString()).contains("SERVER_HOST_FOREIGN");
    }
  }
}
