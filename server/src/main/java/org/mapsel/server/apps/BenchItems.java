package org.mapsel.server.apps;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.mapping.Reach;
import org.mapsel.core.model.FieldRef;
import org.mapsel.core.model.Look;
import org.mapsel.core.model.Model;
import org.mapsel.core.model.Overrides;
import org.mapsel.core.page.Input;
import org.mapsel.core.page.Item;
import org.mapsel.core.page.Nesting;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.Shown;
import org.mapsel.core.page.kind.PartKinds;
import org.mapsel.core.page.plan.PagePlan;
import org.mapsel.core.page.reach.FieldBehind;
import org.mapsel.core.page.view.PageView;
import org.mapsel.core.page.view.PartView;
import org.mapsel.server.apps.BenchViews.FieldPlace;
import org.mapsel.server.apps.BenchViews.InputSettings;
import org.mapsel.server.apps.BenchViews.InsideFieldView;
import org.mapsel.server.apps.BenchViews.InsideSettings;
import org.mapsel.server.apps.BenchViews.ItemView;
import org.mapsel.server.apps.BenchViews.PartSettings;
import org.mapsel.server.apps.BenchViews.PlaceView;
import org.mapsel.server.apps.BenchViews.SlotView;
import org.mapsel.server.apps.BenchViews.TotalSettings;

/** What the strip over a part, or a thing in one, offers. */
final class BenchItems {

  private final BenchPage known;

  BenchItems(BenchPage known) {
    this.known = known;
  }

  List<ItemView> of(PageView view) {
    List<ItemView> items = new ArrayList<>();
    for (Part part : known.page().parts()) {
      String label =
          view.parts().stream()
              .filter(drawn -> drawn.id().equals(part.id()))
              .map(PartView::heading)
              .findFirst()
              .orElse("");
      SlotView heading = known.slot(part.id(), Part.HEADING);
      items.add(
          new ItemView(
              part.id(),
              null,
              PartKinds.name(part),
              label,
              heading.slot(),
              heading.source(),
              heading.words(),
              null,
              Overrides.NONE,
              Overrides.NONE,
              null,
              settings(part),
              null,
              null,
              null));
      part.items().forEach(item -> items.add(item(part, item)));
    }
    return items;
  }

  private PartSettings settings(Part part) {
    return new PartSettings(
        part.frame(),
        known.slot(part.id(), Part.SHOWN_IF),
        part instanceof Part.Button button ? button.manner() : null,
        part instanceof Part.Chart chart ? chart.drawing() : null,
        part instanceof Part.Group group ? group.way() : null,
        part instanceof Part.OverRows ? known.slot(part.id(), Part.OverRows.ROWS) : null,
        places(part));
  }

  /** Where else a part can stand. */
  private List<PlaceView> places(Part part) {
    return known.page().parts().stream()
        .filter(around -> Nesting.fits(known.page(), part, around))
        .map(
            around ->
                new PlaceView(
                    around.id(), known.told().nameOf(around), around instanceof Part.OverRows))
        .toList();
  }

  private ItemView item(Part part, Item item) {
    Reach around = known.reach().inside(part);
    Optional<FieldBehind> behind =
        item instanceof Input input
            ? known.reach().subject(input).map(FieldBehind.class::cast)
            : item.mapping().flatMap(value -> known.reach().subject(value.source(), around));
    Look look =
        item instanceof Input
            ? known.plan().inputs().get(item.id()).look()
            : known.plan().looks().get(item.id());
    SlotView slot = known.slot(item.id(), item.slot());
    return new ItemView(
        part.id(),
        item.id(),
        kind(part),
        look.label(),
        slot.slot(),
        slot.source(),
        slot.words(),
        behind.map(BenchItems::place).orElse(null),
        behind.map(field -> set(known.app().model(), field)).orElse(Overrides.NONE),
        item.only(),
        look,
        null,
        item instanceof Input input ? settings(input) : null,
        item instanceof Shown shown && part instanceof Part.OverRows
            ? new TotalSettings(shown.total().orElse(null))
            : null,
        item instanceof Shown shown ? inside(shown) : null);
  }

  private @Nullable InsideSettings inside(Shown shown) {
    PagePlan.InnerRows rows = known.plan().inner().get(shown.id());
    if (rows == null) {
      return null;
    }
    return new InsideSettings(
        !shown.inside().isEmpty(),
        Stream.concat(
                rows.columns().stream().map(column -> field(column, true)),
                rows.others().stream().map(column -> field(column, false)))
            .toList());
  }

  private static InsideFieldView field(PagePlan.InnerColumn column, boolean shown) {
    return new InsideFieldView(column.path().last(), column.look().label(), shown);
  }

  private InputSettings settings(Input input) {
    return new InputSettings(
        known.plan().inputs().get(input.id()).kind(),
        input.kind().isPresent(),
        input.options().map(options -> known.told().words(options.rows().source())).orElse(""));
  }

  private static String kind(Part part) {
    return switch (part) {
      case Part.Form form -> "input";
      case Part.Lines lines -> "input";
      case Part.Table table -> "column";
      default -> "field";
    };
  }

  private static FieldPlace place(FieldBehind behind) {
    return switch (behind) {
      case FieldBehind.Described described -> new FieldPlace(described.ref(), null, null);
      case FieldBehind.Made made ->
          new FieldPlace(
              new FieldRef(made.owner().shapes().get(0), made.field().name()),
              made.owner().id(),
              made.field().name());
    };
  }

  private static Overrides set(Model model, FieldBehind behind) {
    return switch (behind) {
      case FieldBehind.Described described -> model.set(described.ref());
      case FieldBehind.Made made -> made.field().set();
    };
  }
}
