package org.mapsel.server.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.mapsel.server.testing.TestServer;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** The front end's types are made from a committed document; it must be what the server says. */
class ApiDocumentTest {

  private static final Path COMMITTED = Path.of("../web/src/api/openapi.json");

  @RegisterExtension static final TestServer SERVER = new TestServer();

  @Test
  void theCommittedDocumentIsWhatTheServerSays() throws Exception {
    JsonMapper json = JsonMapper.builder().enable(SerializationFeature.INDENT_OUTPUT).build();
    JsonNode served = SERVER.api().get("/api/openapi.json").body();
    Path fresh = Path.of("target/openapi.json");
    Files.writeString(fresh, json.writeValueAsString(served) + "\n");

    assertThat(json.readTree(Files.readString(COMMITTED)))
        .as(
            "web/src/api/openapi.json; if the change is meant, copy server/target/openapi.json over it")
        .isEqualTo(served);
  }

  @Test
  void everyProblemIsDescribedTheSameWay() {
    JsonNode problem = SERVER.api().get("/api/apps/nowhere").body();
    assertThat(problem.at("/code").asString()).isEqualTo("SERVER_APP_MISSING");
    assertThat(problem.at("/title").asString()).isEqualTo("There is no app nowhere.");
    assertThat(problem.at("/status").asInt()).isEqualTo(404);
    assertThat(SERVER.api().get("/api/nothing").code()).isEqualTo("SERVER_RESOURCE_MISSING");
  }
}
