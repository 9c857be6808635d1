package org.mapsel.core.page;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.mapsel.core.appfile.AppFile;
import org.mapsel.core.finding.FindingText;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.page.check.AppFinding;
import org.mapsel.core.page.edit.FillSlot;
import org.mapsel.core.page.edit.RefusePair;
import org.mapsel.core.page.offer.AcceptedPairs;
import org.mapsel.core.page.offer.PairSuggestion;
import org.mapsel.core.page.offer.PairSuggestions;
import org.mapsel.core.page.reach.PageReach;
import org.mapsel.core.pairing.LearnedWords;
import org.mapsel.core.pairing.Lexicon;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.ref.SlotId;
import org.mapsel.core.service.SeenSamples;
import org.mapsel.core.service.Service;
import org.mapsel.core.testing.Descriptions;
import org.mapsel.core.testing.PageBench;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.TextValue;

/** What is suggested to belong to the parameters of a call, and what somebody said does not. */
class PairSuggestionsTest {

  private static final Service BERTHS = Descriptions.service("/descriptions/pairs-parts.yaml");

  private final PageBench bench = new PageBench().with("berths", BERTHS);

  private PairSuggestions suggestions() {
    return suggestions(SeenSamples.NONE);
  }

  private PairSuggestions suggestions(SeenSamples seen) {
    Page page = bench.page();
    PageReach reach = new PageReach(bench.app(), page, bench.lookup());
    return new PairSuggestions(bench.app(), page, reach, Lexicon.shipped(), seen);
  }

  private List<PairSuggestion> suggested() {
    return suggestions().of(bench.page().calls().getLast()).pairs();
  }

  @Test
  void whatWasTakenOutIsNeverOfferedAgainButTheRestIs() {
    bench.start("berths", "readBerth");
    bench.add("berths", "book");
    List<PairSuggestion> before = suggested();
    assertThat(before)
        .extracting(one -> one.parameter().parameter())
        .contains(FieldPath.of("berthCode"), FieldPath.of("basin"));
    PairSuggestion wrong =
        before.stream()
            .filter(one -> one.parameter().parameter().equals(FieldPath.of("basin")))
            .findFirst()
            .orElseThrow();

    bench.edit(
        new RefusePair(
            bench.page().id(),
            bench.page().calls().getLast().id(),
            wrong.parameter().parameter(),
            wrong.given()));

    assertThat(suggested())
        .extracting(one -> one.parameter().parameter(), PairSuggestion::given)
        .contains(tuple(FieldPath.of("berthCode"), before.getFirst().given()))
        .doesNotContain(tuple(wrong.parameter().parameter(), wrong.given()));
    assertThat(AppFile.read(AppFile.write(bench.app())).get().refused())
        .isEqualTo(bench.app().refused());
  }

  @Test
  void whatIsOnlyLikelyIsToldUntilSomebodyLookedAtIt() {
    bench.start("berths", "readBerth");
    bench.add("berths", "book");
    PairSuggestion pair = suggested().getFirst();
    bench.edit(new FillSlot(pair.slot(), Optional.of(pair.source()), Optional.of("same place")));

    List<AppFinding> told = told();
    assertThat(told)
        .singleElement()
        .satisfies(
            found ->
                assertThat(FindingText.lines(List.of(found.finding())).toString())
                    .contains("berthCode was paired with berthCode of readBerth: same place"));
    assertThat(AppFile.read(AppFile.write(bench.app())).get()).isEqualTo(bench.app());

    bench.edit(told.getFirst().repairs().getFirst().edit());
    assertThat(told()).isEmpty();
    assertThat(bench.page().mapping(pair.slot())).contains(new Mapping(pair.source()));
  }

  private List<AppFinding> told() {
    return bench.check().findings().stream()
        .filter(found -> found.finding().code().equals("PAGE_PAIR_LIKELY"))
        .toList();
  }

  @Test
  void inputsBeginWithWhatBelongsToThemButNotWithWhatTheyAskFor() {
    bench.start("berths", "readBerth");
    bench.add("berths", "book");
    Part.Form form =
        (Part.Form)
            bench.page().parts().stream()
                .filter(Part.Form.class::isInstance)
                .reduce((one, other) -> other)
                .orElseThrow();

    List<PairSuggestion> found = suggestions().of(form).pairs();

    assertThat(found)
        .extracting(one -> one.parameter().parameter().toString(), PairSuggestion::given)
        .contains(
            tuple(
                "berthCode",
                FieldPath.of(bench.page().calls().getFirst().id().text(), "berthCode")));
    PairSuggestion first = found.getFirst();
    bench.edit(new FillSlot(first.slot(), Optional.of(first.source()), Optional.of("place")));
    assertThat(told())
        .singleElement()
        .satisfies(
            one -> assertThat(one.finding().arguments()).containsEntry("field", "Berth code"));
    Part.Form filled = (Part.Form) bench.page().part(form.id()).orElseThrow();
    assertThat(suggestions().of(filled).pairs())
        .extracting(PairSuggestion::slot)
        .doesNotContain(found.getFirst().slot());
  }

  @Test
  void equalValuesInSamplesPairWhatIsNamedDifferently() {
    bench.start("berths", "readBerth");
    bench.add("berths", "tow");
    Call tow = bench.page().calls().getLast();
    assertThat(suggestions().of(tow).pairs()).isEmpty();

    List<PairSuggestion> found =
        suggestions(
                new SeenSamples() {
                  @Override
                  public List<RecordValue> sent(String service, OperationId operation) {
                    return records(operation.text().equals("tow"), "destination");
                  }

                  @Override
                  public List<RecordValue> answered(String service, OperationId operation) {
                    return records(operation.text().equals("readBerth"), "berthCode");
                  }
                })
            .of(tow)
            .pairs();

    assertThat(found)
        .singleElement()
        .satisfies(
            pair -> {
              assertThat(pair.given().last()).isEqualTo("berthCode");
              assertThat(pair.reasons()).contains("3 of 3 sample values equal");
            });
  }

  private static List<RecordValue> records(boolean any, String field) {
    return any
        ? Stream.of("NQ-11", "NQ-12", "SB-02")
            .map(berth -> RecordValue.of(Map.of(field, new TextValue(berth))))
            .toList()
        : List.of();
  }

  @Test
  void whatStaysEmptyHasItsBestCandidates() {
    bench.start("berths", "readBerth");
    bench.add("berths", "book");

    PairSuggestions.Found found = suggestions().of(bench.page().calls().getLast());

    assertThat(found.next())
        .allSatisfy(
            next ->
                assertThat(found.pairs())
                    .extracting(PairSuggestion::slot)
                    .doesNotContain(next.slot()));
  }

  @Test
  void whatPeopleChooseTellsWhichWordsMeanTheSame() {
    bench.start("berths", "readBerth");
    bench.add("berths", "book");
    App before = bench.app();
    Call book = bench.page().calls().getLast();
    FieldPath basin = FieldPath.of("basin");
    SlotId slot = new SlotId.OfParameter(bench.page().id(), book.id(), basin);
    Source depth =
        new Source.Returned(bench.page().calls().getFirst().id(), FieldPath.of("berthCode"));
    bench.edit(new FillSlot(slot, Optional.of(depth), Optional.of("place")));
    assertThat(AcceptedPairs.between(before, bench.app())).isEmpty();
    App likely = bench.app();
    bench.edit(new FillSlot(slot, Optional.of(depth)));

    assertThat(AcceptedPairs.between(likely, bench.app()))
        .containsExactly(new AcceptedPairs.Names("basin", "berthCode"));
    assertThat(LearnedWords.of("stand_code", "berthCode", Lexicon.shipped()))
        .contains(Set.of("stand", "berth"));
    assertThat(LearnedWords.of("basin", "berthCode", Lexicon.shipped())).isEmpty();
    assertThat(LearnedWords.of("qty", "quantity", Lexicon.shipped())).isEmpty();
  }
}
