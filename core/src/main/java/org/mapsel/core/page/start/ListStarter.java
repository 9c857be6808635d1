package org.mapsel.core.page.start;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.model.Labels;
import org.mapsel.core.page.Action;
import org.mapsel.core.page.Call;
import org.mapsel.core.page.Frame;
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
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.ref.ReactionId;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.service.Address;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.shape.FieldTree;
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
  private final ThingCalls calls;

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
    this.rows = rows;
    this.thing = thing;
    this.name = Labels.singular(Labels.of(lastWord(rows, thing)));
    this.calls = new ThingCalls(ids, serviceId, service, list, endpoint, thing, name);
    this.companions = Companions.of(service, list, calls::isAddressable);
  }

  /** Nothing if the operation answers no list of records. */
  public static Optional<ListStarter> of(
      PageStarter starter, Ids ids, String serviceId, Pinned pinned, EndpointId endpoint) {
    Shapes shapes = pinned.service().shapes();
    FieldPath rows = PageStarter.rowsOf(pinned.service(), pinned.operation());
    return rows.isRoot() || starter.usualColumns(serviceId, pinned).isEmpty()
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
   * @param fields the returned fields to show in the list; where none is of its rows some are
   *     picked
   * @param edits whether pages to change, make and remove are wanted
   * @param freeName gives a page a name that no other has
   */
  public List<Page> pages(List<FieldPath> fields, boolean edits, UnaryOperator<String> freeName) {
    Page record = Page.empty(new PageId(ids.next("page")), freeName.apply(name));
    List<Page> pages = new ArrayList<>();
    Page first = Page.empty(new PageId(ids.next("page")), freeName.apply(Labels.of(list.name())));
    Pinned pinned = new Pinned(service, list);
    List<FieldPath> shown = new ArrayList<>(fields);
    if (fields.stream().noneMatch(field -> field.startsWith(rows))) {
      shown.addAll(starter.usualColumns(serviceId, pinned));
    }
    first = starter.extend(first, serviceId, pinned, endpoint, shown);
    Map<String, Source> asked = calls.handedFrom(first.calls().getFirst());
    first = leadingTo(record.id(), asked, calledAtOnce(first));
    if (edits && companions.create().isPresent()) {
      Page made =
          writing(
              Page.empty(new PageId(ids.next("page")), freeName.apply("New " + lower()))
                  .withArguments(calls.argumentsOfNew()),
              companions.create().get(),
              false,
              "Create",
              name + " created");
      first =
          withButton(first, "New " + lower(), Part.Button.Manner.ORDINARY, goTo(made.id(), asked));
      pages.add(made);
    }
    Page one = showing(record);
    if (edits && companions.change().isPresent()) {
      Page changed =
          Page.empty(new PageId(ids.next("page")), freeName.apply("Change " + lower()))
              .withArguments(calls.arguments());
      changed = writing(changed, companions.change().get(), true, "Save", name + " saved");
      if (changed.inputs().findAny().isPresent()) {
        one =
            withButton(
                one, "Change", Part.Button.Manner.MAIN, goTo(changed.id(), calls.passedOn()));
        pages.add(0, changed);
      }
    }
    if (edits && companions.delete().isPresent()) {
      one = deleting(one, companions.delete().get());
    }
    one = withButton(one, "Back", Part.Button.Manner.ORDINARY, step(new Action.GoBack()));
    pages.add(0, one);
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

  private Reaction.Step goTo(PageId page, Map<String, Source> with) {
    Reaction.Step step = step(new Action.GoTo(page, with.keySet()));
    for (Map.Entry<String, Source> one : with.entrySet()) {
      step = step.with(one.getKey(), Optional.of(new Mapping(one.getValue())));
    }
    return step;
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

  private Page leadingTo(PageId record, Map<String, Source> asked, Page page) {
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
    Map<String, Source> with = new LinkedHashMap<>(asked);
    with.put(calls.argument().name(), new Source.Chosen(table, FieldPath.ROOT));
    return page.with(reaction(new Trigger.RowChosen(table), goTo(record, with)));
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
    Page page = empty.withArguments(calls.arguments());
    Optional<Operation> reading = companions.read();
    if (reading.isPresent()) {
      Pinned pinned = new Pinned(service, reading.get());
      Call read = calls.about(reading.get());
      for (Part part : starter.answer(serviceId, pinned, read.id(), ListStarter::isShown)) {
        page = page.with(part);
      }
      page = calledAtOnce(page.with(read));
    } else {
      List<Shown> fields =
          fieldsOf().stream()
              .map(
                  path ->
                      Shown.of(
                          new PartId(ids.next(path.last())), calls.field(Optional.empty(), path)))
              .toList();
      page = page.with(Part.Record.of(new PartId(ids.next("record")), fields));
    }
    for (Operation inside : companions.inside()) {
      page = withList(page, inside);
    }
    return page;
  }

  private List<FieldPath> fieldsOf() {
    return FieldTree.rows(service.shapes(), thing, FieldTree.Limit.RETURNED).stream()
        .filter(row -> row.shape() instanceof Shape.Scalar && row.rows().isRoot())
        .filter(row -> !row.field().hints().hidden())
        .map(FieldTree.Row::path)
        .filter(ListStarter::isShown)
        .limit(USUAL_FIELDS)
        .toList();
  }

  private static boolean isShown(FieldPath path) {
    return !path.last().equals(ThingCalls.ETAG);
  }

  private Page withList(Page page, Operation inside) {
    Call call = calls.about(inside);
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
   * @param changes whether it begins with the thing that the page was opened with
   */
  private Page writing(
      Page empty, Operation operation, boolean changes, String words, String done) {
    Page page = empty;
    Optional<Call> read = changes ? companions.read().map(calls::about) : Optional.empty();
    if (read.isPresent()) {
      page =
          page.with(read.get())
              .with(reaction(new Trigger.Opened(), step(new Action.MakeCall(read.get().id()))));
    }
    FormStarter form = new FormStarter(ids, new Pinned(service, operation));
    FormStarter.Made made =
        changes
            ? form.alone(
                calls.withState(calls.about(operation), operation, read),
                (input, path) -> calls.startingWith(input, path, read))
            : form.all(calls.making(operation));
    for (Part part : made.parts()) {
      page = page.with(part);
    }
    boolean replaces =
        changes && Address.of(operation).filter(at -> at.method().equals("PUT")).isPresent();
    Call call = replaces ? calls.keeping(made.call(), operation, read) : made.call();
    page = page.with(call);
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

  private Page deleting(Page page, Operation operation) {
    Optional<Call> read =
        page.calls().stream()
            .filter(
                call ->
                    companions.read().filter(one -> one.id().equals(call.operation())).isPresent())
            .findFirst();
    Call call = calls.withState(calls.about(operation), operation, read);
    return withButton(
        page.with(call),
        "Delete",
        Part.Button.Manner.DANGEROUS,
        step(new Action.MakeCall(call.id())),
        say(name + " deleted"),
        step(new Action.GoBack()));
  }
}
