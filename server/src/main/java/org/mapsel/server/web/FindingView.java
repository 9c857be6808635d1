package org.mapsel.server.web;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.FindingText;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.Place;

/** A finding with its sentences, and the place and field it is about where it has one. */
public record FindingView(
    String severity,
    String code,
    String message,
    String advice,
    @Nullable String document,
    @Nullable Integer line,
    @Nullable Integer column,
    @Nullable FieldPath field) {

  public static FindingView of(Finding finding) {
    Optional<Place> place = finding.places().stream().findFirst();
    Optional<Place> known = place.filter(at -> at.line() > 0);
    return new FindingView(
        finding.severity().name().toLowerCase(Locale.ROOT),
        finding.code(),
        FindingText.message(finding),
        FindingText.advice(finding),
        place.map(Place::document).orElse(null),
        known.map(Place::line).orElse(null),
        known.map(Place::column).orElse(null),
        finding.field().orElse(null));
  }

  public static List<FindingView> of(List<Finding> findings) {
    return findings.stream().map(FindingView::of).toList();
  }
}
