package org.mapsel.core.page.edit;

import java.util.Optional;
import java.util.stream.Stream;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.page.Folio;

/** What a start page may be. */
public final class FolioRules {

  /** In more sections or entries nobody finds anything. */
  private static final int MOST = 500;

  private static final int LONGEST = 400;

  private FolioRules() {}

  /** What is wrong with a start page; nothing if it may be kept. */
  public static Optional<Finding> problem(Folio folio) {
    if (folio.sections().size() > MOST || folio.entries().size() > MOST) {
      return Optional.of(Finding.error("APP_START_TOO_LARGE", "limit", String.valueOf(MOST)));
    }
    if (folio.entries().stream().anyMatch(entry -> entry.name().isBlank())) {
      return Optional.of(Finding.error("APP_NAME_EMPTY"));
    }
    return texts(folio).anyMatch(text -> text.length() > LONGEST)
        ? Optional.of(Finding.error("APP_LINE_TOO_LONG", "limit", String.valueOf(LONGEST)))
        : Optional.empty();
  }

  private static Stream<String> texts(Folio folio) {
    return Stream.concat(
        folio.sections().stream().map(Folio.Section::title),
        folio.entries().stream()
            .flatMap(
                entry ->
                    Stream.of(
                        entry.name(),
                        entry.line(),
                        entry.figure().map(Folio.Figure::words).orElse(""))));
  }
}
