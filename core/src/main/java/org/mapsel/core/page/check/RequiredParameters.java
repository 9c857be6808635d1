package org.mapsel.core.page.check;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Subject;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.page.Call;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.edit.FillFromInput;
import org.mapsel.core.page.edit.FillSlot;
import org.mapsel.core.page.reach.Alternatives;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.SlotId;
import org.mapsel.core.shape.FieldTree;
import org.mapsel.core.shape.ScalarType;
import org.mapsel.core.shape.Shape;

/** A parameter that must be sent is filled by nothing. */
final class RequiredParameters implements PageRule {

  /** More than these are better chosen by whoever uses the page. */
  private static final int MOST_VALUES = 4;

  @Override
  public List<AppFinding> check(PageUnderCheck under) {
    List<AppFinding> findings = new ArrayList<>();
    for (Call call : under.page().calls()) {
      for (FieldTree.Row row : under.reach().parameters(call.id()).values()) {
        boolean missing =
            row.needed()
                && (row.takesText() || Alternatives.isChoice(row))
                && row.field().assumed().isEmpty()
                && !row.field().hints().given()
                && !isFilled(call, row.path());
        if (missing) {
          SlotId slot = new SlotId.OfParameter(under.page().id(), call.id(), row.path());
          findings.add(
              under.finding(
                  Finding.error(
                      "PAGE_PARAMETER_UNFILLED",
                      "field",
                      row.path().toString(),
                      "operation",
                      under.nameOf(call)),
                  new Subject.AboutSlot(slot),
                  repairs(under.page(), call, row, slot)));
        }
      }
    }
    return findings;
  }

  private static AppFinding.Repair[] repairs(Page page, Call call, FieldTree.Row row, SlotId slot) {
    List<AppFinding.Repair> repairs = new ArrayList<>();
    repairs.add(
        new AppFinding.Repair("Ask for it", new FillFromInput(page.id(), call.id(), row.path())));
    List<String> values = row.shape() instanceof Shape.Scalar scalar ? values(scalar) : List.of();
    for (String value : values) {
      repairs.add(
          new AppFinding.Repair(
              "Always send " + value, new FillSlot(slot, Optional.of(new Source.Fixed(value)))));
    }
    return repairs.toArray(AppFinding.Repair[]::new);
  }

  private static List<String> values(Shape.Scalar scalar) {
    return scalar.type() == ScalarType.BOOLEAN
        ? List.of("true", "false")
        : scalar.facets().enumeration().stream().limit(MOST_VALUES).toList();
  }

  /** It, a record around it as a whole, or one of its alternatives. */
  private static boolean isFilled(Call call, FieldPath path) {
    if (call.parameters().stream().anyMatch(other -> other.path().startsWith(path))) {
      return true;
    }
    for (int length = path.length(); length > 0; length--) {
      FieldPath around = path.first(length);
      boolean rowsOnly =
          length < path.length()
              && call.parameters().stream()
                  .anyMatch(
                      other ->
                          other.path().length() > around.length()
                              && other.path().startsWith(around));
      if (call.mapping(around).isPresent() && !rowsOnly) {
        return true;
      }
    }
    return false;
  }
}
