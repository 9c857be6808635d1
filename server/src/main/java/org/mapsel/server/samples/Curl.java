package org.mapsel.server.samples;

import java.nio.charset.StandardCharsets;
import org.mapsel.core.message.Header;

/** A request as a command line for curl. */
final class Curl {

  private Curl() {}

  static String of(ExchangeStore.Kept kept) {
    StringBuilder line = new StringBuilder("curl -X ").append(kept.method());
    for (Header header : kept.requestHeaders()) {
      line.append(" \\\n  -H ").append(quoted(header.name() + ": " + header.value()));
    }
    if (kept.requestBody().length > 0) {
      line.append(" \\\n  --data-binary ")
          .append(quoted(new String(kept.requestBody(), StandardCharsets.UTF_8)));
    }
    return line.append(" \\\n  ").append(quoted(kept.address())).toString();
  }

  /** Between single quotes a POSIX shell takes everything as it stands but the quote itself. */
  private static String quoted(String text) {
    return "'" + text.replace("'", "'\\''") + "'";
  }
}
