package org.mapsel.core.page.start;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.model.FieldRef;
import org.mapsel.core.model.Labels;
import org.mapsel.core.model.Model;
import org.mapsel.core.page.Action;
import org.mapsel.core.page.Call;
import org.mapsel.core.page.Ids;
import org.mapsel.core.page.Input;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.Reaction;
import org.mapsel.core.page.ServiceLookup.Pinned;
import org.mapsel.core.page.Shown;
import org.mapsel.core.page.Trigger;
import org.mapsel.core.page.reach.Alternatives;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.ref.ReactionId;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.shape.FieldTree;
import org.mapsel.core.shape.FieldTree.Row;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Shapes;

/** Makes a page from an operation: a form for its parameters, a button, and what comes back. */
public final class PageStarter {

  private static final int MOST_INPUTS = 24;
  private static final int USUAL_COLUMNS = 6;
  private static final int USUAL_FIELDS = 14;

  private final Model model;
  private final Ids ids;

  public PageStarter(Model model, Ids ids) {
    this.model = model;
    this.ids = ids;
  }

  /**
   * Adds an operation below what is on a page.
   *
   * @param serviceId the service's id in the workspace
   * @param wanted the returned fields to show, in this order, all of which are there; none picks
   *     some that look telling
   */
  public Page extend(
      Page page, String serviceId, Pinned pinned, EndpointId endpoint, List<FieldPath> wanted) {
    CallId id = new CallId(ids.next("call"));
    List<Part> parts = new ArrayList<>(page.parts());
    List<Call.Parameter> parameters = new ArrayList<>();
    parts.addAll(form(pinned, parameters));
    PartId button = new PartId(ids.next("send"));
    parts.add(Part.Button.of(button, Labels.of(pinned.operation().name())));
    parts.addAll(answer(serviceId, pinned, id, wanted));
    List<Call> calls = new ArrayList<>(page.calls());
    calls.add(new Call(id, serviceId, pinned.operation().id(), endpoint, parameters));
    List<Reaction> reactions = new ArrayList<>(page.reactions());
    reactions.add(
        Reaction.of(
            new ReactionId(ids.next("pressed")),
            new Trigger.Pressed(button),
            List.of(Reaction.Step.of(new PartId(ids.next("step")), new Action.MakeCall(id)))));
    return page.withParts(parts).withCalls(calls).withReactions(reactions);
  }

  /** The list that an answer is about: the one with most fields; the root if it has none. */
  public static FieldPath rowsOf(Service service, Operation operation) {
    return largestGroup(
        leaves(new Pinned(service, operation), operation.output(), FieldTree.Limit.RETURNED));
  }

  /** The columns that are shown if nobody says which. */
  List<FieldPath> usualColumns(String service, Pinned pinned) {
    FieldPath rows = rowsOf(pinned.service(), pinned.operation());
    return telling(service, pinned).stream().filter(path -> path.startsWith(rows)).toList();
  }

  private static List<Row> leaves(Pinned pinned, ShapeId root, FieldTree.Limit limit) {
    return FieldTree.rows(pinned.service().shapes(), root, limit).stream()
        .filter(row -> row.shape() instanceof Shape.Scalar)
        .toList();
  }

  /**
   * Required parameters always, optional ones as long as the form stays readable; those of a list
   * as lines.
   */
  private List<Part> form(Pinned pinned, List<Call.Parameter> parameters) {
    Asked asked = new Asked(pinned.service(), pinned.operation());
    List<Row> leaves =
        leaves(pinned, pinned.operation().input(), FieldTree.Limit.SENT).stream()
            .filter(asked::isAsked)
            .toList();
    boolean all = leaves.size() <= MOST_INPUTS;
    Map<FieldPath, List<Input>> byRows = new LinkedHashMap<>();
    for (Row leaf : leaves) {
      if (all || leaf.needed()) {
        FieldPath rows = leaf.rows().equals(leaf.path()) ? FieldPath.ROOT : leaf.rows();
        Input input = Input.of(new PartId(ids.next(leaf.path().last())));
        byRows.computeIfAbsent(rows, none -> new ArrayList<>()).add(input);
        parameters.add(filled(leaf.path(), input.id()));
      }
    }
    List<Part> parts = new ArrayList<>();
    List<Input> alone = byRows.remove(FieldPath.ROOT);
    if (alone != null) {
      askWhich(pinned, alone, parameters);
      parts.add(Part.Form.of(new PartId(ids.next("form")), alone));
    }
    byRows.forEach(
        (rows, inputs) -> {
          PartId id = new PartId(ids.next(rows.last()));
          parts.add(Part.Lines.of(id, Labels.of(rows.last()), inputs));
          parameters.add(filled(rows, id));
        });
    return parts;
  }

  /** Where several alternatives of something are asked for, which of them it is comes first. */
  private void askWhich(Pinned pinned, List<Input> inputs, List<Call.Parameter> parameters) {
    List<Row> choices =
        FieldTree.rows(pinned.service().shapes(), pinned.operation().input(), FieldTree.Limit.SENT)
            .stream()
            .filter(row -> Alternatives.isChoice(row) && !row.repeats() && row.rows().isRoot())
            .toList();
    for (Row choice : choices) {
      FieldPath path = choice.path();
      List<Call.Parameter> inside =
          parameters.stream()
              .filter(parameter -> parameter.path().startsWith(path))
              .filter(parameter -> parameter.path().length() > path.length())
              .toList();
      long alternatives =
          inside.stream().map(parameter -> parameter.path().name(path.length())).distinct().count();
      if (alternatives > 1) {
        Input which = Input.of(new PartId(ids.next(path.last())));
        Set<Source> filling =
            inside.stream()
                .map(parameter -> parameter.mapping().source())
                .collect(Collectors.toSet());
        long before =
            inputs.stream()
                .takeWhile(input -> !filling.contains(new Source.Entered(input.id())))
                .count();
        inputs.add((int) before, which);
        parameters.add(filled(path, which.id()));
      }
    }
  }

  private static Call.Parameter filled(FieldPath path, PartId from) {
    return new Call.Parameter(path, new Mapping(new Source.Entered(from)));
  }

  /** A record of what stands alone, and a table for each list around the others. */
  private List<Part> answer(String service, Pinned pinned, CallId call, List<FieldPath> wanted) {
    Shapes shapes = pinned.service().shapes();
    ShapeId output = pinned.operation().output();
    List<FieldPath> chosen = wanted.isEmpty() ? telling(service, pinned) : wanted;
    Map<FieldPath, List<FieldPath>> byRows = new LinkedHashMap<>();
    for (FieldPath path : chosen) {
      byRows.computeIfAbsent(shapes.rowsAround(output, path), none -> new ArrayList<>()).add(path);
    }
    List<Part> parts = new ArrayList<>();
    List<FieldPath> single = byRows.remove(FieldPath.ROOT);
    if (single != null) {
      List<Shown> fields =
          single.stream().map(path -> shown(path, new Source.Returned(call, path))).toList();
      parts.add(Part.Record.of(new PartId(ids.next("record")), fields));
    }
    byRows.forEach(
        (rows, paths) ->
            parts.add(
                Part.Table.of(
                    new PartId(ids.next("table")),
                    new Source.Returned(call, rows),
                    paths.stream()
                        .map(path -> shown(path, new Source.Row(path.below(rows))))
                        .toList())));
    return parts;
  }

  private Shown shown(FieldPath path, Source source) {
    return Shown.of(new PartId(ids.next(path.last())), source);
  }

  /** The fields that a page shows if nobody says which. */
  private List<FieldPath> telling(String service, Pinned pinned) {
    DescribedColumns columns = DescribedColumns.of(pinned.service(), pinned.operation());
    List<Row> leaves = leaves(pinned, pinned.operation().output(), FieldTree.Limit.RETURNED);
    FieldPath rows = largestGroup(leaves);
    List<Row> described = columns.described(leaves, rows);
    List<Row> telling =
        described.isEmpty()
            ? leaves.stream()
                .filter(leaf -> leaf.rows().equals(rows) && !isHidden(service, pinned, leaf))
                .filter(leaf -> columns.isOwn(leaf, rows))
                .limit(rows.isRoot() ? USUAL_FIELDS : USUAL_COLUMNS)
                .toList()
            : described;
    return telling.stream().map(Row::path).toList();
  }

  private boolean isHidden(String service, Pinned pinned, Row leaf) {
    return FieldRef.at(service, pinned.service().shapes(), pinned.operation().output(), leaf.path())
        .flatMap(ref -> model.set(ref).hidden())
        .orElse(leaf.field().hints().hidden());
  }

  /** The repeated group that most of the fields are in; the outermost of equals. */
  private static FieldPath largestGroup(List<Row> leaves) {
    Map<FieldPath, Integer> weight = new LinkedHashMap<>();
    for (Row leaf : leaves) {
      if (!leaf.rows().isRoot()) {
        weight.merge(leaf.rows(), 1, Integer::sum);
      }
    }
    FieldPath best = FieldPath.ROOT;
    for (Map.Entry<FieldPath, Integer> entry : weight.entrySet()) {
      if (best.isRoot() || entry.getValue() > weight.get(best)) {
        best = entry.getKey();
      }
    }
    return best;
  }
}
