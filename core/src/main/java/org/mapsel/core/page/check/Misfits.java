package org.mapsel.core.page.check;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Subject;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Call;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.ServiceLookup;
import org.mapsel.core.page.Shown;
import org.mapsel.core.page.Sources;
import org.mapsel.core.page.edit.FillSlot;
import org.mapsel.core.page.edit.MoveToEdition;
import org.mapsel.core.page.edit.RemoveItem;
import org.mapsel.core.page.plan.PagePlan;
import org.mapsel.core.ref.SlotId;

/** What the planner found wrong with mappings, with repairs. */
final class Misfits {

  private static final Set<String> GONE =
      Set.of("MAPPING_FIELD_GONE", "MAPPING_PARAMETER_GONE", "MAPPING_OPERATION_GONE");

  private Misfits() {}

  static List<AppFinding> of(App app, PagePlan plan, ServiceLookup services) {
    List<AppFinding> findings = new ArrayList<>();
    for (Finding misfit : plan.misfits()) {
      SlotId slot = ((Subject.AboutSlot) misfit.subject().orElseThrow()).slot();
      List<AppFinding.Repair> repairs = new ArrayList<>();
      if (GONE.contains(misfit.code())) {
        newer(app, plan.page(), slot, services).ifPresent(repairs::add);
      }
      if (misfit.isError()) {
        repairs.add(emptied(plan.page(), slot));
      }
      findings.add(new AppFinding(misfit, Optional.of(plan.page().id()), repairs));
    }
    return findings;
  }

  private static AppFinding.Repair emptied(Page page, SlotId slot) {
    if (slot instanceof SlotId.OfPart part
        && page.item(part.owner()).filter(inside -> inside.item() instanceof Shown).isPresent()) {
      return new AppFinding.Repair("Take it off the page", new RemoveItem(page.id(), part.owner()));
    }
    return new AppFinding.Repair("Leave it out", new FillSlot(slot, Optional.empty()));
  }

  /** The rows that a column is of. */
  private static Optional<Mapping> rows(Page page, SlotId.OfPart slot) {
    return page.item(slot.owner())
        .flatMap(inside -> page.rowsPart(inside.part().id()))
        .flatMap(Part.OverRows::rows);
  }

  /** Moving to the newest edition of the service that the slot has to do with. */
  private static Optional<AppFinding.Repair> newer(
      App app, Page page, SlotId slot, ServiceLookup services) {
    Optional<String> service =
        switch (slot) {
          case SlotId.OfParameter parameter -> page.call(parameter.call()).map(Call::service);
          case SlotId.OfPart part ->
              Stream.concat(page.mapping(slot).stream(), rows(page, part).stream())
                  .flatMap(mapping -> Sources.calls(page, mapping.source()).stream())
                  .flatMap(call -> page.call(call).stream())
                  .map(Call::service)
                  .findFirst();
        };
    return service.flatMap(
        id ->
            services
                .newest(id)
                .filter(edition -> !app.edition(id).equals(Optional.of(edition)))
                .map(
                    edition ->
                        new AppFinding.Repair(
                            "Move to the newest edition of " + id,
                            new MoveToEdition(id, edition))));
  }
}
