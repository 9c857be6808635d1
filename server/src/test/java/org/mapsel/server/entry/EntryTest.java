package org.mapsel.server.entry;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.mapsel.server.testing.Api;
import org.mapsel.server.testing.TestServer;

/** Builders sign in; visitors use what was released and nothing else. */
class EntryTest {

  private static final String PASSWORD = "low water at six";

  @RegisterExtension
  static final TestServer SERVER = new TestServer("--mapsel.password=" + PASSWORD);

  private static Api visitor() {
    return new Api(SERVER.api().address());
  }

  private static Api builder() {
    Api api = visitor();
    assertThat(api.post("/api/session", "{'password':'" + PASSWORD + "'}").status()).isEqualTo(200);
    return api;
  }

  @Test
  void nothingIsBuiltOrReadWithoutHavingSignedIn() {
    Api visitor = visitor();
    assertThat(visitor.get("/api/session").body().at("/builder").asBoolean()).isFalse();
    for (String path :
        new String[] {
          "/api/apps",
          "/api/services",
          "/api/samples",
          "/api/exchanges",
          "/api/openapi.json",
          "/api/open/x/draft",
          "/api/open/x/releases/1",
          "/api/open/x/pages/y/parts/z/figure?draft=true"
        }) {
      Api.Answer refused = visitor.get(path);
      assertThat(refused.status()).as(path).isEqualTo(401);
      assertThat(refused.code()).as(path).isEqualTo("SERVER_SIGN_IN_NEEDED");
    }
    assertThat(visitor.post("/api/apps", "{'name':'Mine'}").status()).isEqualTo(401);
    assertThat(visitor.get("/api/open/nothing").code()).isNotEqualTo("SERVER_SIGN_IN_NEEDED");
  }

  @Test
  void whoSignedInBuildsUntilSigningOut() {
    Api builder = builder();
    assertThat(builder.post("/api/apps", "{'name':'Quays'}").status()).isEqualTo(200);
    assertThat(builder.get("/api/apps").status()).isEqualTo(200);
    assertThat(builder.delete("/api/session").status()).isEqualTo(200);
    assertThat(builder.get("/api/apps").status()).isEqualTo(401);
  }

  @Test
  void visitorsRunWhatWasReleasedAndNoDraftsNorRunsOfBuilders() {
    Api builder = builder();
    String app = builder.post("/api/apps", "{'name':'Notices'}").text("/id");
    Api.Answer made =
        builder.post(
            "/api/apps/" + app + "/edits",
            "{'version':1,'edit':{'kind':'addEmptyPage','name':'Notice'}}");
    String page = made.text("/pages/0/id");
    String runs = "/api/apps/" + app + "/pages/" + page + "/runs";
    Api visitor = visitor();
    String asVisitor = "{'as':'VISITOR','inputs':{},'arguments':{}}";
    assertThat(visitor.post(runs, asVisitor).code()).isEqualTo("SERVER_RELEASE_NONE");
    assertThat(visitor.post(runs, asVisitor.replace("VISITOR", "BUILDER")).status()).isEqualTo(401);
    assertThat(visitor.post(runs, asVisitor.replace("VISITOR", "REVIEWER")).status())
        .isEqualTo(401);
    String tried = builder.post(runs, asVisitor.replace("VISITOR", "BUILDER")).text("/run");
    assertThat(tried).isNotEmpty();
    assertThat(visitor.get("/api/runs/" + tried).status()).isEqualTo(401);

    assertThat(
            builder
                .post(
                    "/api/apps/" + app + "/releases", "{'version':2,'note':'First','author':'Rye'}")
                .status())
        .isEqualTo(201);
    Api.Answer run = visitor.post(runs, asVisitor);
    assertThat(run.status()).isEqualTo(200);
    assertThat(run.body().at("/trace")).isEmpty();
    assertThat(visitor.get("/api/runs/" + run.text("/run")).status()).isEqualTo(200);
    assertThat(
            visitor.post(runs, "{'as':'VISITOR','release':1,'inputs':{},'arguments':{}}").status())
        .isEqualTo(401);
  }

  @Test
  void theCookieIsOfNoUseToScriptsAndOtherSites() throws Exception {
    String address = SERVER.api().address();
    HttpResponse<String> signedIn =
        HttpClient.newHttpClient()
            .send(
                HttpRequest.newBuilder(URI.create(address + "/api/session"))
                    .header("Origin", address)
                    .header("Content-Type", "application/json")
                    .POST(BodyPublishers.ofString("{\"password\":\"" + PASSWORD + "\"}"))
                    .build(),
                BodyHandlers.ofString());
    assertThat(signedIn.headers().firstValue("Set-Cookie").orElseThrow())
        .contains("HttpOnly", "SameSite=Strict", "Path=/api");
    assertThat(signedIn.body()).doesNotContain(PASSWORD);
  }

  @Test
  void aWrongPasswordIsRefusedAndTryingIsLimited() {
    try (TestServer other = TestServer.started("--mapsel.password=" + PASSWORD)) {
      Api api = other.api();
      assertThat(api.post("/api/session", "{'password':'high water'}").code())
          .isEqualTo("SERVER_PASSWORD_WRONG");
      Api.Answer last = null;
      for (int i = 0; i < 12; i++) {
        last = api.post("/api/session", "{'password':'" + i + "'}");
      }
      assertThat(last.status()).isEqualTo(429);
      assertThat(last.code()).isEqualTo("SERVER_SIGN_IN_OFTEN");
    }
  }

  @Test
  void otherMachinesAreNeverLetInWithoutPasswordAndTls() {
    for (String password : new String[] {"", PASSWORD}) {
      assertThatThrownBy(
              () ->
                  TestServer.started("--server.address=0.0.0.0", "--mapsel.password=" + password)
                      .close())
          .hasStackTraceContaining("only with a password and over TLS");
    }
    assertThatThrownBy(() -> TestServer.started("--mapsel.password=short").close())
        .hasStackTraceContaining("at least 8 characters");
  }
}
