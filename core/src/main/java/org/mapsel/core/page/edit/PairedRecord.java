package org.mapsel.core.page.edit;

import java.util.List;
import java.util.Optional;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.mapping.MappingPlanner;
import org.mapsel.core.mapping.Reach;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.page.Call;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.ServiceLookup.Pinned;
import org.mapsel.core.page.kind.SlotTypes;
import org.mapsel.core.page.reach.PageReach;
import org.mapsel.core.pairing.Grade;
import org.mapsel.core.pairing.Pairer;
import org.mapsel.core.pairing.Pairing;
import org.mapsel.core.pairing.PairingFields;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.SlotId;
import org.mapsel.core.shape.FieldTree;
import org.mapsel.core.shape.Hints;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.ValueType;

/**
 * Fills the fields of a parameter that takes records of another type than the one it is given: each
 * from the field of the row that belongs to it, as far as that is likely.
 */
final class PairedRecord {

  private PairedRecord() {}

  static Page of(Editing editing, Page filled, SlotId.OfParameter slot) {
    PageReach reach = editing.reach(filled);
    Call call = editing.call(filled, slot.call());
    FieldTree.Row row = reach.parameters(call.id()).get(slot.parameter());
    Optional<Source> source = call.mapping(slot.parameter()).map(Mapping::source);
    Optional<Pinned> pinned = reach.pinned(call.id());
    if (source.isEmpty()
        || pinned.isEmpty()
        || row == null
        || !(row.shape() instanceof Shape.Record)
        || hasFilledFields(call, slot.parameter())) {
      return filled;
    }
    Reach around = reach.of(slot);
    MappingPlanner planner = new MappingPlanner(editing.app().model());
    if (!(planner.typeOf(source.get(), around).orElse(null) instanceof ValueType.Shaped given)) {
      return filled;
    }
    boolean same =
        given.shape().equals(row.shape().id())
            && reach.service(source.get(), around).filter(call.service()::equals).isPresent();
    return same
        ? filled
        : paired(editing, filled, slot, pairing(editing, pinned.get(), row, given));
  }

  private static Pairing pairing(
      Editing editing, Pinned pinned, FieldTree.Row row, ValueType.Shaped given) {
    return new Pairer(editing.lexicon())
        .pair(
            PairingFields.of(
                pinned.service().shapes(),
                row.shape().id(),
                FieldPath.ROOT,
                Hints.Direction.SENT_ONLY,
                List.of()),
            PairingFields.of(
                given.shapes(),
                given.shape(),
                FieldPath.ROOT,
                Hints.Direction.RETURNED_ONLY,
                List.of()));
  }

  private static Page paired(
      Editing editing, Page filled, SlotId.OfParameter slot, Pairing pairing) {
    Page after = filled;
    for (Pairing.Pair pair : pairing.pairs()) {
      SlotId inside =
          new SlotId.OfParameter(
              slot.page(), slot.call(), slot.parameter().then(pair.left().path()));
      Mapping mapping = new Mapping(new Source.Row(pair.right().path()), pair.likely());
      Page tried = after.with(inside, Optional.of(mapping));
      PageReach reach = editing.reach(tried);
      boolean fits =
          pair.grade() != Grade.GUESS
              && new MappingPlanner(editing.app().model())
                  .plan(mapping, SlotTypes.expected(tried, reach, inside), reach.of(inside))
                  .value()
                  .isPresent();
      after = fits ? tried : after;
    }
    return after;
  }

  private static boolean hasFilledFields(Call call, FieldPath record) {
    return call.parameters().stream()
        .anyMatch(
            other -> other.path().length() > record.length() && other.path().startsWith(record));
  }
}
