package org.mapsel.core.page.check;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.page.App;
import org.mapsel.core.page.ServiceLookup;

/** What a new edition of a service does to an app: what is wrong then and is not now. */
public final class Impact {

  private Impact() {}

  /**
   * @param before the app with the edition that it is pinned to
   * @param after the same app with the new edition in its place
   */
  public static List<AppFinding> of(App app, ServiceLookup before, ServiceLookup after) {
    Set<Finding> known =
        new Checker(before)
            .check(app, Optional.empty()).findings().stream()
                .map(AppFinding::finding)
                .collect(Collectors.toSet());
    return new Checker(after)
        .check(app, Optional.empty()).findings().stream()
            .filter(found -> !known.contains(found.finding()))
            .toList();
  }
}
