package org.mapsel.core.page.kind;

import java.util.Optional;
import org.mapsel.core.mapping.Expected;
import org.mapsel.core.page.Input;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.reach.PageReach;
import org.mapsel.core.ref.SlotId;
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
              .orElseGet(() -> ofItem(page, reach, part));
    };
  }

  private static Expected ofItem(Page page, PageReach reach, SlotId.OfPart slot) {
    return page.item(slot.owner())
        .map(Page.Inside::item)
        .filter(Input.class::isInstance)
        .flatMap(input -> reach.outside().entered(input.id()))
        .map(Expected::of)
        .orElse(Expected.ANYTHING);
  }
}
