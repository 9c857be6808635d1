package org.mapsel.server.services;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.mapsel.server.testing.Api;
import org.mapsel.server.testing.FakeBerthing;
import org.mapsel.server.testing.TestServer;

/** Descriptions that are read again without anybody pressing. */
class WatchTest {

  @RegisterExtension static final TestServer SERVER = new TestServer();

  private static final String PATH = "/lamps.json";

  private static String lamps(String field) {
    return """
        {"openapi":"3.1.0","info":{"title":"Lamps","version":"1"},
         "servers":[{"url":"http://localhost:7391"}],
         "paths":{"/lamps":{"get":{"operationId":"lamps","responses":{"200":{"description":"All.",
          "content":{"application/json":{"schema":{"type":"object","properties":
           {"%s":{"type":"string"}}}}}}}}}}}
        """
        .formatted(field);
  }

  @Test
  void whatChangedIsFoundAndWhatCannotBeReadIsTold() {
    Api api = SERVER.api();
    Watch watch = SERVER.bean(Watch.class);
    try (FakeBerthing host = new FakeBerthing()) {
      host.offer(PATH, lamps("colour"));
      String service = api.take(host.address() + PATH);
      api.put("/api/services/" + service + "/watch", "{'everyMinutes':60}");

      watch.look();
      assertThat(api.get("/api/watches").body().at("/0/edition").isMissingNode()).isTrue();
      assertThat(api.get("/api/watches").text("/0/readAt")).isNotEmpty();

      host.offer(PATH, lamps("hue"));
      watch.look();
      assertThat(api.get("/api/watches").body().at("/0/edition").isMissingNode())
          .as("an hour has not passed")
          .isTrue();
      api.put("/api/services/" + service + "/watch", "{'everyMinutes':0}");
      api.put("/api/services/" + service + "/watch", "{'everyMinutes':1440}");
      watch.look();
      String found = api.get("/api/watches").text("/0/edition");
      assertThat(found).isNotEmpty();
      api.put("/api/services/" + service + "/edition", "{'edition':'" + found + "'}");
      assertThat(api.get("/api/watches").body().at("/0/edition").isMissingNode()).isTrue();

      host.serve(PATH, exchange -> FakeBerthing.write(exchange, 404, "text/plain", new byte[0]));
      api.put("/api/services/" + service + "/watch", "{'everyMinutes':0}");
      api.put("/api/services/" + service + "/watch", "{'everyMinutes':60}");
      watch.look();
      assertThat(api.get("/api/watches").text("/0/problem")).contains("404");
    }
  }
}
