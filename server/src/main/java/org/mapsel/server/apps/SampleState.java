package org.mapsel.server.apps;

import java.time.Clock;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import org.mapsel.core.mapping.Plan;
import org.mapsel.core.mapping.Reach;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.page.Action;
import org.mapsel.core.page.Argument;
import org.mapsel.core.page.Call;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.Reaction;
import org.mapsel.core.page.ServiceLookup;
import org.mapsel.core.page.check.Checked;
import org.mapsel.core.page.reach.PageReach;
import org.mapsel.core.page.run.PageState;
import org.mapsel.core.page.run.StateScope;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.ref.SlotId;
import org.mapsel.core.sample.SampleMaker;
import org.mapsel.core.shape.ValueType;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;
import org.mapsel.server.samples.LastSamples;
import org.mapsel.server.samples.Recorder;
import org.springframework.stereotype.Component;

/** Pages filled with samples: the state that a page would be in had its calls been answered so. */
@Component
public class SampleState {

  /** From how many pages before this one something is handed on. */
  private static final int FARTHEST = 2;

  private final LastSamples last;
  private final ShownSampleStore shown;
  private final Clock clock;

  SampleState(LastSamples last, ShownSampleStore shown, Clock clock) {
    this.last = last;
    this.shown = shown;
    this.clock = clock;
  }

  /**
   * A state, and where the answer of each call comes from.
   *
   * @param chosen the names of the samples that were chosen for calls of the page
   */
  public record Sampled(
      PageState state, Map<CallId, LastSamples.Sample> samples, Map<CallId, String> chosen) {}

  /**
   * @param app the id of the app
   * @param checked the app, with its pages made ready
   */
  Sampled of(String app, Checked checked, Page page, ServiceLookup services) {
    return of(app, checked, page, services, 0);
  }

  private Sampled of(String app, Checked checked, Page page, ServiceLookup services, int far) {
    Map<CallId, String> named = shown.of(app, page.id());
    PageReach reach = new PageReach(checked.app(), page, services);
    Map<PartId, Value> inputs = new HashMap<>();
    Map<CallId, PageState.Answer> answers = new HashMap<>();
    Map<CallId, LastSamples.Sample> samples = new LinkedHashMap<>();
    for (Call call : page.calls()) {
      reach
          .pinned(call.id())
          .ifPresent(
              pinned -> {
                LastSamples.Sample sample =
                    last.sample(
                        call.service(),
                        pinned.service(),
                        pinned.operation(),
                        Optional.ofNullable(named.get(call.id())));
                samples.put(call.id(), sample);
                if (sample.failure().isPresent()) {
                  answers.put(call.id(), new PageState.Answer.Failed(sample.failure().get()));
                } else if (sample.answer() instanceof RecordValue answer) {
                  String exchange = sample.sent().map(Recorder.Sent::exchange).orElse("");
                  answers.put(call.id(), new PageState.Answer.Answered(answer, exchange));
                }
                inputs.putAll(typed(page, reach, call, sample));
              });
    }
    Map<PartId, Integer> chosen = new HashMap<>();
    page.parts().stream()
        .filter(Part.OverRows.class::isInstance)
        .forEach(part -> chosen.put(part.id(), 0));
    Map<String, Value> arguments = new HashMap<>();
    for (Argument argument : page.arguments()) {
      handedOn(app, checked, page, argument, services, far)
          .or(() -> madeUp(reach, argument))
          .ifPresent(value -> arguments.put(argument.name(), value));
    }
    return new Sampled(PageState.of(arguments, inputs, answers, chosen), samples, named);
  }

  /** What a page that leads here would hand on, of its first rows. */
  private Optional<Value> handedOn(
      String app, Checked checked, Page page, Argument argument, ServiceLookup services, int far) {
    if (far == FARTHEST) {
      return Optional.empty();
    }
    for (Page other : checked.app().pages()) {
      for (Reaction reaction : other.reactions()) {
        for (Reaction.Step step : reaction.all().toList()) {
          boolean leads =
              step.action() instanceof Action.GoTo go
                  && go.page().equals(page.id())
                  && step.slots().containsKey(argument.name());
          if (leads) {
            Plan plan = checked.pages().get(other.id()).plan().plan();
            PageState state = of(app, checked, other, services, far + 1).state();
            Value value =
                plan.value(
                    new SlotId.OfPart(other.id(), step.id(), argument.name()),
                    new StateScope(other, plan, state, clock.instant()));
            if (!value.isAbsent()) {
              return Optional.of(value);
            }
          }
        }
      }
    }
    return Optional.empty();
  }

  private static Optional<Value> madeUp(PageReach reach, Argument argument) {
    return reach
        .outside()
        .argument(argument.name())
        .map(Reach.Typed::type)
        .filter(ValueType.Shaped.class::isInstance)
        .map(ValueType.Shaped.class::cast)
        .map(
            shaped ->
                SampleMaker.make(shaped.shapes(), shaped.shape(), SampleMaker.Extent.EVERYTHING));
  }

  /** What was sent last stands in the inputs that fill it. */
  private static Map<PartId, Value> typed(
      Page page, PageReach reach, Call call, LastSamples.Sample sample) {
    Map<PartId, Value> typed = new HashMap<>();
    for (Call.Parameter parameter : call.parameters()) {
      Value value = sample.parameters().at(parameter.path());
      if (parameter.mapping().source() instanceof Source.Entered entered && !value.isAbsent()) {
        SlotId.OfParameter slot = new SlotId.OfParameter(page.id(), call.id(), parameter.path());
        typed.put(entered.input(), reach.alternatives().given(slot, value));
      }
    }
    return typed;
  }
}
