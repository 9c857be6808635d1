package org.mapsel.core.page.run;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.mapsel.core.mapping.Scope;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.model.Labels;
import org.mapsel.core.page.Action;
import org.mapsel.core.page.Call;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.Reaction;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;

/** Tells what must be filled in before calls can be made. */
final class MissingInputs {

  private final PageValues values;
  private final Page page;
  private final Map<PartId, String> required;

  MissingInputs(PageValues values) {
    this.values = values;
    this.page = values.page();
    this.required = values.plan().required();
  }

  /** What must be filled for the calls of a reaction and is not, by its names. */
  List<String> of(Reaction reaction, PageState state) {
    Scope scope = values.scope(state);
    List<String> missing = new ArrayList<>();
    for (Reaction.Step step : reaction.steps()) {
      if (step.action() instanceof Action.MakeCall make) {
        page.call(make.call()).ifPresent(call -> missing(call, scope, state, missing));
      }
    }
    return missing;
  }

  private void missing(Call call, Scope scope, PageState state, List<String> missing) {
    for (Call.Parameter parameter : call.parameters()) {
      Source source = parameter.mapping().source();
      Optional<Call.Parameter> around = page.around(call, parameter.path());
      Optional<Part.Lines> lines = around.map(Call.Parameter::mapping).flatMap(page::linesOf);
      if (lines.isEmpty()) {
        missing(source, scope, state).ifPresent(missing::add);
        continue;
      }
      List<Value> typed = Rows.of(scope.entered(lines.get().id()));
      for (int i = 0; i < typed.size(); i++) {
        String place = " in line " + (i + 1);
        missing(source, scope.onLine(Lines.inputs(lines.get(), typed.get(i))), state)
            .ifPresent(name -> missing.add(name + place));
      }
    }
    incomplete(call, scope, missing);
  }

  /** Adds what records need that are sent only because something else in them was filled. */
  private void incomplete(Call call, Scope scope, List<String> missing) {
    if (call.parameters().stream().allMatch(one -> neededWith(call, one).isEmpty())) {
      return;
    }
    RecordValue sent = Parameters.of(values.plan(), call, scope);
    for (Call.Parameter parameter : call.parameters()) {
      if (parameter.mapping().source() instanceof Source.Entered entered
          && sent.at(parameter.path()).isAbsent()
          && neededWith(call, parameter).stream().anyMatch(record -> !sent.at(record).isAbsent())
          && AskedInputs.isAsked(values.plan(), entered.input(), scope)) {
        missing.add(values.plan().inputs().get(entered.input()).look().fullLabel());
      }
    }
  }

  private List<FieldPath> neededWith(Call call, Call.Parameter parameter) {
    return values
        .plan()
        .neededWith()
        .getOrDefault(Parameters.slot(page, call, parameter.path()), List.of());
  }

  private Optional<String> missing(Source source, Scope scope, PageState state) {
    return switch (source) {
      case Source.Entered entered ->
          required.containsKey(entered.input())
                  && AskedInputs.isAsked(values.plan(), entered.input(), scope)
                  && scope.entered(entered.input()).isAbsent()
              ? Optional.of(required.get(entered.input()))
              : Optional.empty();
      case Source.Argument argument ->
          state.arguments().containsKey(argument.name())
              ? Optional.empty()
              : Optional.of(Labels.of(argument.name()));
      default -> Optional.empty();
    };
  }
}
