package org.mapsel.core.page.edit;

import java.util.List;
import java.util.Optional;
import org.mapsel.core.mapping.Reach;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.model.FieldRef;
import org.mapsel.core.model.Model;
import org.mapsel.core.model.Overrides;
import org.mapsel.core.model.RecordType;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Call;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Shown;
import org.mapsel.core.page.Slot;
import org.mapsel.core.page.reach.FieldBehind;
import org.mapsel.core.page.reach.PageReach;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.SlotId;

/**
 * Follows a field that is called otherwise, or stands in another group, in the edition that the app
 * is about to move to: every source, parameter, formula and decision that is about it goes there.
 *
 * @param field the field, as the edition has it that the app is pinned to
 * @param now the field, as the other edition has it
 * @param was the end of the way to it that is left: its name, after the groups that differ
 * @param is what stands there then
 */
public record FollowField(FieldRef field, FieldRef now, FieldPath was, FieldPath is)
    implements AppEdit {

  @Override
  public String title() {
    return "Follow " + was + " to " + is;
  }

  private FollowedWay way() {
    return new FollowedWay(was, is);
  }

  @Override
  public App apply(Editing editing) {
    App app = editing.app();
    return app.with(model(app.model(), editing))
        .withPages(app.pages().stream().map(page -> page(page, editing.reach(page))).toList());
  }

  private Page page(Page page, PageReach reach) {
    Page changed = page.withCalls(page.calls().stream().map(call -> call(call, reach)).toList());
    for (Page.Inside inside : page.items().toList()) {
      if (inside.item() instanceof Shown shown
          && showsInside(shown, reach.inside(inside.part()), reach)) {
        changed =
            changed.with(
                inside.part(),
                shown.withInside(
                    shown.inside().stream()
                        .map(name -> name.equals(field.name()) ? now.name() : name)
                        .toList()));
      }
    }
    for (Slot slot : page.slots()) {
      Source source = slot.mapping().source();
      Source followed = source(source, reach, reach.of(slot.id()));
      if (!followed.equals(source)) {
        changed = changed.with(slot(slot.id(), reach), Optional.of(slot.mapping().with(followed)));
      }
    }
    return changed;
  }

  /** Whether the field is one of those that the rows inside a row show. */
  private boolean showsInside(Shown shown, Reach around, PageReach reach) {
    return shown.inside().contains(field.name())
        && shown
            .value()
            .flatMap(value -> reach.subject(value.source(), around))
            .filter(
                rows ->
                    rows instanceof FieldBehind.Described told
                        && told.ref().owner().service().equals(field.owner().service())
                        && told.field().shape().equals(field.owner().shape()))
            .isPresent();
  }

  /** A slot may itself be called after the field. */
  private SlotId slot(SlotId slot, PageReach reach) {
    return slot instanceof SlotId.OfParameter parameter
        ? new SlotId.OfParameter(
            parameter.page(),
            parameter.call(),
            parameter(parameter.call(), parameter.parameter(), reach))
        : slot;
  }

  private Call call(Call call, PageReach reach) {
    return call.withParameters(
        call.parameters().stream()
            .map(one -> new Call.Parameter(parameter(call.id(), one.path(), reach), one.mapping()))
            .toList());
  }

  private FieldPath parameter(CallId call, FieldPath path, PageReach reach) {
    return way().path(path, prefix -> isField(reach.parameter(call, prefix)));
  }

  private boolean isField(Optional<? extends FieldBehind> behind) {
    return behind
        .filter(one -> one instanceof FieldBehind.Described told && told.ref().equals(field))
        .isPresent();
  }

  private Source source(Source source, PageReach reach, Reach around) {
    return switch (source) {
      case Source.Derived derived ->
          new Source.Derived(source(derived.record(), reach, around), derived.field());
      case Source.Formula formula ->
          new Source.Formula(
              way()
                  .formula(
                      formula.text(),
                      names ->
                          Optional.ofNullable(around.variables().get(names.getFirst()))
                              .flatMap(start -> below(start, names.subList(1, names.size())))
                              .filter(named -> isField(reach.subject(named, around)))
                              .isPresent()));
      default ->
          path(source)
              .map(
                  path ->
                      way()
                          .path(path, prefix -> isField(reach.subject(at(source, prefix), around))))
              .map(path -> at(source, path))
              .orElse(source);
    };
  }

  private static Optional<Source> below(Source start, List<String> names) {
    return path(start)
        .map(path -> at(start, path.then(FieldPath.of(names.toArray(String[]::new)))));
  }

  /** The way that a source leads; nothing for one that leads to a whole. */
  private static Optional<FieldPath> path(Source source) {
    return switch (source) {
      case Source.Returned returned -> Optional.of(returned.path());
      case Source.Row row -> Optional.of(row.path());
      case Source.Chosen chosen -> Optional.of(chosen.path());
      case Source.Argument argument -> Optional.of(argument.path());
      case Source.Derived derived -> Optional.empty();
      case Source.Entered entered -> Optional.empty();
      case Source.Fixed fixed -> Optional.empty();
      case Source.Formula formula -> Optional.empty();
      case Source.Run run -> Optional.empty();
    };
  }

  private static Source at(Source source, FieldPath path) {
    return switch (source) {
      case Source.Returned returned -> new Source.Returned(returned.call(), path);
      case Source.Row row -> new Source.Row(path);
      case Source.Chosen chosen -> new Source.Chosen(chosen.part(), path);
      case Source.Argument argument -> new Source.Argument(argument.name(), path);
      default -> source;
    };
  }

  private Model model(Model model, Editing editing) {
    Overrides set = model.set(field);
    Model changed = model;
    for (RecordType type : model.types()) {
      changed = changed.with(new FollowedRules(way(), field, type, editing).followed());
    }
    Optional<RecordType> owner = changed.typeOf(field.owner());
    if (owner.isPresent() && owner.get().shapes().contains(now.owner())) {
      RecordType type = owner.get();
      return changed.with(
          type.withFields(
              type.fields().stream()
                  .map(one -> one.standsFor(field) ? one.alsoAt(now) : one)
                  .toList()));
    }
    if (set.saysNothing()) {
      return changed;
    }
    Model known = TypesInUse.with(changed, now.owner(), editing);
    RecordType other = known.typeOf(now.owner()).orElseThrow();
    return known.with(other.with(now, set.over(known.set(now))));
  }
}
