package org.mapsel.core.page.offer;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Function;
import org.mapsel.core.finding.FindingText;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.mapping.Expected;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.mapping.MappingPlanner;
import org.mapsel.core.mapping.Planned;
import org.mapsel.core.mapping.Reach;
import org.mapsel.core.mapping.Scope;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.model.ShapeRef;
import org.mapsel.core.page.Action;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Call;
import org.mapsel.core.page.Input;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.kind.SlotTypes;
import org.mapsel.core.page.plan.PagePlan;
import org.mapsel.core.page.plan.SourceWords;
import org.mapsel.core.page.reach.PageReach;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.ref.SlotId;
import org.mapsel.core.shape.FieldTree;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.ValueType;

/** Finds what can fill a slot: only what fits, by where it comes from. */
public final class SourceOffers {

  /** More than this nobody looks through; finding narrows. */
  private static final int MOST = 300;

  private final App app;
  private final PagePlan plan;
  private final Page page;
  private final PageReach reach;
  private final Scope scope;
  private final MappingPlanner planner;

  /**
   * @param scope what sources give in the present sample
   */
  public SourceOffers(App app, PagePlan plan, PageReach reach, Scope scope) {
    this.app = app;
    this.plan = plan;
    this.page = plan.page();
    this.reach = reach;
    this.scope = scope;
    this.planner = new MappingPlanner(app.model());
  }

  /**
   * What fits a slot, what fits as it is before what would be converted.
   *
   * @param find narrows to what has this in its words, whatever the case
   */
  public List<Offer> of(SlotId slot, String find) {
    Expected expected = SlotTypes.expected(page, reach, slot);
    Reach around = reach.of(slot);
    String wanted = find.strip().toLowerCase(Locale.ROOT);
    List<Offer> offers = new ArrayList<>();
    for (Candidate candidate : candidates(slot, around)) {
      if (offers.size() == MOST) {
        break;
      }
      Outcome<Planned> planned = planner.plan(new Mapping(candidate.source()), expected, around);
      String words = SourceWords.of(plan, candidate.source());
      boolean found = wanted.isEmpty() || words.toLowerCase(Locale.ROOT).contains(wanted);
      if (found && planned.value().filter(one -> isFit(slot, one.type())).isPresent()) {
        String note =
            planned.findings().stream()
                .filter(finding -> !finding.isError())
                .map(FindingText::message)
                .findFirst()
                .orElse("");
        offers.add(
            new Offer(
                candidate.source(), candidate.group(), words, planned.get().value(scope), note));
      }
    }
    offers.sort(Comparator.comparing(offer -> !offer.note().isEmpty()));
    return offers;
  }

  /** What people choose from are rows of records, and so is what a list shows. */
  private static boolean isFit(SlotId slot, ValueType type) {
    boolean rows =
        slot instanceof SlotId.OfPart part
            && (part.name().equals(Input.OPTIONS) || part.name().equals(Part.OverRows.ROWS));
    return !rows || type instanceof ValueType.Shaped && type.several();
  }

  private record Candidate(String group, Source source) {}

  private List<Candidate> candidates(SlotId slot, Reach around) {
    List<Candidate> all = new ArrayList<>();
    if (takesRecords(slot)) {
      records(all);
    }
    around.row().ifPresent(row -> fields("this row", row, Source.Row::new, all));
    page.arguments()
        .forEach(
            argument ->
                reach
                    .outside()
                    .argument(argument.name())
                    .ifPresent(
                        typed ->
                            fields(
                                "what the page is opened with",
                                typed,
                                path -> new Source.Argument(argument.name(), path),
                                all)));
    page.inputs()
        .filter(input -> !isStartOf(slot, input))
        .filter(input -> isInReach(slot, input))
        .forEach(input -> all.add(new Candidate("an input", new Source.Entered(input.id()))));
    for (Part part : page.parts()) {
      if (part instanceof Part.OverRows) {
        around
            .chosen(part.id())
            .ifPresent(
                row ->
                    fields("the chosen row", row, path -> new Source.Chosen(part.id(), path), all));
      }
    }
    for (Call call : page.calls()) {
      boolean own = slot instanceof SlotId.OfParameter one && one.call().equals(call.id());
      if (!own) {
        reach
            .outside()
            .returned(call.id())
            .ifPresent(
                answer ->
                    fields(
                        "answer of " + call.operation(),
                        answer,
                        path -> new Source.Returned(call.id(), path),
                        all));
      }
    }
    for (Source.Run.What what :
        List.of(
            Source.Run.What.NOW,
            Source.Run.What.TODAY,
            Source.Run.What.PAGE,
            Source.Run.What.FAILURE)) {
      all.add(new Candidate("always known", new Source.Run(what)));
    }
    return all;
  }

  /** What stands in lines is there only for what is filled for each of them. */
  private boolean isInReach(SlotId slot, Input input) {
    Optional<Part> lines =
        page.item(input.id()).map(Page.Inside::part).filter(Part.Lines.class::isInstance);
    return lines.isEmpty() || lines.equals(linesAround(slot));
  }

  private Optional<Part> linesAround(SlotId slot) {
    return slot instanceof SlotId.OfParameter parameter
        ? page.call(parameter.call())
            .flatMap(call -> page.around(call, parameter.parameter()))
            .map(Call.Parameter::mapping)
            .flatMap(page::linesOf)
            .map(Part.class::cast)
        : Optional.empty();
  }

  /** Whether records are handed on as a whole there, and not only their fields. */
  private boolean takesRecords(SlotId slot) {
    return slot instanceof SlotId.OfPart part
        && page.step(part.owner()).filter(step -> step.action() instanceof Action.GoTo).isPresent();
  }

  private static boolean isStartOf(SlotId slot, Input input) {
    return slot instanceof SlotId.OfPart part && part.owner().equals(input.id());
  }

  private void records(List<Candidate> all) {
    page.arguments()
        .forEach(
            argument ->
                all.add(
                    new Candidate(
                        "whole records", new Source.Argument(argument.name(), FieldPath.ROOT))));
    page.parts().stream()
        .filter(Part.OverRows.class::isInstance)
        .forEach(
            part ->
                all.add(
                    new Candidate("whole records", new Source.Chosen(part.id(), FieldPath.ROOT))));
    page.calls()
        .forEach(
            call ->
                all.add(
                    new Candidate(
                        "whole records", new Source.Returned(call.id(), FieldPath.ROOT))));
  }

  /** The fields of a record and below, with the derived ones of each record. */
  private void fields(
      String group, Reach.Typed root, Function<FieldPath, Source> source, List<Candidate> all) {
    if (!(root.type() instanceof ValueType.Shaped shaped)) {
      all.add(new Candidate(group, source.apply(FieldPath.ROOT)));
      return;
    }
    derived(group, root.service(), shaped.shape(), source.apply(FieldPath.ROOT), all);
    for (FieldTree.Row row :
        FieldTree.rows(shaped.shapes(), shaped.shape(), FieldTree.Limit.RETURNED)) {
      Source field = source.apply(row.path());
      all.add(new Candidate(group, field));
      if (row.shape() instanceof Shape.Record) {
        derived(group, root.service(), row.shape().id(), field, all);
      }
    }
  }

  private void derived(
      String group, String service, ShapeId shape, Source record, List<Candidate> all) {
    app.model()
        .typeOf(new ShapeRef(service, shape))
        .ifPresent(
            type ->
                type.derived()
                    .forEach(
                        field ->
                            all.add(
                                new Candidate(group, new Source.Derived(record, field.name())))));
  }
}
