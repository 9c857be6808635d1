package org.mapsel.core.serve;

import java.util.List;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.FindingText;

/** A request that is not served, told in the words of its protocol. */
public final class Refusal extends RuntimeException {

  private static final long serialVersionUID = 1L;

  private final int status;

  public Refusal(int status, String reason) {
    super(reason, null, false, false);
    this.status = status;
  }

  static Refusal of(int status, List<Finding> findings) {
    return new Refusal(status, FindingText.lines(findings));
  }

  public int status() {
    return status;
  }

  public String reason() {
    return String.valueOf(getMessage());
  }
}
