package org.mapsel.server.runs;

import java.time.Clock;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.call.Caller;
import org.mapsel.core.message.Answer;
import org.mapsel.core.message.mark.MessageMarks;
import org.mapsel.core.model.Formats;
import org.mapsel.core.page.Call;
import org.mapsel.core.page.ServiceLookup;
import org.mapsel.core.page.run.PageState;
import org.mapsel.core.page.trace.Origin;
import org.mapsel.core.page.trace.Origins;
import org.mapsel.core.page.trace.ShownAt;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;
import org.mapsel.server.apps.HappeningWords;
import org.mapsel.server.entry.Entry;
import org.mapsel.server.runs.RunViews.InAnswerView;
import org.mapsel.server.runs.RunViews.MarkView;
import org.mapsel.server.runs.RunViews.OriginView;
import org.mapsel.server.runs.RunViews.SeenView;
import org.mapsel.server.runs.RunViews.ShownAtView;
import org.mapsel.server.samples.LoggedMessages;
import org.mapsel.server.web.Problem;
import org.springframework.stereotype.Component;

/**
 * Tells those who build a page how what is on it came to be, down to the characters of the answer,
 * and where on it something of an answer is seen.
 */
@Component
class Traces {

  /** So much of a message is shown before and behind what is marked in it. */
  private static final int AROUND = 40;

  /** More of a value is not needed to know it again. */
  private static final int MOST_SHOWN = 200;

  private final OpenPages pages;
  private final RunStore store;
  private final RunStates states;
  private final LoggedMessages messages;
  private final Entry entry;
  private final Clock clock;

  Traces(
      OpenPages pages,
      RunStore store,
      RunStates states,
      LoggedMessages messages,
      Entry entry,
      Clock clock) {
    this.states = states;
    this.pages = pages;
    this.store = store;
    this.messages = messages;
    this.entry = entry;
    this.clock = clock;
  }

  /** A page in the state that it is seen in. */
  private record Seen(Running running, PageState state, Origins origins) {}

  private Seen seen(String run) {
    entry.requireBuilder();
    RunStore.Kept kept =
        store
            .find(run)
            .filter(RunStore.Kept::builder)
            .orElseThrow(() -> Problem.missing("SERVER_RUN_OVER"));
    Running running = pages.running(kept);
    PageState state = states.of(kept, running);
    return new Seen(
        running, state, new Origins(running.plan(), running.reach(), state, clock.instant()));
  }

  /**
   * Where something on the page comes from.
   *
   * @param owner a column, a field, an input or a part
   * @param row the number of its row in the answer
   */
  OriginView origin(String run, String owner, @Nullable Integer row, Locale locale) {
    Seen seen = seen(run);
    return seen.origins()
        .of(new PartId(owner), Optional.ofNullable(row))
        .map(origin -> view(seen, origin, new Formats(locale)))
        .orElseThrow(() -> Problem.missing("APP_PART_MISSING", "part", owner, "page", ""));
  }

  private OriginView view(Seen seen, Origin origin, Formats formats) {
    return new OriginView(
        seen.running().words().words(origin.source()),
        origin.how(),
        single(origin.value(), formats).orElse(null),
        origin.returned().map(in -> inAnswer(seen, in)).orElse(null),
        origin.from().stream().map(one -> view(seen, one, formats)).toList());
  }

  private static Optional<String> single(Value value, Formats formats) {
    if (value instanceof RecordValue || value instanceof ListValue) {
      return Optional.empty();
    }
    String text = HappeningWords.shown(formats, value);
    return Optional.of(text.length() > MOST_SHOWN ? text.substring(0, MOST_SHOWN) + "…" : text);
  }

  private InAnswerView inAnswer(Seen seen, Origin.InAnswer in) {
    FieldPath place = in.places().getFirst();
    Optional<String> exchange = exchange(seen, in.call());
    return new InAnswerView(
        in.call(),
        seen.running().words().call(in.call()),
        place,
        exchange.orElse(null),
        exchange
            .flatMap(messages::shown)
            .flatMap(logged -> mark(seen, in.call(), place, logged))
            .orElse(null));
  }

  private static Optional<String> exchange(Seen seen, CallId call) {
    return Optional.ofNullable(seen.state().answers().get(call))
        .filter(PageState.Answer.Answered.class::isInstance)
        .map(answer -> ((PageState.Answer.Answered) answer).exchange())
        .filter(id -> !id.isEmpty());
  }

  private Optional<MarkView> mark(
      Seen seen, CallId call, FieldPath place, LoggedMessages.Shown logged) {
    return marks(seen, call, logged)
        .flatMap(marks -> marks.of(place))
        .map(
            span -> {
              String body = logged.body();
              int from = Math.max(0, span.start() - AROUND);
              int to =
                  Math.min(body.length(), Math.min(span.end(), span.start() + MOST_SHOWN) + AROUND);
              return new MarkView(
                  span.start(), span.end(), body.substring(from, to), span.start() - from);
            });
  }

  private static Optional<MessageMarks> marks(Seen seen, CallId id, LoggedMessages.Shown logged) {
    Call call = seen.running().page().call(id).orElseThrow();
    return seen.running()
        .reach()
        .pinned(id)
        .map(pinned -> new MessageMarks(logged.body(), reader(call, pinned, logged)));
  }

  private static Function<String, Optional<RecordValue>> reader(
      Call call, ServiceLookup.Pinned pinned, LoggedMessages.Shown logged) {
    return text ->
        pinned
            .operation()
            .wire(call.endpoint())
            .flatMap(
                wire ->
                    Caller.answer(
                            pinned.service(), pinned.operation(), wire, logged.with(text), Set.of())
                        .value())
            .filter(Answer.Returned.class::isInstance)
            .map(answer -> ((Answer.Returned) answer).value());
  }

  /**
   * Where on the page something of an answer is seen.
   *
   * @param at a place in the text of the answer, in characters from 0
   */
  SeenView shown(String run, String exchange, int at) {
    Seen seen = seen(run);
    Optional<CallId> call =
        seen.state().answers().keySet().stream()
            .filter(one -> exchange(seen, one).equals(Optional.of(exchange)))
            .findFirst();
    Optional<FieldPath> place =
        call.flatMap(
            one ->
                messages
                    .shown(exchange)
                    .flatMap(logged -> marks(seen, one, logged))
                    .flatMap(marks -> marks.at(at)));
    return place
        .map(
            field ->
                new SeenView(
                    field,
                    seen.origins().shown(call.orElseThrow(), field).stream()
                        .map(one -> view(seen, one))
                        .toList()))
        .orElseGet(() -> new SeenView(null, List.of()));
  }

  private static ShownAtView view(Seen seen, ShownAt at) {
    String part = seen.running().words().part(at.part());
    String words =
        at.item().map(item -> seen.running().words().item(item) + " of " + part).orElse(part);
    return new ShownAtView(
        at.part(),
        at.item().orElse(null),
        at.row().orElse(null),
        at.row().map(row -> words + ", row " + (row + 1)).orElse(words));
  }
}
