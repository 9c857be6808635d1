package org.mapsel.server.samples;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.mapsel.server.testing.Api;
import org.mapsel.server.testing.BerthingApp;
import tools.jackson.databind.JsonNode;

/** What the model calls personal is shown while it is looked at, and kept nowhere. */
class PersonalDataApiTest extends BerthingApp {

  private static final String HULL = "S-20417";

  private JsonNode tried() {
    return api.post(
            tries, "{'endpoint':'BerthingSoap11','parameters':{'hullNumber':'" + HULL + "'}}")
        .body();
  }

  private void setPersonal(long version, String item, boolean personal) {
    String field =
        bench()
            .body()
            .at("/items")
            .valueStream()
            .filter(one -> one.at("/kind").asString().equals(item))
            .findFirst()
            .orElseThrow()
            .at("/field/ref")
            .toString()
            .replace('"', '\'');
    edit(
        version,
        "{'kind':'setModelField','field':" + field + ",'set':{'personal':" + personal + "}}");
  }

  private String kept(JsonNode tried) {
    Api.Answer exchange = api.get("/api/exchanges/" + tried.at("/sent/exchange").asString());
    Api.Answer operation = api.get(tries.replace("/tries", ""));
    return exchange.body() + " " + operation.body().at("/sample");
  }

  @Test
  void itIsBlankedFromTheNextExchangeOnUntilTheModelSaysOtherwise() {
    edit(1, addPage);
    JsonNode before = tried();
    String key = before.at("/answer/entry/0/key").asString();
    assertThat(key).isNotEmpty();
    assertThat(kept(before)).contains(key, HULL);

    setPersonal(2, "column", true);
    JsonNode tried = tried();

    assertThat(tried.at("/answer/entry/0/key").asString()).as("it is shown").isEqualTo(key);
    assertThat(kept(tried)).contains("******", "\"key\":\"******\"", HULL);
    assertThat(kept(tried)).doesNotContain(key);

    move("undo", 3);
    assertThat(kept(tried())).contains(key).doesNotContain("******");
  }

  @Test
  void whatIsSentIsBlankedToo() {
    edit(1, addPage);
    setPersonal(2, "input", true);

    JsonNode tried = tried();
    assertThat(kept(tried)).contains("******").doesNotContain(HULL);
    String exchange = "/api/exchanges/" + tried.at("/sent/exchange").asString();
    assertThat(api.post(exchange + "/repeats", "{}").code()).isEqualTo("SERVER_EXCHANGE_BLANKED");
    assertThat(api.post(exchange + "/uses", "{}").status()).isEqualTo(200);
  }
}
