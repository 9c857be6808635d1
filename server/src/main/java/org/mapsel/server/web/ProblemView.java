package org.mapsel.server.web;

import java.util.List;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.FindingText;

/** Problem details (RFC 9457), for answers whose status was sent before the problem arose. */
public record ProblemView(
    int status, String title, String detail, String code, List<FindingView> findings) {

  public static ProblemView of(Problem problem) {
    return of(problem.status().value(), problem.findings());
  }

  static ProblemView of(int status, List<Finding> findings) {
    Finding first = findings.stream().filter(Finding::isError).findFirst().orElse(findings.get(0));
    return new ProblemView(
        status,
        FindingText.message(first),
        FindingText.advice(first),
        first.code(),
        FindingView.of(findings));
  }
}
