package org.mapsel.core.page.run;

import java.util.List;
import java.util.Set;
import org.mapsel.core.mapping.Scope;
import org.mapsel.core.page.plan.PagePlan;
import org.mapsel.core.page.reach.Alternatives;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.value.Value;

/** Tells which inputs are asked for, where it is chosen which of several alternatives is sent. */
public final class AskedInputs {

  private AskedInputs() {}

  /** Whether an input fills something just now that can be sent. */
  public static boolean isAsked(PagePlan plan, PartId input, Scope scope) {
    List<Set<Alternatives.Chosen>> ways = plan.conditional().get(input);
    return ways == null
        || ways.stream().anyMatch(way -> way.stream().allMatch(one -> isSo(plan, one, scope)));
  }

  private static boolean isSo(PagePlan plan, Alternatives.Chosen one, Scope scope) {
    return plan.plan().value(one.choice(), scope).equals(Value.text(one.alternative()));
  }
}
