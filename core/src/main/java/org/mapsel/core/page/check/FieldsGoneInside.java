package org.mapsel.core.page.check;

import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Subject;
import org.mapsel.core.page.Shown;
import org.mapsel.core.page.edit.ChooseInside;
import org.mapsel.core.page.plan.PagePlan;

/** Fields that rows inside a row are to show and do not have. */
final class FieldsGoneInside implements PageRule {

  @Override
  public List<AppFinding> check(PageUnderCheck under) {
    return under
        .page()
        .items()
        .flatMap(
            inside -> inside.item() instanceof Shown shown ? gone(under, shown) : Stream.empty())
        .toList();
  }

  private static Stream<AppFinding> gone(PageUnderCheck under, Shown shown) {
    PagePlan.InnerRows rows = under.plan().inner().get(shown.id());
    if (rows == null) {
      return Stream.empty();
    }
    Set<String> there = rows.names();
    List<String> gone = shown.inside().stream().filter(name -> !there.contains(name)).toList();
    List<String> left = shown.inside().stream().filter(there::contains).toList();
    return gone.isEmpty()
        ? Stream.empty()
        : Stream.of(
            under.finding(
                Finding.error(
                    "PAGE_INSIDE_GONE",
                    "label",
                    under.plan().looks().get(shown.id()).heading(),
                    "fields",
                    String.join(", ", gone)),
                new Subject.AboutPart(under.page().id(), shown.id()),
                new AppFinding.Repair(
                    "Show the others", new ChooseInside(under.page().id(), shown.id(), left))));
  }
}
