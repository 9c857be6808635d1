package org.mapsel.core.read.catalogue;

import java.util.List;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.finding.Findings;

/** Reads one kind of list. A new kind is a new reader and a line in the intake's list. */
public interface CatalogueReader {

  /**
   * Whether a document may be such a list.
   *
   * @param head the first few kilobytes as text
   */
  boolean recognises(String head);

  /** Every description that the list leads to, each once; findings say what could not be read. */
  List<CatalogueEntry> read(SourceText source, Findings findings);
}
