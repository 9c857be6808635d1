package org.mapsel.server.samples;

import java.time.OffsetDateTime;
import java.util.List;
import java.util.Map;
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
   * How long and how much is kept.
   *
   * @param before what is older goes
   * @param most what the messages of all of them may take
   */
  public record Limit(OffsetDateTime before, DataSize most) {}

  /**
   * Takes exchanges away that are too old or too many; those that samples show stay.
   *
   * @param limit for all that is not of the apps named
   * @param apps by their ids
   * @param visitorsBefore those of visitors that are older go in any case
   * @return how many went
   */
  public int trim(Limit limit, Map<String, Limit> apps, OffsetDateTime visitorsBefore) {
    int gone =
        store.removeBefore(new ExchangeStore.Some.OfVisitors(), visitorsBefore)
            + trim(new ExchangeStore.Some.OfOthers(apps.keySet()), limit);
    for (Map.Entry<String, Limit> app : apps.entrySet()) {
      gone += trim(new ExchangeStore.Some.OfApp(app.getKey()), app.getValue());
    }
    return gone;
  }

  private int trim(ExchangeStore.Some some, Limit limit) {
    return store.removeBefore(some, limit.before())
        + store.removeBeyond(some, limit.most().toBytes());
  }
}
