package org.mapsel.server.tables;

import java.nio.charset.StandardCharsets;
import java.sql.SQLException;
import java.util.List;
import org.jooq.exception.DataAccessException;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.shape.ScalarText;
import org.mapsel.core.value.Value;
import org.postgresql.copy.CopyIn;

/** Writes rows as the database reads them (PostgreSQL, COPY, text format). */
final class CopySql {

  private static final int CHUNK = 64 << 10;

  private final CopyIn copy;
  private final StringBuilder lines = new StringBuilder(CHUNK + 1_000);

  CopySql(CopyIn copy) {
    this.copy = copy;
  }

  void row(long number, List<@Nullable Value> values) {
    lines.append(number);
    for (Value value : values) {
      lines.append('\t');
      if (value == null) {
        lines.append("\\N");
      } else {
        append(ScalarText.print(value));
      }
    }
    lines.append('\n');
    if (lines.length() > CHUNK) {
      flush();
    }
  }

  private void append(String text) {
    for (int i = 0; i < text.length(); i++) {
      char c = text.charAt(i);
      switch (c) {
        case '\\' -> lines.append("\\\\");
        case '\t' -> lines.append("\\t");
        case '\n' -> lines.append("\\n");
        case '\r' -> lines.append("\\r");
        default -> lines.append(c);
      }
    }
  }

  void flush() {
    byte[] bytes = lines.toString().getBytes(StandardCharsets.UTF_8);
    lines.setLength(0);
    try {
      copy.writeToCopy(bytes, 0, bytes.length);
    } catch (SQLException e) {
      throw new DataAccessException("Rows could not be written", e);
    }
  }
}
