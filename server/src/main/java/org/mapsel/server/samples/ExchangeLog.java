package org.mapsel.server.samples;

import java.time.Clock;
import java.time.Duration;
import java.time.OffsetDateTime;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.util.unit.DataSize;

/** Looking through exchanges, and letting old ones go. */
@Component
class ExchangeLog {

  private static final Logger LOG = LoggerFactory.getLogger(ExchangeLog.class);
  private static final int PAGE = 100;

  private final ExchangeStore store;
  private final Clock clock;
  private final Duration age;
  private final DataSize size;

  ExchangeLog(
      ExchangeStore store,
      Clock clock,
      @Value("${mapsel.exchanges.age}") Duration age,
      @Value("${mapsel.exchanges.size}") DataSize size) {
    this.store = store;
    this.clock = clock;
    this.age = age;
    this.size = size;
  }

  /** The newest exchanges that fit, before a time. */
  List<ExchangeStore.Line> find(ExchangeStore.Search search) {
    return store.find(search, PAGE);
  }

  /** Takes exchanges away that are too old or too many; those that samples show stay. */
  @Scheduled(initialDelay = 60_000, fixedDelay = 3_600_000)
  void trim() {
    int gone =
        store.removeBefore(OffsetDateTime.now(clock).minus(age))
            + store.removeBeyond(size.toBytes());
    if (gone > 0) {
      LOG.info("{} old exchanges were removed", gone);
    }
  }
}
