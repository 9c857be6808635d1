package org.mapsel.core.page.edit;

import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
import org.mapsel.core.mapping.Reach;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Call;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Slot;
import org.mapsel.core.page.reach.PageReach;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.OperationId;

/**
 * Follows an operation that is called otherwise in the edition that the app is about to move to: in
 * calls, and in formulas, which name calls by it.
 */
public record FollowOperation(String service, OperationId was, OperationId is) implements AppEdit {

  private static final Pattern IDENTIFIER = Pattern.compile("[A-Za-z_]\\w*");

  @Override
  public String title() {
    return "Follow " + was.text() + " to " + is.text();
  }

  @Override
  public App apply(Editing editing) {
    App app = editing.app();
    return app.withPages(
        app.pages().stream().map(page -> page(page, editing.reach(page))).toList());
  }

  private Page page(Page page, PageReach reach) {
    Page changed = page.withCalls(page.calls().stream().map(this::call).toList());
    for (Slot slot : page.slots()) {
      if (slot.mapping().source() instanceof Source.Formula formula) {
        String text = formula(formula.text(), page, reach.of(slot.id()));
        changed =
            changed.with(slot.id(), Optional.of(slot.mapping().with(new Source.Formula(text))));
      }
    }
    return changed;
  }

  private boolean isCalled(Call call) {
    return call.service().equals(service) && call.operation().equals(was);
  }

  private Call call(Call call) {
    return isCalled(call)
        ? new Call(call.id(), service, is, call.endpoint(), call.parameters())
        : call;
  }

  private String formula(String text, Page page, Reach around) {
    Source named = around.variables().get(was.text());
    return page.calls().stream()
        .filter(this::isCalled)
        .map(Call::id)
        .filter(call -> new Source.Returned(call, FieldPath.ROOT).equals(named))
        .findFirst()
        .map(call -> way(call).formula(text, names -> names.equals(List.of(was.text()))))
        .orElse(text);
  }

  /** A name that can stand in no formula gives way to the id of the call. */
  private FollowedWay way(CallId call) {
    String name = IDENTIFIER.matcher(is.text()).matches() ? is.text() : call.text();
    return new FollowedWay(FieldPath.of(was.text()), FieldPath.of(name));
  }
}
