package org.mapsel.core.page.edit;

import java.util.Optional;
import java.util.function.Predicate;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.page.Action;
import org.mapsel.core.page.Item;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.Shown;
import org.mapsel.core.page.Slot;
import org.mapsel.core.page.Sources;
import org.mapsel.core.page.Trigger;
import org.mapsel.core.page.kind.PartKinds;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.PartId;

/** Takes things off pages with what depends on them. */
final class Removal {

  private Removal() {}

  /** Without a part, the slots that were filled from it and the reactions to it. */
  static Page part(Page page, PartId id) {
    Optional<Part> gone = page.part(id);
    if (gone.isEmpty()) {
      return page;
    }
    Page left =
        page.withParts(page.parts().stream().filter(part -> !part.id().equals(id)).toList());
    for (Item item : gone.get().items()) {
      left = withoutSlots(left, source -> isEntered(source, item.id()));
    }
    left = withoutSlots(left, source -> isEntered(source, id));
    left =
        withoutSlots(left, source -> source instanceof Source.Chosen one && one.part().equals(id));
    left = left.withParts(left.parts().stream().map(part -> freed(part, gone.get())).toList());
    return left.withReactions(
        left.reactions().stream()
            .filter(reaction -> !isAbout(reaction.when(), gone.get()))
            .map(reaction -> reaction.without(step -> isAbout(step.action(), gone.get())))
            .filter(reaction -> reaction.all().findAny().isPresent())
            .toList());
  }

  /** What stood in a part that is gone stands where that stood. */
  private static Part freed(Part part, Part gone) {
    return part.frame().within().filter(gone.id()::equals).isPresent()
        ? part.with(part.base().with(part.frame().within(gone.frame().within())))
        : part;
  }

  private static boolean isAbout(Trigger when, Part part) {
    return switch (when) {
      case Trigger.Pressed pressed -> pressed.button().equals(part.id());
      case Trigger.RowChosen chosen -> chosen.part().equals(part.id());
      case Trigger.Changed changed -> has(part, changed.input());
      case Trigger.Opened opened -> false;
      case Trigger.CameBack back -> false;
      case Trigger.Every every -> false;
      case Trigger.Answered answered -> false;
    };
  }

  private static boolean isAbout(Action action, Part part) {
    return switch (action) {
      case Action.SetInput set -> has(part, set.input());
      case Action.Clear clear -> clear.form().equals(part.id());
      default -> false;
    };
  }

  private static boolean has(Part part, PartId item) {
    return part.items().stream().anyMatch(known -> known.id().equals(item));
  }

  /** Without an input, column or field; a part left empty goes too. */
  static Page item(Page page, PartId id) {
    Optional<Page.Inside> found = page.item(id);
    if (found.isEmpty()) {
      return page;
    }
    Part around = found.get().part();
    Part part =
        around.withItems(around.items().stream().filter(item -> !item.id().equals(id)).toList());
    Page left = withoutSlots(page, source -> isEntered(source, id));
    boolean empty =
        part.items().isEmpty() && (part instanceof Part.OverRows || PartKinds.isEmpty(part));
    return empty ? part(left, part.id()) : left.with(part);
  }

  /** Without an input that fills nothing any more. */
  static Page unusedInput(Page page, PartId input) {
    boolean used =
        page.slots().stream().anyMatch(slot -> isEntered(slot.mapping().source(), input));
    return used ? page : item(page, input);
  }

  /** Without the slots that show or take what a call answers; columns and fields go with them. */
  static Page withoutSlotsFrom(Page page, CallId call) {
    Page left = page;
    for (Part part : page.parts()) {
      boolean rows =
          part instanceof Part.OverRows table
              && table.rows().filter(mapping -> Sources.isFrom(mapping.source(), call)).isPresent();
      if (rows) {
        left = part(left, part.id());
      }
    }
    for (Page.Inside inside : left.items().toList()) {
      boolean shows =
          inside.item() instanceof Shown shown
              && shown
                  .value()
                  .filter(mapping -> Sources.isFrom(mapping.source(), call))
                  .isPresent();
      if (shows) {
        left = item(left, inside.item().id());
      }
    }
    return withoutSlots(left, source -> Sources.isFrom(source, call));
  }

  private static Page withoutSlots(Page page, Predicate<Source> gone) {
    Page left = page;
    for (Slot slot : page.slots()) {
      if (gone.test(slot.mapping().source())) {
        left = left.with(slot.id(), Optional.empty());
      }
    }
    return left;
  }

  private static boolean isEntered(Source source, PartId input) {
    return source.equals(new Source.Entered(input));
  }
}
