package org.mapsel.server.samples;

import static org.assertj.core.api.Assertions.assertThat;

import org.jooq.DSLContext;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.mapsel.server.testing.Api;
import org.mapsel.server.testing.FakeBerthing;
import org.mapsel.server.testing.TestServer;

/** What may have changed something is never told as if it could simply be sent again. */
class SentFirstTest {

  @RegisterExtension static final TestServer SERVER = new TestServer();

  private final Api api = SERVER.api();
  private final FakeBerthing host = new FakeBerthing();
  private String service;

  /** A service that books a berth, and tells of it. */
  private static String description(String address) {
    return """
        {"openapi":"3.1.0","info":{"title":"Bookings","version":"1"},"servers":[{"url":"%s"}],
         "paths":{"/bookings":{
           "post":{"operationId":"book","responses":{"204":{"description":"Booked."}}},
           "get":{"operationId":"booked","responses":{"204":{"description":"None."}}}}}}
        """
        .formatted(address);
  }

  @BeforeEach
  void take() {
    host.offer("/bookings.json", description(host.address()));
    service = api.take(host.address() + "/bookings.json");
  }

  @AfterEach
  void close() {
    host.close();
  }

  private Api.Answer send(String operation) {
    return api.post(
        "/api/services/" + service + "/operations/" + operation + "/tries",
        "{'parameters':{},'endpoint':'main'}");
  }

  @Test
  void aLostAnswerIsToldOtherwiseWhereSomethingMayHaveBeenDone() {
    host.serve("/bookings", exchange -> exchange.close());
    host.behave(exchange -> exchange.close());

    assertThat(send("booked").text("/findings/0/code")).isEqualTo("EXCHANGE_ANSWER_DROPPED");
    Api.Answer booked = send("book");
    assertThat(booked.text("/findings/0/code")).isEqualTo("CALL_DROPPED_PERHAPS_DONE");
    assertThat(booked.text("/findings/0/advice")).doesNotContain("ry again");
  }

  @Test
  void whereTheAnswerCannotBeKeptNobodyIsAdvisedToTryAgain() {
    DSLContext sql = SERVER.bean(DSLContext.class);
    host.behave(
        exchange -> {
          sql.execute("alter table exchange rename to exchange_away");
          FakeBerthing.write(exchange, 204, "text/plain", new byte[0]);
        });
    try {
      Api.Answer failed = send("book");
      assertThat(failed.status()).isEqualTo(500);
      assertThat(failed.code()).isEqualTo("SERVER_SENT_NOT_KEPT");
    } finally {
      sql.execute("alter table exchange_away rename to exchange");
    }
    assertThat(api.get("/api/exchanges?service=" + service).body().toString())
        .contains("\"operation\":\"book\"");
  }
}
