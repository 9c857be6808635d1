package org.mapsel.server.upkeep;

import java.time.Clock;
import java.time.Duration;
import java.time.OffsetDateTime;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.mapsel.server.samples.ExchangeLog;
import org.mapsel.server.services.Editions;
import org.mapsel.server.upkeep.UpkeepViews.AppKeeping;
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

  /** Which part of what is let may come in until it is looked at again. */
  private static final int SHARE = 10;

  /** After this, an exchange is over, and what is made of its answer is kept. */
  private static final Duration SETTLED = Duration.ofMinutes(1);

  private final UpkeepStore store;
  private final ExchangeLog exchanges;
  private final Editions editions;
  private final Clock clock;
  private final UpkeepSettings usual;
  private volatile @Nullable TidiedView tidied;
  private long trimmedAt;

  Upkeep(
      UpkeepStore store,
      ExchangeLog exchanges,
      Editions editions,
      Clock clock,
      @Value("${mapsel.exchanges.age}") Duration exchangeAge,
      @Value("${mapsel.exchanges.size}") DataSize exchangeSize,
      @Value("${mapsel.exchanges.visitor-age}") Duration visitorAge,
      @Value("${mapsel.editions.age}") Duration editionAge) {
    this.store = store;
    this.exchanges = exchanges;
    this.editions = editions;
    this.clock = clock;
    this.usual =
        new UpkeepSettings(
            Math.toIntExact(exchangeAge.toDays()),
            Math.toIntExact(exchangeSize.toMegabytes()),
            Math.toIntExact(visitorAge.toDays()),
            List.of(),
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
    int exchangesGone = trim(settings, now, now);
    int editionsGone = editions.removeUnused(now.minusDays(settings.editionDays()));
    tidied = new TidiedView(now, exchangesGone, editionsGone);
    if (exchangesGone + editionsGone > 0) {
      LOG.info("{} old exchanges and {} editions were removed", exchangesGone, editionsGone);
    }
  }

  /** Where much is recorded, an hour is long: what comes in is never far more than what is let. */
  @Scheduled(initialDelay = 10_000, fixedDelay = 10_000)
  synchronized void keepToSize() {
    UpkeepSettings settings = settings();
    int smallest =
        Stream.concat(
                Stream.of(settings.exchangeMegabytes()),
                Objects.requireNonNull(settings.apps()).stream().map(AppKeeping::megabytes))
            .min(Comparator.naturalOrder())
            .orElseThrow();
    long cameIn = exchanges.recorded().toBytes() - trimmedAt;
    if (cameIn > DataSize.ofMegabytes(smallest).toBytes() / SHARE) {
      OffsetDateTime now = OffsetDateTime.now(clock);
      int gone = trim(settings, now, now.minus(SETTLED));
      LOG.debug("{} exchanges were removed after {} bytes came in", gone, cameIn);
    }
  }

  private int trim(UpkeepSettings settings, OffsetDateTime now, OffsetDateTime settled) {
    trimmedAt = exchanges.recorded().toBytes();
    return exchanges.trim(
        limit(now, settings.exchangeDays(), settings.exchangeMegabytes()),
        limits(now, Objects.requireNonNull(settings.apps())),
        now.minusDays(Objects.requireNonNull(settings.visitorDays())),
        settled);
  }

  private static Map<String, ExchangeLog.Limit> limits(OffsetDateTime now, List<AppKeeping> apps) {
    Map<String, ExchangeLog.Limit> limits = new HashMap<>();
    apps.forEach(one -> limits.put(one.app(), limit(now, one.days(), one.megabytes())));
    return limits;
  }

  private static ExchangeLog.Limit limit(OffsetDateTime now, int days, int megabytes) {
    return new ExchangeLog.Limit(now.minusDays(days), DataSize.ofMegabytes(megabytes));
  }
}
