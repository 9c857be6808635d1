package org.mapsel.server.runs;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.Duration;
import java.time.OffsetDateTime;
import java.util.Locale;
import java.util.Optional;
import org.mapsel.core.page.view.PageView;
import org.mapsel.core.page.view.PartView;
import org.mapsel.server.runs.RunViews.FigureView;
import org.springframework.stereotype.Component;

/**
 * What parts of pages say when the pages have just been opened, for start pages. Many visitors look
 * at one figure, so services are asked for it once a minute at most.
 */
@Component
class Figures {

  private static final Duration FRESH = Duration.ofMinutes(1);
  private static final int REMEMBERED = 500;

  private record Key(String app, String page, String part, boolean draft, Locale locale) {}

  private final Runs runs;
  private final Clock clock;
  private final Cache<Key, FigureView> figures =
      Caffeine.newBuilder().maximumSize(REMEMBERED).expireAfterWrite(FRESH).build();

  Figures(Runs runs, Clock clock) {
    this.runs = runs;
    this.clock = clock;
  }

  FigureView get(String app, String page, String part, boolean draft, Locale locale) {
    return figures.get(
        new Key(app, page, part, draft, locale),
        key ->
            new FigureView(
                text(runs.glance(app, page, draft, locale), part).orElse(null),
                OffsetDateTime.now(clock)));
  }

  private static Optional<String> text(PageView page, String part) {
    return page.parts().stream()
        .filter(one -> one.id().text().equals(part))
        .findFirst()
        .flatMap(Figures::text);
  }

  private static Optional<String> text(PartView part) {
    return switch (part) {
      case PartView.TextView text -> Optional.of(text.heading());
      case PartView.TableView table -> Optional.of(String.valueOf(table.rows().all()));
      case PartView.CardsView cards -> Optional.of(String.valueOf(cards.rows().all()));
      default -> Optional.empty();
    };
  }
}
