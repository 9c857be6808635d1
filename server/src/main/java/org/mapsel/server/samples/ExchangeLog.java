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

  /** How much came in since the start, so that it can be told when too much may be kept. */
  public DataSize recorded() {
    return DataSize.ofBytes(store.recordedBytes());
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
   * @param settled those that started later are not too many yet: an answer or a sample may be on
   *     its way to them
   * @return how many went
   */
  public int trim(
      Limit limit, Map<String, Limit> apps, OffsetDateTime visitorsBefore, OffsetDateTime settled) {
    int gone =
        store.removeBefore(new ExchangeStore.Some.OfVisitors(), visitorsBefore)
            + trim(new ExchangeStore.Some.OfOthers(apps.keySet()), limit, settled);
    for (Map.Entry<String, Limit> app : apps.entrySet()) {
      gone += trim(new ExchangeStore.Some.OfApp(app.getKey()), app.getValue(), settled);
    }
    return gone;
  }

  private int trim(ExchangeStore.Some some, Limit limit, OffsetDateTime settled) {
    return store.removeBefore(some, limit.before())
        + store.removeBeyond(some, limit.most().toBytes(), settled);
  }
}
