package org.mapsel.core.page.kind;

import java.util.Optional;
import org.mapsel.core.mapping.Expected;
import org.mapsel.core.page.Action;
import org.mapsel.core.page.Input;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Reaction;
import org.mapsel.core.page.reach.PageReach;
import org.mapsel.core.ref.SlotId;
import org.mapsel.core.shape.ScalarType;
import org.mapsel.core.shape.ValueType;

/** What slots take. */
public final class SlotTypes {

  private SlotTypes() {}

  public static Expected expected(Page page, PageReach reach, SlotId slot) {
    return switch (slot) {
      case SlotId.OfParameter parameter ->
          Optional.ofNullable(reach.parameters(parameter.call()).get(parameter.parameter()))
              .flatMap(
                  row ->
                      reach
                          .pinned(parameter.call())
                          .map(
                              there ->
                                  Expected.of(
                                      ValueType.of(
                                          there.service().shapes(),
                                          row.field().shape(),
                                          row.repeats()))))
              .orElse(Expected.ANYTHING);
      case SlotId.OfPart part ->
          page.part(part.owner())
              .map(owner -> PartKinds.expects(owner, part.name()))
              .or(
                  () ->
                      page.step(part.owner())
                          .map(step -> ofStep(reach, step.action(), part.name())))
              .or(() -> condition(part))
              .orElseGet(() -> ofItem(page, reach, part));
    };
  }

  private static Optional<Expected> condition(SlotId.OfPart slot) {
    return slot.name().equals(Reaction.CONDITION)
        ? Optional.of(Expected.one(ScalarType.BOOLEAN))
        : Optional.empty();
  }

  private static Expected ofStep(PageReach reach, Action action, String slot) {
    if (slot.equals(Reaction.CONDITION)) {
      return Expected.one(ScalarType.BOOLEAN);
    }
    return switch (action) {
      case Action.SetInput set ->
          reach.outside().entered(set.input()).map(Expected::of).orElse(Expected.ANYTHING);
      case Action.GoTo go ->
          reach.argument(go.page(), slot).map(Expected::of).orElse(Expected.ANYTHING);
      case Action.Say say -> Expected.one(ScalarType.TEXT);
      case Action.Ask ask -> Expected.one(ScalarType.TEXT);
      case Action.OpenAddress open -> Expected.one(ScalarType.TEXT);
      case Action.MakeCall call -> Expected.ANYTHING;
      case Action.Clear clear -> Expected.ANYTHING;
      case Action.GoBack back -> Expected.ANYTHING;
      case Action.Stop stop -> Expected.ANYTHING;
    };
  }

  private static Expected ofItem(Page page, PageReach reach, SlotId.OfPart slot) {
    return page.item(slot.owner())
        .map(Page.Inside::item)
        .filter(item -> item instanceof Input && slot.name().equals(Input.START))
        .flatMap(input -> reach.outside().entered(input.id()))
        .map(Expected::of)
        .orElse(Expected.ANYTHING);
  }
}
