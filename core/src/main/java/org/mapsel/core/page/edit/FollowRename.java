package org.mapsel.core.page.edit;

import java.util.Optional;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.mapsel.core.mapping.Reach;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.model.DerivedField.Rule;
import org.mapsel.core.model.FieldRef;
import org.mapsel.core.model.Model;
import org.mapsel.core.model.RecordType;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Call;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Slot;
import org.mapsel.core.page.reach.FieldBehind;
import org.mapsel.core.page.reach.PageReach;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.SlotId;
import org.mapsel.core.ref.Step;

/**
 * Follows a field that is called otherwise in the edition that the app is about to move to: every
 * source, parameter and decision that is about it gets the new name.
 *
 * @param field the field, as the edition has it that the app is pinned to
 * @param name how it is called then
 */
public record FollowRename(FieldRef field, String name) implements AppEdit {

  @Override
  public String title() {
    return "Follow " + field.name() + " to " + name;
  }

  @Override
  public App apply(Editing editing) {
    App app = editing.app();
    return app.with(model(app.model()))
        .withPages(app.pages().stream().map(page -> page(page, editing.reach(page))).toList());
  }

  private Page page(Page page, PageReach reach) {
    Page changed = page.withCalls(page.calls().stream().map(call -> call(call, reach)).toList());
    for (Slot slot : page.slots()) {
      Source source = slot.mapping().source();
      Source followed = source(source, reach, reach.of(slot.id()));
      if (!followed.equals(source)) {
        changed = changed.with(slot(slot.id(), reach), Optional.of(slot.mapping().with(followed)));
      }
    }
    return changed;
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
    return followed(path, prefix -> reach.parameter(call, prefix));
  }

  private Source source(Source source, PageReach reach, Reach around) {
    return switch (source) {
      case Source.Returned returned ->
          new Source.Returned(
              returned.call(),
              followed(
                  returned.path(),
                  prefix -> reach.subject(new Source.Returned(returned.call(), prefix), around)));
      case Source.Row row ->
          new Source.Row(
              followed(row.path(), prefix -> reach.subject(new Source.Row(prefix), around)));
      case Source.Chosen chosen ->
          new Source.Chosen(
              chosen.part(),
              followed(
                  chosen.path(),
                  prefix -> reach.subject(new Source.Chosen(chosen.part(), prefix), around)));
      case Source.Argument argument ->
          new Source.Argument(
              argument.name(),
              followed(
                  argument.path(),
                  prefix -> reach.subject(new Source.Argument(argument.name(), prefix), around)));
      case Source.Draft draft ->
          new Source.Draft(
              draft.form(),
              followed(
                  draft.path(),
                  prefix -> reach.subject(new Source.Draft(draft.form(), prefix), around)));
      case Source.Derived derived ->
          new Source.Derived(source(derived.record(), reach, around), derived.field());
      case Source.Entered entered -> entered;
      case Source.Fixed fixed -> fixed;
      case Source.Formula formula -> formula;
      case Source.Run run -> run;
    };
  }

  /** The path with the new name wherever it leads through the field. */
  private FieldPath followed(
      FieldPath path, Function<FieldPath, Optional<? extends FieldBehind>> behind) {
    FieldPath followed = FieldPath.ROOT;
    for (int i = 0; i < path.length(); i++) {
      Step step = path.steps().get(i);
      boolean here =
          step instanceof Step.Name named
              && named.name().equals(field.name())
              && behind
                  .apply(path.first(i + 1))
                  .filter(
                      one ->
                          one instanceof FieldBehind.Described described
                              && described.ref().equals(field))
                  .isPresent();
      followed = followed.then(here ? new Step.Name(name) : step);
    }
    return followed;
  }

  private Model model(Model model) {
    Model changed = model;
    for (RecordType type : model.types()) {
      if (type.shapes().contains(field.owner())) {
        changed = changed.with(type(type));
      }
    }
    return changed;
  }

  private RecordType type(RecordType type) {
    return type.withFields(
            type.fields().stream()
                .map(
                    one ->
                        one.standsFor(field) ? one.alsoAt(new FieldRef(field.owner(), name)) : one)
                .toList())
        .withDerived(type.derived().stream().map(one -> one.with(rule(one.rule()))).toList());
  }

  private Rule rule(Rule rule) {
    return switch (rule) {
      case Rule.LookedUp found ->
          new Rule.LookedUp(
              first(found.list()), found.key(), found.wanted(), found.value(), found.otherwise());
      case Rule.CutOut cut -> new Rule.CutOut(first(cut.text()), cut.pattern(), cut.group());
      case Rule.Decoded decoded ->
          new Rule.Decoded(first(decoded.text()), decoded.coding(), decoded.inside());
      case Rule.Picked picked ->
          new Rule.Picked(first(picked.list()), picked.place(), picked.where(), picked.inside());
      case Rule.Folded folded ->
          new Rule.Folded(first(folded.values()), folded.fold(), folded.separator());
      case Rule.Computed computed -> new Rule.Computed(formula(computed.formula()));
    };
  }

  /** The formula with the field under its new name; texts in quotes are left alone. */
  private String formula(String text) {
    Pattern token =
        Pattern.compile(
            "'(?:[^'\\\\]|\\\\.)*+'|\"(?:[^\"\\\\]|\\\\.)*+\"|(?<![\\w.])"
                + Pattern.quote(field.name())
                + "(?![\\w(])");
    return token
        .matcher(text)
        .replaceAll(
            found ->
                Matcher.quoteReplacement(
                    found.group().equals(field.name()) ? name : found.group()));
  }

  /** Rules start in the record that has the field. */
  private FieldPath first(FieldPath path) {
    return !path.isRoot() && path.steps().getFirst().equals(new Step.Name(field.name()))
        ? FieldPath.of(name).then(path.below(path.first(1)))
        : path;
  }
}
