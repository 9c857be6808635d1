package org.mapsel.server.outgoing;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import org.junit.jupiter.api.Test;
import org.mapsel.server.outgoing.HostGates.Entry;

/** Turns at servers. */
class HostGatesTest {

  private static final String SLOW = "http://slow.example";
  private static final Duration LONG = Duration.ofMinutes(1);

  private final HostGates gates = new HostGates(2, 1);

  private CompletableFuture<Entry> waiting() {
    CompletableFuture<Entry> entry = new CompletableFuture<>();
    Thread thread =
        Thread.startVirtualThread(
            () -> {
              try {
                entry.complete(gates.enter(SLOW, LONG));
              } catch (InterruptedException e) {
                entry.completeExceptionally(e);
              }
            });
    while (thread.getState() != Thread.State.TIMED_WAITING && thread.isAlive()) {
      Thread.onSpinWait();
    }
    return entry;
  }

  @Test
  void whoComesTooLateIsToldAndWhoWaitsGetsIn() throws Exception {
    assertThat(gates.enter(SLOW, LONG)).isEqualTo(Entry.IN);
    assertThat(gates.enter(SLOW, LONG)).isEqualTo(Entry.IN);
    CompletableFuture<Entry> third = waiting();
    assertThat(third).isNotDone();

    assertThat(gates.enter(SLOW, LONG)).isEqualTo(Entry.REFUSED);
    assertThat(gates.enter("http://quick.example", LONG)).as("another server").isEqualTo(Entry.IN);

    gates.leave(SLOW);
    assertThat(third.get()).isEqualTo(Entry.IN);
    assertThat(gates.enter(SLOW, Duration.ZERO)).isEqualTo(Entry.LATE);
    gates.leave(SLOW);
    assertThat(gates.enter(SLOW, Duration.ZERO)).as("nothing is lost").isEqualTo(Entry.IN);
  }

  @Test
  void aServerThatWasLeftByAllBeginsAnew() throws Exception {
    for (int i = 0; i < 100; i++) {
      List<Entry> entries = new ArrayList<>();
      entries.add(gates.enter(SLOW, Duration.ZERO));
      entries.add(gates.enter(SLOW, Duration.ZERO));
      assertThat(entries).containsOnly(Entry.IN);
      gates.leave(SLOW);
      gates.leave(SLOW);
    }
  }
}
