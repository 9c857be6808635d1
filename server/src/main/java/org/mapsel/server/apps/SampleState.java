package org.mapsel.server.apps;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import org.mapsel.core.mapping.Reach;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.page.Argument;
import org.mapsel.core.page.Call;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.reach.PageReach;
import org.mapsel.core.page.run.PageState;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.sample.SampleMaker;
import org.mapsel.core.shape.ValueType;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;
import org.mapsel.server.samples.Recorder;
import org.springframework.stereotype.Component;

/** Pages filled with samples: the state that a page would be in had its calls been answered so. */
@Component
public class SampleState {

  private final Recorder recorder;

  SampleState(Recorder recorder) {
    this.recorder = recorder;
  }

  /** A state, and where the answer of each call comes from. */
  public record Sampled(PageState state, Map<CallId, Recorder.Sample> samples) {}

  Sampled of(Page page, PageReach reach) {
    Map<PartId, Value> inputs = new HashMap<>();
    Map<CallId, PageState.Answer> answers = new HashMap<>();
    Map<CallId, Recorder.Sample> samples = new LinkedHashMap<>();
    for (Call call : page.calls()) {
      reach
          .pinned(call.id())
          .ifPresent(
              pinned -> {
                Recorder.Sample sample =
                    recorder.sample(call.service(), pinned.service(), pinned.operation());
                samples.put(call.id(), sample);
                if (sample.answer() instanceof RecordValue answer) {
                  String exchange = sample.sent().map(Recorder.Sent::exchange).orElse("");
                  answers.put(call.id(), new PageState.Answer.Answered(answer, exchange));
                }
                inputs.putAll(typed(call, sample));
              });
    }
    return new Sampled(PageState.of(arguments(page, reach), inputs, answers), samples);
  }

  /** What a page is opened with is made up, as long as it is built. */
  private static Map<String, Value> arguments(Page page, PageReach reach) {
    Map<String, Value> arguments = new HashMap<>();
    for (Argument argument : page.arguments()) {
      reach
          .outside()
          .argument(argument.name())
          .map(Reach.Typed::type)
          .map(SampleState::sample)
          .ifPresent(value -> arguments.put(argument.name(), value));
    }
    return arguments;
  }

  private static Value sample(ValueType type) {
    return type instanceof ValueType.Shaped shaped
        ? SampleMaker.make(shaped.shapes(), shaped.shape(), SampleMaker.Extent.EVERYTHING)
        : Value.ABSENT;
  }

  /** What was sent last stands in the inputs that fill it. */
  private static Map<PartId, Value> typed(Call call, Recorder.Sample sample) {
    Map<PartId, Value> typed = new HashMap<>();
    for (Call.Parameter parameter : call.parameters()) {
      Value value = sample.parameters().at(parameter.path());
      if (parameter.mapping().source() instanceof Source.Entered entered && !value.isAbsent()) {
        typed.put(entered.input(), value);
      }
    }
    return typed;
  }
}
