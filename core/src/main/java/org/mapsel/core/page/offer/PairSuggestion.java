package org.mapsel.core.page.offer;

import java.util.List;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.pairing.Grade;
import org.mapsel.core.ref.FieldPath;

/**
 * A parameter and what on the page looks to belong to it.
 *
 * @param given the name of what holds it on the page, and the way in that
 * @param reasons in words, the weightiest first
 */
public record PairSuggestion(
    FieldPath parameter,
    FieldPath given,
    Source source,
    double score,
    Grade grade,
    List<String> reasons) {
  public PairSuggestion {
    reasons = List.copyOf(reasons);
  }
}
