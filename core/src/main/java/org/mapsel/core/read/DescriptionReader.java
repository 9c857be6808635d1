package org.mapsel.core.read;

import org.mapsel.core.document.SourceText;

/** Reads one description format. A new format is a new reader and a line in the intake's list. */
public interface DescriptionReader {

  /**
   * Whether a document is of this format.
   *
   * @param head the first few kilobytes as text, in whatever encoding they turned out to be
   */
  boolean recognises(String head);

  /**
   * Reads everything the document declares into the reading, findings included.
   *
   * @return the format, in the version that the document follows
   */
  Format read(SourceText source, Reading reading);
}
