package org.mapsel.core.page.edit;

import org.mapsel.core.finding.Finding;

/** Carries a finding out of the middle of an edit; never leaves this package. */
final class EditRefused extends RuntimeException {
  private static final long serialVersionUID = 1L;

  private final transient Finding finding;

  EditRefused(Finding finding) {
    super(finding.code(), null, false, false);
    this.finding = finding;
  }

  Finding finding() {
    return finding;
  }
}
