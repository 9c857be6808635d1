package org.mapsel.server.tables;

import jakarta.annotation.PreDestroy;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Queue;
import java.util.concurrent.LinkedBlockingQueue;
import org.jspecify.annotations.Nullable;
import org.mapsel.server.tables.OfferStore.KeptRequest;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** Who asked for what; written together, so that nobody waits for it. */
@Component
class OfferLog {

  private static final int MOST_WAITING = 50_000;

  private record Line(String offer, KeptRequest request) {}

  private final OfferStore store;
  private final Clock clock;
  private final Queue<Line> waiting = new LinkedBlockingQueue<>(MOST_WAITING);

  OfferLog(OfferStore store, Clock clock) {
    this.store = store;
    this.clock = clock;
  }

  void add(String offer, @Nullable String client, String operation, int status, long tookMillis) {
    waiting.offer(
        new Line(
            offer,
            new KeptRequest(OffsetDateTime.now(clock), client, operation, status, tookMillis)));
  }

  List<KeptRequest> newest(String offer, int most) {
    write();
    return store.requests(offer, most);
  }

  @Scheduled(fixedDelay = 2_000)
  @PreDestroy
  synchronized void write() {
    Map<String, List<KeptRequest>> lines = new LinkedHashMap<>();
    for (Line line = waiting.poll(); line != null; line = waiting.poll()) {
      lines.computeIfAbsent(line.offer(), none -> new ArrayList<>()).add(line.request());
    }
    if (!lines.isEmpty()) {
      store.addRequests(lines);
    }
  }
}
