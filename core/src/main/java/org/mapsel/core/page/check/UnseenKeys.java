package org.mapsel.core.page.check;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Subject;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.page.Call;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.Slot;
import org.mapsel.core.page.Sources;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.SlotId;
import org.mapsel.core.value.Value;
import org.mapsel.core.value.Walker;

/** A key that no answer of the operation has had. */
final class UnseenKeys implements PageRule {

  @Override
  public boolean looksAtAnswers() {
    return true;
  }

  @Override
  public List<AppFinding> check(PageUnderCheck under) {
    List<AppFinding> findings = new ArrayList<>();
    for (Slot slot : under.page().slots()) {
      Optional<FieldPath> path = whole(under.page(), slot);
      Optional<CallId> call =
          Sources.calls(under.page(), root(under.page(), slot)).stream().findFirst();
      if (path.isPresent() && call.isPresent() && path.get().key().isPresent()) {
        Call known = under.page().call(call.get()).orElseThrow();
        Value answer = under.services().answered(known.service(), known.operation());
        if (!answer.isAbsent() && Walker.of(path.get()).all(answer).isEmpty()) {
          findings.add(
              under.finding(
                  Finding.note(
                      "PAGE_KEY_UNSEEN",
                      "key",
                      path.get().key().orElseThrow(),
                      "operation",
                      under.nameOf(known)),
                  new Subject.AboutSlot(slot.id())));
        }
      }
    }
    return findings;
  }

  private static Source root(Page page, Slot slot) {
    return slot.mapping().source() instanceof Source.Row && slot.id() instanceof SlotId.OfPart part
        ? page.item(part.owner())
            .flatMap(inside -> page.rowsPart(inside.part().id()))
            .flatMap(Part.OverRows::rows)
            .map(Mapping::source)
            .orElse(slot.mapping().source())
        : slot.mapping().source();
  }

  /** The way from the answer of a call to what a slot takes. */
  private static Optional<FieldPath> whole(Page page, Slot slot) {
    return switch (slot.mapping().source()) {
      case Source.Returned returned -> Optional.of(returned.path());
      case Source.Row row ->
          root(page, slot) instanceof Source.Returned rows
              ? Optional.of(rows.path().then(row.path()))
              : Optional.empty();
      default -> Optional.empty();
    };
  }
}
