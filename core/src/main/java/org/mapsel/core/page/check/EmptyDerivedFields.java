package org.mapsel.core.page.check;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Subject;
import org.mapsel.core.json.ValueJson;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.mapping.Scope;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.page.Call;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.Shown;
import org.mapsel.core.page.run.PageState;
import org.mapsel.core.page.run.Rows;
import org.mapsel.core.page.run.StateScope;
import org.mapsel.core.ref.SlotId;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;

/** A derived field that is shown and has had no value in any answer. */
final class EmptyDerivedFields implements PageRule {

  @Override
  public boolean looksAtAnswers() {
    return true;
  }

  @Override
  public List<AppFinding> check(PageUnderCheck under) {
    List<AppFinding> findings = new ArrayList<>();
    for (Page.Inside inside : under.page().items().toList()) {
      if (inside.item() instanceof Shown shown
          && shown.value().map(Mapping::source).orElse(null) instanceof Source.Derived derived
          && isEmpty(under, inside.part(), shown)) {
        findings.add(
            under.finding(
                Finding.warning("PAGE_DERIVED_EMPTY", "field", derived.field()),
                new Subject.AboutPart(under.page().id(), shown.id())));
      }
    }
    return findings;
  }

  private static boolean isEmpty(PageUnderCheck under, Part part, Shown shown) {
    PageState state = PageState.EMPTY;
    boolean known = false;
    for (Call call : under.page().calls()) {
      if (answer(under, call) instanceof RecordValue answer) {
        state = state.with(call.id(), new PageState.Answer.Answered(answer, ""));
        known = true;
      }
    }
    if (!known) {
      return false;
    }
    Scope scope = new StateScope(under.page(), under.plan().plan(), state, Instant.EPOCH);
    SlotId slot = new SlotId.OfPart(under.page().id(), shown.id(), Shown.VALUE);
    if (part instanceof Part.OverRows) {
      SlotId rows = new SlotId.OfPart(under.page().id(), part.id(), Part.OverRows.ROWS);
      List<Value> all = Rows.of(under.plan().plan().value(rows, scope));
      return !all.isEmpty()
          && all.stream()
              .allMatch(row -> under.plan().plan().value(slot, scope.at(row)).isAbsent());
    }
    return under.plan().plan().value(slot, scope).isAbsent();
  }

  private static Value answer(PageUnderCheck under, Call call) {
    Value last = under.services().answered(call.service(), call.operation());
    return under
        .reach()
        .pinned(call.id())
        .map(
            pinned -> ValueJson.typed(last, pinned.service().shapes(), pinned.operation().output()))
        .orElse(Value.ABSENT);
  }
}
