package org.mapsel.core.page.run;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.ref.ReactionId;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;

/**
 * What is on an open page. What parts show is worked out of it and not kept.
 *
 * @param arguments what it was opened with
 * @param inputs what was typed, by input; one that nobody touched is not in it
 * @param answers what became of the last use of each call
 * @param chosen the numbers of chosen rows, by part
 * @param arranged the order of rows, by part; none where it is that of the answer
 * @param waiting the reactions that wait for answers
 * @param asking what the visitor is asked
 * @param failure what the service said when a call failed last
 * @param messages what there is to say since the last event of the visitor
 * @param turn how many reactions have begun
 */
public record PageState(
    Map<String, Value> arguments,
    Map<PartId, Value> inputs,
    Map<CallId, Answer> answers,
    Map<PartId, Integer> chosen,
    Map<PartId, Arrangement> arranged,
    Map<ReactionId, Waiting> waiting,
    Optional<Asking> asking,
    String failure,
    List<Message> messages,
    long turn) {

  public static final PageState EMPTY =
      new PageState(
          Map.of(),
          Map.of(),
          Map.of(),
          Map.of(),
          Map.of(),
          Map.of(),
          Optional.empty(),
          "",
          List.of(),
          0);

  /** A page that was opened with something, where something was typed, answered and chosen. */
  public static PageState of(
      Map<String, Value> arguments,
      Map<PartId, Value> inputs,
      Map<CallId, Answer> answers,
      Map<PartId, Integer> chosen) {
    return new PageState(
        arguments, inputs, answers, chosen, Map.of(), Map.of(), Optional.empty(), "", List.of(), 0);
  }

  /** A message to the visitor. */
  public record Message(boolean failed, String text) {}

  /**
   * How rows are seen.
   *
   * @param by the column that orders them, the order of the answer if none does
   * @param find what they must have somewhere, whatever the case
   */
  public record Arrangement(Optional<PartId> by, boolean descending, String find) {}

  /**
   * Where a reaction goes on.
   *
   * @param failure whether among the steps for failures
   */
  public record Position(ReactionId reaction, long turn, boolean failure, int step) {}

  /**
   * A call that failed because what it changes is, as the service says, not what it was.
   *
   * @param changed whether what was read again differs from what was known
   */
  public record Conflict(CallId call, boolean changed) {}

  /**
   * A reaction that waits for calls; it goes on when all are back.
   *
   * @param conflict while what a call could not change is read again
   */
  public record Waiting(
      Position next, Set<CallId> calls, boolean failed, Optional<Conflict> conflict) {
    public Waiting(Position next, Set<CallId> calls, boolean failed) {
      this(next, calls, failed, Optional.empty());
    }

    public Waiting {
      calls = Set.copyOf(calls);
    }
  }

  /**
   * A question to the visitor, and where a yes leads.
   *
   * @param conflict the call that is made again by a yes, although somebody else changed what it
   *     changes
   */
  public record Asking(String words, Position next, Optional<CallId> conflict) {
    public Asking(String words, Position next) {
      this(words, next, Optional.empty());
    }
  }

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
    arranged = Map.copyOf(arranged);
    waiting = Map.copyOf(waiting);
    messages = List.copyOf(messages);
  }

  public PageState withArguments(Map<String, Value> other) {
    return new PageState(
        other, inputs, answers, chosen, arranged, waiting, asking, failure, messages, turn);
  }

  PageState withInput(PartId input, Value value) {
    return withInputs(with(inputs, input, value));
  }

  PageState withoutInputs(Collection<PartId> gone) {
    Map<PartId, Value> changed = new HashMap<>(inputs);
    changed.keySet().removeAll(gone);
    return withInputs(changed);
  }

  private PageState withInputs(Map<PartId, Value> other) {
    return new PageState(
        arguments, other, answers, chosen, arranged, waiting, asking, failure, messages, turn);
  }

  /** The state with what became of a call. */
  public PageState with(CallId call, Answer answer) {
    return new PageState(
        arguments,
        inputs,
        with(answers, call, answer),
        chosen,
        arranged,
        waiting,
        asking,
        failure,
        messages,
        turn);
  }

  PageState choosing(PartId part, int row) {
    return withChosen(with(chosen, part, row));
  }

  PageState withoutChoice(PartId part) {
    return withChosen(without(chosen, part));
  }

  private PageState withChosen(Map<PartId, Integer> other) {
    return new PageState(
        arguments, inputs, answers, other, arranged, waiting, asking, failure, messages, turn);
  }

  PageState arranging(PartId part, Arrangement arrangement) {
    return new PageState(
        arguments,
        inputs,
        answers,
        chosen,
        with(arranged, part, arrangement),
        waiting,
        asking,
        failure,
        messages,
        turn);
  }

  PageState waiting(ReactionId reaction, Waiting further) {
    return withWaiting(with(waiting, reaction, further));
  }

  PageState notWaiting(ReactionId reaction) {
    return withWaiting(without(waiting, reaction));
  }

  private PageState withWaiting(Map<ReactionId, Waiting> other) {
    return new PageState(
        arguments, inputs, answers, chosen, arranged, other, asking, failure, messages, turn);
  }

  PageState asking(Optional<Asking> other) {
    return new PageState(
        arguments, inputs, answers, chosen, arranged, waiting, other, failure, messages, turn);
  }

  PageState withFailure(String reason) {
    return new PageState(
        arguments, inputs, answers, chosen, arranged, waiting, asking, reason, messages, turn);
  }

  PageState withoutMessages() {
    return withMessages(List.of());
  }

  public PageState withMessages(List<Message> other) {
    return new PageState(
        arguments, inputs, answers, chosen, arranged, waiting, asking, failure, other, turn);
  }

  public PageState saying(Message message) {
    List<Message> more = new ArrayList<>(messages);
    more.add(message);
    return withMessages(more);
  }

  PageState nextTurn() {
    return new PageState(
        arguments, inputs, answers, chosen, arranged, waiting, asking, failure, messages, turn + 1);
  }

  private static <K, V> Map<K, V> with(Map<K, V> map, K key, V value) {
    Map<K, V> changed = new HashMap<>(map);
    changed.put(key, value);
    return changed;
  }

  private static <K, V> Map<K, V> without(Map<K, V> map, K key) {
    Map<K, V> changed = new HashMap<>(map);
    changed.remove(key);
    return changed;
  }

  /** What a call answered last; absent if it did not. */
  public Value returned(CallId call) {
    return answers.get(call) instanceof Answer.Answered answered ? answered.value() : Value.ABSENT;
  }
}
