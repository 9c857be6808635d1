package org.mapsel.server.secrets;

import static org.assertj.core.api.Assertions.assertThat;

import com.sun.net.httpserver.BasicAuthenticator;
import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import com.sun.net.httpserver.HttpsConfigurator;
import com.sun.net.httpserver.HttpsParameters;
import com.sun.net.httpserver.HttpsServer;
import java.io.IOException;
import java.io.InputStream;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.KeyStore;
import java.security.MessageDigest;
import java.util.ArrayList;
import java.util.Base64;
import java.util.HexFormat;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javax.net.ssl.KeyManagerFactory;
import javax.net.ssl.SSLContext;
import javax.net.ssl.SSLParameters;
import javax.net.ssl.TrustManagerFactory;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.mapsel.server.testing.Api;
import org.mapsel.server.testing.TestServer;
import tools.jackson.databind.JsonNode;

/** Endpoints that want to know who calls, and what is kept of the answer to that. */
class AccessApiTest {

  @RegisterExtension static final TestServer SERVER = new TestServer();

  private static final String SECRET = "low-tide-at-noon";
  private static final String ANSWER =
      "<s:Envelope xmlns:s='http://schemas.xmlsoap.org/soap/envelope/'><s:Body>"
          + "<told xmlns='urn:saltmere:gauge'>4.2</told></s:Body></s:Envelope>";

  @TempDir private Path folder;

  private final List<HttpServer> servers = new ArrayList<>();
  private final List<String> seen = new CopyOnWriteArrayList<>();
  private Api api;

  /** Where the descriptions say that the gauge is; empty for where they are themselves. */
  private String moved = "";

  @BeforeEach
  void start() {
    api = SERVER.api();
  }

  @AfterEach
  void stop() {
    servers.forEach(server -> server.stop(0));
  }

  private static InetSocketAddress anyPort() {
    return new InetSocketAddress(InetAddress.getLoopbackAddress(), 0);
  }

  /** The gauge service: its description by GET, its one answer by POST. */
  private HttpServer gauge(HttpServer server) {
    servers.add(server);
    boolean secure = server instanceof HttpsServer;
    server.createContext("/gauge", exchange -> answer(exchange, secure));
    server.start();
    return server;
  }

  private void answer(HttpExchange exchange, boolean secure) throws IOException {
    List<String> asked = new ArrayList<>();
    exchange.getRequestHeaders().forEach((name, values) -> asked.add(name + ": " + values.get(0)));
    asked.add(new String(exchange.getRequestBody().readAllBytes(), StandardCharsets.UTF_8));
    asked.add("query " + exchange.getRequestURI().getQuery());
    seen.addAll(asked);
    String own =
        (secure ? "https" : "http")
            + "://localhost:"
            + exchange.getHttpContext().getServer().getAddress().getPort()
            + "/gauge";
    String address = moved.isEmpty() ? own : moved;
    byte[] body =
        (exchange.getRequestMethod().equals("GET") ? description(address) : ANSWER)
            .getBytes(StandardCharsets.UTF_8);
    exchange.getResponseHeaders().add("Content-Type", "text/xml");
    // Some services repeat all that they were sent.
    String repeated = String.join(" ", asked).replaceAll("\\s+", " ");
    exchange.getResponseHeaders().add("X-Asked", repeated);
    byte[] comment =
        ("<!-- " + repeated.replace("--", "") + " -->").getBytes(StandardCharsets.UTF_8);
    exchange.sendResponseHeaders(200, comment.length + (long) body.length);
    exchange.getResponseBody().write(body);
    exchange.getResponseBody().write(comment);
    exchange.close();
  }

  private static String description(String address) {
    return """
        <definitions xmlns='http://schemas.xmlsoap.org/wsdl/' xmlns:g='urn:saltmere:gauge'
            xmlns:x='http://www.w3.org/2001/XMLSchema' xmlns:s='http://schemas.xmlsoap.org/wsdl/soap/'
            targetNamespace='urn:saltmere:gauge'>
          <types><x:schema targetNamespace='urn:saltmere:gauge'>
            <x:element name='ask' type='x:string'/><x:element name='told' type='x:decimal'/></x:schema></types>
          <message name='in'><part name='p' element='g:ask'/></message>
          <message name='out'><part name='p' element='g:told'/></message>
          <portType name='Gauge'><operation name='Read'><input message='g:in'/><output message='g:out'/></operation></portType>
          <binding name='Gauge' type='g:Gauge'><s:binding transport='http://schemas.xmlsoap.org/soap/http'/>
            <operation name='Read'><s:operation soapAction=''/><input><s:body use='literal'/></input>
            <output><s:body use='literal'/></output></operation></binding>
          <service name='Gauge'><port name='Gauge' binding='g:Gauge'><s:address location='%s'/></port></service>
        </definitions>"""
        .formatted(address);
  }

  private static String address(HttpServer server) {
    return "http://localhost:" + server.getAddress().getPort() + "/gauge";
  }

  private Api.Answer put(String service, String form) {
    return api.put("/api/services/" + service + "/endpoints/Gauge/access", form);
  }

  private Api.Answer tryIt(String service) {
    return api.post(
        "/api/services/" + service + "/operations/Read/tries",
        "{'endpoint':'Gauge','parameters':{'ask':'now'}}");
  }

  private static String login(String kind) {
    return "{'login':{'kind':'" + kind + "','user':'pilot','secret':'" + SECRET + "'}}";
  }

  private void assertNothingTold(String service) {
    String access =
        api.get("/api/services/" + service + "/endpoints/Gauge/access").body().toString();
    JsonNode exchanges = api.get("/api/exchanges?service=" + service + "&operation=Read").body();
    String sent =
        Base64.getEncoder().encodeToString(("pilot:" + SECRET).getBytes(StandardCharsets.UTF_8));
    assertThat(access + exchanges).doesNotContain(SECRET);
    for (JsonNode line : exchanges) {
      assertThat(api.get("/api/exchanges/" + line.path("id").asString()).body().toString())
          .as("also where the service repeats what it was sent")
          .doesNotContain(SECRET, sent);
    }
  }

  @Test
  void aDescriptionAndItsServiceBehindBasicCredentials() throws Exception {
    HttpServer server = HttpServer.create(anyPort(), 0);
    gauge(server);
    server.removeContext("/gauge");
    server
        .createContext("/gauge", exchange -> answer(exchange, false))
        .setAuthenticator(
            new BasicAuthenticator("harbour") {
              @Override
              public boolean checkCredentials(String user, String password) {
                return user.equals("pilot") && password.equals(SECRET);
              }
            });

    assertThat(api.post("/api/intakes", "{'source':'" + address(server) + "'}").code())
        .isEqualTo("EXCHANGE_LOGIN_WANTED");
    String id = api.take(address(server), login("basic"));
    assertThat(tryIt(id).body().at("/sent/status").asInt()).isEqualTo(401);
    assertThat(put(id, login("basic")).status()).isEqualTo(200);

    Api.Answer answer = tryIt(id);
    assertThat(answer.body().at("/answer/told").decimalValue()).isEqualByComparingTo("4.2");
    String exchange = api.get("/api/exchanges/" + answer.text("/sent/exchange")).body().toString();
    assertThat(exchange)
        .contains("Basic ••••••", "Basic ******")
        .doesNotContain(SECRET, "Basic cGls");
    assertNothingTold(id);
    assertThat(
            api.get("/api/services/" + id + "/endpoints/Gauge/access")
                .body()
                .at("/login/hasSecret")
                .booleanValue())
        .isTrue();
    assertThat(put(id, "{'login':{'kind':'basic','user':'pilot'}}").status())
        .as("the secret that is kept stays")
        .isEqualTo(200);
    assertThat(tryIt(id).body().at("/sent/status").asInt()).isEqualTo(200);
    assertThat(put(id, "{'login':{'kind':'bearer'}}").code())
        .as("a password is no token")
        .isEqualTo("SERVER_ACCESS_INCOMPLETE");
  }

  @ParameterizedTest
  @ValueSource(
      strings = {"http://pilot:%s@localhost:%s/gauge", "http://localhost:%2$s/gauge?api_key=%1$s"})
  void secretsInAnAddressAreAskedForWhereTheyAreKeptLocked(String written) throws Exception {
    int port = gauge(HttpServer.create(anyPort(), 0)).getAddress().getPort();

    Api.Answer refused =
        api.post("/api/intakes", "{'source':'" + written.formatted(SECRET, port) + "'}");

    assertThat(refused.code()).isEqualTo("SERVER_ADDRESS_TELLS_SECRET");
    assertThat(refused.body().toString()).doesNotContain(SECRET);
    assertThat(seen).as("nothing was sent").isEmpty();
  }

  @Test
  void secretsAreForTheServerThatTheyWereGivenFor() throws Exception {
    String id = api.take(address(gauge(HttpServer.create(anyPort(), 0))));
    put(id, login("basic"));
    assertThat(tryIt(id).body().at("/sent/status").asInt()).isEqualTo(200);

    moved = address(gauge(HttpServer.create(anyPort(), 0)));
    String edition = api.post("/api/services/" + id + "/readings", "{}").text("/edition");
    api.put("/api/services/" + id + "/edition", "{'edition':'" + edition + "'}");
    seen.clear();

    assertThat(tryIt(id).code()).isEqualTo("SERVER_SECRET_ELSEWHERE");
    put(id, "{'login':{'kind':'basic','user':'pilot'}}");
    assertThat(tryIt(id).code()).as("it was not given again").isEqualTo("SERVER_SECRET_ELSEWHERE");
    assertThat(seen).isEmpty();
    put(id, login("basic"));
    assertThat(tryIt(id).body().at("/sent/status").asInt()).isEqualTo(200);
    assertThat(seen).anyMatch(header -> header.startsWith("Authorization: Basic"));
  }

  @Test
  void aSecretThatIsToGoAnotherWayIsAskedForAgain() throws Exception {
    String id = api.take(address(gauge(HttpServer.create(anyPort(), 0))));
    String key = "'kind':'apiKey','name':'X-Key'";
    put(id, "{'login':{" + key + ",'secret':'" + SECRET + "'}}");
    assertThat(put(id, "{'login':{" + key + "}}").status()).isEqualTo(200);
    for (String other :
        List.of(
            "{'login':{'kind':'apiKey','name':'X-Other'}}",
            "{'login':{" + key + ",'inQuery':true}}",
            "{'login':{" + key + "},'proxy':{'host':'proxy.example','port':3128}}")) {
      assertThat(put(id, other).code()).as(other).isEqualTo("SERVER_ACCESS_INCOMPLETE");
    }
    String client = "'kind':'client','user':'desk','tokens':'http://localhost:1/";
    put(id, "{'login':{" + client + "a','secret':'" + SECRET + "'}}");
    assertThat(put(id, "{'login':{" + client + "b'}}").code())
        .isEqualTo("SERVER_ACCESS_INCOMPLETE");
    assertNothingTold(id);
  }

  @Test
  void digestCredentialsAnswerTheChallenge() throws Exception {
    HttpServer server = gauge(HttpServer.create(anyPort(), 0));
    String id = api.take(address(server));
    server.removeContext("/gauge");
    server.createContext(
        "/gauge",
        exchange -> {
          String given = exchange.getRequestHeaders().getFirst("Authorization");
          if (given != null && isRightDigest(given, exchange.getRequestMethod())) {
            answer(exchange, false);
          } else {
            exchange
                .getResponseHeaders()
                .add("WWW-Authenticate", "Digest realm=\"harbour\", qop=\"auth\", nonce=\"n1\"");
            exchange.sendResponseHeaders(401, -1);
            exchange.close();
          }
        });
    put(id, login("digest"));

    assertThat(tryIt(id).body().at("/sent/status").asInt()).isEqualTo(200);
    assertNothingTold(id);
  }

  /** RFC 7616, section 3.4.1. */
  private static boolean isRightDigest(String header, String method) {
    String first = md5("pilot:harbour:" + SECRET);
    String second = md5(method + ":" + part(header, "uri"));
    String right =
        md5(
            String.join(
                ":", first, "n1", part(header, "nc"), part(header, "cnonce"), "auth", second));
    return right.equals(part(header, "response"));
  }

  private static String part(String header, String name) {
    Matcher matcher = Pattern.compile("\\b" + name + "=\"?([^\",]*)").matcher(header);
    return matcher.find() ? matcher.group(1) : "";
  }

  private static String md5(String text) {
    try {
      return HexFormat.of()
          .formatHex(
              MessageDigest.getInstance("MD5").digest(text.getBytes(StandardCharsets.UTF_8)));
    } catch (java.security.GeneralSecurityException e) {
      throw new IllegalStateException(e);
    }
  }

  @Test
  void tokensAreFetchedKeptAndRenewedForAClient() throws Exception {
    AtomicInteger given = new AtomicInteger();
    HttpServer server = gauge(HttpServer.create(anyPort(), 0));
    server.removeContext("/gauge");
    server.createContext(
        "/gauge",
        exchange -> {
          String bearer = exchange.getRequestHeaders().getFirst("Authorization");
          if (("Bearer " + SECRET + given.get()).equals(bearer)) {
            answer(exchange, false);
          } else {
            exchange.sendResponseHeaders(401, -1);
            exchange.close();
          }
        });
    server.createContext("/tokens", exchange -> giveToken(exchange, given));
    String tokens = "http://localhost:" + server.getAddress().getPort() + "/tokens";
    String form =
        "{'login':{'kind':'client','tokens':'%s','user':'desk & co','secret':'%s','scope':'gauge:read'}}";

    String id = api.take(address(server), form.formatted(tokens, SECRET));
    put(id, form.formatted(tokens, SECRET));
    assertThat(tryIt(id).body().at("/answer/told").decimalValue()).isEqualByComparingTo("4.2");
    int before = given.get();
    assertThat(tryIt(id).body().at("/sent/status").asInt()).isEqualTo(200);
    assertThat(given.get()).as("a token is used again").isEqualTo(before);

    given.incrementAndGet();
    Api.Answer renewed = tryIt(id);
    assertThat(renewed.body().at("/sent/status").asInt()).as("an old token").isEqualTo(200);
    assertThat(given.get()).isEqualTo(before + 2);
    assertThat(api.get("/api/exchanges/" + renewed.text("/sent/exchange")).body().toString())
        .contains("Bearer ••••••")
        .doesNotContain(SECRET);
    assertNothingTold(id);

    put(id, form.formatted(tokens, "wrong"));
    Api.Answer refused = tryIt(id);
    assertThat(refused.text("/findings/0/code")).isEqualTo("CALL_TOKEN_REFUSED");
    assertThat(refused.text("/findings/0/message")).contains("no such client");
    assertThat(refused.body().has("sent")).as("nothing went to the service").isFalse();
  }

  /** RFC 6749, section 4.4; of the two ways to say who asks only the form is taken. */
  private static void giveToken(HttpExchange exchange, AtomicInteger given) throws IOException {
    String form = new String(exchange.getRequestBody().readAllBytes(), StandardCharsets.UTF_8);
    boolean known =
        form.equals(
            "grant_type=client_credentials&scope=gauge%3Aread&client_id=desk+%26+co&client_secret="
                + SECRET);
    String body =
        known
            ? "{\"access_token\":\"%s%d\",\"token_type\":\"Bearer\",\"expires_in\":3600}"
                .formatted(SECRET, given.incrementAndGet())
            : "{\"error\":\"invalid_client\",\"error_description\":\"no such client\"}";
    exchange.sendResponseHeaders(known ? 200 : 401, body.length());
    exchange.getResponseBody().write(body.getBytes(StandardCharsets.UTF_8));
    exchange.close();
  }

  @Test
  void keysHeadersAndSecurityTravelAsAsked() throws Exception {
    HttpServer server = gauge(HttpServer.create(anyPort(), 0));
    String id = api.take(address(server));
    put(
        id,
        "{'login':{'kind':'apiKey','name':'pass','inQuery':true,'secret':'"
            + SECRET
            + "'},"
            + "'headers':[{'name':'X-Quay','value':'north'}],'addressing':'always',"
            + "'security':{'user':'pilot','password':'"
            + SECRET
            + "','digest':false,'timestamp':true}}");
    Api.Answer answer = tryIt(id);

    assertThat(seen)
        .contains("query pass=" + SECRET)
        .anyMatch(line -> line.equalsIgnoreCase("X-Quay: north"))
        .anyMatch(
            line ->
                line.contains("#PasswordText\">" + SECRET + "</wsse:Password>")
                    && line.contains("wsu:Expires")
                    && line.contains("wsa:MessageID"));
    String exchange = api.get("/api/exchanges/" + answer.text("/sent/exchange")).body().toString();
    assertThat(exchange).contains("••••••").doesNotContain(SECRET);
    server.stop(0);
    assertThat(tryIt(id).body().toString())
        .contains("EXCHANGE_CONNECTION_REFUSED")
        .doesNotContain(SECRET);
    assertNothingTold(id);
  }

  @Test
  void aProxyAndItsCredentialsAreUsed() throws Exception {
    HttpServer server = gauge(HttpServer.create(anyPort(), 0));
    String id = api.take(address(server));
    HttpServer proxy = HttpServer.create(anyPort(), 0);
    servers.add(proxy);
    String right =
        "Basic "
            + Base64.getEncoder()
                .encodeToString(("pilot:" + SECRET).getBytes(StandardCharsets.UTF_8));
    proxy.createContext(
        "/",
        exchange -> {
          if (!right.equals(exchange.getRequestHeaders().getFirst("Proxy-Authorization"))) {
            exchange.getResponseHeaders().add("Proxy-Authenticate", "Basic realm=\"quay\"");
            exchange.sendResponseHeaders(407, -1);
            exchange.close();
          } else {
            seen.add("through the proxy to " + exchange.getRequestURI());
            answer(exchange, false);
          }
        });
    proxy.start();
    put(
        id,
        "{'proxy':{'host':'localhost','port':"
            + proxy.getAddress().getPort()
            + ",'user':'pilot','password':'"
            + SECRET
            + "'}}");

    assertThat(tryIt(id).body().at("/sent/status").asInt()).isEqualTo(200);
    assertThat(seen).anyMatch(line -> line.startsWith("through the proxy to "));
  }

  @Test
  void aServerOfAPrivateAuthorityThatWantsACertificate() throws Exception {
    Path server = keys("server", "CN=localhost");
    Path client = keys("client", "CN=pilot");
    HttpsServer secure = HttpsServer.create(anyPort(), 0);
    SSLContext tls = SSLContext.getInstance("TLS");
    KeyManagerFactory own = KeyManagerFactory.getInstance(KeyManagerFactory.getDefaultAlgorithm());
    own.init(store(server), SECRET.toCharArray());
    KeyStore trusted = KeyStore.getInstance("PKCS12");
    trusted.load(null, null);
    trusted.setCertificateEntry("client", store(client).getCertificate("it"));
    TrustManagerFactory trust =
        TrustManagerFactory.getInstance(TrustManagerFactory.getDefaultAlgorithm());
    trust.init(trusted);
    tls.init(own.getKeyManagers(), trust.getTrustManagers(), null);
    secure.setHttpsConfigurator(
        new HttpsConfigurator(tls) {
          @Override
          public void configure(HttpsParameters parameters) {
            SSLParameters wanted = getSSLContext().getDefaultSSLParameters();
            wanted.setNeedClientAuth(true);
            parameters.setSSLParameters(wanted);
          }
        });
    gauge(secure);
    String address = "https://localhost:" + secure.getAddress().getPort() + "/gauge";
    assertThat(api.post("/api/intakes", "{'source':'" + address + "'}").code())
        .isEqualTo("EXCHANGE_SERVER_UNTRUSTED");
    String pem =
        "-----BEGIN CERTIFICATE-----\\n"
            + Base64.getEncoder().encodeToString(store(server).getCertificate("it").getEncoded())
            + "\\n-----END CERTIFICATE-----";
    String access =
        "{'trusted':'"
            + pem
            + "','certificate':{'file':'"
            + Base64.getEncoder().encodeToString(Files.readAllBytes(client))
            + "','password':'"
            + SECRET
            + "'}}";

    String id = api.take(address, access);
    assertThat(put(id, access).status()).isEqualTo(200);
    assertThat(tryIt(id).body().at("/sent/status").asInt()).isEqualTo(200);
    assertNothingTold(id);
    assertThat(put(id, access.replace(SECRET, "wrong")).code())
        .isEqualTo("EXCHANGE_CERTIFICATE_INVALID");
    assertThat(put(id, "{'trusted':'no certificate'}").code()).isEqualTo("EXCHANGE_TRUST_INVALID");
  }

  private Path keys(String name, String subject) throws Exception {
    Path file = folder.resolve(name + ".p12");
    Process made =
        new ProcessBuilder(
                Path.of(System.getProperty("java.home"), "bin", "keytool").toString(),
                "-genkeypair",
                "-alias",
                "it",
                "-keyalg",
                "EC",
                "-dname",
                subject,
                "-ext",
                "san=dns:localhost",
                "-storetype",
                "PKCS12",
                "-storepass",
                SECRET,
                "-keystore",
                file.toString())
            .redirectErrorStream(true)
            .redirectOutput(folder.resolve(name + ".log").toFile())
            .start();
    assertThat(made.waitFor(60, TimeUnit.SECONDS)).isTrue();
    assertThat(made.exitValue()).isZero();
    return file;
  }

  private static KeyStore store(Path file) throws Exception {
    KeyStore store = KeyStore.getInstance("PKCS12");
    try (InputStream bytes = Files.newInputStream(file)) {
      store.load(bytes, SECRET.toCharArray());
    }
    return store;
  }
}
