package org.mapsel.server.memory;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.concurrent.CompletableFuture;
import java.util.function.Supplier;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.mapsel.server.testing.Api;
import org.mapsel.server.testing.FakeBerthing;
import org.mapsel.server.testing.TestServer;
import org.springframework.util.unit.DataSize;

/** Who finds room for what is large, and what those are told that do not. */
class LargeWorkTest {

  private static final long MB = 1 << 20;

  @RegisterExtension
  static final TestServer SERVER =
      new TestServer("--mapsel.large-work.at-once=2MB", "--mapsel.large-work.wait=0s");

  private final LargeWork work = new LargeWork(DataSize.ofMegabytes(4), Duration.ZERO);

  /** Asked by others meanwhile, who end with it. */
  private boolean othersHaveRoomFor(long bytes) {
    Supplier<Boolean> asked =
        () -> {
          LargeWork.Share share = work.begin();
          try {
            return work.hasRoomFor(bytes);
          } finally {
            share.end();
          }
        };
    return CompletableFuture.supplyAsync(asked).join();
  }

  @Test
  void roomIsHeldUntilTheWorkEnds() {
    LargeWork.Share share = work.begin();
    assertThat(work.hasRoomFor(2 * MB)).isTrue();
    assertThat(othersHaveRoomFor(MB)).isTrue();
    assertThat(othersHaveRoomFor(3 * MB)).isFalse();
    assertThat(work.hasRoomFor(2 * MB)).as("more of the same work").isTrue();
    assertThat(othersHaveRoomFor(MB)).isFalse();
    assertThat(othersHaveRoomFor(MB - 1)).as("small work").isTrue();
    share.end();
    assertThat(othersHaveRoomFor(4 * MB)).isTrue();
  }

  @Test
  void whatIsLargerThanEverythingIsWorkedOnAlone() {
    LargeWork.Share larger = work.begin();
    assertThat(work.hasRoomFor(900 * MB)).isTrue();
    assertThat(othersHaveRoomFor(MB)).isFalse();
    larger.end();
    LargeWork.Share smaller = work.begin();
    assertThat(work.hasRoomFor(MB)).isTrue();
    assertThat(othersHaveRoomFor(900 * MB)).isFalse();
    smaller.end();
  }

  @Test
  void roomOfUnknownSizeIsChangedInOneGo() {
    LargeWork.Share share = work.begin();
    LargeWork.Room room = work.room();
    assertThat(room.resize(2 * MB)).isTrue();
    assertThat(room.resize(4 * MB)).as("half of it is its own").isTrue();
    assertThat(othersHaveRoomFor(MB)).isFalse();
    assertThat(room.resize(MB)).isTrue();
    assertThat(othersHaveRoomFor(3 * MB)).isTrue();
    share.end();
    assertThat(othersHaveRoomFor(4 * MB)).isTrue();
  }

  @Test
  void whoWaitsForMoreHoldsNothingMeanwhile() {
    LargeWork.Share first = work.begin();
    LargeWork.Room room = work.room();
    assertThat(room.resize(2 * MB)).isTrue();
    CompletableFuture.runAsync(
            () -> {
              LargeWork.Share second = work.begin();
              assertThat(work.hasRoomFor(2 * MB)).isTrue();
              assertThat(room.resize(4 * MB)).isFalse();
              assertThat(work.hasRoomFor(2 * MB)).as("what the first one held").isTrue();
              second.end();
            })
        .join();
    first.end();
    assertThat(othersHaveRoomFor(4 * MB)).isTrue();
  }

  @Test
  void whatIsOnlyReadIsHeldNoLonger() {
    LargeWork.Share share = work.begin();
    assertThat(work.reading(4 * MB, () -> othersHaveRoomFor(MB))).isFalse();
    assertThat(othersHaveRoomFor(4 * MB)).isTrue();
    share.end();
  }

  @Test
  void threadsHoldForTheWorkThatBeganThem() throws InterruptedException {
    LargeWork.Share share = work.begin();
    Thread.ofVirtual().start(() -> work.makeRoomFor(3 * MB)).join();
    assertThat(othersHaveRoomFor(2 * MB)).isFalse();
    share.end();
    assertThat(othersHaveRoomFor(4 * MB)).isTrue();
  }

  @Test
  void whoFindsNoRoomIsToldSoAndFindsItLater() throws Exception {
    Api api = SERVER.api();
    try (FakeBerthing berthing = new FakeBerthing()) {
      String tries =
          "/api/services/"
              + api.take(berthing.description())
              + "/operations/VesselParticulars/tries";
      String asked = "{'endpoint':'BerthingSoap11','parameters':{'hullNumber':'S-20417'}}";
      byte[] large =
          (FakeBerthing.vessel() + " ".repeat((int) (3 * MB / 2))).getBytes(StandardCharsets.UTF_8);
      berthing.behave(exchange -> FakeBerthing.write(exchange, 200, "text/xml", large));
      String pasted = "{'source':'" + " ".repeat((int) MB) + "<none/>'}";
      LargeWork all = SERVER.bean(LargeWork.class);
      LargeWork.Share share = all.begin();
      all.makeRoomFor(2 * MB);
      assertThat(api.post(tries, asked).text("/findings/0/code")).isEqualTo("EXCHANGE_NO_ROOM");
      Api.Answer refused = api.post("/api/intakes", pasted);
      assertThat(refused.status()).isEqualTo(503);
      assertThat(refused.code()).isEqualTo("SERVER_TOO_MUCH_AT_ONCE");
      share.end();
      assertThat(api.post(tries, asked).text("/answer/hullNumber")).isEqualTo("S-20417");
      assertThat(api.post("/api/intakes", pasted).status()).isEqualTo(422);
    }
  }
}
