package org.mapsel.server.samples;

import java.time.Duration;
import java.time.Instant;
import java.util.HashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.mapsel.core.exchange.Exchange;
import org.mapsel.core.exchange.Exchanger;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.message.Access;
import org.mapsel.core.message.AccessHeaders;
import org.mapsel.core.message.Request;
import org.springframework.stereotype.Component;

/**
 * Lets people stop waiting for services. What is waited for is known to this node only: whoever
 * stops asks the node that waits.
 */
@Component
public class Stops {

  private final Map<String, Waiting> waiting = new ConcurrentHashMap<>();

  /**
   * Something that may be stopped until it is closed.
   *
   * @param key by which it is stopped, made by whoever asks for it and hard to guess
   */
  public Waiting waiting(String key) {
    Waiting begun = new Waiting(key);
    if (!key.isEmpty()) {
      waiting.put(key, begun);
    }
    return begun;
  }

  /** Stops what goes by a key; one that is over already is none to stop. */
  public void stop(String key) {
    Optional.ofNullable(waiting.get(key)).ifPresent(Waiting::stop);
  }

  /** The requests of one event: once stopped, those on their way end and no more go out. */
  public final class Waiting implements AutoCloseable {

    private final String key;
    private final Set<Thread> sending = new HashSet<>();
    private boolean stopped;

    private Waiting(String key) {
      this.key = key;
    }

    /** What goes out through something else, as long as it is not stopped. */
    public Exchanger over(Exchanger real) {
      return (request, access) -> {
        if (!begin()) {
          return told(request, access, Instant.now(), Duration.ZERO);
        }
        Exchange exchange;
        boolean cut;
        try {
          exchange = real.send(request, access);
        } finally {
          cut = end();
        }
        return cut && exchange.response().isEmpty()
            ? told(exchange.request(), access, exchange.started(), exchange.took())
            : exchange;
      };
    }

    private static Exchange told(Request request, Access access, Instant started, Duration took) {
      String shown = AccessHeaders.shown(request.address(), access);
      return new Exchange(
          request,
          Optional.empty(),
          Optional.of(Finding.error("EXCHANGE_STOPPED", "address", shown)),
          started,
          took);
    }

    private synchronized boolean begin() {
      if (stopped) {
        return false;
      }
      sending.add(Thread.currentThread());
      return true;
    }

    /** Whether it was stopped; nothing of that is left for whatever the thread does next. */
    private synchronized boolean end() {
      sending.remove(Thread.currentThread());
      if (stopped) {
        Thread.interrupted();
      }
      return stopped;
    }

    private synchronized void stop() {
      stopped = true;
      sending.forEach(Thread::interrupt);
    }

    @Override
    public void close() {
      waiting.remove(key, this);
    }
  }
}
