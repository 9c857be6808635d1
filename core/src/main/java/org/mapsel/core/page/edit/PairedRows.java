package org.mapsel.core.page.edit;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.mapping.Reach;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.Slot;
import org.mapsel.core.pairing.Grade;
import org.mapsel.core.pairing.Pairer;
import org.mapsel.core.pairing.Pairing;
import org.mapsel.core.pairing.PairingField;
import org.mapsel.core.pairing.PairingFields;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.ref.SlotId;
import org.mapsel.core.shape.Hints;
import org.mapsel.core.shape.ValueType;

/**
 * Gives what stands in the rows of a part, and what uses the chosen one, the fields of other rows:
 * each the one that belongs to it, as far as that is likely. What has none stays as it is and is
 * found missing.
 */
final class PairedRows {

  private final Page page;
  private final PartId part;
  private final Map<FieldPath, Pairing.Pair> pairs = new HashMap<>();

  private PairedRows(Page page, PartId part, Pairing pairing) {
    this.page = page;
    this.part = part;
    for (Pairing.Pair pair : pairing.pairs()) {
      if (pair.grade() != Grade.GUESS) {
        pairs.put(pair.left().path(), pair);
      }
    }
  }

  /** The page with a slot filled; other than before only if it is the rows of a part. */
  static Page of(Editing editing, Page before, Page filled, SlotId.OfPart slot) {
    if (!slot.name().equals(Part.OverRows.ROWS)) {
      return filled;
    }
    Optional<Reach.Typed> was = editing.reach(before).outside().chosen(slot.owner());
    Optional<Reach.Typed> is = editing.reach(filled).outside().chosen(slot.owner());
    if (was.isEmpty() || is.isEmpty() || isSame(was.get(), is.get())) {
      return filled;
    }
    Pairing pairing = new Pairer(editing.lexicon()).pair(fields(was.get()), fields(is.get()));
    return new PairedRows(filled, slot.owner(), pairing).page();
  }

  private static boolean isSame(Reach.Typed was, Reach.Typed is) {
    return was.service().equals(is.service())
        && was.type() instanceof ValueType.Shaped one
        && is.type() instanceof ValueType.Shaped other
        && one.shape().equals(other.shape());
  }

  private static List<PairingField> fields(Reach.Typed rows) {
    return rows.type() instanceof ValueType.Shaped shaped
        ? PairingFields.of(
            shaped.shapes(),
            shaped.shape(),
            FieldPath.ROOT,
            Hints.Direction.RETURNED_ONLY,
            List.of())
        : List.of();
  }

  private Page page() {
    Page paired = page;
    for (Slot slot : page.slots()) {
      Optional<Mapping> mapping = mapping(slot.id(), slot.mapping().source());
      paired = mapping.isPresent() ? paired.with(slot.id(), mapping) : paired;
    }
    return paired;
  }

  private Optional<Mapping> mapping(SlotId slot, Source source) {
    return switch (source) {
      case Source.Row row ->
          isInRows(slot) ? pair(row.path()).map(to -> mapping(to, Source.Row::new)) : none();
      case Source.Chosen chosen ->
          chosen.part().equals(part)
              ? pair(chosen.path()).map(to -> mapping(to, path -> new Source.Chosen(part, path)))
              : none();
      default -> none();
    };
  }

  private static Optional<Mapping> none() {
    return Optional.empty();
  }

  private Optional<Pairing.Pair> pair(FieldPath path) {
    return Optional.ofNullable(pairs.get(path));
  }

  private static Mapping mapping(Pairing.Pair pair, Function<FieldPath, Source> source) {
    return new Mapping(source.apply(pair.right().path()), pair.likely());
  }

  /** Whether a slot is of something that stands in every row. */
  private boolean isInRows(SlotId slot) {
    if (!(slot instanceof SlotId.OfPart owned)) {
      return false;
    }
    boolean item =
        page.item(owned.owner()).filter(inside -> inside.part().id().equals(part)).isPresent();
    boolean button =
        page.part(owned.owner())
            .flatMap(standing -> standing.frame().within())
            .filter(part::equals)
            .isPresent();
    return item || button;
  }
}
