package org.mapsel.cli;

import java.io.PrintStream;
import java.util.List;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.FindingText;

/** Where results and errors go. */
record Console(PrintStream out, PrintStream err) {

  static final int DONE = 0;
  static final int WITH_ERRORS = 1;
  static final int NOT_DONE = 2;

  /** Findings go beside the result: a line for what, and one for what to do. */
  void tell(List<Finding> findings) {
    for (Finding finding : findings) {
      err.println(FindingText.lines(List.of(finding)));
      err.println("    " + FindingText.advice(finding));
    }
  }

  static boolean hasErrors(List<Finding> findings) {
    return findings.stream().anyMatch(Finding::isError);
  }
}
