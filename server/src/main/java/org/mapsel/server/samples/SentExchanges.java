package org.mapsel.server.samples;

import java.time.Instant;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.mapsel.core.call.Journal;
import org.mapsel.core.call.Question;
import org.mapsel.core.message.Request;
import org.mapsel.server.web.Sent;

/**
 * Keeps what may change something as sent before it leaves. If the server ends before the answer is
 * there, the log says so. Made by the thread that answers a request; calls may be of others.
 */
final class SentExchanges implements Journal {

  private final ExchangeStore exchanges;
  private final Function<Recorder.Wanted, ExchangeStore.Of> of;
  private final Runnable mark = Sent.marker();
  private final Map<Question, Recorder.Wanted> expected =
      Collections.synchronizedMap(new IdentityHashMap<>());
  private final Map<Question, String> ids = Collections.synchronizedMap(new IdentityHashMap<>());

  SentExchanges(ExchangeStore exchanges, Function<Recorder.Wanted, ExchangeStore.Of> of) {
    this.exchanges = exchanges;
    this.of = of;
  }

  /** Says whose question it is. */
  void expect(Question question, Recorder.Wanted wanted) {
    expected.put(question, wanted);
  }

  /** The exchange that was kept of a question; nothing if none left, or it changes nothing. */
  Optional<String> idOf(Question question) {
    return Optional.ofNullable(ids.get(question));
  }

  @Override
  public void sending(Question question, Request shown) {
    Recorder.Wanted wanted = expected.get(question);
    ids.put(question, exchanges.begin(of.apply(wanted), shown, Instant.now()));
    mark.run();
  }
}
