package org.mapsel.core.page.view;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.mapsel.core.mapping.Scope;
import org.mapsel.core.model.Choice;
import org.mapsel.core.page.Input;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.kind.InputLook;
import org.mapsel.core.page.plan.PagePlan;
import org.mapsel.core.page.run.AskedInputs;
import org.mapsel.core.page.run.PageState;
import org.mapsel.core.page.run.Rows;
import org.mapsel.core.ref.SlotId;
import org.mapsel.core.value.BooleanValue;
import org.mapsel.core.value.NumberValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.TextValue;
import org.mapsel.core.value.TimeValue;
import org.mapsel.core.value.Value;
import org.mapsel.core.value.Walker;

/** Draws what visitors fill in. */
final class InputViews {

  /** More than these nobody chooses from; finding in a table is for that. */
  private static final int CHOICES = 2_000;

  private final PagePlan plan;
  private final PageState state;
  private final Scope scope;

  InputViews(Drawing drawing) {
    this.plan = drawing.plan();
    this.state = drawing.state();
    this.scope = drawing.scope();
  }

  PartView.LinesView lines(Part.Lines part, String heading) {
    List<Map<String, Value>> typed =
        Rows.of(state.inputs().getOrDefault(part.id(), Value.ABSENT)).stream()
            .map(
                line ->
                    line instanceof RecordValue record ? record.toMap() : Map.<String, Value>of())
            .toList();
    return new PartView.LinesView(
        part.id(),
        heading,
        part.items().stream().map(this::input).toList(),
        typed,
        plan.needed().containsKey(part.id()));
  }

  /** Whether visitors are asked for it just now. */
  boolean isAsked(Input input) {
    return AskedInputs.isAsked(plan, input.id(), scope);
  }

  PartView.InputView input(Input input) {
    InputLook look = plan.inputs().get(input.id());
    Value typed = state.inputs().get(input.id());
    Value value = typed == null ? scope.entered(input.id()) : typed;
    return new PartView.InputView(
        input.id(),
        look.look().heading(),
        look.kind(),
        look.required(),
        input.options().map(options -> choices(input, options)).orElse(look.look().choices()),
        value.isAbsent() ? Value.NULL : value,
        look.look().help(),
        look.several(),
        plan.reported().contains(input.id()),
        !isAsked(input));
  }

  private List<Choice> choices(Input input, Input.Options options) {
    SlotId slot = new SlotId.OfPart(plan.page().id(), input.id(), Input.OPTIONS);
    Walker value = Walker.of(options.value());
    Walker words = Walker.of(options.words());
    Map<String, Choice> choices = new LinkedHashMap<>();
    for (Value row : Rows.of(plan.plan().value(slot, scope))) {
      String code = plain(value.one(row));
      if (!code.isEmpty() && choices.size() < CHOICES) {
        String read = plain(words.one(row));
        choices.putIfAbsent(code, new Choice(code, read.isEmpty() ? code : read));
      }
    }
    return List.copyOf(choices.values());
  }

  private String plain(Value value) {
    return switch (value) {
      case TextValue text -> text.text();
      case NumberValue number -> number.number().toPlainString();
      case BooleanValue yes -> String.valueOf(yes.isTrue());
      case TimeValue time -> time.iso();
      default -> "";
    };
  }
}
