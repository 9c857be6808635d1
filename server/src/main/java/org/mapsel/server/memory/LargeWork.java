package org.mapsel.server.memory;

import java.time.Duration;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import org.mapsel.server.web.Problem;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import org.springframework.util.unit.DataSize;

/**
 * Lets only as much large work go on at once as there is memory for: descriptions, answers, samples
 * and requests of a megabyte and more, over all that is asked of this server. Who comes while there
 * is no room waits, in the order of coming, and is told so if that takes too long. What is smaller
 * is not counted.
 */
@Component
public final class LargeWork {

  /** What is smaller is not counted. */
  public static final long SMALL = DataSize.ofMegabytes(1).toBytes();

  /** How many bytes of memory a byte takes until it is read, kept and shown; the most measured. */
  private static final int TIMES = 10;

  /** So many at most, whatever they take, so that the small ones get their share of the machine. */
  private static final int MOST_AT_ONCE = 8;

  private final int all;
  private final Semaphore free;
  private final Duration wait;

  /** Of the work that is done by this thread, and by those that it begins. */
  private final ThreadLocal<Share> current = new InheritableThreadLocal<>();

  /**
   * @param atOnce how many bytes of all that is large are worked on at once; 0 for as many as there
   *     is memory for
   * @param wait how long one waits for room
   */
  LargeWork(
      @Value("${mapsel.large-work.at-once}") DataSize atOnce,
      @Value("${mapsel.large-work.wait}") Duration wait) {
    long bytes =
        atOnce.toBytes() == 0 ? Runtime.getRuntime().maxMemory() / 2 / TIMES : atOnce.toBytes();
    this.all = kilobytes(bytes);
    this.free = new Semaphore(all, true);
    this.wait = wait;
  }

  /** What one piece of work holds until it is done. */
  public final class Share {

    private int held;
    private boolean over;

    private Share() {}

    private synchronized boolean resize(Room room, long bytes) {
      if (over) {
        // What a thread left behind is not part of it any more.
        return true;
      }
      int others = held - room.held;
      // What is larger than everything is worked on alone.
      int wanted =
          bytes < SMALL
              ? 0
              : Math.min(Math.max(kilobytes(bytes), all / MOST_AT_ONCE), all - others);
      // Two that hold a part and wait for the rest would wait for each other.
      int kept = wanted > room.held ? 0 : wanted;
      free.release(room.held - kept);
      held = others + kept;
      room.held = kept;
      if (!take(wanted - kept)) {
        return false;
      }
      held = others + wanted;
      room.held = wanted;
      return true;
    }

    private boolean take(int more) {
      try {
        return more == 0 || free.tryAcquire(more, wait.toMillis(), TimeUnit.MILLISECONDS);
      } catch (InterruptedException e) {
        Thread.currentThread().interrupt();
        return false;
      }
    }

    /** Gives back what is held; by the thread that began it. */
    public void end() {
      current.remove();
      synchronized (this) {
        over = true;
        free.release(held);
        held = 0;
      }
    }
  }

  /** Room for one thing whose size is not known from the beginning. */
  public final class Room {

    private final @Nullable Share share = current.get();
    private int held;

    private Room() {}

    /**
     * Waits for room for so many bytes instead of those before; with fewer there is no waiting.
     *
     * @return whether there is; if not, what was held before is not held any more either
     */
    public boolean resize(long bytes) {
      return share == null || share.resize(this, bytes);
    }
  }

  /** Room for nothing yet, in the work of this thread. */
  public Room room() {
    return new Room();
  }

  /** Begins a piece of work of this thread, which has to be ended. */
  public Share begin() {
    Share share = new Share();
    current.set(share);
    return share;
  }

  /**
   * Waits for room for so many bytes more.
   *
   * @return whether there is; it is held until the work of this thread ends
   */
  public boolean hasRoomFor(long bytes) {
    return room().resize(bytes);
  }

  /**
   * Waits for room for so many bytes more.
   *
   * @throws Problem that says that the server is busy
   */
  public void makeRoomFor(long bytes) {
    if (!hasRoomFor(bytes)) {
      throw Problem.busy("SERVER_TOO_MUCH_AT_ONCE");
    }
  }

  /**
   * Waits for room for what is held only meanwhile, because a cache counts what comes of it.
   *
   * @throws Problem that says that the server is busy
   */
  public <T extends @Nullable Object> T reading(long bytes, Supplier<T> reader) {
    Room room = room();
    if (!room.resize(bytes)) {
      throw Problem.busy("SERVER_TOO_MUCH_AT_ONCE");
    }
    try {
      return reader.get();
    } finally {
      room.resize(0);
    }
  }

  private static int kilobytes(long bytes) {
    return (int) Math.min(DataSize.ofBytes(bytes).toKilobytes(), Integer.MAX_VALUE);
  }
}
