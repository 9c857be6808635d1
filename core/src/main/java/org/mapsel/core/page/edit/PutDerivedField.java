package org.mapsel.core.page.edit;

import java.util.Optional;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.model.DerivedField;
import org.mapsel.core.model.Model;
import org.mapsel.core.model.Overrides;
import org.mapsel.core.model.RecordType;
import org.mapsel.core.model.ShapeRef;
import org.mapsel.core.page.App;

/**
 * Adds a derived field to the record type of a shape, or changes the one of its name.
 *
 * @param renamed the name that it had so far, where it gets another one
 */
public record PutDerivedField(
    ShapeRef shape, String name, DerivedField.Rule rule, Optional<String> renamed)
    implements AppEdit {

  @Override
  public String title() {
    return "Derive " + name;
  }

  @Override
  public App apply(Editing editing) {
    String checked = Editing.name(name);
    Model model = TypesInUse.with(editing.app().model(), shape, editing);
    RecordType type = model.typeOf(shape).orElseThrow();
    String before = renamed.orElse(checked);
    refuseTaken(type, checked, before);
    DerivedField field =
        type.derived(before)
            .map(known -> new DerivedField(checked, rule, known.set()))
            .orElseGet(() -> new DerivedField(checked, rule, Overrides.NONE));
    RecordType changed =
        before.equals(checked) ? type.with(field) : type.withoutDerived(before).with(field);
    App app = editing.app().with(model.with(changed));
    return before.equals(checked) ? app : Renaming.derived(app, before, checked);
  }

  private static void refuseTaken(RecordType type, String name, String before) {
    if (!name.equals(before) && type.derived(name).isPresent()) {
      throw new EditRefused(Finding.error("MODEL_FIELD_TAKEN", "field", name));
    }
  }
}
