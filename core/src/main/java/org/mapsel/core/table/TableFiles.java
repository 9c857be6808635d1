package org.mapsel.core.table;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.LongConsumer;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;

/** Opens files of every known format. */
public final class TableFiles {

  private static final List<TableFormat> FORMATS =
      List.of(new CsvFormat(), new XlsxFormat(), new OdsFormat());

  private TableFiles() {}

  /** Whether a file of this name may hold tables. */
  public static boolean isTable(String name) {
    return find(name).isPresent();
  }

  private static Optional<TableFormat> find(String name) {
    String lower = name.toLowerCase(Locale.ROOT);
    return FORMATS.stream().filter(format -> format.isCalledLike(lower)).findFirst();
  }

  /**
   * Opens a file.
   *
   * @param name what it was called, which tells its format
   * @param room told how many bytes of it are held in memory, before they are; what it throws ends
   *     the opening
   */
  public static Outcome<TableFile> open(String name, Path file, LongConsumer room) {
    Optional<TableFormat> format = find(name);
    if (format.isEmpty()) {
      return Outcome.failed(Finding.error("TABLE_FORMAT_UNKNOWN", "name", name));
    }
    try {
      return Outcome.of(format.get().open(file, room));
    } catch (IOException e) {
      return Outcome.failed(broken(name, e));
    }
  }

  /** What is told of a file that could not be read. */
  public static Finding broken(String name, IOException e) {
    return Finding.error(
        "TABLE_FILE_BROKEN", "name", name, "reason", String.valueOf(e.getMessage()));
  }
}
