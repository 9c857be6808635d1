package org.mapsel.core.document;

import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.FindingText;

/** A document cannot be read on from here. Readers catch it, keep what they have and report it. */
public final class DocumentException extends Exception {

  private final transient Finding finding;

  public DocumentException(Finding finding) {
    super(FindingText.message(finding));
    this.finding = finding;
  }

  public Finding finding() {
    return finding;
  }
}
