package org.mapsel.core.call;

import java.util.List;
import java.util.Optional;
import org.mapsel.core.exchange.Exchange;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.message.Answer;

/**
 * What became of a call.
 *
 * @param exchange none if nothing was sent
 * @param answer none if there was no readable answer; the findings say why
 */
public record CallResult(
    Optional<Exchange> exchange, Optional<Answer> answer, List<Finding> findings) {

  public CallResult {
    findings = List.copyOf(findings);
  }

  static CallResult notSent(List<Finding> findings) {
    return new CallResult(Optional.empty(), Optional.empty(), findings);
  }
}
