package org.mapsel.core.page.offer;

import java.util.List;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.pairing.Grade;
import org.mapsel.core.pairing.Pairing;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.SlotId;

/**
 * A slot and what on the page looks to belong to it.
 *
 * @param slot a parameter, or where an input takes its starting value from
 * @param parameter what is compared: that parameter, or the one that the input fills
 * @param given the name of what holds it on the page, and the way in that
 * @param converted what is done to the value on the way, in words; empty if nothing
 */
public record PairSuggestion(
    SlotId slot,
    SlotId.OfParameter parameter,
    FieldPath given,
    Source source,
    String converted,
    Pairing.Pair pair) {

  public double score() {
    return pair.score();
  }

  public Grade grade() {
    return pair.grade();
  }

  /** In words, the weightiest first. */
  public List<String> reasons() {
    return pair.reasons();
  }
}
