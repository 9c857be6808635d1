package org.mapsel.core.page.plan;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.finding.Subject;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.mapping.MappingPlanner;
import org.mapsel.core.mapping.Plan;
import org.mapsel.core.mapping.Planned;
import org.mapsel.core.model.Labels;
import org.mapsel.core.model.Look;
import org.mapsel.core.model.Looks;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Call;
import org.mapsel.core.page.Input;
import org.mapsel.core.page.Item;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.Shown;
import org.mapsel.core.page.Slot;
import org.mapsel.core.page.kind.InputLook;
import org.mapsel.core.page.kind.SlotTypes;
import org.mapsel.core.page.reach.Alternatives;
import org.mapsel.core.page.reach.FieldBehind;
import org.mapsel.core.page.reach.PageReach;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.ref.SlotId;
import org.mapsel.core.shape.FieldTree;
import org.mapsel.core.shape.ScalarType;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.ValueType;
import org.mapsel.core.shape.Wire;

/** Makes pages ready. */
public final class PagePlanner {

  private final App app;
  private final Page page;
  private final PageReach reach;
  private final MappingPlanner planner;
  private final Looks looks;

  private PagePlanner(App app, Page page, PageReach reach) {
    this.app = app;
    this.page = page;
    this.reach = reach;
    this.planner = new MappingPlanner(app.model());
    this.looks = new Looks(app.model());
  }

  /**
   * @param reach what the page can draw on
   */
  public static PagePlan plan(App app, Page page, PageReach reach) {
    return new PagePlanner(app, page, reach).plan();
  }

  private PagePlan plan() {
    Map<SlotId, Planned> planned = new LinkedHashMap<>();
    List<Finding> misfits = new ArrayList<>();
    for (Slot slot : page.slots()) {
      Outcome<Planned> outcome = planned(slot);
      outcome
          .findings()
          .forEach(finding -> misfits.add(finding.about(new Subject.AboutSlot(slot.id()))));
      outcome.value().ifPresent(mapping -> planned.put(slot.id(), mapping));
    }
    Map<PartId, InputLook> inputs = new LinkedHashMap<>();
    page.inputs().forEach(input -> inputs.put(input.id(), InputLook.of(reach, looks, input)));
    Map<PartId, Look> shown = looks(planned);
    Map<PartId, List<Set<Alternatives.Chosen>>> conditional = conditional();
    tellApart(inputs, shown, conditional);
    presets(planned);
    return new PagePlan(
        page,
        new Plan(planned),
        shown,
        inner(planned),
        inputs,
        needed(),
        NeededWith.of(page, reach),
        headings(),
        conditional,
        alternatives(),
        ReportedInputs.of(page, reach),
        WantedFields.of(page, reach),
        misfits);
  }

  private Outcome<Planned> planned(Slot slot) {
    if (slot.id() instanceof SlotId.OfParameter parameter
        && !reach.parameters(parameter.call()).containsKey(parameter.parameter())) {
      return Outcome.failed(
          Finding.error(
              reach.pinned(parameter.call()).isPresent()
                  ? "MAPPING_PARAMETER_GONE"
                  : "MAPPING_OPERATION_GONE",
              "field",
              parameter.parameter().toString(),
              "operation",
              page.call(parameter.call()).orElseThrow().operation().text()));
    }
    return planner.plan(
        slot.mapping(), SlotTypes.expected(page, reach, slot.id()), reach.of(slot.id()));
  }

  /** An input that nobody starts with anything starts with what the description has for it. */
  private void presets(Map<SlotId, Planned> planned) {
    page.inputs()
        .filter(input -> input.start().isEmpty())
        .forEach(
            input ->
                reach
                    .subject(input)
                    .flatMap(behind -> behind.field().assumed())
                    .ifPresent(
                        preset -> {
                          SlotId slot = new SlotId.OfPart(page.id(), input.id(), Input.START);
                          planner
                              .plan(
                                  Mapping.fixed(preset),
                                  SlotTypes.expected(page, reach, slot),
                                  reach.outside())
                              .value()
                              .ifPresent(mapping -> planned.put(slot, mapping));
                        }));
  }

  /** Items of one part that are called the same say what they stand in, unless the page does. */
  private void tellApart(
      Map<PartId, InputLook> inputs,
      Map<PartId, Look> shown,
      Map<PartId, List<Set<Alternatives.Chosen>>> conditional) {
    for (Part part : page.parts()) {
      List<DistinctLabels.Named> named = new ArrayList<>();
      for (Item item : part.items()) {
        if (item.only().label().isEmpty()) {
          String heading =
              item instanceof Input
                  ? inputs.get(item.id()).look().heading()
                  : shown.get(item.id()).heading();
          path(part, item)
              .ifPresent(
                  path ->
                      named.add(
                          new DistinctLabels.Named(
                              item.id(), heading, inBody(item).orElse(path), path)));
        }
      }
      DistinctLabels.within(named, (one, other) -> Alternatives.exclude(conditional, one, other))
          .forEach(
              (id, words) -> {
                inputs.computeIfPresent(id, (none, look) -> look.within(words));
                shown.computeIfPresent(id, (none, look) -> look.within(words));
              });
    }
  }

  /** The way to the field that an item stands for. */
  private Optional<FieldPath> path(Part part, Item item) {
    return switch (item) {
      case Input input -> reach.subject(input).map(FieldBehind.Described::path);
      case Shown one ->
          one.value()
              .flatMap(value -> reach.subject(value.source(), reach.inside(part)))
              .filter(FieldBehind.Described.class::isInstance)
              .map(behind -> ((FieldBehind.Described) behind).path());
    };
  }

  /** The way to what an item fills in a body: that it is in there tells nobody anything. */
  private Optional<FieldPath> inBody(Item item) {
    return reach.filledBy(item.id()).stream()
        .findFirst()
        .filter(slot -> slot.parameter().length() > 1)
        .filter(slot -> isBody(slot.call(), slot.parameter().first(1)))
        .map(slot -> slot.parameter().below(slot.parameter().first(1)));
  }

  private boolean isBody(CallId call, FieldPath path) {
    FieldTree.Row row = reach.parameters(call).get(path);
    return row != null && row.field().wire() instanceof Wire.Body;
  }

  private Map<PartId, Look> looks(Map<SlotId, Planned> planned) {
    Map<PartId, Look> all = new LinkedHashMap<>();
    page.items()
        .forEach(
            inside -> {
              if (inside.item() instanceof Shown shown) {
                all.put(shown.id(), look(inside.part(), shown, planned));
              }
            });
    return all;
  }

  /** The columns of what is a list of records in one row. */
  private Map<PartId, PagePlan.InnerRows> inner(Map<SlotId, Planned> planned) {
    Map<PartId, PagePlan.InnerRows> inner = new LinkedHashMap<>();
    page.items()
        .forEach(
            inside -> {
              if (!(inside.item() instanceof Shown shown)) {
                return;
              }
              SlotId slot = new SlotId.OfPart(page.id(), shown.id(), Shown.VALUE);
              Planned known = planned.get(slot);
              if (known != null
                  && known.type() instanceof ValueType.Shaped rows
                  && rows.several()
                  && rows.shapes().get(rows.shape()) instanceof Shape.Record) {
                inner.put(
                    shown.id(),
                    InnerColumns.of(
                        reach,
                        looks,
                        known.mapping().source(),
                        reach.inside(inside.part()),
                        rows,
                        shown.inside()));
              }
            });
    return inner;
  }

  private Look look(Part part, Shown shown, Map<SlotId, Planned> planned) {
    Optional<FieldBehind> behind =
        shown.value().flatMap(value -> reach.subject(value.source(), reach.inside(part)));
    if (behind.isPresent()) {
      return behind.get().look(looks, shown.only());
    }
    Planned value = planned.get(new SlotId.OfPart(page.id(), shown.id(), Shown.VALUE));
    ScalarType type =
        Optional.ofNullable(value).flatMap(known -> known.type().scalar()).orElse(ScalarType.TEXT);
    return looks.of(shown.id().text().replaceFirst("_\\d+$", ""), type, shown.only());
  }

  private Map<PartId, String> needed() {
    Map<PartId, String> needed = new LinkedHashMap<>();
    for (Call call : page.calls()) {
      for (Call.Parameter parameter : call.parameters()) {
        page.linesOf(parameter.mapping())
            .filter(
                lines ->
                    Optional.ofNullable(reach.parameters(call.id()).get(parameter.path()))
                        .filter(FieldTree.Row::needed)
                        .isPresent())
            .ifPresent(lines -> needed.put(lines.id(), Labels.of(parameter.path().last())));
      }
    }
    return needed;
  }

  /** What stands in lines is asked for on each of them, whatever is chosen there. */
  private Map<PartId, List<Set<Alternatives.Chosen>>> conditional() {
    Map<PartId, List<Set<Alternatives.Chosen>>> conditional = new LinkedHashMap<>();
    page.items()
        .filter(inside -> inside.part() instanceof Part.Form)
        .map(inside -> inside.item().id())
        .forEach(
            input -> {
              List<Set<Alternatives.Chosen>> all =
                  reach.filledBy(input).stream().map(reach.alternatives()::around).toList();
              if (!all.isEmpty() && all.stream().noneMatch(Set::isEmpty)) {
                conditional.put(input, all);
              }
            });
    return conditional;
  }

  private Map<SlotId, Set<String>> alternatives() {
    Map<SlotId, Set<String>> all = new LinkedHashMap<>();
    for (Slot slot : page.slots()) {
      if (slot.id() instanceof SlotId.OfParameter parameter
          && reach.alternatives().isChosen(parameter)) {
        all.put(parameter, reach.alternatives().empty(parameter));
      }
    }
    return all;
  }

  private Map<PartId, String> headings() {
    Map<PartId, String> headings = new LinkedHashMap<>();
    for (Part part : page.parts()) {
      if (part instanceof Part.OverRows table) {
        headings.put(part.id(), TableHeading.of(app, page, reach, table));
      }
    }
    return headings;
  }
}
