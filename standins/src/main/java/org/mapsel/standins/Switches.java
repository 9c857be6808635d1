package org.mapsel.standins;

import java.util.concurrent.atomic.AtomicReference;
import org.springframework.stereotype.Component;

/** How the stand-ins misbehave right now, for tests and demos. */
@Component
public class Switches {

  /** One way to misbehave. */
  public enum Mode {
    /** As they should. */
    NORMAL,
    /** Answers late. */
    SLOW,
    /** Closes the connection before the answer. */
    DROPPED,
    /** Answers with a web page that speaks of an error. */
    ERROR_PAGE,
    /** Leaves the second half of the answer out. */
    TRUNCATED,
    /** Refuses every operation in the words of its protocol. */
    FAULT,
    /** Answers lists with twenty thousand entries. */
    HUGE,
    /** Lets in only the user {@code pilot} with the password {@code slack-water}. */
    LOCKED,
    /** Berthing is described, and answers, as a newer edition of itself. */
    SECOND_EDITION
  }

  /** A mode, and for a slow one how many milliseconds late. */
  public record Setting(Mode mode, long millis) {}

  private final AtomicReference<Setting> setting =
      new AtomicReference<>(new Setting(Mode.NORMAL, 0));

  public Setting get() {
    return setting.get();
  }

  public void set(Setting wanted) {
    setting.set(wanted);
  }

  public boolean is(Mode mode) {
    return get().mode() == mode;
  }
}
