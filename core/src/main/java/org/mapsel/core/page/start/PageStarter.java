package org.mapsel.core.page.start;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.model.Labels;
import org.mapsel.core.model.Model;
import org.mapsel.core.page.Action;
import org.mapsel.core.page.Call;
import org.mapsel.core.page.Ids;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.Reaction;
import org.mapsel.core.page.ServiceLookup.Pinned;
import org.mapsel.core.page.Shown;
import org.mapsel.core.page.Trigger;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.ref.ReactionId;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.shape.Shapes;

/** Makes a page from an operation: a form for its parameters, a button, and what comes back. */
public final class PageStarter {

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
    FormStarter.Made form =
        new FormStarter(ids, pinned)
            .all(new Call(id, serviceId, pinned.operation().id(), endpoint, List.of()));
    parts.addAll(form.parts());
    PartId button = new PartId(ids.next("send"));
    parts.add(Part.Button.of(button, Labels.of(pinned.operation().name())));
    parts.addAll(
        wanted.isEmpty()
            ? answer(serviceId, pinned, id, path -> true)
            : answer(pinned, id, wanted));
    List<Call> calls = new ArrayList<>(page.calls());
    calls.add(form.call());
    List<Reaction> reactions = new ArrayList<>(page.reactions());
    reactions.add(
        Reaction.of(
            new ReactionId(ids.next("pressed")),
            new Trigger.Pressed(button),
            List.of(Reaction.Step.of(new PartId(ids.next("step")), new Action.MakeCall(id)))));
    return page.withParts(parts).withCalls(calls).withReactions(reactions);
  }

  /** The list that an answer is about; the root if it is about none. */
  public static FieldPath rowsOf(Service service, Operation operation) {
    return AnswerFields.of(service, operation).rows();
  }

  /** The columns of that list that are shown if nobody says which. */
  List<FieldPath> usualColumns(String service, Pinned pinned) {
    AnswerFields answer = AnswerFields.of(pinned);
    return answer.telling(service, model).stream()
        .filter(path -> path.startsWith(answer.rows()))
        .toList();
  }

  /** The same for the fields that tell most. */
  List<Part> answer(String service, Pinned pinned, CallId call, Predicate<FieldPath> wanted) {
    return answer(
        pinned,
        call,
        AnswerFields.of(pinned).telling(service, model).stream().filter(wanted).toList());
  }

  /** A record of what stands alone, and a table for each list around the others. */
  private List<Part> answer(Pinned pinned, CallId call, List<FieldPath> chosen) {
    Shapes shapes = pinned.service().shapes();
    ShapeId output = pinned.operation().output();
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
}
