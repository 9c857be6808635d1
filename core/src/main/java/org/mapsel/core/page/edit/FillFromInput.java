package org.mapsel.core.page.edit;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Call;
import org.mapsel.core.page.Input;
import org.mapsel.core.page.Item;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Part;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.ref.SlotId;
import org.mapsel.core.shape.FieldTree;
import org.mapsel.core.shape.Shape;

/** Fills a simple parameter from a new input, in the form of the call or a new one. */
public record FillFromInput(PageId page, CallId call, FieldPath parameter) implements AppEdit {

  @Override
  public String title() {
    return "Ask for " + parameter;
  }

  @Override
  public App apply(Editing editing) {
    Page known = editing.page(page);
    Call filled = editing.call(known, call);
    FieldTree.Row row = editing.reach(known).parameters(call).get(parameter);
    if (row == null || !(row.shape() instanceof Shape.Scalar)) {
      throw new EditRefused(
          Finding.error(
              "APP_PARAMETER_MISSING",
              "field",
              parameter.toString(),
              "operation",
              filled.operation().text()));
    }
    if (filled.mapping(parameter).map(Mapping::source).orElse(null) instanceof Source.Entered) {
      return editing.app();
    }
    PartId id = new PartId(editing.ids().next(parameter.last()));
    Page asking = withInput(editing, known, filled, Input.of(id));
    Page mapped =
        asking.with(
            new SlotId.OfParameter(page, call, parameter),
            Optional.of(new Mapping(new Source.Entered(id))));
    return TypesInUse.of(editing.app().with(mapped), mapped, editing);
  }

  /** Beside the inputs that fill the call already, or in the first form, or in a new one on top. */
  private static Page withInput(Editing editing, Page page, Call call, Input input) {
    Optional<Part> form =
        call.parameters().stream()
            .flatMap(
                filled ->
                    filled.mapping().source() instanceof Source.Entered entered
                        ? page.item(entered.input()).stream()
                        : Stream.empty())
            .map(Page.Inside::part)
            .findFirst()
            .or(() -> page.parts().stream().filter(Part.Form.class::isInstance).findFirst());
    if (form.isPresent()) {
      List<Item> items = new ArrayList<>(form.get().items());
      items.add(input);
      return page.with(form.get().withItems(items));
    }
    List<Part> parts = new ArrayList<>(page.parts());
    parts.add(0, Part.Form.of(new PartId(editing.ids().next("form")), List.of(input)));
    return page.withParts(parts);
  }
}
