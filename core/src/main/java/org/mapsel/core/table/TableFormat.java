package org.mapsel.core.table;

import java.io.IOException;
import java.nio.file.Path;

/** A format of files that hold tables. */
interface TableFormat {

  /** Whether a file is called like one of this format. */
  boolean isCalledLike(String name);

  /**
   * Opens a file.
   *
   * @throws IOException if it is none of this format, or larger than can be read
   */
  TableFile open(Path file) throws IOException;
}
