package org.mapsel.core.page.start;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.model.Labels;
import org.mapsel.core.model.ShapeRef;
import org.mapsel.core.page.Action;
import org.mapsel.core.page.Argument;
import org.mapsel.core.page.Call;
import org.mapsel.core.page.Frame;
import org.mapsel.core.page.Ids;
import org.mapsel.core.page.Input;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.Reaction;
import org.mapsel.core.page.ServiceLookup.Pinned;
import org.mapsel.core.page.Shown;
import org.mapsel.core.page.Trigger;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.ref.ReactionId;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.shape.FieldTree;
import org.mapsel.core.shape.ScalarType;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Shapes;
import org.mapsel.core.shape.ValueType;

/**
 * Makes pages from an operation that answers a list: the list, a page for one of its things, and
 * pages to change, make and remove one where the service can.
 */
public final class ListStarter {

  private static final int USUAL_FIELDS = 14;

  private final Ids ids;
  private final PageStarter starter;
  private final String serviceId;
  private final Service service;
  private final Operation list;
  private final EndpointId endpoint;
  private final Companions companions;
  private final FieldPath rows;
  private final ShapeId thing;
  private final String name;

  /** What the page for one thing is opened with. */
  private final Argument argument;

  private ListStarter(
      PageStarter starter,
      Ids ids,
      String serviceId,
      Pinned pinned,
      EndpointId endpoint,
      FieldPath rows,
      ShapeId thing) {
    this.starter = starter;
    this.ids = ids;
    this.serviceId = serviceId;
    this.service = pinned.service();
    this.list = pinned.operation();
    this.endpoint = endpoint;
    this.companions = Companions.of(service, list);
    this.rows = rows;
    this.thing = thing;
    this.name = Labels.singular(Labels.of(lastWord(rows, thing)));
    this.argument =
        new Argument(
            Labels.variable(name), Optional.of(new ShapeRef(serviceId, thing)), ScalarType.TEXT);
  }

  /** Nothing if the operation answers no list of records. */
  public static Optional<ListStarter> of(
      PageStarter starter, Ids ids, String serviceId, Pinned pinned, EndpointId endpoint) {
    Shapes shapes = pinned.service().shapes();
    FieldPath rows = PageStarter.rowsOf(pinned.service(), pinned.operation());
    return rows.isRoot()
        ? Optional.empty()
        : shapes
            .typeAt(pinned.operation().output(), rows)
            .filter(ValueType.Shaped.class::isInstance)
            .map(
                type ->
                    new ListStarter(
                        starter,
                        ids,
                        serviceId,
                        pinned,
                        endpoint,
                        rows,
                        ((ValueType.Shaped) type).shape()));
  }

  private static String lastWord(FieldPath rows, ShapeId thing) {
    String shape = thing.name();
    String last =
        shape.substring(
            Math.max(
                    shape.lastIndexOf('/'),
                    Math.max(shape.lastIndexOf('.'), shape.lastIndexOf('#')))
                + 1);
    return last.isEmpty() ? rows.last() : last;
  }

  /**
   * The list first.
   *
   * @param fields the returned fields to show in the list; none picks some
   * @param edits whether pages to change, make and remove are wanted
   * @param freeName gives a page a name that no other has
   */
  public List<Page> pages(List<FieldPath> fields, boolean edits, UnaryOperator<String> freeName) {
    Page record = Page.empty(new PageId(ids.next("page")), freeName.apply(name));
    List<Page> pages = new ArrayList<>();
    Page first = Page.empty(new PageId(ids.next("page")), freeName.apply(Labels.of(list.name())));
    first = starter.extend(first, serviceId, new Pinned(service, list), endpoint, fields);
    first = leadingTo(record.id(), calledAtOnce(first));
    if (edits && companions.create().isPresent()) {
      Page made =
          writing(
              Page.empty(new PageId(ids.next("page")), freeName.apply("New " + lower())),
              companions.create().get(),
              Optional.empty(),
              "Create",
              name + " created");
      first = withButton(first, "New " + lower(), Part.Button.Manner.ORDINARY, goTo(made.id()));
      pages.add(made);
    }
    Page shown = showing(record);
    if (edits && companions.change().isPresent()) {
      Page changed =
          Page.empty(new PageId(ids.next("page")), freeName.apply("Change " + lower()))
              .withArguments(List.of(argument));
      changed =
          writing(changed, companions.change().get(), Optional.of(thing), "Save", name + " saved");
      shown =
          withButton(
              shown,
              "Change",
              Part.Button.Manner.MAIN,
              goTo(changed.id(), new Source.Argument(argument.name(), FieldPath.ROOT)));
      pages.add(0, changed);
    }
    if (edits && companions.delete().isPresent()) {
      shown = deleting(shown, companions.delete().get());
    }
    shown = withButton(shown, "Back", Part.Button.Manner.ORDINARY, step(new Action.GoBack()));
    pages.add(0, shown);
    pages.add(0, first);
    return pages;
  }

  private String lower() {
    return Labels.inSentence(name);
  }

  private Reaction.Step step(Action action) {
    return Reaction.Step.of(new PartId(ids.next("step")), action);
  }

  private Reaction.Step say(String words) {
    return step(new Action.Say()).with(Action.WORDS, Optional.of(Mapping.fixed(words + ".")));
  }

  private Reaction.Step goTo(PageId page) {
    return step(new Action.GoTo(page, Set.of()));
  }

  private Reaction.Step goTo(PageId page, Source source) {
    return step(new Action.GoTo(page, Set.of(argument.name())))
        .with(argument.name(), Optional.of(new Mapping(source)));
  }

  private Reaction reaction(Trigger when, Reaction.Step... steps) {
    return Reaction.of(new ReactionId(ids.next("when")), when, List.of(steps));
  }

  /** A list is there when its page is opened, and anew when people come back to it. */
  private Page calledAtOnce(Page page) {
    CallId call = page.calls().getFirst().id();
    return page.with(reaction(new Trigger.Opened(), step(new Action.MakeCall(call))))
        .with(reaction(new Trigger.CameBack(), step(new Action.MakeCall(call))));
  }

  private Page leadingTo(PageId record, Page page) {
    PartId table =
        page.parts().stream()
            .filter(
                part ->
                    part instanceof Part.OverRows over
                        && over.rows()
                            .filter(
                                mapping ->
                                    mapping.source() instanceof Source.Returned returned
                                        && returned.path().equals(rows))
                            .isPresent())
            .map(Part::id)
            .findFirst()
            .orElseThrow();
    return page.with(
        reaction(
            new Trigger.RowChosen(table), goTo(record, new Source.Chosen(table, FieldPath.ROOT))));
  }

  private Page withButton(
      Page page, String words, Part.Button.Manner manner, Reaction.Step... steps) {
    PartId id = new PartId(ids.next("button"));
    Frame narrow = Frame.of(Frame.Width.CONTENT);
    Part.Button button = Part.Button.of(id, words).with(manner);
    return page.with(button.with(button.base().with(narrow)))
        .with(reaction(new Trigger.Pressed(id), steps));
  }

  /** The page for one thing: what reading it gives, or else what the list knows of it. */
  private Page showing(Page empty) {
    Page page = empty.withArguments(List.of(argument));
    Optional<Call> read = companions.read().map(this::keyed);
    List<FieldPath> shown = fieldsOf(read);
    List<Shown> fields =
        shown.stream()
            .map(path -> Shown.of(new PartId(ids.next(path.last())), known(read, path)))
            .toList();
    page = page.with(Part.Record.of(new PartId(ids.next("record")), fields));
    if (read.isPresent()) {
      page = calledAtOnce(page.with(read.get()));
    }
    for (Operation inside : companions.inside()) {
      page = withList(page, inside);
    }
    return page;
  }

  private List<FieldPath> fieldsOf(Optional<Call> read) {
    ShapeId shape =
        read.flatMap(call -> service.findOperation(call.operation()))
            .map(Operation::output)
            .orElse(thing);
    return FieldTree.rows(service.shapes(), shape, FieldTree.Limit.RETURNED).stream()
        .filter(row -> row.shape() instanceof Shape.Scalar && row.rows().isRoot())
        .filter(row -> !row.field().hints().hidden() && !row.path().last().equals(ETAG))
        .limit(USUAL_FIELDS)
        .map(FieldTree.Row::path)
        .toList();
  }

  /** The field that tells which state of a thing was read. */
  private static final String ETAG = "etag";

  private Source known(Optional<Call> read, FieldPath path) {
    return read.<Source>map(call -> new Source.Returned(call.id(), path))
        .orElseGet(() -> new Source.Argument(argument.name(), path));
  }

  /** A call about the thing that the page was opened with: its parameters are fields of it. */
  private Call keyed(Operation operation) {
    return new Call(
        new CallId(ids.next("call")),
        serviceId,
        operation.id(),
        endpointOf(operation),
        FieldTree.rows(service.shapes(), operation.input(), FieldTree.Limit.SENT).stream()
            .filter(row -> row.needed() && row.shape() instanceof Shape.Scalar)
            .filter(row -> row.path().length() == 1)
            .flatMap(
                row ->
                    inThing(row.path().last()).stream()
                        .map(
                            path ->
                                new Call.Parameter(
                                    row.path(),
                                    new Mapping(new Source.Argument(argument.name(), path)))))
            .toList());
  }

  private EndpointId endpointOf(Operation operation) {
    return operation.wire(endpoint).isPresent()
        ? endpoint
        : operation.wires().getFirst().endpoint();
  }

  /** The field of the thing that is called like a parameter; a key may have its name before it. */
  private Optional<FieldPath> inThing(String parameter) {
    List<String> names =
        service.shapes().fieldsOf(thing).stream().map(field -> field.name()).toList();
    String bare = parameter.toLowerCase(Locale.ROOT);
    return names.stream()
        .filter(one -> one.equalsIgnoreCase(parameter))
        .findFirst()
        .or(
            () ->
                names.stream()
                    .filter(
                        one -> bare.equals((name + one).toLowerCase(Locale.ROOT).replace(" ", "")))
                    .findFirst())
        .map(FieldPath::of);
  }

  private Page withList(Page page, Operation inside) {
    Call call = keyed(inside);
    FieldPath around = PageStarter.rowsOf(service, inside);
    List<Shown> columns =
        starter.usualColumns(serviceId, new Pinned(service, inside)).stream()
            .map(
                path ->
                    Shown.of(new PartId(ids.next(path.last())), new Source.Row(path.below(around))))
            .toList();
    Part.Table table =
        Part.Table.of(
            new PartId(ids.next("table")), new Source.Returned(call.id(), around), columns);
    return page.with(table)
        .with(call)
        .with(reaction(new Trigger.Opened(), step(new Action.MakeCall(call.id()))));
  }

  /**
   * A page with a form over what an operation takes.
   *
   * @param changed the shape of the thing that the form begins with; none for a new one
   */
  private Page writing(
      Page empty, Operation operation, Optional<ShapeId> changed, String words, String done) {
    Page page = empty;
    Optional<Call> read =
        changed.isPresent() ? companions.read().map(this::keyed) : Optional.empty();
    if (read.isPresent()) {
      page =
          page.with(read.get())
              .with(reaction(new Trigger.Opened(), step(new Action.MakeCall(read.get().id()))));
    }
    Call call = changed.isPresent() ? keyed(operation) : bare(operation);
    if (changed.isPresent()) {
      call = withState(call, operation, read);
    }
    List<Input> inputs = new ArrayList<>();
    Asked asked = new Asked(service, operation);
    for (FieldTree.Row row :
        FieldTree.rows(service.shapes(), operation.input(), FieldTree.Limit.SENT)) {
      boolean taken =
          row.shape() instanceof Shape.Scalar
              && row.rows().isRoot()
              && asked.isAsked(row)
              && call.mapping(row.path()).isEmpty()
              && inputs.size() < USUAL_FIELDS * 2;
      if (taken) {
        Input input = Input.of(new PartId(ids.next(row.path().last())));
        if (changed.isPresent()) {
          input = startingWith(input, row.path(), read);
        }
        inputs.add(input);
        call = call.with(row.path(), Optional.of(new Mapping(new Source.Entered(input.id()))));
      }
    }
    page = page.with(call).with(Part.Form.of(new PartId(ids.next("form")), inputs));
    page =
        withButton(
            page,
            words,
            Part.Button.Manner.MAIN,
            step(new Action.MakeCall(call.id())),
            say(done),
            step(new Action.GoBack()));
    return withButton(page, "Cancel", Part.Button.Manner.ORDINARY, step(new Action.GoBack()));
  }

  private Call bare(Operation operation) {
    return new Call(
        new CallId(ids.next("call")), serviceId, operation.id(), endpointOf(operation), List.of());
  }

  /** Says which state of the thing is meant, so that nobody's change is overwritten unseen. */
  private Call withState(Call call, Operation operation, Optional<Call> read) {
    Optional<FieldPath> state =
        service.shapes().fieldsOf(operation.input()).stream()
            .filter(Asked::isState)
            .map(field -> FieldPath.of(field.name()))
            .findFirst();
    return state.isPresent() && has(read, FieldPath.of(ETAG))
        ? call.with(state.get(), Optional.of(new Mapping(known(read, FieldPath.of(ETAG)))))
        : call;
  }

  private boolean has(Optional<Call> read, FieldPath path) {
    ShapeId shape =
        read.flatMap(call -> service.findOperation(call.operation()))
            .map(Operation::output)
            .orElse(thing);
    return !service.shapes().way(shape, path).isEmpty();
  }

  /** What is changed stands in the form already: the field of the same way, or of the same name. */
  private Input startingWith(Input input, FieldPath parameter, Optional<Call> read) {
    FieldPath whole = parameter.length() > 1 ? parameter.below(parameter.first(1)) : parameter;
    FieldPath last = FieldPath.of(parameter.last());
    return has(read, whole)
        ? input.withSlot(Input.START, Optional.of(new Mapping(known(read, whole))))
        : has(read, last)
            ? input.withSlot(Input.START, Optional.of(new Mapping(known(read, last))))
            : input;
  }

  private Page deleting(Page page, Operation operation) {
    Optional<Call> read =
        page.calls().stream()
            .filter(
                call ->
                    companions.read().filter(one -> one.id().equals(call.operation())).isPresent())
            .findFirst();
    Call call = withState(keyed(operation), operation, read);
    return withButton(
        page.with(call),
        "Delete",
        Part.Button.Manner.DANGEROUS,
        step(new Action.MakeCall(call.id())),
        say(name + " deleted"),
        step(new Action.GoBack()));
  }
}
