package org.mapsel.bench;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Instant;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.mapsel.core.call.Caller;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.FindingText;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.finding.Severity;
import org.mapsel.core.intake.Description;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.message.Access;
import org.mapsel.core.message.Answer;
import org.mapsel.core.message.Request;
import org.mapsel.core.message.Stamp;
import org.mapsel.core.message.http.FirstValues;
import org.mapsel.core.page.Call;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.check.AppFinding;
import org.mapsel.core.page.edit.AddPage;
import org.mapsel.core.page.edit.AddPages;
import org.mapsel.core.page.edit.AppEdit;
import org.mapsel.core.page.edit.FillFromInput;
import org.mapsel.core.page.edit.UseField;
import org.mapsel.core.page.run.PageEffect;
import org.mapsel.core.page.run.PageEvent;
import org.mapsel.core.page.view.PageView;
import org.mapsel.core.page.view.PartView;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.sample.SampleMaker;
import org.mapsel.core.serve.IncomingRequest;
import org.mapsel.core.serve.Recorded;
import org.mapsel.core.serve.Served;
import org.mapsel.core.serve.StandIn;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.OperationWire;
import org.mapsel.core.service.Service;
import org.mapsel.core.shape.FieldTree;
import org.mapsel.core.testing.PageBench;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;
import org.mapsel.core.value.Walker;

/**
 * Makes pages from every operation of the descriptions in a folder, looks at what is to be said of
 * them, fills them in with made values, presses their buttons, and lets stand-ins answer. Prints
 * the counts and everything that went wrong.
 */
public final class CorpusPages {

  private static final Stamp STAMP = new Stamp(Instant.EPOCH, "corpus", new byte[16]);
  private static final String EDITION = "service";

  /** So many fields of each side are ticked at most. */
  private static final int MOST_TICKS = 25;

  private final Tally tally = new Tally();

  private CorpusPages() {}

  /** The folder. */
  public static void main(String[] args) throws IOException {
    CorpusPages all = new CorpusPages();
    for (Path file : Documents.in(Path.of(args[0]))) {
      all.document(file);
    }
    all.tally.print();
  }

  private void document(Path file) throws IOException {
    Optional<Description> read = Documents.read(file);
    if (read.isEmpty()) {
      return;
    }
    tally.count("documents");
    Service described = read.get().service();
    Service service = Documents.played(described);
    for (Operation operation : service.operations()) {
      if (operation.wires().isEmpty()) {
        continue;
      }
      String name = file + " " + operation.id();
      long before = System.nanoTime();
      tried(name + ": page", () -> page(name, service, operation, playing(described)));
      tried(name + ": list", () -> pages(name, service, operation, playing(described)));
      tried(name + ": ticked", () -> ticked(name, service, operation, playing(described)));
      long ms = (System.nanoTime() - before) / 1_000_000;
      if (ms > 500) {
        tally.count("operations whose pages took more than half a second");
        System.out.println(name + ": took " + ms + " ms");
      }
    }
  }

  private static StandIn playing(Service service) {
    return new StandIn(service, Recorded.NOTHING);
  }

  /** One that breaks ends nothing, and tells where it broke. */
  private void tried(String name, Runnable work) {
    try {
      work.run();
    } catch (RuntimeException | AssertionError | StackOverflowError e) {
      tally.count("pages that broke something");
      System.out.println(name + ": " + e);
      Arrays.stream(e.getStackTrace()).limit(6).forEach(at -> System.out.println("      " + at));
    }
  }

  private void page(String name, Service service, Operation operation, StandIn standIn) {
    PageBench bench = started(service, operation);
    tally.count("pages");
    findings(name + ": page", bench);
    filledIn(name + ": page", service, operation, bench, standIn);
  }

  private static PageBench started(Service service, Operation operation) {
    return new PageBench()
        .with(EDITION, service)
        .edit(
            new AddPage(
                EDITION, EDITION, operation.id(), operation.wires().get(0).endpoint(), List.of()));
  }

  private void filledIn(
      String name, Service service, Operation operation, PageBench bench, StandIn standIn) {
    Call call = bench.call();
    bench.step(PageEvent.Opened.ALONE);
    RecordValue parameters = FirstValues.of(service, operation, SampleMaker.Extent.REQUIRED);
    Map<PartId, Value> typed = new HashMap<>();
    for (Call.Parameter parameter : call.parameters()) {
      if (parameter.mapping().source() instanceof Source.Entered entered) {
        Value value = Walker.of(parameter.path()).one(parameters);
        if (value instanceof RecordValue chosen) {
          typed.put(entered.input(), Value.text(chosen.names().getFirst()));
        } else if (!value.isAbsent()) {
          typed.put(entered.input(), value);
        }
      }
    }
    bench.step(new PageEvent.Entered(typed));
    List<PageEffect> effects = bench.press();
    if (effects.isEmpty()) {
      tally.count("pages that ask for more before they call");
      System.out.println(
          name + ": asks for more: " + bench.view().messages() + " " + bench.parts());
      return;
    }
    for (PageEffect effect : effects) {
      if (effect instanceof PageEffect.RunCall run) {
        answered(name, service, operation, bench, run, standIn, call);
      }
    }
  }

  /** Asks for every parameter and shows every field, as far as there are not too many. */
  private void ticked(String name, Service service, Operation operation, StandIn standIn) {
    PageBench bench = started(service, operation);
    Call call = bench.call();
    FieldTree.rows(service.shapes(), operation.input(), FieldTree.Limit.SENT).stream()
        .limit(MOST_TICKS)
        .forEach(
            row -> tick(name, bench, new FillFromInput(bench.page().id(), call.id(), row.path())));
    FieldTree.rows(service.shapes(), operation.output(), FieldTree.Limit.RETURNED).stream()
        .limit(MOST_TICKS)
        .forEach(
            row ->
                tick(
                    name,
                    bench,
                    new UseField(
                        bench.page().id(), call.id(), row.path(), Optional.empty(), true)));
    findings(name + ": ticked", bench);
    filledIn(name + ": ticked", service, operation, bench, standIn);
  }

  private void tick(String name, PageBench bench, AppEdit edit) {
    try {
      bench.edit(edit);
      tally.count("ticks");
    } catch (IllegalStateException e) {
      List<String> why = bench.refused(edit);
      tally.count("ticks refused " + why);
      if (!why.equals(List.of("APP_FIELD_GROUP"))) {
        System.out.println(name + ": tick refused " + why + " " + edit.title());
      }
    }
  }

  private void answered(
      String name,
      Service service,
      Operation operation,
      PageBench bench,
      PageEffect.RunCall run,
      StandIn standIn,
      Call call) {
    OperationWire wire = operation.wire(call.endpoint()).orElseThrow();
    Outcome<Request> request =
        Caller.request(service, operation, call.endpoint(), run.parameters(), Access.NONE, STAMP);
    if (request.value().isEmpty()) {
      boolean also =
          Caller.request(
                  service,
                  operation,
                  call.endpoint(),
                  FirstValues.of(service, operation, SampleMaker.Extent.REQUIRED),
                  Access.NONE,
                  STAMP)
              .value()
              .isEmpty();
      tally.count(
          also
              ? "calls whose request could not be made of made values either"
              : "calls whose request could not be made");
      if (!also) {
        System.out.println(
            name
                + ": no request: "
                + FindingText.lines(request.findings())
                + " of "
                + run.parameters());
      }
      return;
    }
    Optional<IncomingRequest> incoming = IncomingRequest.of(request.get());
    if (incoming.isEmpty() || !standIn.endpoints().contains(call.endpoint())) {
      tally.count("calls that nobody plays");
      return;
    }
    Served served = standIn.answer(incoming.get());
    Outcome<Answer> answer = Caller.answer(service, operation, wire, served.response(), Set.of());
    if (!(answer.value().orElse(null) instanceof Answer.Returned returned)) {
      tally.count("calls refused");
      System.out.println(name + ": refused: " + FindingText.lines(answer.findings()));
      return;
    }
    bench.step(new PageEvent.Answered(run, returned.value(), "x1"));
    tally.count("calls answered");
    if (returned.value().present() == 0) {
      return;
    }
    shown(name, bench);
  }

  private void shown(String name, PageBench bench) {
    boolean shows = false;
    boolean any = false;
    for (PartView part : bench.view().parts()) {
      switch (part) {
        case PartView.TableView table -> {
          any = true;
          shows |=
              table.rows().rows().stream()
                  .anyMatch(row -> row.cells().stream().anyMatch(cell -> !cell.text().isEmpty()));
        }
        case PartView.RecordView record -> {
          any = true;
          shows |= record.fields().stream().anyMatch(field -> !field.cell().text().isEmpty());
        }
        default -> {}
      }
    }
    tally.count(
        !any ? "answers nothing is shown of" : shows ? "answers shown" : "answers shown empty");
    if (!shows) {
      System.out.println(name + (any ? ": shown empty: " : ": not shown: ") + bench.parts());
    }
  }

  private void findings(String name, PageBench bench) {
    Set<String> told = new HashSet<>();
    for (AppFinding finding : bench.check().findings()) {
      Finding one = finding.finding();
      if (one.severity() != Severity.NOTE && told.add(one.code())) {
        tally.count("finding " + one.code());
        System.out.println(name + ": finding " + FindingText.lines(List.of(one)));
      }
    }
  }

  private void pages(String name, Service service, Operation operation, StandIn standIn) {
    PageBench bench = new PageBench().with(EDITION, service);
    EndpointId endpoint = operation.wires().get(0).endpoint();
    AddPages edit =
        new AddPages(EDITION, EDITION, operation.id(), endpoint, List.<FieldPath>of(), true);
    try {
      bench.edit(edit);
    } catch (RuntimeException e) {
      if (bench.refused(edit).equals(List.of("APP_NO_LIST"))) {
        return;
      }
      throw e;
    }
    tally.count("lists");
    tally.count("lists with " + bench.app().pages().size() + " pages");
    findings(name + ": list", bench);
    for (Page page : bench.app().pages()) {
      bench.on(page.name());
      bench.view();
    }
    bench.on(bench.app().pages().get(0).name());
    opened(name + ": list", service, bench, standIn, PageEvent.Opened.ALONE);
    if (bench.view().messages().stream().anyMatch(PageView.MessageView::failed)) {
      tally.count("lists that open with a complaint");
      System.out.println(name + ": list: complains: " + bench.view().messages());
      return;
    }
    Optional<Part.OverRows> table =
        bench.page().parts().stream()
            .filter(Part.OverRows.class::isInstance)
            .map(Part.OverRows.class::cast)
            .findFirst();
    if (table.isEmpty() || bench.cells().isEmpty()) {
      tally.count("lists without rows");
      return;
    }
    Page list = bench.page();
    for (PageEffect effect : bench.step(new PageEvent.RowChosen(table.get().id(), 0))) {
      if (effect instanceof PageEffect.GoTo to) {
        tally.count("records");
        record(name + ": record", service, bench, standIn, to);
      }
    }
    bench.on(list.name());
  }

  private void record(
      String name, Service service, PageBench bench, StandIn standIn, PageEffect.GoTo to) {
    Page record = bench.app().find(to.page()).orElseThrow();
    for (String words : List.of("Change", "Delete")) {
      bench.on(record.name());
      opened(name, service, bench, standIn, new PageEvent.Opened(to.arguments(), to.messages()));
      Optional<PartId> button = button(bench, words);
      if (button.isPresent()) {
        for (PageEffect effect : bench.step(new PageEvent.Pressed(button.get()))) {
          switch (effect) {
            case PageEffect.RunCall run -> one(name + ": " + words, service, bench, standIn, run);
            case PageEffect.GoTo further -> change(name, service, bench, standIn, further);
            default -> {}
          }
        }
      }
    }
  }

  private void change(
      String name, Service service, PageBench bench, StandIn standIn, PageEffect.GoTo to) {
    bench.on(bench.app().find(to.page()).orElseThrow().name());
    opened(
        name + ": change",
        service,
        bench,
        standIn,
        new PageEvent.Opened(to.arguments(), to.messages()));
    List<PageEffect> effects =
        bench.step(new PageEvent.Pressed(button(bench, "Save").orElseThrow()));
    if (effects.isEmpty()) {
      tally.count("changes that ask for more");
      System.out.println(name + ": change: asks for more: " + bench.view().messages());
    }
    for (PageEffect effect : effects) {
      if (effect instanceof PageEffect.RunCall run) {
        tally.count("changes");
        one(name + ": save", service, bench, standIn, run);
      }
    }
  }

  private static Optional<PartId> button(PageBench bench, String words) {
    return bench.view().parts().stream()
        .filter(part -> part instanceof PartView.ButtonView && part.heading().equals(words))
        .map(PartView::id)
        .findFirst();
  }

  private void opened(
      String name, Service service, PageBench bench, StandIn standIn, PageEvent.Opened event) {
    for (PageEffect effect : bench.step(event)) {
      if (effect instanceof PageEffect.RunCall run) {
        one(name, service, bench, standIn, run);
      }
    }
  }

  private void one(
      String name, Service service, PageBench bench, StandIn standIn, PageEffect.RunCall run) {
    Call call =
        bench.page().calls().stream()
            .filter(made -> made.id().equals(run.call()))
            .findFirst()
            .orElseThrow();
    Operation operation = service.findOperation(call.operation()).orElseThrow();
    answered(name, service, operation, bench, run, standIn, call);
  }
}
