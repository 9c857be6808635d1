package org.mapsel.server.runs;

import java.time.Clock;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.FindingText;
import org.mapsel.core.json.ValueJson;
import org.mapsel.core.message.Answer;
import org.mapsel.core.model.Formats;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Call;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.ServiceLookup;
import org.mapsel.core.page.plan.PagePlan;
import org.mapsel.core.page.reach.PageReach;
import org.mapsel.core.page.run.PageEffect;
import org.mapsel.core.page.run.PageEvent;
import org.mapsel.core.page.run.PageRunner;
import org.mapsel.core.page.run.PageState;
import org.mapsel.core.page.view.PageViews;
import org.mapsel.core.page.view.PartView;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.service.Operation;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;
import org.mapsel.server.apps.Apps;
import org.mapsel.server.runs.RunViews.EventRequest;
import org.mapsel.server.runs.RunViews.RunRequest;
import org.mapsel.server.runs.RunViews.RunView;
import org.mapsel.server.runs.RunViews.TracedCall;
import org.mapsel.server.runs.RunViews.TracedParameter;
import org.mapsel.server.samples.Recorder;
import org.mapsel.server.web.FindingView;
import org.mapsel.server.web.Problem;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;

/**
 * Runs pages: takes events, makes the calls they ask for, and tells what is drawn then. The browser
 * tells what the visitor did; what services said stays here.
 */
@Component
class Runs {

  private final Apps apps;
  private final Recorder recorder;
  private final RunStore store;
  private final Clock clock;

  Runs(Apps apps, Recorder recorder, RunStore store, Clock clock) {
    this.apps = apps;
    this.recorder = recorder;
    this.store = store;
    this.clock = clock;
  }

  /** A page that runs, as it was edited last. */
  private record Running(String id, boolean builder, PagePlan plan, PageReach reach) {

    Page page() {
      return plan.page();
    }
  }

  private Running running(String id, String appId, String pageId, boolean builder) {
    Apps.CheckedApp checked = apps.checked(appId);
    App app = checked.kept().app();
    Page page =
        app.find(new PageId(pageId))
            .orElseThrow(() -> Problem.missing("APP_PAGE_MISSING", "page", pageId));
    return new Running(
        id,
        builder,
        checked.checked().pages().get(page.id()).plan(),
        new PageReach(app, page, apps.services()));
  }

  private Running running(RunStore.Kept kept) {
    return running(kept.id(), kept.app(), kept.page(), kept.builder());
  }

  private RunStore.Kept kept(String id) {
    return store.find(id).orElseThrow(() -> Problem.missing("SERVER_RUN_OVER"));
  }

  /** Opens a page. */
  RunView begin(String appId, String pageId, RunRequest request, Locale locale) {
    boolean builder = request.builder();
    Running opened = running("", appId, pageId, builder);
    String id = store.begin(appId, pageId, builder, StateJson.write(PageState.EMPTY));
    Running running = new Running(id, builder, opened.plan(), opened.reach());
    List<TracedCall> trace =
        happen(running, List.of(entered(running, request.inputs()), new PageEvent.Opened()));
    return view(running, trace, locale);
  }

  /** Something happens on an open page. */
  RunView event(String id, EventRequest request, Locale locale) {
    Running running = running(kept(id));
    List<PageEvent> events = new ArrayList<>(List.of(entered(running, request.inputs())));
    switch (request.event()) {
      case RunViews.Happening.ButtonPressed pressed ->
          events.add(new PageEvent.Pressed(new PartId(pressed.button())));
      case RunViews.Happening.RowChosen chosen ->
          events.add(new PageEvent.RowChosen(new PartId(chosen.part()), chosen.row()));
      case RunViews.Happening.ValuesEntered entered -> {}
    }
    return view(running, happen(running, events), locale);
  }

  /** What was typed; what stands in no form of the page cannot have been. */
  private static PageEvent entered(Running running, Map<String, JsonNode> typed) {
    Map<PartId, Value> inputs = new HashMap<>();
    typed.forEach(
        (input, value) -> {
          if (running.plan().inputs().containsKey(new PartId(input))) {
            inputs.put(new PartId(input), ValueJson.read(value));
          }
        });
    return new PageEvent.Entered(inputs);
  }

  /** Rows of a table that were not drawn yet. */
  PartView.TableView rows(String id, String part, int from, int count, Locale locale) {
    Running running = running(kept(id));
    return views(running, locale)
        .rows(new PartId(part), from, count)
        .orElseThrow(() -> Problem.missing("APP_PART_MISSING", "part", part, "page", ""));
  }

  private PageViews views(Running running, Locale locale) {
    PageState state = StateJson.read(kept(running.id()).state(), running.reach());
    return new PageViews(running.plan(), state, new Formats(locale), clock.instant());
  }

  private RunView view(Running running, List<TracedCall> trace, Locale locale) {
    return new RunView(
        running.id(), views(running, locale).page(), running.builder() ? trace : List.of());
  }

  /** Lets events happen one after the other, and what calls answer as further events. */
  private List<TracedCall> happen(Running running, List<PageEvent> first) {
    List<TracedCall> trace = new ArrayList<>();
    Deque<PageEvent> events = new ArrayDeque<>(first);
    while (!events.isEmpty()) {
      List<PageEffect> effects = step(running, events.poll());
      events.addAll(done(running, effects, trace));
    }
    return trace;
  }

  private List<PageEffect> step(Running running, PageEvent event) {
    PageRunner runner =
        new PageRunner(
            running.page(), running.plan().plan(), running.plan().required(), clock.instant());
    List<PageEffect> effects = new ArrayList<>();
    store.change(
        running.id(),
        state -> {
          PageRunner.Stepped stepped = runner.step(StateJson.read(state, running.reach()), event);
          effects.addAll(stepped.effects());
          return StateJson.write(stepped.state());
        });
    return effects;
  }

  /** Does what a page wants done outside, calls at once where they are wanted at once. */
  private List<PageEvent> done(Running running, List<PageEffect> effects, List<TracedCall> trace) {
    List<PageEffect.RunCall> calls = new ArrayList<>();
    List<Recorder.Wanted> wanted = new ArrayList<>();
    for (PageEffect effect : effects) {
      switch (effect) {
        case PageEffect.RunCall run -> {
          calls.add(run);
          wanted.add(wanted(running, run));
        }
      }
    }
    List<Recorder.Recorded> recorded = recorder.callAll(wanted);
    List<PageEvent> events = new ArrayList<>();
    for (int i = 0; i < calls.size(); i++) {
      PageEffect.RunCall run = calls.get(i);
      Recorder.Recorded one = recorded.get(i);
      if (running.builder() && one.sent().isPresent()) {
        recorder.keepLast(
            wanted.get(i).serviceId(),
            wanted.get(i).operation(),
            ValueJson.write(run.parameters()),
            one);
      }
      PageEvent event = event(run, one);
      events.add(event);
      trace.add(
          traced(
              running.page().call(run.call()).orElseThrow(),
              wanted.get(i).operation(),
              run.parameters(),
              event instanceof PageEvent.CallFailed,
              one));
    }
    return events;
  }

  private Recorder.Wanted wanted(Running running, PageEffect.RunCall run) {
    Call call = running.page().call(run.call()).orElseThrow();
    ServiceLookup.Pinned pinned =
        running
            .reach()
            .pinned(call.id())
            .orElseThrow(
                () ->
                    Problem.missing(
                        "APP_OPERATION_MISSING",
                        "operation",
                        call.operation().text(),
                        "service",
                        call.service()));
    return new Recorder.Wanted(
        call.service(),
        pinned.service(),
        pinned.operation(),
        call.endpoint(),
        run.parameters(),
        running.builder() ? Set.of() : running.plan().wanted().getOrDefault(call.id(), Set.of()));
  }

  private static PageEvent event(PageEffect.RunCall run, Recorder.Recorded recorded) {
    String exchange = recorded.sent().map(Recorder.Sent::exchange).orElse("");
    return recorded
        .result()
        .answer()
        .<PageEvent>map(
            answer ->
                switch (answer) {
                  case Answer.Returned returned ->
                      new PageEvent.Answered(run, returned.value(), exchange);
                  case Answer.Failed failed -> new PageEvent.CallFailed(run, failed.reason());
                })
        .orElseGet(() -> new PageEvent.CallFailed(run, reason(recorded.result().findings())));
  }

  private static String reason(List<Finding> findings) {
    return findings.stream()
        .filter(Finding::isError)
        .map(finding -> FindingText.message(finding) + " " + FindingText.advice(finding))
        .findFirst()
        .orElse("");
  }

  private static TracedCall traced(
      Call call,
      Operation operation,
      RecordValue parameters,
      boolean failed,
      Recorder.Recorded recorded) {
    List<TracedParameter> sent = new ArrayList<>();
    for (Call.Parameter parameter : call.parameters()) {
      Value value = parameters.at(parameter.path());
      if (!value.isAbsent()) {
        sent.add(new TracedParameter(parameter.path(), ValueJson.writeForDoubles(value)));
      }
    }
    return new TracedCall(
        call.id().text(),
        operation.name(),
        sent,
        failed,
        recorded.sent().map(Recorder.Sent::exchange).orElse(null),
        recorded.sent().map(Recorder.Sent::status).orElse(null),
        recorded.sent().map(Recorder.Sent::tookMillis).orElse(null),
        recorded.sent().map(Recorder.Sent::startedAt).orElse(null),
        FindingView.of(recorded.result().findings()));
  }
}
