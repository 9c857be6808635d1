package org.mapsel.bench.offered;

import java.io.BufferedWriter;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.LocalDate;
import java.util.Random;
import org.postgresql.PGConnection;

/**
 * The rows that are measured with: twenty columns of every type, as a file and as COPY has them.
 */
record RowsFile(Path csv, Path copy, int rows) {

  private static final LocalDate FIRST = LocalDate.of(2031, 1, 1);

  static RowsFile write(Path folder, int rows) throws IOException {
    RowsFile file = new RowsFile(folder.resolve("Calls.csv"), folder.resolve("calls.copy"), rows);
    Random random = new Random(7);
    try (BufferedWriter csv = Files.newBufferedWriter(file.csv);
        BufferedWriter copy = Files.newBufferedWriter(file.copy)) {
      csv.write("Code");
      for (int i = 1; i < 20; i++) {
        csv.write(",Column " + (char) ('a' + i));
      }
      csv.write('\n');
      for (int row = 0; row < rows; row++) {
        String[] cells = cells(row, random);
        csv.write(String.join(",", cells));
        csv.write('\n');
        copy.write(String.join("\t", cells));
        copy.write('\n');
      }
    }
    return file;
  }

  private static String[] cells(int row, Random random) {
    String[] cells = new String[20];
    cells[0] = "K" + row;
    for (int i = 1; i < cells.length; i++) {
      cells[i] =
          switch (i % 5) {
            case 0 -> "Vessel of the line " + random.nextInt(100_000);
            case 1 -> String.valueOf(random.nextInt());
            case 2 -> random.nextInt(10_000) + "." + (1 + random.nextInt(9));
            case 3 -> FIRST.plusDays(random.nextInt(3_000)).toString();
            default -> random.nextBoolean() ? "yes" : "no";
          };
    }
    return cells;
  }

  /**
   * Copies the rows into a table of the same types with the same key, and says how long it took.
   */
  double copied(Connection database) throws SQLException, IOException {
    try (Statement statement = database.createStatement()) {
      StringBuilder columns = new StringBuilder("c0 text");
      for (int i = 1; i < 20; i++) {
        columns
            .append(", c")
            .append(i)
            .append(
                switch (i % 5) {
                  case 0 -> " text";
                  case 1 -> " bigint";
                  case 2 -> " numeric";
                  case 3 -> " date";
                  default -> " boolean";
                });
      }
      statement.execute("create table bare (" + columns + ")");
      long start = System.nanoTime();
      try (var in = Files.newInputStream(copy)) {
        database
            .unwrap(PGConnection.class)
            .getCopyAPI()
            .copyIn("copy bare from stdin", in, 1 << 16);
      }
      statement.execute("alter table bare add primary key (c0)");
      return (System.nanoTime() - start) / 1e9;
    }
  }
}
