package org.mapsel.core.page;

import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.mapping.Target;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.FieldTree;
import org.mapsel.core.shape.FieldTree.Row;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Shapes;

/** Makes a page from an operation: a form for its parameters, a button, and what comes back. */
public final class PageStarter {

  private static final int MOST_INPUTS = 24;
  private static final int USUAL_COLUMNS = 6;
  private static final int USUAL_FIELDS = 14;

  private final Shapes shapes;
  private final Columns columns;
  private final Operation operation;
  private final List<Mapping> goesIn = new ArrayList<>();
  private final List<Mapping> comesBack = new ArrayList<>();
  private Page page;

  private PageStarter(Service service, Operation operation, Page page) {
    this.shapes = service.shapes();
    this.columns = Columns.of(service, operation);
    this.operation = operation;
    this.page = page;
  }

  /** A page with nothing on it yet, named like an operation. */
  public static Page empty(PageId id, Operation operation) {
    return new Page(id, Labels.of(operation.name()), List.of(), List.of(), List.of());
  }

  /**
   * Adds an operation below what is on a page.
   *
   * @param serviceId the service's id in the workspace
   * @param wanted the returned fields to show, in this order; none picks some that look telling
   */
  public static Page extend(
      Page page,
      String serviceId,
      Service service,
      Operation operation,
      EndpointId endpoint,
      List<FieldPath> wanted) {
    return new PageStarter(service, operation, page).make(serviceId, endpoint, wanted);
  }

  private Page make(String serviceId, EndpointId endpoint, List<FieldPath> wanted) {
    form();
    PartId button = Bindings.newId(page, "send");
    page = page.with(new Part.Button(button, Labels.of(operation.name())));
    answer(wanted);
    CallId id = new CallId("call");
    for (int i = 2; page.call(id).isPresent(); i++) {
      id = new CallId("call" + i);
    }
    List<Call> calls = new ArrayList<>(page.calls());
    calls.add(new Call(id, serviceId, operation.id(), endpoint, goesIn, comesBack));
    List<Reaction> reactions = new ArrayList<>(page.reactions());
    reactions.add(
        new Reaction(
            new Reaction.Trigger.Pressed(button), List.of(new Reaction.Step.MakeCall(id))));
    return new Page(page.id(), page.name(), page.parts(), calls, reactions);
  }

  private List<Row> leaves(ShapeId root) {
    return FieldTree.rows(shapes, root, FieldTree.Limit.SCREEN).stream()
        .filter(row -> row.shape() instanceof Shape.Scalar)
        .toList();
  }

  /** Required parameters always, optional ones as long as the form stays readable. */
  private void form() {
    List<Row> leaves =
        leaves(operation.input()).stream().filter(leaf -> columns.isAsked(leaf)).toList();
    boolean all = leaves.size() <= MOST_INPUTS;
    PartId formId = Bindings.newId(page, "form");
    Part.Form form = new Part.Form(formId, "", List.of());
    for (Row leaf : leaves) {
      if (all || leaf.needed()) {
        PartId id = Bindings.newId(page.with(form), leaf.path().last());
        List<Input> inputs = new ArrayList<>(form.inputs());
        inputs.add(Bindings.input(shapes, id, leaf));
        form = form.withInputs(inputs);
        goesIn.add(new Mapping(new Target.Parameter(leaf.path()), new Source.Entered(id)));
      }
    }
    if (!form.inputs().isEmpty()) {
      page = page.with(form);
    }
  }

  private void answer(List<FieldPath> wanted) {
    List<Row> leaves = leaves(operation.output());
    Map<FieldPath, Row> byPath = new LinkedHashMap<>();
    leaves.forEach(leaf -> byPath.put(leaf.path(), leaf));
    List<Row> chosen = wanted.stream().flatMap(path -> leaf(byPath, path).stream()).toList();
    FieldPath rows = rows(chosen.isEmpty() ? leaves : chosen);
    if (chosen.isEmpty()) {
      chosen = telling(leaves, rows);
    }
    List<Row> single =
        chosen.stream().filter(leaf -> rows.isRoot() || !leaf.path().startsWith(rows)).toList();
    List<Row> columns =
        chosen.stream().filter(leaf -> !rows.isRoot() && leaf.path().startsWith(rows)).toList();
    if (!single.isEmpty()) {
      PartId id = Bindings.newId(page, "record");
      page = page.with(new Part.Record(id, "", items(id, single)));
    }
    if (!columns.isEmpty()) {
      PartId id = Bindings.newId(page, "table");
      comesBack.add(new Mapping(new Target.Rows(id), new Source.Returned(rows)));
      page = page.with(new Part.Table(id, tableLabel(rows), items(id, columns)));
    }
  }

  private String tableLabel(FieldPath rows) {
    boolean told = !columns.rowsName().isEmpty() && rows.steps().size() == 1;
    return told ? Labels.of(columns.rowsName()) : Bindings.tableLabel(rows);
  }

  /** The row of a field, also of one that no description knows. */
  private Optional<Row> leaf(Map<FieldPath, Row> byPath, FieldPath path) {
    List<Field> way = shapes.way(operation.output(), path);
    return byPath.containsKey(path) || !path.isDerived() || way.isEmpty()
        ? Optional.ofNullable(byPath.get(path))
        : Optional.ofNullable(byPath.get(path.asked().getLast()))
            .map(
                row ->
                    new Row(
                        path,
                        row.wire(),
                        way.getLast(),
                        row.shape(),
                        false,
                        false,
                        rowsAround(way, path),
                        false,
                        false));
  }

  private static FieldPath rowsAround(List<Field> way, FieldPath path) {
    for (int i = way.size() - 2; i >= 0; i--) {
      if (way.get(i).isRepeated()) {
        return new FieldPath(path.steps().subList(0, i + 1));
      }
    }
    return FieldPath.ROOT;
  }

  /** The repeated group that most of the fields are in; the outermost of equals. */
  private static FieldPath rows(Collection<Row> leaves) {
    Map<FieldPath, Integer> weight = new LinkedHashMap<>();
    for (Row leaf : leaves) {
      if (!leaf.rows().isRoot()) {
        weight.merge(leaf.rows(), 1, Integer::sum);
      }
    }
    Optional<FieldPath> best = Optional.empty();
    for (Map.Entry<FieldPath, Integer> entry : weight.entrySet()) {
      if (best.isEmpty() || entry.getValue() > weight.get(best.get())) {
        best = Optional.of(entry.getKey());
      }
    }
    return best.orElse(FieldPath.ROOT);
  }

  private List<Row> telling(List<Row> leaves, FieldPath rows) {
    List<Row> described = columns.described(leaves, rows);
    if (!described.isEmpty()) {
      return described;
    }
    return leaves.stream()
        .filter(leaf -> leaf.rows().equals(rows) && !leaf.field().hints().hidden())
        .filter(leaf -> columns.isOwn(leaf, rows))
        .limit(rows.isRoot() ? USUAL_FIELDS : USUAL_COLUMNS)
        .toList();
  }

  private List<Item> items(PartId part, List<Row> leaves) {
    List<Item> items = new ArrayList<>();
    for (Row leaf : leaves) {
      // Ids must differ within this part too, which is not on the page yet.
      PartId id = Bindings.newId(page.with(new Part.Record(part, "", items)), leaf.path().last());
      items.add(Bindings.item(shapes, id, leaf.path(), leaf.field()));
      comesBack.add(Bindings.shown(part, id, leaf.path()));
    }
    return items;
  }
}
