package org.mapsel.server.upkeep;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.OffsetDateTime;
import org.jooq.DSLContext;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.mapsel.server.services.Editions;
import org.mapsel.server.testing.Api;
import org.mapsel.server.testing.FakeBerthing;
import org.mapsel.server.testing.TestServer;
import tools.jackson.databind.JsonNode;

/** What is of no use any more goes, and nothing else does. */
class UpkeepApiTest {

  @RegisterExtension static final TestServer SERVER = new TestServer();

  private static final String SHARED =
      "components: {schemas: {Lamp: {type: object, properties: {colour: {type: string}}}}}\n";

  private static String lamps(String title) {
    return "openapi: 3.1.0\ninfo: {title: "
        + title
        + ", version: '1'}\npaths: {/lamps: {get: {operationId: listLamps, responses: {'200':"
        + " {description: all, content: {application/json: {schema: {$ref:"
        + " 'shared.yaml#/components/schemas/Lamp'}}}}}}}}\n";
  }

  private static int columns(Api api, String edition) {
    return api.post("/api/editions/" + edition + "/columns", "{'operations':['listLamps']}")
        .status();
  }

  @Test
  void editionsThatNothingHasGo() {
    Api api = SERVER.api();
    OffsetDateTime later = OffsetDateTime.now().plusMinutes(1);
    Editions editions = SERVER.bean(Editions.class);
    try (FakeBerthing host = new FakeBerthing()) {
      host.offer("/shared.yaml", SHARED);
      host.offer("/taken.yaml", lamps("Taken"));
      host.offer("/looked.yaml", lamps("Looked at"));
      String service = api.take(host.address() + "/taken.yaml");
      String taken = api.get("/api/services/" + service).text("/edition");
      String read = "{'source':'" + host.address() + "/looked.yaml','access':null}";
      String looked = api.post("/api/intakes", read).text("/edition");
      assertThat(columns(api, looked)).isEqualTo(200);

      assertThat(editions.removeUnused(later.minusHours(1))).isZero();
      // An app may be undone to the time when it used an edition.
      DSLContext sql = SERVER.bean(DSLContext.class);
      sql.execute("insert into app values ('desk', 1, 1, now())");
      sql.execute(
          "insert into revision (app_id, number, title, content, made_at)"
              + " values ('desk', 1, '', cast(? as jsonb), now())",
          "{\"services\":[{\"service\":\"lamps\",\"edition\":\"" + looked + "\"}]}");
      assertThat(editions.removeUnused(later)).isZero();
      sql.execute("delete from app where id = 'desk'");
      assertThat(editions.removeUnused(later)).isEqualTo(1);

      assertThat(columns(api, looked)).isEqualTo(404);
      assertThat(columns(api, taken)).isEqualTo(200);
      // The document that both had is there still: it is read as one edition again.
      assertThat(api.post("/api/intakes", read).text("/edition")).isEqualTo(looked);

      assertThat(editions.removeUnused(later)).isEqualTo(1);
    }
  }

  @Test
  void exchangesAreKeptAsTheSettingsSay() {
    Api api = SERVER.api();
    try (FakeBerthing host = new FakeBerthing()) {
      host.offer("/shared.yaml", SHARED);
      host.offer("/long.yaml", lamps("Long"));
      host.offer("/lamps", "{\"colour\":\"" + "r".repeat(700_000) + "\"}");
      String service = api.take(host.address() + "/long.yaml");
      for (int i = 0; i < 4; i++) {
        ask(api, service);
      }
      JsonNode before = api.get("/api/upkeep").body();
      assertThat(before.at("/settings/exchangeDays").asInt()).isEqualTo(30);
      assertThat(exchanges(before)).isEqualTo(4);
      assertThat(before.at("/bytes").asLong()).isGreaterThan(1_000_000);

      Api.Answer set =
          api.put(
              "/api/upkeep/settings",
              "{'exchangeDays':0,'exchangeMegabytes':1,'editionDays':2000000,'apps':[{'app':'desk','days':0,'megabytes':5}]}");
      assertThat(set.body().at("/settings").toString())
          .isEqualTo(
              "{\"exchangeDays\":1,\"exchangeMegabytes\":1,\"visitorDays\":7,\"apps\":[{\"app\":\"desk\",\"days\":1,\"megabytes\":5}],\"editionDays\":3650}");
      JsonNode tidied = api.post("/api/upkeep/tidyings", "{}").body();

      assertThat(exchanges(tidied)).isEqualTo(1);
      assertThat(tidied.at("/tidied/exchanges").asInt()).isEqualTo(3);
      assertThat(tidied.at("/settings")).isEqualTo(set.body().at("/settings"));

      Upkeep upkeep = SERVER.bean(Upkeep.class);
      ask(api, service);
      upkeep.keepToSize();
      assertThat(exchanges(api.get("/api/upkeep").body())).as("what just came").isEqualTo(2);
      SERVER
          .bean(DSLContext.class)
          .execute("update exchange set started_at = started_at - interval '5 minutes'");
      ask(api, service);
      upkeep.keepToSize();
      assertThat(exchanges(api.get("/api/upkeep").body())).isEqualTo(1);
    }
  }

  private static void ask(Api api, String service) {
    api.post(
        "/api/services/" + service + "/operations/listLamps/tries",
        "{'endpoint':'main','parameters':{}}");
  }

  private static int exchanges(JsonNode upkeep) {
    return upkeep
        .at("/held")
        .valueStream()
        .filter(one -> one.at("/what").asString().equals("exchanges"))
        .findFirst()
        .orElseThrow()
        .at("/count")
        .asInt();
  }
}
