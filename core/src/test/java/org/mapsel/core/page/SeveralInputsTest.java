package org.mapsel.core.page;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.mapsel.core.call.Caller;
import org.mapsel.core.mapping.MappingIn;
import org.mapsel.core.message.Access;
import org.mapsel.core.message.Stamp;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.testing.Descriptions;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.Value;
import tools.jackson.databind.json.JsonMapper;

/** Forms that take any number of values for one parameter. */
class SeveralInputsTest {

  private static final Service TIDES = Descriptions.service("/descriptions/tides.yaml");
  private static final Operation STATIONS = Descriptions.operation(TIDES, "listStations");
  private static final Page PAGE =
      PageStarter.extend(
          PageStarter.empty(new PageId("p"), STATIONS),
          "tides",
          TIDES,
          STATIONS,
          STATIONS.wires().get(0).endpoint(),
          List.of());

  private static String address(Value kinds) {
    Call call = PAGE.calls().get(0);
    return Caller.request(
            TIDES,
            STATIONS,
            call.endpoint(),
            MappingIn.apply(call.goesIn(), Map.of(new PartId("kinds"), kinds)),
            Access.NONE,
            new Stamp(Instant.EPOCH, "1", new byte[] {1}))
        .get()
        .address();
  }

  @Test
  void aRepeatedParameterTakesSeveralValuesAndOthersTakeOne() {
    List<Input> inputs =
        PAGE.parts().stream()
            .filter(Part.Form.class::isInstance)
            .flatMap(form -> ((Part.Form) form).inputs().stream())
            .toList();
    assertThat(inputs).hasSizeGreaterThan(2);
    assertThat(inputs)
        .filteredOn(Input::several)
        .extracting(Input::id)
        .containsExactly(new PartId("kinds"));
  }

  @Test
  void theyTravelTogetherAndEmptyOnesDoNot() {
    ListValue both =
        new ListValue(List.of(Value.text("gauge"), Value.text(""), Value.text("model")));
    assertThat(address(both)).endsWith("/stations?kinds=gauge%7Cmodel");
    assertThat(address(Value.text("gauge"))).endsWith("/stations?kinds=gauge");
    assertThat(address(new ListValue(List.of(Value.text(""))))).endsWith("/stations");
  }

  @Test
  void whatIsRequiredIsMissingWhileAllOfThemAreEmpty() {
    assertThat(MappingIn.isEmpty(new ListValue(List.of()))).isTrue();
    assertThat(MappingIn.isEmpty(new ListValue(List.of(Value.text(""), Value.NULL)))).isTrue();
    assertThat(MappingIn.isEmpty(new ListValue(List.of(Value.text("0"))))).isFalse();
  }

  @Test
  void aPageThatWasKeptBeforeThereWereSeveralIsReadAsItWas() {
    Input kept =
        new JsonMapper()
            .readValue(
                """
                {"id":"day","label":"Day","kind":"DATE","required":true,"choices":[],"initial":"","help":""}""",
                Input.class);
    assertThat(kept.several()).isFalse();
  }
}
