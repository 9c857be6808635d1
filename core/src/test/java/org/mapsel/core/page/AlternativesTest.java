package org.mapsel.core.page;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.mapsel.core.json.ValueJson;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.page.edit.FillFromInput;
import org.mapsel.core.page.edit.FillSlot;
import org.mapsel.core.page.edit.RemoveItem;
import org.mapsel.core.page.reach.Alternatives;
import org.mapsel.core.page.reach.PageReach;
import org.mapsel.core.page.run.PageEffect;
import org.mapsel.core.page.view.PartView;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.SlotId;
import org.mapsel.core.testing.PageBench;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;

/** Parameters that are one of several things, and visitors who choose which. */
class AlternativesTest {

  private static final FieldPath WAY = FieldPath.of("body", "way");

  private static PageBench notices() {
    return new PageBench()
        .with("notices", "/descriptions/alternatives-parts.yaml")
        .start("notices", "sendNotice");
  }

  /** What visitors are asked for just now. */
  private static List<String> asked(PageBench bench) {
    return bench.view().parts().stream()
        .filter(PartView.FormView.class::isInstance)
        .flatMap(form -> ((PartView.FormView) form).inputs().stream())
        .map(PartView.InputView::label)
        .toList();
  }

  private static String sent(PageBench bench) {
    List<PageEffect> effects = bench.press();
    assertThat(effects).as("%s", bench.state().messages()).hasSize(1);
    return ValueJson.write(((PageEffect.RunCall) effects.getFirst()).parameters()).toString();
  }

  @Test
  void aFreshFormAsksWhichAndThenForWhatIsInIt() {
    PageBench bench = notices();

    assertThat(bench.findings()).isEmpty();
    assertThat(asked(bench)).containsExactly("Words", "Way");
    bench.type("Words", "Fog").type("Way", "ByLetter");
    assertThat(asked(bench)).containsExactly("Words", "Way", "Address", "Seal");
    assertThat(bench.press()).isEmpty();
    assertThat(bench.state().messages()).anyMatch(message -> message.text().contains("Address"));
    bench.type("Address", "Quay 4");
    assertThat(sent(bench))
        .isEqualTo(
            "{\"body\":{\"words\":\"Fog\",\"way\":{\"ByLetter\":{\"address\":\"Quay 4\"}}}}");
  }

  @Test
  void whatWasTypedForAnotherAlternativeIsNotSent() {
    PageBench bench = notices();
    bench.type("Words", "Fog").type("Way", "ByLetter").type("Address", "Quay 4");

    bench.type("Way", "ByRadio");
    assertThat(asked(bench)).containsExactly("Words", "Way", "Channel", "Times");
    bench.type("Channel", "12").type("Times", "Often").type("Minutes", "5");
    assertThat(sent(bench))
        .isEqualTo(
            "{\"body\":{\"words\":\"Fog\",\"way\":{\"ByRadio\":"
                + "{\"channel\":\"12\",\"times\":{\"Often\":{\"minutes\":\"5\"}}}}}}");
    bench.type("Way", "OnBoard");
    assertThat(sent(bench)).isEqualTo("{\"body\":{\"words\":\"Fog\",\"way\":{\"OnBoard\":{}}}}");
    bench.type("Way", "");
    assertThat(bench.press()).isEmpty();
  }

  @Test
  void alternativesOfAMessageInXmlAreChosenToo() {
    PageBench bench =
        new PageBench()
            .with("dredging", "/descriptions/dredging.wsdl")
            .start("dredging", "FindJobs");

    assertThat(asked(bench)).contains("Choice").doesNotContain("Day", "From");
    assertThat(sent(bench)).isEqualTo("{}");
    bench.type("Choice", "day").type("Day", "2031-05-14");
    assertThat(sent(bench)).isEqualTo("{\"choice\":{\"day\":\"2031-05-14\"}}");
  }

  @Test
  void whatWasSentIsTheNameOfTheAlternativeOnlyWhereOneIsChosen() {
    PageBench bench = notices();
    Alternatives alternatives =
        new PageReach(bench.app(), bench.page(), bench.lookup()).alternatives();
    Value one = RecordValue.of(Map.of("OnBoard", RecordValue.empty()));

    assertThat(alternatives.given((SlotId.OfParameter) bench.parameter("body", "way"), one))
        .isEqualTo(Value.text("OnBoard"));
    assertThat(alternatives.given((SlotId.OfParameter) bench.parameter("body", "words"), one))
        .as("what holds one value for another reason")
        .isEqualTo(one);
  }

  @Test
  void onlyWhatCanBeSentIsOffered() {
    PageBench bench = notices();
    Input way = (Input) bench.item("Way");
    bench.edit(new RemoveItem(bench.page().id(), bench.item("Channel").id()));
    bench.edit(new RemoveItem(bench.page().id(), bench.item("Times").id()));
    bench.edit(new RemoveItem(bench.page().id(), bench.item("At").id()));
    bench.edit(new RemoveItem(bench.page().id(), bench.item("Minutes").id()));

    assertThat(bench.plan().inputs().get(way.id()).look().choices())
        .extracting(choice -> choice.code())
        .containsExactly("ByLetter", "OnBoard");
  }

  @Test
  void oneAlternativeMayBeSentAlways() {
    PageBench bench = notices();
    SlotId slot = bench.parameter("body", "way");
    bench.edit(new FillSlot(slot, Optional.of(new Source.Fixed("OnBoard"))));
    bench.type("Words", "Fog");

    assertThat(asked(bench)).containsExactly("Words", "Quay");
    assertThat(sent(bench)).isEqualTo("{\"body\":{\"words\":\"Fog\",\"way\":{\"OnBoard\":{}}}}");
    assertThat(bench.refused(new FillSlot(slot, Optional.of(new Source.Fixed("ByBoat")))))
        .containsExactly("MAPPING_ALTERNATIVE_UNKNOWN");
  }

  @Test
  void whatIsNeededAndNotChosenIsFoundAndAskedFor() {
    PageBench bench = notices();
    Call bare = bench.call().withParameters(List.of());
    Page page = bench.page().with(bare);
    bench.app(bench.app().with(page.withParts(List.of(bench.part(Part.Button.class)))));
    assertThat(bench.findings())
        .containsExactly("PAGE_PARAMETER_UNFILLED", "PAGE_PARAMETER_UNFILLED");

    bench.edit(new FillFromInput(bench.page().id(), bench.call().id(), WAY));
    assertThat(bench.findings()).containsExactly("PAGE_PARAMETER_UNFILLED");
    bench.type("Way", "ByRadio");
    assertThat(asked(bench)).containsExactly("Way", "Channel", "Times");
    assertThat(bench.call().mapping(WAY))
        .contains(new Mapping(new Source.Entered(bench.item("Way").id())));
    assertThat(
            bench.refused(
                new FillFromInput(
                    bench.page().id(), bench.call().id(), FieldPath.of("body", "copies"))))
        .containsExactly("APP_PARAMETER_MISSING");
  }
}
