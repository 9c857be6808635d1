package org.mapsel.core.page.check;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.finding.Subject;
import org.mapsel.core.mapping.Derivation;
import org.mapsel.core.mapping.Derivations;
import org.mapsel.core.model.DerivedField;
import org.mapsel.core.model.RecordType;
import org.mapsel.core.model.ShapeRef;
import org.mapsel.core.page.App;
import org.mapsel.core.page.ServiceLookup;
import org.mapsel.core.page.edit.RemoveDerivedField;
import org.mapsel.core.service.Service;

/** What can be wrong with a model. */
final class ModelRules {

  private ModelRules() {}

  static List<AppFinding> check(App app, ServiceLookup services) {
    List<AppFinding> findings = new ArrayList<>();
    for (RecordType type : app.model().types()) {
      for (DerivedField field : type.derived()) {
        derived(app, services, type, field).ifPresent(findings::add);
      }
    }
    return findings;
  }

  private static Optional<AppFinding> derived(
      App app, ServiceLookup services, RecordType type, DerivedField field) {
    ShapeRef first = type.shapes().get(0);
    Optional<Service> service = app.edition(first.service()).flatMap(services::find);
    if (service.isEmpty() || service.get().shapes().find(first.shape()).isEmpty()) {
      return Optional.empty();
    }
    Outcome<Derivation> made =
        new Derivations(type, service.get().shapes(), first.shape()).of(field.name());
    return made.value().isPresent()
        ? Optional.empty()
        : Optional.of(
            new AppFinding(
                made.findings().get(0).about(new Subject.AboutField(type.id(), field.name())),
                Optional.empty(),
                List.of(
                    new AppFinding.Repair(
                        "Remove the derived field",
                        new RemoveDerivedField(type.id(), field.name())))));
  }
}
