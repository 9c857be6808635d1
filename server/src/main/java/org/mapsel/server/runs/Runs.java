package org.mapsel.server.runs;

import java.time.Clock;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Consumer;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.exchange.Exchanger;
import org.mapsel.core.json.ValueJson;
import org.mapsel.core.model.Formats;
import org.mapsel.core.page.run.Happening;
import org.mapsel.core.page.run.PageEffect;
import org.mapsel.core.page.run.PageEvent;
import org.mapsel.core.page.run.PageRunner;
import org.mapsel.core.page.run.PageState;
import org.mapsel.core.page.view.PageView;
import org.mapsel.core.page.view.PageViews;
import org.mapsel.core.page.view.PartView;
import org.mapsel.core.page.view.TakenRows;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;
import org.mapsel.server.apps.HappeningWords;
import org.mapsel.server.apps.Releases;
import org.mapsel.server.entry.Entry;
import org.mapsel.server.runs.RunViews.EventRequest;
import org.mapsel.server.runs.RunViews.RunRequest;
import org.mapsel.server.runs.RunViews.RunView;
import org.mapsel.server.runs.RunViews.SimulationView;
import org.mapsel.server.samples.Simulation;
import org.mapsel.server.samples.Stops;
import org.mapsel.server.web.Problem;
import org.springframework.stereotype.Component;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * Runs pages: takes events, makes the calls they ask for, and tells what is drawn then. The browser
 * tells what the visitor did; what services said stays here.
 */
@Component
class Runs {

  private final OpenPages pages;
  private final PageCalls calls;
  private final RunStore store;
  private final RunStates states;
  private final Entry entry;
  private final Stops stops;
  private final Clock clock;

  Runs(
      OpenPages pages,
      PageCalls calls,
      RunStore store,
      RunStates states,
      Entry entry,
      Stops stops,
      Clock clock) {
    this.states = states;
    this.stops = stops;
    this.entry = entry;
    this.pages = pages;
    this.calls = calls;
    this.store = store;
    this.clock = clock;
  }

  /** One press leads to so many events at most: reactions that cause each other have an end. */
  private static final int MOST_EVENTS = 200;

  /** What happened on the way: the calls that were made, and where the page leads. */
  private static final class Course {
    private final UnaryOperator<Exchanger> way;
    private final SimulationView simulation;
    private final RunTrace trace;
    private Optional<RunViews.Leads> leads = Optional.empty();

    /** Is told the state of the page while services are waited for. */
    private Consumer<PageState> told = state -> {};

    private PageState state;

    /**
     * @param way what every request to a service goes through
     * @param simulation how services are made to look
     * @param state of the page before
     * @param trace what happened is told to
     */
    Course(
        UnaryOperator<Exchanger> way, SimulationView simulation, PageState state, RunTrace trace) {
      this.way = way;
      this.simulation = simulation;
      this.state = state;
      this.trace = trace;
    }
  }

  /** Visitors meet services as they are. */
  private static SimulationView simulation(Running running, @Nullable SimulationView wished) {
    return running.builder() && wished != null ? wished : new SimulationView(Simulation.NONE, null);
  }

  static Problem over() {
    return Problem.missing("SERVER_RUN_OVER");
  }

  private RunStore.Kept kept(String id) {
    RunStore.Kept kept = store.find(id).orElseThrow(Runs::over);
    // Drafts, and what was released before, are for builders.
    if (kept.builder() || kept.release().isEmpty()) {
      entry.requireBuilder();
    }
    return kept;
  }

  /**
   * Opens a page.
   *
   * @param waiting is told how the page looks while services are waited for, if they take long
   */
  RunView begin(
      String appId, String pageId, RunRequest request, Locale locale, Consumer<RunView> waiting) {
    if (request.as() != RunViews.RunAs.VISITOR || request.release() != null) {
      entry.requireBuilder();
    }
    Running running =
        begin(
            appId,
            pageId,
            pages.version(appId, request),
            request.as() == RunViews.RunAs.BUILDER,
            Optional.empty());
    ObjectNode simple = JsonNodeFactory.instance.objectNode();
    request.arguments().forEach(simple::put);
    Map<String, Value> arguments = StateJson.arguments(simple, running.reach());
    arguments.values().removeIf(RecordValue.class::isInstance);
    return happen(
        running,
        List.of(
            VisitorEvents.entered(running, request.inputs()),
            new PageEvent.Opened(arguments, List.of())),
        simulation(running, request.simulation()),
        request.stop(),
        locale,
        waiting);
  }

  private Running begin(
      String appId,
      String pageId,
      Releases.Version version,
      boolean builder,
      Optional<String> previous) {
    pages.refuseMissing(version, pageId);
    RunStore.Kept begun =
        store.begin(
            appId, pageId, version.release(), builder, previous, StateJson.write(PageState.EMPTY));
    return pages.running(begun, version);
  }

  /** A page as it looks when it has just been opened; nobody goes on with it. */
  PageView glance(String appId, String pageId, boolean draft, Locale locale) {
    RunViews.RunAs as = draft ? RunViews.RunAs.REVIEWER : RunViews.RunAs.VISITOR;
    RunView opened =
        begin(
            appId,
            pageId,
            new RunRequest(as, null, Map.of(), Map.of(), null, null),
            locale,
            view -> {});
    store.remove(opened.run());
    return opened.page();
  }

  /** A page as it was left. */
  RunView again(String id, Locale locale) {
    RunStore.Kept kept = kept(id);
    Running running = pages.running(kept);
    return view(
        running,
        new Course(
            UnaryOperator.identity(),
            simulation(running, null),
            states.of(kept, running),
            new RunTrace(clock.millis())),
        locale);
  }

  /**
   * Something happens on an open page.
   *
   * @param waiting is told how the page looks while services are waited for, if they take long
   */
  RunView event(String id, EventRequest request, Locale locale, Consumer<RunView> waiting) {
    RunStore.Kept kept = kept(id);
    Running running = pages.running(kept);
    return happen(
        running,
        List.of(
            VisitorEvents.entered(running, request.inputs()),
            new VisitorEvents(views(running, states.of(kept, running), locale))
                .of(request.event())),
        simulation(running, request.simulation()),
        request.stop(),
        locale,
        waiting);
  }

  /** Rows of a table that were not drawn yet. */
  PartView.RowsView rows(String id, String part, int from, int count, Locale locale) {
    RunStore.Kept kept = kept(id);
    Running running = pages.running(kept);
    return views(running, states.of(kept, running), locale)
        .rows(new PartId(part), from, count)
        .orElseThrow(() -> Problem.missing("APP_PART_MISSING", "part", part, "page", ""));
  }

  /** All rows of a part as the visitor sees them. */
  TakenRows taken(String id, String part, Locale locale) {
    RunStore.Kept kept = kept(id);
    Running running = pages.running(kept);
    PageViews views = views(running, states.of(kept, running), locale);
    return views
        .taken(new VisitorEvents(views).shown(part))
        .orElseThrow(() -> Problem.missing("APP_PART_MISSING", "part", part, "page", ""));
  }

  private PageViews views(Running running, PageState state, Locale locale) {
    return new PageViews(running.plan(), state, new Formats(locale), clock.instant(), false);
  }

  private RunView view(Running running, Course course, Locale locale) {
    return view(running, course.state, course.leads, course.trace.entries(), locale);
  }

  private RunView view(
      Running running,
      PageState state,
      Optional<RunViews.Leads> leads,
      List<RunViews.TraceEntry> trace,
      Locale locale) {
    return new RunView(
        running.id(),
        views(running, state, locale).page(),
        leads.orElse(null),
        trace,
        pages.replayed(running));
  }

  /** Lets events happen that may be stopped, and tells what is drawn then. */
  private RunView happen(
      Running running,
      List<PageEvent> first,
      SimulationView simulation,
      @Nullable String stop,
      Locale locale,
      Consumer<RunView> told) {
    try (Stops.Waiting waiting = stops.waiting(stop == null ? "" : stop)) {
      Course course =
          new Course(waiting::over, simulation, PageState.EMPTY, new RunTrace(clock.millis()));
      course.told = state -> told.accept(view(running, state, Optional.empty(), List.of(), locale));
      happen(running, first, course, locale);
      return view(running, course, locale);
    }
  }

  /**
   * Lets events happen one after the other, and what calls answer as further events, as it comes.
   */
  private void happen(Running running, List<PageEvent> first, Course course, Locale locale) {
    Deque<PageEvent> events = new ArrayDeque<>(first);
    CallsOut out = new CallsOut();
    int left = MOST_EVENTS;
    while (!events.isEmpty()) {
      int waiting = events.size();
      List<PageEffect> effects = step(running, events, course, locale);
      left -= waiting - events.size();
      if (left < 0) {
        throw Problem.conflict("SERVER_RUN_ENDLESS", "limit", String.valueOf(MOST_EVENTS));
      }
      effects.forEach(effect -> lead(running, effect, course, locale));
      List<PageEffect.RunCall> wanted =
          effects.stream()
              .filter(PageEffect.RunCall.class::isInstance)
              .map(PageEffect.RunCall.class::cast)
              .toList();
      out.begin(
          wanted.size(), done -> calls.make(running, wanted, course.simulation, course.way, done));
      if (events.isEmpty()) {
        out.next(() -> course.told.accept(course.state))
            .ifPresent(
                made -> {
                  made.trace().ifPresent(course.trace::made);
                  events.add(made.event());
                });
      }
    }
  }

  /** Goes where the page leads; of several ways the last one is taken. */
  private void lead(Running running, PageEffect effect, Course course, Locale locale) {
    switch (effect) {
      case PageEffect.RunCall run -> {}
      case PageEffect.OpenAddress open ->
          course.leads = Optional.of(new RunViews.Leads.Outside(open.address()));
      case PageEffect.GoBack back -> course.leads = Optional.of(back(running, back));
      case PageEffect.GoTo go -> {
        Running opened =
            begin(
                running.appId(),
                go.page().text(),
                pages.version(running),
                running.builder(),
                Optional.of(running.id()));
        Course further =
            new Course(course.way, course.simulation, PageState.EMPTY, course.trace.further());
        happen(
            opened, List.of(new PageEvent.Opened(go.arguments(), go.messages())), further, locale);
        course.trace.add(further.trace);
        course.leads =
            Optional.of(
                further.leads.orElseGet(
                    () ->
                        new RunViews.Leads.ToPage(
                            go.page().text(), opened.id(), simple(go.arguments()))));
      }
    }
  }

  private RunViews.Leads back(Running running, PageEffect.GoBack effect) {
    Optional<RunStore.Kept> previous = running.previous().flatMap(store::find);
    previous.ifPresent(
        kept -> {
          states.change(
              pages.running(kept),
              before -> {
                PageState state = before.withMessages(List.of());
                for (PageState.Message message : effect.messages()) {
                  state = state.saying(message);
                }
                return state;
              });
        });
    return previous
        .map(kept -> new RunViews.Leads.Back(kept.page(), kept.id()))
        .orElseGet(() -> new RunViews.Leads.Back(running.app().pages().getFirst().id().text(), ""));
  }

  /** What an address can have. */
  private static Map<String, String> simple(Map<String, Value> arguments) {
    Map<String, String> simple = new LinkedHashMap<>();
    arguments.forEach(
        (name, value) -> {
          if (!(value instanceof RecordValue) && !(value instanceof ListValue)) {
            simple.put(name, ValueJson.write(value).asString());
          }
        });
    return simple;
  }

  /**
   * What follows from events.
   *
   * @param events how many of them
   */
  private record Taken(
      PageState state, List<PageEffect> effects, List<Happening> happenings, int events) {}

  /** Takes events up to the first that leads to something. */
  private static Taken taken(PageRunner runner, PageState before, Collection<PageEvent> events) {
    List<Happening> happenings = new ArrayList<>();
    PageState state = before;
    int taken = 0;
    for (PageEvent event : events) {
      PageRunner.Stepped stepped = runner.step(state, event);
      happenings.addAll(stepped.happenings());
      state = stepped.state();
      taken++;
      if (!stepped.effects().isEmpty()) {
        return new Taken(state, stepped.effects(), happenings, taken);
      }
    }
    return new Taken(state, List.of(), happenings, taken);
  }

  /** Takes events up to the first that leads to something, and keeps the state after them. */
  private List<PageEffect> step(
      Running running, Deque<PageEvent> events, Course course, Locale locale) {
    Formats formats = new Formats(locale);
    PageRunner runner = new PageRunner(running.plan(), formats, clock.instant());
    AtomicReference<Taken> last = new AtomicReference<>();
    boolean there =
        states.change(
            running,
            before -> {
              Taken taken = taken(runner, before, events);
              last.set(taken);
              return taken.state();
            });
    if (!there) {
      throw over();
    }
    Taken taken = last.get();
    for (int i = 0; i < taken.events(); i++) {
      events.poll();
    }
    course.state = taken.state();
    if (running.builder()) {
      course.trace.tell(
          taken.happenings(), new HappeningWords(running.words(), formats), clock.millis());
    }
    return taken.effects();
  }
}
