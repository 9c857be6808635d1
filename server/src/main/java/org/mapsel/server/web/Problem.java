package org.mapsel.server.web;

import java.util.List;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.FindingText;
import org.springframework.http.HttpStatus;

/** A request that cannot be granted, and why; goes out as problem details (RFC 9457). */
public final class Problem extends RuntimeException {

  private static final long serialVersionUID = 1L;

  private final HttpStatus status;
  private final transient List<Finding> findings;

  private Problem(HttpStatus status, List<Finding> findings) {
    super(FindingText.lines(findings));
    this.status = status;
    this.findings = List.copyOf(findings);
  }

  /** What was asked for cannot be done as it stands. */
  public static Problem refused(List<Finding> findings) {
    return new Problem(HttpStatus.UNPROCESSABLE_CONTENT, findings);
  }

  public static Problem refused(Finding finding) {
    return refused(List.of(finding));
  }

  /** There is no such thing here. */
  public static Problem missing(String code, String... arguments) {
    return new Problem(HttpStatus.NOT_FOUND, List.of(Finding.error(code, arguments)));
  }

  /** Somebody else changed it meanwhile, or it is in use. */
  public static Problem conflict(String code, String... arguments) {
    return new Problem(HttpStatus.CONFLICT, List.of(Finding.error(code, arguments)));
  }

  /** It is not known who asks, or not well enough. */
  public static Problem unknown(String code) {
    return new Problem(HttpStatus.UNAUTHORIZED, List.of(Finding.error(code)));
  }

  /** It was asked for too often in a short time. */
  public static Problem tooMany(String code) {
    return new Problem(HttpStatus.TOO_MANY_REQUESTS, List.of(Finding.error(code)));
  }

  /** There is no room for it at the moment. */
  public static Problem busy(String code) {
    return new Problem(HttpStatus.SERVICE_UNAVAILABLE, List.of(Finding.error(code)));
  }

  public HttpStatus status() {
    return status;
  }

  public List<Finding> findings() {
    return findings;
  }
}
