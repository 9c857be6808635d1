package org.mapsel.core.message;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.mapsel.core.finding.Findings;
import org.mapsel.core.shape.Occurrence;
import org.mapsel.core.value.Value;

/** Whether a list may be sent as it is, before anything is sent. */
public final class ItemsCheck {

  private ItemsCheck() {}

  /**
   * Says what is wrong with the number of the items, and with items that are the same.
   *
   * @param path names the parameter in findings
   */
  public static void check(
      Occurrence occurrence, List<Value> items, Trail path, Findings findings) {
    if (items.size() < occurrence.least()) {
      findings.add(
          path.error("MESSAGE_ITEMS_TOO_FEW", "least", String.valueOf(occurrence.least())));
    }
    if (items.size() > occurrence.max()) {
      findings.add(path.error("MESSAGE_ITEMS_TOO_MANY", "most", String.valueOf(occurrence.max())));
    }
    if (occurrence.distinct()) {
      Set<Value> seen = new HashSet<>();
      for (int i = 0; i < items.size(); i++) {
        if (!seen.add(items.get(i))) {
          findings.add(path.error("MESSAGE_ITEMS_ALIKE", "place", String.valueOf(i + 1)));
          return;
        }
      }
    }
  }
}
