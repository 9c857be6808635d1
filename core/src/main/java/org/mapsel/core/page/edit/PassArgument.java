package org.mapsel.core.page.edit;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.mapping.MappingPlanner;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.model.Labels;
import org.mapsel.core.model.ShapeRef;
import org.mapsel.core.page.Action;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Argument;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Reaction;
import org.mapsel.core.page.reach.PageReach;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.ref.SlotId;
import org.mapsel.core.shape.ScalarType;
import org.mapsel.core.shape.ValueType;

/**
 * Hands something to the page that a step goes to. What that page has not been opened with so far
 * is added to it, named after what is handed on.
 *
 * @param name one that the other page has already; nothing gives it a new one
 */
public record PassArgument(PageId page, PartId step, Optional<String> name, Source source)
    implements AppEdit {

  @Override
  public String title() {
    return "Open a page with something";
  }

  @Override
  public App apply(Editing editing) {
    Page known = editing.page(page);
    Reaction around = StepCheck.reactionOf(known, step);
    Reaction.Step going = known.step(step).orElseThrow();
    if (!(going.action() instanceof Action.GoTo go)) {
      throw new EditRefused(Finding.error("APP_REACTION_MISSING", "page", known.name()));
    }
    Page target = editing.page(go.page());
    Optional<Argument> there = name.flatMap(target::argument);
    Argument argument = there.orElseGet(() -> argument(editing, known, target));
    App app = editing.app();
    if (there.isEmpty()) {
      List<Argument> arguments = new ArrayList<>(target.arguments());
      arguments.add(argument);
      app = app.with(target.withArguments(arguments));
    }
    Reaction.Step handing =
        Arguments.handing(going, argument.name(), Optional.of(new Mapping(source)));
    Page current = app.find(page).orElseThrow();
    Page changed = current.with(around.with(handing));
    App after = app.with(changed);
    SlotCheck.refuseMisfit(
        editing.after(after), changed, new SlotId.OfPart(page, step, argument.name()));
    return TypesInUse.of(after, changed, editing);
  }

  private Argument argument(Editing editing, Page known, Page target) {
    PageReach reach = editing.reach(known);
    Optional<ValueType> type =
        new MappingPlanner(editing.app().model()).typeOf(source, reach.outside());
    Optional<String> service = reach.service(source, reach.outside());
    Argument argument =
        type.orElse(null) instanceof ValueType.Shaped shaped && service.isPresent()
            ? new Argument(
                Labels.variable(TypesInUse.nameOf(shaped.shape())),
                Optional.of(new ShapeRef(service.get(), shaped.shape())),
                ScalarType.TEXT)
            : new Argument(
                name.orElseGet(this::wish),
                Optional.empty(),
                type.flatMap(ValueType::scalar).orElse(ScalarType.TEXT));
    return new Argument(free(target, argument.name()), argument.record(), argument.scalar());
  }

  private String wish() {
    FieldPath path =
        switch (source) {
          case Source.Chosen chosen -> chosen.path();
          case Source.Returned returned -> returned.path();
          case Source.Argument argument -> argument.path();
          default -> FieldPath.ROOT;
        };
    return path.isRoot() ? "value" : Labels.variable(Labels.of(path.last()));
  }

  private static String free(Page target, String wish) {
    String name = wish.equals(Reaction.CONDITION) ? "value" : wish;
    for (int i = 2; target.argument(name).isPresent(); i++) {
      name = wish + i;
    }
    return name;
  }
}
