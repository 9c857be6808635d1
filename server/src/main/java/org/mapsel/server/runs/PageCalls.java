package org.mapsel.server.runs;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.UnaryOperator;
import org.mapsel.core.exchange.Exchanger;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.FindingText;
import org.mapsel.core.json.ValueJson;
import org.mapsel.core.message.Answer;
import org.mapsel.core.page.Call;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.ServiceLookup;
import org.mapsel.core.page.run.PageEffect;
import org.mapsel.core.page.run.PageEvent;
import org.mapsel.core.ref.SlotId;
import org.mapsel.core.service.Operation;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;
import org.mapsel.server.runs.RunViews.SimulationView;
import org.mapsel.server.runs.RunViews.TracedCall;
import org.mapsel.server.runs.RunViews.TracedParameter;
import org.mapsel.server.samples.LastSamples;
import org.mapsel.server.samples.Recorder;
import org.mapsel.server.samples.Simulation;
import org.mapsel.server.web.FindingView;
import org.mapsel.server.web.Problem;
import org.springframework.stereotype.Component;

/** Makes the calls of pages. */
@Component
class PageCalls {

  private final Recorder recorder;
  private final LastSamples last;

  PageCalls(Recorder recorder, LastSamples last) {
    this.last = last;
    this.recorder = recorder;
  }

  /**
   * A call that was made.
   *
   * @param event what it answered, for the page to go on with
   * @param trace what it was, for those who build the page; nothing for others
   */
  record Made(PageEvent event, Optional<TracedCall> trace) {}

  /**
   * Makes the calls that a page wants, at once where they are wanted at once. Returns when all are
   * over.
   *
   * @param simulation how services are made to look
   * @param way what every request goes through
   * @param done is told of each as soon as it is over, by one thread or another
   */
  void make(
      Running running,
      List<PageEffect.RunCall> runs,
      SimulationView simulation,
      UnaryOperator<Exchanger> way,
      Consumer<Made> done) {
    List<Recorder.Wanted> wanted =
        runs.stream().map(run -> wanted(running, run, simulation.of(run.call()))).toList();
    recorder.callAll(
        wanted,
        way,
        (place, recorded) ->
            done.accept(made(running, runs.get(place), wanted.get(place), recorded)));
  }

  private Made made(
      Running running, PageEffect.RunCall run, Recorder.Wanted wanted, Recorder.Recorded recorded) {
    PageEvent event = event(run, recorded);
    if (!running.builder()) {
      return new Made(event, Optional.empty());
    }
    // What was made up is no answer of the service.
    boolean real = wanted.look() == Simulation.NONE || wanted.look() == Simulation.SLOW;
    if (real && recorded.sent().isPresent()) {
      last.keep(
          wanted.serviceId(),
          wanted.service(),
          wanted.operation(),
          ValueJson.write(run.parameters()),
          recorded);
    }
    TracedCall traced =
        traced(
            running,
            running.page().call(run.call()).orElseThrow(),
            wanted.operation(),
            run.parameters(),
            event instanceof PageEvent.CallFailed,
            recorded);
    return new Made(event, Optional.of(traced));
  }

  private Recorder.Wanted wanted(Running running, PageEffect.RunCall run, Simulation look) {
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
        running.builder() ? Set.of() : running.plan().wanted().getOrDefault(call.id(), Set.of()),
        running.environmentOf(call.service()),
        look,
        running.asker());
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
                  case Answer.Failed failed ->
                      new PageEvent.CallFailed(run, failed.reason(), isConflict(recorded));
                })
        .orElseGet(
            () ->
                new PageEvent.CallFailed(
                    run, reason(recorded.result().findings()), isConflict(recorded)));
  }

  /** Conflict and Precondition Failed (RFC 9110, sections 15.5.10 and 15.5.13). */
  private static boolean isConflict(Recorder.Recorded recorded) {
    return recorded
        .sent()
        .map(Recorder.Sent::status)
        .filter(status -> status == 409 || status == 412)
        .isPresent();
  }

  private static String reason(List<Finding> findings) {
    return findings.stream()
        .filter(Finding::isError)
        .map(finding -> FindingText.message(finding) + " " + FindingText.advice(finding))
        .findFirst()
        .orElse("");
  }

  private static TracedCall traced(
      Running running,
      Call call,
      Operation operation,
      RecordValue parameters,
      boolean failed,
      Recorder.Recorded recorded) {
    Page page = running.page();
    List<TracedParameter> sent = new ArrayList<>();
    for (Call.Parameter parameter : call.parameters()) {
      Value value = parameters.at(parameter.path());
      // What stands in a record that is filled as a whole is told with it.
      if (!value.isAbsent() && page.around(call, parameter.path()).isEmpty()) {
        SlotId.OfParameter slot = new SlotId.OfParameter(page.id(), call.id(), parameter.path());
        sent.add(
            new TracedParameter(
                parameter.path(),
                ValueJson.writeForDoubles(running.reach().alternatives().given(slot, value)),
                running.words().words(parameter.mapping().source())));
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
