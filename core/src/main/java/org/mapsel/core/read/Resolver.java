package org.mapsel.core.read;

import org.mapsel.core.document.SourceText;
import org.mapsel.core.finding.Outcome;

/** Gets a document that another one names. Handed in by whoever may use files or the network. */
@FunctionalInterface
public interface Resolver {

  /**
   * The document at an address, or a finding that says why it cannot be had.
   *
   * @param address already resolved against the document that names it
   */
  Outcome<SourceText> fetch(String address);
}
