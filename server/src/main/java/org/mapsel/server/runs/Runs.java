package org.mapsel.server.runs;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.FindingText;
import org.mapsel.core.json.ValueJson;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.mapping.MappingOut;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.mapping.Target;
import org.mapsel.core.message.Answer;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Call;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.PageEffect;
import org.mapsel.core.page.PageEvent;
import org.mapsel.core.page.PageRunner;
import org.mapsel.core.page.PageState;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;
import org.mapsel.server.apps.Apps;
import org.mapsel.server.runs.RunViews.MessageView;
import org.mapsel.server.runs.RunViews.PreviewView;
import org.mapsel.server.runs.RunViews.RunRequest;
import org.mapsel.server.runs.RunViews.RunView;
import org.mapsel.server.runs.RunViews.TracedCall;
import org.mapsel.server.runs.RunViews.TracedParameter;
import org.mapsel.server.samples.Recorder;
import org.mapsel.server.services.Editions;
import org.mapsel.server.web.FindingView;
import org.mapsel.server.web.Problem;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;

/** Runs pages: takes events, makes the calls they ask for, and tells how it went. */
@Component
class Runs {

  private final Apps apps;
  private final Editions editions;
  private final Recorder recorder;

  Runs(Apps apps, Editions editions, Recorder recorder) {
    this.apps = apps;
    this.editions = editions;
    this.recorder = recorder;
  }

  private static Page page(App app, String id) {
    return app.find(new PageId(id))
        .orElseThrow(() -> Problem.missing("APP_PAGE_MISSING", "page", id));
  }

  private Service service(App app, Call call) {
    String edition =
        app.edition(call.service())
            .orElseThrow(() -> Problem.missing("APP_SERVICE_MISSING", "service", call.service()));
    return editions.get(edition).service();
  }

  private static Operation operation(Service service, Call call) {
    return service
        .findOperation(call.operation())
        .orElseThrow(
            () ->
                Problem.missing(
                    "APP_OPERATION_MISSING",
                    "operation",
                    call.operation().text(),
                    "service",
                    service.name()));
  }

  RunView run(String appId, String pageId, RunRequest request) {
    App app = apps.app(appId);
    Page page = page(app, pageId);
    PageRunner runner = new PageRunner(page);
    Map<PartId, Value> inputs = new HashMap<>();
    request.inputs().forEach((id, value) -> inputs.put(new PartId(id), ValueJson.read(value)));
    PageState state = new PageState(inputs, Map.of(), List.of());
    PageEvent event =
        switch (request.event()) {
          case RunViews.Happening.PageOpened opened -> new PageEvent.Opened();
          case RunViews.Happening.ButtonPressed pressed ->
              new PageEvent.Pressed(new PartId(pressed.button()));
        };
    List<TracedCall> trace = new ArrayList<>();
    Deque<PageEvent> events = new ArrayDeque<>(List.of(event));
    while (!events.isEmpty()) {
      PageRunner.Outcome outcome = runner.step(state, events.poll());
      state = outcome.state();
      events.addAll(done(app, page, outcome.effects(), request.keep(), trace));
    }
    return new RunView(
        json(state.contents()),
        state.messages().stream()
            .map(message -> new MessageView(message.failed(), message.text()))
            .toList(),
        trace);
  }

  /** Does what a page wants done outside, calls at once where they are wanted at once. */
  private List<PageEvent> done(
      App app, Page page, List<PageEffect> effects, boolean keep, List<TracedCall> trace) {
    List<PageEffect.RunCall> calls = new ArrayList<>();
    List<Recorder.Wanted> wanted = new ArrayList<>();
    for (PageEffect effect : effects) {
      switch (effect) {
        case PageEffect.RunCall run -> {
          calls.add(run);
          wanted.add(wanted(app, page.call(run.call()).orElseThrow(), run, keep));
        }
      }
    }
    List<Recorder.Recorded> recorded = recorder.callAll(wanted);
    List<PageEvent> events = new ArrayList<>();
    for (int i = 0; i < calls.size(); i++) {
      PageEffect.RunCall run = calls.get(i);
      Recorder.Recorded one = recorded.get(i);
      if (keep && one.sent().isPresent()) {
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
              page.call(run.call()).orElseThrow(),
              wanted.get(i).operation(),
              run.parameters(),
              event instanceof PageEvent.CallFailed,
              one));
    }
    return events;
  }

  private Recorder.Wanted wanted(App app, Call call, PageEffect.RunCall run, boolean keep) {
    Service service = service(app, call);
    return new Recorder.Wanted(
        call.service(),
        service,
        operation(service, call),
        call.endpoint(),
        run.parameters(),
        keep ? Set.of() : MappingOut.wanted(call.comesBack()));
  }

  private static PageEvent event(PageEffect.RunCall run, Recorder.Recorded recorded) {
    return recorded
        .result()
        .answer()
        .<PageEvent>map(
            answer ->
                switch (answer) {
                  case Answer.Returned returned -> new PageEvent.Answered(run, returned.value());
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
    for (Mapping mapping : call.goesIn()) {
      if (mapping.target() instanceof Target.Parameter parameter) {
        Value value = parameters.at(parameter.path());
        if (!value.isAbsent()) {
          sent.add(new TracedParameter(parameter.path().steps(), ValueJson.write(value)));
        }
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

  private static Map<String, JsonNode> json(Map<PartId, Value> contents) {
    Map<String, JsonNode> json = new LinkedHashMap<>();
    contents.forEach((part, value) -> json.put(part.text(), ValueJson.write(value)));
    return json;
  }

  /** The page with the current samples in it. */
  PreviewView preview(String appId, String pageId) {
    App app = apps.app(appId);
    Page page = page(app, pageId);
    Map<String, JsonNode> inputs = new LinkedHashMap<>();
    Map<PartId, Value> contents = new LinkedHashMap<>();
    Map<String, String> origins = new LinkedHashMap<>();
    for (Call call : page.calls()) {
      Service service = service(app, call);
      Recorder.Sample sample = recorder.sample(call.service(), service, operation(service, call));
      contents.putAll(MappingOut.apply(call.comesBack(), ValueJson.readRecord(sample.answer())));
      RecordValue parameters = ValueJson.readRecord(sample.parameters());
      for (Mapping mapping : call.goesIn()) {
        if (mapping.target() instanceof Target.Parameter parameter
            && mapping.source() instanceof Source.Entered entered) {
          Value value = parameters.at(parameter.path());
          if (!value.isAbsent()) {
            inputs.put(entered.input().text(), ValueJson.write(value));
          }
        }
      }
      origins.put(call.id().text(), sample.origin().label());
    }
    return new PreviewView(inputs, json(contents), origins);
  }
}
