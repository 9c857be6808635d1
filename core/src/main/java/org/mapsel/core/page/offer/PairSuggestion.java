package org.mapsel.core.page.offer;

import java.util.List;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.pairing.Grade;
import org.mapsel.core.ref.FieldPath;

/**
 * A parameter and what on the page looks to belong to it.
 *
 * @param reasons in words, the weightiest first
 */
public record PairSuggestion(
    FieldPath parameter, Source source, double score, Grade grade, List<String> reasons) {
  public PairSuggestion {
    reasons = List.copyOf(reasons);
  }
}
