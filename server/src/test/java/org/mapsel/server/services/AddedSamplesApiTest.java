package org.mapsel.server.services;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mapsel.server.testing.FakeBerthing.bytes;
import static org.mapsel.server.testing.FakeBerthing.write;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.mapsel.server.testing.Api;
import org.mapsel.server.testing.FakeBerthing;
import org.mapsel.server.testing.TestServer;

/** Services without a description, which are known by what they answered. */
@Timeout(60)
class AddedSamplesApiTest {

  @RegisterExtension static final TestServer SERVER = new TestServer();

  private FakeBerthing quay;
  private Api api;

  @BeforeEach
  void start() {
    quay = new FakeBerthing();
    api = SERVER.api();
  }

  @AfterEach
  void stop() {
    quay.close();
  }

  private String takeSample() {
    return api.take("curl " + quay.address() + "/lots/B-3?order=eta");
  }

  private String sent(String path) {
    Api.Answer tried = api.post(path + "/tries", "{'endpoint':'main','parameters':{}}");
    assertThat(tried.status()).isEqualTo(200);
    return tried.text("/sent/exchange");
  }

  private Api.Answer learn(String path, String exchange) {
    return api.post(path + "/answers", "{'exchange':'" + exchange + "'}");
  }

  private static List<String> comesBack(Api.Answer operation) {
    return operation
        .body()
        .at("/comesBack")
        .valueStream()
        .map(field -> field.at("/name").asString())
        .toList();
  }

  @Test
  void whatComesBackBecomesFieldsAndEachAnswerAddsToThem() {
    quay.serve("/lots/B-3", at -> write(at, 200, "application/json", bytes("{\"bay\":3}")));
    String service = takeSample();
    String path = "/api/services/" + service + "/operations/" + only(service);
    assertThat(comesBack(api.get(path))).containsExactly("value");
    assertThat(api.get(path).body().at("/learns").asBoolean()).isTrue();

    Api.Answer wider = learn(path, sent(path));
    assertThat(comesBack(wider)).containsExactly("bay");
    assertThat(wider.text("/sample/origin")).isEqualTo("recorded");
    assertThat(wider.body().at("/sample/answer/bay").asInt()).isEqualTo(3);

    quay.serve(
        "/lots/B-3",
        at -> write(at, 200, "application/json", bytes("{\"bay\":3,\"holds\":\"grain\"}")));
    assertThat(comesBack(learn(path, sent(path)))).containsExactly("bay", "holds");
    assertThat(comesBack(api.get(path))).containsExactly("bay", "holds");
    assertThat(api.get("/api/services/" + service).body().at("/operations").size()).isEqualTo(1);
  }

  @Test
  void anAnswerGivenWithTheRequestIsShownBeforeAnythingIsSent() {
    String service =
        api.take(
            "curl "
                + quay.address()
                + "/lots/B-3\\n\\n{\\\"lot\\\":\\\"B-3\\\",\\\"notes\\\":[{\\\"key\\\":\\\"CARE\\\",\\\"value\\\":\\\"dry\\\"}]}");
    Api.Answer shown = api.get("/api/services/" + service + "/operations/" + only(service));
    assertThat(shown.text("/sample/origin")).isEqualTo("given");
    assertThat(shown.body().at("/sample/answer/lot").asString()).isEqualTo("B-3");
    assertThat(comesBack(shown)).containsExactly("lot", "notes", "key", "value", "CARE");
  }

  @Test
  void whatIsSaidToBeNoSecretStaysWhenMoreIsLearnt() {
    quay.serve("/lots", at -> write(at, 200, "application/json", bytes("{\"quayKey\":\"Q-7\"}")));
    String given = "'source':'curl " + quay.address() + "/lots?quayKey=Q-7&deskToken=s3cr3t'";
    assertThat(api.post("/api/intakes", "{" + given + "}").body().at("/leftOut").toString())
        .isEqualTo("[\"quayKey\",\"deskToken\"]");
    Api.Answer read = api.post("/api/intakes", "{" + given + ",'plain':['quayKey']}");
    assertThat(read.body().at("/leftOut").toString()).isEqualTo("[\"deskToken\"]");
    String service =
        api.post(
                "/api/services",
                "{'edition':'%s','operations':['%s'],'endpoint':'main'}"
                    .formatted(read.text("/edition"), read.text("/operations/0/id")))
            .text("/id");
    String path = "/api/services/" + service + "/operations/" + only(service);

    Api.Answer tried =
        api.post(path + "/tries", "{'endpoint':'main','parameters':{'deskToken':'tide-1'}}");
    Api.Answer wider = learn(path, tried.text("/sent/exchange"));

    assertThat(wider.body().toString()).contains("Q-7").doesNotContain("s3cr3t");
    assertThat(wider.body().at("/sample/answer/quayKey").asString()).isEqualTo("Q-7");
  }

  @Test
  void onlyWholeAnswersOfTheOperationItselfAreLearnt() {
    String tooLong = "{\"text\":\"" + "x".repeat(3 << 19) + "\"}";
    quay.serve("/lots/B-3", at -> write(at, 200, "application/json", bytes(tooLong)));
    String service = takeSample();
    String path = "/api/services/" + service + "/operations/" + only(service);
    assertThat(learn(path, sent(path)).code()).isEqualTo("SERVER_ANSWER_TOO_LONG");
    assertThat(learn(path, "none").code()).isEqualTo("SERVER_EXCHANGE_MISSING");
    assertThat(comesBack(api.get(path))).containsExactly("value");

    String berthing = api.take(quay.description());
    String described = "/api/services/" + berthing + "/operations/VesselParticulars";
    String exchange =
        api.post(
                described + "/tries",
                "{'endpoint':'BerthingSoap11','parameters':{'hullNumber':'S-20417'}}")
            .text("/sent/exchange");
    assertThat(learn(path, exchange).code()).isEqualTo("SERVER_EXCHANGE_MISSING");
    assertThat(learn(described, exchange).code()).isEqualTo("SERVER_LEARNING_NEEDLESS");
  }

  @Test
  void aValueIsAParameterOnceItIsMarked() {
    List<String> asked = new ArrayList<>();
    quay.serve(
        "/lots/B-3",
        at -> {
          asked.add(String.valueOf(at.getRequestURI().getQuery()));
          write(at, 200, "application/json", bytes("{\"bay\":3}"));
        });
    String service = takeSample();
    String path = "/api/services/" + service + "/operations/" + only(service);

    Api.Answer before = api.get(path);
    assertThat(before.body().at("/goesIn/1/given").asBoolean()).isTrue();
    assertThat(before.body().at("/given/address").toString())
        .contains("{'text':'eta','path':['order']}".replace('\'', '"'));
    sent(path);
    assertThat(api.put(path + "/marks", "{'path':['nothing'],'parameter':true}").code())
        .isEqualTo("MESSAGE_FIELD_UNKNOWN");
    Api.Answer marked = api.put(path + "/marks", "{'path':['order'],'parameter':true}");
    assertThat(marked.body().at("/goesIn/1/given").asBoolean()).isFalse();
    assertThat(api.get(path).body().at("/goesIn/1/given").asBoolean()).isFalse();
    Api.Answer again = api.put(path + "/marks", "{'path':['order'],'parameter':false}");
    assertThat(again.body().at("/goesIn/1/given").asBoolean()).isTrue();
    assertThat(asked).containsExactly("order=eta");
  }

  private String only(String service) {
    return api.get("/api/services/" + service).text("/operations/0/id").replace(" ", "%20");
  }
}
