package org.mapsel.core.table;

import java.io.IOException;
import java.nio.file.Path;
import java.util.function.LongConsumer;

/** A format of files that hold tables. */
interface TableFormat {

  /** Whether a file is called like one of this format. */
  boolean isCalledLike(String name);

  /**
   * Opens a file.
   *
   * @param room told how many bytes of it are held in memory, before they are
   * @throws IOException if it is none of this format, or larger than can be read
   */
  TableFile open(Path file, LongConsumer room) throws IOException;
}
