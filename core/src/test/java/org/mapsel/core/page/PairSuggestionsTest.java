package org.mapsel.core.page;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.mapsel.core.appfile.AppFile;
import org.mapsel.core.page.edit.RefusePair;
import org.mapsel.core.page.offer.PairSuggestion;
import org.mapsel.core.page.offer.PairSuggestions;
import org.mapsel.core.page.reach.PageReach;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.service.Service;
import org.mapsel.core.testing.Descriptions;
import org.mapsel.core.testing.PageBench;

/** What is suggested to belong to the parameters of a call, and what somebody said does not. */
class PairSuggestionsTest {

  private static final Service BERTHS = Descriptions.service("/descriptions/pairs-parts.yaml");

  private final PageBench bench = new PageBench().with("berths", BERTHS);

  private List<PairSuggestion> suggested() {
    Page page = bench.page();
    PageReach reach = new PageReach(bench.app(), page, bench.lookup());
    return new PairSuggestions(bench.app(), page, reach).of(page.calls().getLast());
  }

  @Test
  void whatWasTakenOutIsNeverOfferedAgainButTheRestIs() {
    bench.start("berths", "readBerth");
    bench.add("berths", "book");
    List<PairSuggestion> before = suggested();
    assertThat(before)
        .extracting(PairSuggestion::parameter)
        .contains(FieldPath.of("berthCode"), FieldPath.of("basin"));
    PairSuggestion wrong =
        before.stream()
            .filter(one -> one.parameter().equals(FieldPath.of("basin")))
            .findFirst()
            .orElseThrow();

    bench.edit(
        new RefusePair(
            bench.page().id(),
            bench.page().calls().getLast().id(),
            wrong.parameter(),
            wrong.given()));

    assertThat(suggested())
        .extracting(PairSuggestion::parameter, PairSuggestion::given)
        .contains(tuple(FieldPath.of("berthCode"), before.getFirst().given()))
        .doesNotContain(tuple(wrong.parameter(), wrong.given()));
    assertThat(AppFile.read(AppFile.write(bench.app())).get().refused())
        .isEqualTo(bench.app().refused());
  }
}
