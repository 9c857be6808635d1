package org.mapsel.core.page;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.mapsel.core.model.Choice;
import org.mapsel.core.model.FieldRef;
import org.mapsel.core.model.Overrides;
import org.mapsel.core.page.edit.ChooseFrom;
import org.mapsel.core.page.edit.SetModelField;
import org.mapsel.core.page.offer.ChoiceOffers;
import org.mapsel.core.page.offer.ChoiceOffers.ChoiceOffer;
import org.mapsel.core.page.reach.PageReach;
import org.mapsel.core.page.run.PageEffect;
import org.mapsel.core.page.run.PageEvent;
import org.mapsel.core.page.view.PartView;
import org.mapsel.core.pairing.Lexicon;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.SeenSamples;
import org.mapsel.core.service.Service;
import org.mapsel.core.testing.Client;
import org.mapsel.core.testing.Descriptions;
import org.mapsel.core.testing.PageBench;
import org.mapsel.core.value.Value;

/** What is typed into an input, chosen instead from what another operation returns. */
class ChoicesFromOperationsTest {

  private static final Service CALLS = Descriptions.service("/descriptions/choices-parts.yaml");

  private final PageBench bench = new PageBench().with("calls", CALLS).start("calls", "getPicture");

  private PartId hull() {
    return bench.item("Hull number").id();
  }

  private List<ChoiceOffer> offers() {
    Set<OperationId> taken =
        CALLS.operations().stream().map(Operation::id).collect(Collectors.toSet());
    return new ChoiceOffers(
            bench.app().model(),
            bench.page(),
            new PageReach(bench.app(), bench.page(), bench.lookup()),
            Lexicon.shipped(),
            SeenSamples.NONE)
        .of(hull(), List.of(new ChoiceOffers.Candidate("calls", CALLS, taken)));
  }

  private ChooseFrom choosing(ChoiceOffer offer, FieldPath rows) {
    return new ChooseFrom(
        bench.page().id(),
        hull(),
        offer.service(),
        "calls",
        offer.operation(),
        CALLS.endpoints().getFirst().id(),
        rows,
        offer.value(),
        offer.words());
  }

  @Test
  void listsAreOfferedThatHoldWhatIsAskedFor() {
    assertThat(offers())
        .as("what changes something is called by nobody who only opens a page")
        .singleElement()
        .satisfies(
            offer -> {
              assertThat(offer.operation()).isEqualTo(new OperationId("listCalls"));
              assertThat(offer.rows()).isEqualTo(FieldPath.of("calls"));
              assertThat(offer.value()).isEqualTo(FieldPath.of("vessel", "hullNumber"));
              assertThat(offer.words()).isEqualTo(FieldPath.of("vessel", "vesselName"));
            });
  }

  @Test
  void whatPeopleReadIsTheTitleThatTheModelSays() {
    Operation list = Descriptions.operation(CALLS, "listCalls");
    FieldRef flag =
        FieldRef.at("calls", CALLS.shapes(), list.output(), FieldPath.of("calls", "vessel", "flag"))
            .orElseThrow();
    bench.start("calls", "listCalls").start("calls", "getPicture");
    Overrides title =
        new Overrides(
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            Optional.of(true),
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            Optional.empty());
    bench.edit(new SetModelField(flag, Optional.empty(), Optional.empty(), title));

    assertThat(offers().getFirst().words()).isEqualTo(FieldPath.of("vessel", "flag"));
  }

  @Test
  void theListIsFetchedAsOftenAsNeededAndChoosingMakesTheCall() {
    ChoiceOffer offer = offers().getFirst();
    bench.edit(choosing(offer, offer.rows()));

    assertThat(bench.findings()).isEmpty();
    assertThat(inputs())
        .extracting(PartView.InputView::label)
        .containsExactly("Day", "Hull number");
    PageEffect.RunCall list = call(bench.step(PageEvent.Opened.ALONE));
    assertThat(list.parameters().get("day").toString()).as("today").contains("2031-05-14");
    bench.step(
        new PageEvent.Answered(
            list,
            Client.json(
                "{'calls':[{'vessel':{'hullNumber':'S-1','vesselName':'Marrow Tern'}},"
                    + "{'vessel':{'hullNumber':'S-2'}}]}"),
            ""));
    assertThat(inputs().getLast().choices())
        .containsExactly(new Choice("S-1", "Marrow Tern"), new Choice("S-2", "S-2"));

    List<PageEffect> chosen = bench.step(new PageEvent.Entered(Map.of(hull(), Value.text("S-2"))));
    assertThat(call(chosen).parameters().get("hullNumber")).isEqualTo(Value.text("S-2"));
    List<PageEffect> other =
        bench.step(
            new PageEvent.Entered(
                Map.of(bench.item("Day").id(), Client.json("{'d':'2031-05-15'}").get("d"))));
    assertThat(call(other).parameters().toMap()).containsOnlyKeys("day");
  }

  @Test
  void whatIsNoListIsNothingToChooseFrom() {
    ChoiceOffer offer = offers().getFirst();

    assertThat(bench.refused(choosing(offer, FieldPath.ROOT)))
        .containsExactly("APP_OPTIONS_NO_ROWS");
  }

  private List<PartView.InputView> inputs() {
    return bench.view().parts().stream()
        .filter(PartView.FormView.class::isInstance)
        .flatMap(part -> ((PartView.FormView) part).inputs().stream())
        .toList();
  }

  private static PageEffect.RunCall call(List<PageEffect> effects) {
    assertThat(effects).hasSize(1);
    return (PageEffect.RunCall) effects.getFirst();
  }
}
