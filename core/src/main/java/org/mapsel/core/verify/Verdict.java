package org.mapsel.core.verify;

import java.util.List;
import org.mapsel.core.finding.Finding;

/**
 * What came of asking once more.
 *
 * @param deviations what is not as it was; none if the check holds
 * @param findings what reading the answer found
 * @param took in milliseconds
 */
public record Verdict(
    Sample sample, List<Deviation> deviations, List<Finding> findings, long took) {

  public Verdict {
    deviations = List.copyOf(deviations);
    findings = List.copyOf(findings);
  }

  public boolean holds() {
    return deviations.isEmpty();
  }
}
