package org.mapsel.core.page.plan;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.mapping.Plan;
import org.mapsel.core.model.Look;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.kind.InputLook;
import org.mapsel.core.page.reach.Alternatives;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.ref.SlotId;

/**
 * A page made ready.
 *
 * @param looks how columns and fields look
 * @param inner rows inside rows, by the column that they stand in
 * @param inputs how inputs look
 * @param needed the parts with lines of which at least one must be filled in, with their names
 * @param neededWith the records that cannot be sent without what an input fills, though they may be
 *     left out, by the parameter that it fills; from the inside out
 * @param headings the words over tables that nobody gave any
 * @param conditional the inputs that are asked for only if some alternative is chosen: one of the
 *     sets, whole
 * @param alternatives the parameters of which it is chosen what is sent, with the alternatives that
 *     may be sent without anything in them
 * @param reported the inputs whose change shows on the page
 * @param wanted the returned fields that the page needs of each call
 * @param misfits what is wrong with mappings, each about its slot
 */
public record PagePlan(
    Page page,
    Plan plan,
    Map<PartId, Look> looks,
    Map<PartId, InnerRows> inner,
    Map<PartId, InputLook> inputs,
    Map<PartId, String> needed,
    Map<SlotId, List<FieldPath>> neededWith,
    Map<PartId, String> headings,
    Map<PartId, List<Set<Alternatives.Chosen>>> conditional,
    Map<SlotId, Set<String>> alternatives,
    Set<PartId> reported,
    Map<CallId, Set<FieldPath>> wanted,
    List<Finding> misfits) {

  /**
   * Rows that stand inside a row.
   *
   * @param columns those that are shown, in their order
   * @param others the fields that they could show besides
   */
  public record InnerRows(List<InnerColumn> columns, List<InnerColumn> others) {

    /** The names of all simple fields that they have, be they shown or not. */
    public Set<String> names() {
      return Stream.concat(columns.stream(), others.stream())
          .map(column -> column.path().last())
          .collect(Collectors.toSet());
    }
  }

  /** A column of rows that stand inside a row, and the way to it in those. */
  public record InnerColumn(FieldPath path, Look look) {}

  public PagePlan {
    looks = Map.copyOf(looks);
    inner = Map.copyOf(inner);
    inputs = Map.copyOf(inputs);
    needed = Map.copyOf(needed);
    neededWith = Map.copyOf(neededWith);
    headings = Map.copyOf(headings);
    conditional = Map.copyOf(conditional);
    alternatives = Map.copyOf(alternatives);
    reported = Set.copyOf(reported);
    wanted = Map.copyOf(wanted);
    misfits = List.copyOf(misfits);
  }

  /** Whether two inputs are in different alternatives of something, of which one is chosen. */
  public boolean exclude(PartId one, PartId other) {
    return Alternatives.exclude(conditional, one, other);
  }

  /** The inputs and lines that must be filled, with what people call them. */
  public Map<PartId, String> required() {
    Map<PartId, String> required = new HashMap<>(needed);
    inputs.forEach(
        (id, input) -> {
          if (input.required()) {
            required.put(id, input.look().fullLabel());
          }
        });
    return required;
  }
}
