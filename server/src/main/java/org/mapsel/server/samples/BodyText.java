package org.mapsel.server.samples;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.mapsel.core.message.Response;

/** What was answered, as text. */
public final class BodyText {

  private static final Pattern CHARSET = Pattern.compile("(?i)charset=\"?([\\w.:-]+)");

  private BodyText() {}

  static String of(ExchangeStore.Kept kept) {
    return new String(kept.responseBody(), charset(kept));
  }

  /** The body of an answer. */
  public static String of(Response response) {
    return new String(response.body(), charset(response.headers()));
  }

  /** What the answer says that it is written in. */
  static Charset charset(ExchangeStore.Kept kept) {
    return charset(kept.responseHeaders());
  }

  private static Charset charset(Map<String, List<String>> headers) {
    return headers.entrySet().stream()
        .filter(header -> header.getKey().equalsIgnoreCase("content-type"))
        .flatMap(header -> header.getValue().stream())
        .map(CHARSET::matcher)
        .filter(Matcher::find)
        .map(matcher -> matcher.group(1))
        .flatMap(name -> known(name).stream())
        .findFirst()
        .orElse(StandardCharsets.UTF_8);
  }

  private static Optional<Charset> known(String name) {
    try {
      return Optional.of(Charset.forName(name));
    } catch (IllegalArgumentException e) {
      // A charset that nobody knows is shown as if it were UTF-8.
      return Optional.empty();
    }
  }
}
