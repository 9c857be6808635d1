package org.mapsel.core.page.trace;

import java.util.List;
import java.util.Optional;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.value.Value;

/**
 * Where a value comes from.
 *
 * @param source as it was mapped
 * @param how how it is made, where that is a formula, a pattern or a key; empty otherwise
 * @param value what the source gives, before it is made to fit
 * @param returned where in an answer it stands; nothing if it stands in none
 * @param from what it is made of in turn
 */
public record Origin(
    Source source, String how, Value value, Optional<InAnswer> returned, List<Origin> from) {

  /**
   * A value in an answer.
   *
   * @param places where it stands, as {@link org.mapsel.core.value.Places} tells it; several where
   *     it is a list, of which only the first are told
   */
  public record InAnswer(CallId call, List<FieldPath> places) {
    public InAnswer {
      places = List.copyOf(places);
    }
  }

  public Origin {
    from = List.copyOf(from);
  }
}
