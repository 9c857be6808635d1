package org.mapsel.server.outgoing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CountDownLatch;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.mapsel.server.testing.Api;
import org.mapsel.server.testing.FakeBerthing;
import org.mapsel.server.testing.TestServer;

/** A service that is asked by more than may be out to it. */
class TurnsAtServersTest {

  @RegisterExtension
  static final TestServer SERVER =
      new TestServer(
          "--mapsel.outgoing.connections-per-host=1", "--mapsel.outgoing.waiting-per-host=0");

  @Test
  void whoComesWhenTooManyWaitIsToldSoAndNothingIsSent() throws Exception {
    Api api = SERVER.api();
    try (FakeBerthing berthing = new FakeBerthing()) {
      String tries =
          "/api/services/"
              + api.take(berthing.description())
              + "/operations/VesselParticulars/tries";
      String asked = "{'endpoint':'BerthingSoap11','parameters':{'hullNumber':'S-20417'}}";
      CountDownLatch there = new CountDownLatch(1);
      CountDownLatch release = new CountDownLatch(1);
      berthing.behave(
          exchange -> {
            there.countDown();
            release.await();
            FakeBerthing.write(
                exchange, 200, "text/xml", FakeBerthing.bytes(FakeBerthing.vessel()));
          });
      CompletableFuture<Api.Answer> first =
          CompletableFuture.supplyAsync(() -> api.post(tries, asked));
      there.await();

      Api.Answer second = api.post(tries, asked);
      assertThat(second.text("/findings/0/code")).isEqualTo("EXCHANGE_TOO_MANY_WAITING");
      release.countDown();
      assertThat(first.join().text("/answer/hullNumber")).isEqualTo("S-20417");
      assertThat(api.post(tries, asked).text("/answer/hullNumber")).isEqualTo("S-20417");
      assertThat(berthing.received()).hasSize(2);
    }
  }
}
