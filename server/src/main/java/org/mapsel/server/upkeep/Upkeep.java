package org.mapsel.server.upkeep;

import java.time.Clock;
import java.time.Duration;
import java.time.OffsetDateTime;
import org.jspecify.annotations.Nullable;
import org.mapsel.server.samples.ExchangeLog;
import org.mapsel.server.services.Editions;
import org.mapsel.server.upkeep.UpkeepViews.TidiedView;
import org.mapsel.server.upkeep.UpkeepViews.UpkeepSettings;
import org.mapsel.server.upkeep.UpkeepViews.UpkeepView;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.util.unit.DataSize;

/** Lets go, now and then, what is too old or too much, and what nothing uses. */
@Component
class Upkeep {

  private static final Logger LOG = LoggerFactory.getLogger(Upkeep.class);

  private final UpkeepStore store;
  private final ExchangeLog exchanges;
  private final Editions editions;
  private final Clock clock;
  private final UpkeepSettings usual;
  private volatile @Nullable TidiedView tidied;

  Upkeep(
      UpkeepStore store,
      ExchangeLog exchanges,
      Editions editions,
      Clock clock,
      @Value("${mapsel.exchanges.age}") Duration exchangeAge,
      @Value("${mapsel.exchanges.size}") DataSize exchangeSize,
      @Value("${mapsel.editions.age}") Duration editionAge) {
    this.store = store;
    this.exchanges = exchanges;
    this.editions = editions;
    this.clock = clock;
    this.usual =
        new UpkeepSettings(
            Math.toIntExact(exchangeAge.toDays()),
            Math.toIntExact(exchangeSize.toMegabytes()),
            Math.toIntExact(editionAge.toDays()));
  }

  UpkeepView view() {
    return new UpkeepView(settings(), store.held(), store.bytes(), tidied);
  }

  private UpkeepSettings settings() {
    return store.settings().orElse(usual);
  }

  void set(UpkeepSettings settings) {
    store.put(settings.within());
  }

  @Scheduled(initialDelay = 60_000, fixedDelay = 3_600_000)
  synchronized void tidy() {
    UpkeepSettings settings = settings();
    OffsetDateTime now = OffsetDateTime.now(clock);
    int exchangesGone =
        exchanges.trim(
            now.minusDays(settings.exchangeDays()),
            DataSize.ofMegabytes(settings.exchangeMegabytes()));
    int editionsGone = editions.removeUnused(now.minusDays(settings.editionDays()));
    tidied = new TidiedView(now, exchangesGone, editionsGone);
    if (exchangesGone + editionsGone > 0) {
      LOG.info("{} old exchanges and {} editions were removed", exchangesGone, editionsGone);
    }
  }
}
