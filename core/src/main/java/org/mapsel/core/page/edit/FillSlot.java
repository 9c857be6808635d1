package org.mapsel.core.page.edit;

import java.util.Optional;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Call;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Part;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.ref.SlotId;

/**
 * Says what fills a slot.
 *
 * @param source nothing empties it: a parameter is left out, an input starts empty
 * @param likely why it looks to belong there, if nobody looked at it; to be looked at later
 */
public record FillSlot(SlotId slot, Optional<Source> source, Optional<String> likely)
    implements AppEdit {

  public FillSlot(SlotId slot, Optional<Source> source) {
    this(slot, source, Optional.empty());
  }

  @Override
  public String title() {
    String what =
        switch (slot) {
          case SlotId.OfParameter parameter -> parameter.parameter().toString();
          case SlotId.OfPart part -> part.name().equals(Part.HEADING) ? "the words" : part.name();
        };
    return source.isPresent() ? "Fill " + what : "Leave " + what + " out";
  }

  @Override
  public App apply(Editing editing) {
    Page known = editing.page(slot.page());
    refuseMissing(editing, known);
    Optional<PartId> before = input(known.mapping(slot));
    Optional<Mapping> wanted = source.map(from -> new Mapping(from, likely.orElse("")));
    Page filled = known.with(slot, wanted);
    if (source.isPresent() && known.mapping(slot).map(Mapping::source).equals(source)) {
      return editing.app().with(filled);
    }
    filled = withoutOrphans(known, filled);
    if (slot instanceof SlotId.OfParameter parameter) {
      filled = PairedRecord.of(editing.after(editing.app().with(filled)), filled, parameter);
    }
    if (slot instanceof SlotId.OfPart part) {
      filled = PairedRows.of(editing, known, filled, part);
    }
    SlotCheck.refuseMisfit(editing.after(editing.app().with(filled)), filled, slot);
    if (before.isPresent()) {
      filled = Removal.unusedInput(filled, before.get());
    }
    return TypesInUse.of(editing.app().with(filled), filled, editing);
  }

  /** What stands inside a record goes with the rows or lines that it was filled for. */
  private Page withoutOrphans(Page before, Page filled) {
    if (!(slot instanceof SlotId.OfParameter parameter) || before.mapping(slot).isEmpty()) {
      return filled;
    }
    Optional<Part.Lines> lines = before.mapping(slot).flatMap(before::linesOf);
    Page left = lines.map(part -> Removal.part(filled, part.id())).orElse(filled);
    for (Call.Parameter inside : left.call(parameter.call()).orElseThrow().parameters()) {
      boolean orphan =
          inside.path().length() > parameter.parameter().length()
              && inside.path().startsWith(parameter.parameter())
              && isOfRow(inside.mapping().source());
      if (orphan) {
        left =
            left.with(
                new SlotId.OfParameter(slot.page(), parameter.call(), inside.path()),
                Optional.empty());
      }
    }
    return left;
  }

  private static boolean isOfRow(Source source) {
    return source instanceof Source.Row
        || source instanceof Source.Derived derived && isOfRow(derived.record());
  }

  private void refuseMissing(Editing editing, Page known) {
    switch (slot) {
      case SlotId.OfParameter parameter -> {
        editing.call(known, parameter.call());
        boolean there =
            editing.reach(known).parameters(parameter.call()).containsKey(parameter.parameter());
        if (!there && source.isPresent()) {
          throw new EditRefused(
              Finding.error(
                  "APP_PARAMETER_MISSING",
                  "field",
                  parameter.parameter().toString(),
                  "operation",
                  editing.call(known, parameter.call()).operation().text()));
        }
        if (source.orElse(null) instanceof Source.Returned returned
            && returned.call().equals(parameter.call())) {
          throw new EditRefused(
              Finding.error("APP_SOURCE_OWN_ANSWER", "field", parameter.parameter().toString()));
        }
      }
      case SlotId.OfPart part -> {
        if (!known.has(part)) {
          throw new EditRefused(Finding.error("APP_ITEM_MISSING", "item", part.owner().text()));
        }
      }
    }
  }

  private static Optional<PartId> input(Optional<Mapping> mapping) {
    return mapping
        .filter(known -> known.source() instanceof Source.Entered)
        .map(known -> ((Source.Entered) known.source()).input());
  }
}
