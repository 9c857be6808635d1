package org.mapsel.server.samples;

import java.time.OffsetDateTime;
import java.util.List;
import org.springframework.stereotype.Component;
import org.springframework.util.unit.DataSize;

/** Looking through exchanges, and letting old ones go. */
@Component
public class ExchangeLog {

  private static final int PAGE = 100;

  private final ExchangeStore store;

  ExchangeLog(ExchangeStore store) {
    this.store = store;
  }

  /** The newest exchanges that fit, before a time. */
  List<ExchangeStore.Line> find(ExchangeStore.Search search) {
    return store.find(search, PAGE);
  }

  /**
   * Takes exchanges away that are too old or too many; those that samples show stay.
   *
   * @param most what the messages of all of them may take
   * @return how many went
   */
  public int trim(OffsetDateTime before, DataSize most) {
    return store.removeBefore(before) + store.removeBeyond(most.toBytes());
  }
}
