package org.mapsel.core.page.edit;

import java.util.Optional;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.mapping.MappingPlanner;
import org.mapsel.core.mapping.Reach;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.model.ShapeRef;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Input;
import org.mapsel.core.page.Page;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.shape.ValueType;

/**
 * Lets people choose the value of an input from rows.
 *
 * @param rows where the rows come from; nothing lets the value be typed again
 * @param value the field that is put in; the key of a row, or its first field, if it is not said
 * @param words the field that people read; likewise the title of a row
 */
public record SetOptions(
    PageId page,
    PartId input,
    Optional<Source> rows,
    Optional<FieldPath> value,
    Optional<FieldPath> words)
    implements AppEdit {

  @Override
  public String title() {
    return rows.isPresent() ? "Choose a value from rows" : "No longer choose a value from rows";
  }

  @Override
  public App apply(Editing editing) {
    Page known = editing.page(page);
    if (!(editing.item(known, input).item() instanceof Input asked)) {
      throw new EditRefused(Finding.error("APP_ITEM_MISSING", "item", input.text()));
    }
    Optional<Input.Options> options = rows.map(source -> options(editing, known, source));
    Page changed = known.with(editing.item(known, input).part(), asked.withOptions(options));
    return TypesInUse.of(editing.app().with(changed), changed, editing);
  }

  private Input.Options options(Editing editing, Page known, Source source) {
    Reach reach = editing.reach(known).outside();
    Optional<ValueType.Shaped> row =
        new MappingPlanner(editing.app().model())
            .typeOf(source, reach)
            .filter(type -> type instanceof ValueType.Shaped && type.several())
            .map(ValueType.Shaped.class::cast);
    if (row.isEmpty()) {
      throw new EditRefused(Finding.error("APP_OPTIONS_NO_ROWS"));
    }
    RowFields fields =
        RowFields.of(
            editing.app().model(),
            row.get().shapes(),
            new ShapeRef(
                editing.reach(known).service(source, reach).orElse(""), row.get().shape()));
    return new Input.Options(
        new Mapping(source), value.orElseGet(fields::key), words.orElseGet(fields::title));
  }
}
