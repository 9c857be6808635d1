package org.mapsel.core.page;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.mapping.Target;
import org.mapsel.core.page.AppEditor.EditRefused;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.service.Operation;
import org.mapsel.core.shape.FieldTree;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Shapes;

/** Says where a parameter is filled from, and keeps the form in step. */
final class ParameterFill {

  private final Page page;
  private final Call call;
  private final Shapes shapes;
  private final Operation operation;

  ParameterFill(Page page, Call call, Shapes shapes, Operation operation) {
    this.page = page;
    this.call = call;
    this.shapes = shapes;
    this.operation = operation;
  }

  Page fill(FieldPath path, Optional<Source> source) {
    FieldTree.Row parameter =
        FieldTree.rows(shapes, operation.input(), FieldTree.Limit.SCREEN).stream()
            .filter(row -> row.path().equals(path) && row.shape() instanceof Shape.Scalar)
            .findFirst()
            .orElseThrow(
                () ->
                    new EditRefused(
                        Finding.error(
                            "APP_PARAMETER_MISSING",
                            "field",
                            path.toString(),
                            "operation",
                            operation.name())));
    Target target = new Target.Parameter(path);
    Optional<PartId> before = input(target);
    List<Mapping> others =
        call.goesIn().stream().filter(mapping -> !mapping.target().equals(target)).toList();
    if (source.isEmpty()) {
      return withoutInput(page.with(call.withGoesIn(others)), before);
    }
    return switch (source.get()) {
      case Source.Returned returned ->
          throw new EditRefused(Finding.error("APP_SOURCE_OWN_ANSWER", "field", path.toString()));
      case Source.Fixed fixed ->
          withoutInput(page.with(call.withGoesIn(plus(others, target, fixed))), before);
      case Source.Entered entered ->
          before.isPresent() ? page : withInput(parameter, others, target, entered);
    };
  }

  private Optional<PartId> input(Target target) {
    return call.goesIn().stream()
        .filter(mapping -> mapping.target().equals(target))
        .map(Mapping::source)
        .filter(Source.Entered.class::isInstance)
        .map(source -> ((Source.Entered) source).input())
        .findFirst();
  }

  private static List<Mapping> plus(List<Mapping> mappings, Target target, Source source) {
    List<Mapping> more = new ArrayList<>(mappings);
    more.add(new Mapping(target, source));
    return more;
  }

  /**
   * An input that is there already is shared; else one is added to the first form, or a new one.
   */
  private Page withInput(
      FieldTree.Row parameter, List<Mapping> others, Target target, Source.Entered wished) {
    if (hasInput(wished.input())) {
      return page.with(call.withGoesIn(plus(others, target, wished)));
    }
    PartId id = Bindings.newId(page, parameter.field().name());
    Part.Form form = firstForm().orElse(new Part.Form(Bindings.newId(page, "form"), "", List.of()));
    List<Input> inputs = new ArrayList<>(form.inputs());
    inputs.add(Bindings.input(shapes, id, parameter));
    Page changed = page.with(call.withGoesIn(plus(others, target, new Source.Entered(id))));
    if (firstForm().isPresent()) {
      return changed.with(form.withInputs(inputs));
    }
    List<Part> parts = new ArrayList<>(changed.parts());
    parts.add(0, form.withInputs(inputs));
    return changed.withParts(parts);
  }

  private boolean hasInput(PartId id) {
    return page.parts().stream()
        .anyMatch(
            part ->
                part instanceof Part.Form form
                    && form.inputs().stream().anyMatch(input -> input.id().equals(id)));
  }

  private Optional<Part.Form> firstForm() {
    return page.parts().stream()
        .filter(Part.Form.class::isInstance)
        .map(Part.Form.class::cast)
        .findFirst();
  }

  /** The page without an input that nothing uses any more. */
  private static Page withoutInput(Page changed, Optional<PartId> input) {
    if (input.isEmpty()) {
      return changed;
    }
    boolean used =
        changed.calls().stream()
            .flatMap(other -> other.goesIn().stream())
            .anyMatch(mapping -> mapping.source().equals(new Source.Entered(input.get())));
    if (used) {
      return changed;
    }
    for (Part part : changed.parts()) {
      if (part instanceof Part.Form form
          && form.inputs().stream().anyMatch(known -> known.id().equals(input.get()))) {
        return PartEdits.removeItem(changed, form.id(), input.get());
      }
    }
    return changed;
  }
}
