package org.mapsel.core.page.run;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;

/**
 * What is on an open page. What parts show is worked out of it and not kept.
 *
 * @param arguments what it was opened with
 * @param inputs what was typed, by input; one that nobody touched is not in it
 * @param answers what became of the last use of each call
 * @param chosen the numbers of chosen rows, by part
 * @param messages what there is to say since the last event of the visitor
 */
public record PageState(
    Map<String, Value> arguments,
    Map<PartId, Value> inputs,
    Map<CallId, Answer> answers,
    Map<PartId, Integer> chosen,
    List<Message> messages) {

  public static final PageState EMPTY =
      new PageState(Map.of(), Map.of(), Map.of(), Map.of(), List.of());

  /** A message to the visitor. */
  public record Message(boolean failed, String text) {}

  /** What became of a call. */
  public sealed interface Answer {

    /** It was made and is not back yet. */
    record Asked() implements Answer {}

    /**
     * It came back.
     *
     * @param exchange where what went over the wire is kept; empty for a sample
     */
    record Answered(RecordValue value, String exchange) implements Answer {}

    /** It failed; the reason is fit for the visitor's eyes. */
    record Failed(String reason) implements Answer {}
  }

  public PageState {
    arguments = Map.copyOf(arguments);
    inputs = Map.copyOf(inputs);
    answers = Map.copyOf(answers);
    chosen = Map.copyOf(chosen);
    messages = List.copyOf(messages);
  }

  PageState withInput(PartId input, Value value) {
    Map<PartId, Value> changed = new HashMap<>(inputs);
    changed.put(input, value);
    return new PageState(arguments, changed, answers, chosen, messages);
  }

  /** A new answer takes with it what was chosen of the rows of the old one. */
  public PageState with(CallId call, Answer answer) {
    Map<CallId, Answer> changed = new HashMap<>(answers);
    changed.put(call, answer);
    return new PageState(arguments, inputs, changed, chosen, messages);
  }

  PageState choosing(PartId part, int row) {
    Map<PartId, Integer> changed = new HashMap<>(chosen);
    changed.put(part, row);
    return new PageState(arguments, inputs, answers, changed, messages);
  }

  PageState withoutChoice(PartId part) {
    Map<PartId, Integer> changed = new HashMap<>(chosen);
    changed.remove(part);
    return new PageState(arguments, inputs, answers, changed, messages);
  }

  PageState withoutMessages() {
    return new PageState(arguments, inputs, answers, chosen, List.of());
  }

  PageState saying(Message message) {
    List<Message> more = new ArrayList<>(messages);
    more.add(message);
    return new PageState(arguments, inputs, answers, chosen, more);
  }

  /** What a call answered last; absent if it did not. */
  public Value returned(CallId call) {
    return answers.get(call) instanceof Answer.Answered answered ? answered.value() : Value.ABSENT;
  }
}
