package org.mapsel.core.page.edit;

import java.util.Optional;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.model.DerivedField;
import org.mapsel.core.model.FieldRef;
import org.mapsel.core.model.Model;
import org.mapsel.core.model.Overrides;
import org.mapsel.core.model.RecordType;
import org.mapsel.core.page.App;
import org.mapsel.core.ref.TypeId;

/**
 * Says what a field is called and how it looks on all pages; deciding nothing leaves it to the
 * description. A derived field is named in place of a described one.
 */
public record SetModelField(
    FieldRef field, Optional<TypeId> type, Optional<String> derived, Overrides set)
    implements AppEdit {

  @Override
  public String title() {
    return set.label().map(label -> "Call a field " + label).orElse("Change how a field looks");
  }

  @Override
  public App apply(Editing editing) {
    Overrides checked = Settled.checked(editing, set);
    if (derived.isPresent()) {
      RecordType known =
          editing.type(type.orElseThrow(() -> new EditRefused(Finding.error("MODEL_TYPE_NONE"))));
      DerivedField made =
          known
              .derived(derived.get())
              .orElseThrow(
                  () ->
                      new EditRefused(
                          Finding.error(
                              "MAPPING_DERIVED_MISSING",
                              "field",
                              derived.get(),
                              "type",
                              known.name())));
      return editing.app().with(editing.app().model().with(known.with(made.with(checked))));
    }
    Model model = TypesInUse.with(editing.app().model(), field.owner(), editing);
    RecordType owner = model.typeOf(field.owner()).orElseThrow();
    return editing.app().with(model.with(owner.with(field, checked)));
  }
}
