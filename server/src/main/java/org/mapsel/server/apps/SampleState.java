package org.mapsel.server.apps;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.page.Call;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.reach.PageReach;
import org.mapsel.core.page.run.PageState;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.PartId;
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
    return new Sampled(new PageState(Map.of(), inputs, answers, Map.of(), List.of()), samples);
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
