package org.mapsel.server.outgoing;

import java.time.Duration;
import java.util.HashMap;
import java.util.Map;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;

/**
 * Lets only so many requests to one server out at a time, in the order in which they came, so that
 * a slow one is not asked more and more and keeps nobody waiting for ever. Others are not
 * concerned.
 */
final class HostGates {

  /** How a request fared that wanted out. */
  enum Entry {
    IN,
    /** Too many wait already. */
    REFUSED,
    /** It has waited as long as it may. */
    LATE
  }

  private static final class Gate {
    private final Semaphore free;

    /** Those that are out, and those that wait to be. */
    private int concerned;

    Gate(int atOnce) {
      this.free = new Semaphore(atOnce, true);
    }
  }

  private final int atOnce;
  private final int mostWaiting;
  private final Map<String, Gate> gates = new HashMap<>();

  /**
   * @param atOnce how many may be out to one server
   * @param mostWaiting how many more may wait for that
   */
  HostGates(int atOnce, int mostWaiting) {
    this.atOnce = atOnce;
    this.mostWaiting = mostWaiting;
  }

  /** Waits for its turn; whoever gets in must leave. */
  Entry enter(String host, Duration atMost) throws InterruptedException {
    Gate gate;
    synchronized (gates) {
      gate = gates.computeIfAbsent(host, none -> new Gate(atOnce));
      if (gate.concerned >= atOnce + mostWaiting) {
        return Entry.REFUSED;
      }
      gate.concerned++;
    }
    boolean in = false;
    try {
      in = gate.free.tryAcquire(atMost.toMillis(), TimeUnit.MILLISECONDS);
      return in ? Entry.IN : Entry.LATE;
    } finally {
      if (!in) {
        forget(host, gate);
      }
    }
  }

  void leave(String host) {
    Gate gate;
    synchronized (gates) {
      gate = gates.get(host);
    }
    gate.free.release();
    forget(host, gate);
  }

  /** A server that nobody asks any more takes no room. */
  private void forget(String host, Gate gate) {
    synchronized (gates) {
      gate.concerned--;
      if (gate.concerned == 0) {
        gates.remove(host);
      }
    }
  }
}
