package org.mapsel.core.message.json;

import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Ways of writing the same values in JSON. */
public enum JsonDialect {
  /** Numbers as numbers, times as ISO 8601 says. */
  PLAIN,
  /** As OData 2.0 has it (JSON format, section 4): moments as ticks, long numbers as text. */
  ODATA_2;

  private static final Pattern TICKS = Pattern.compile("/Date\\((-?\\d{1,18})([+-]\\d{1,4})?\\)/");
  private static final Set<String> AS_TEXT = Set.of("Edm.Int64", "Edm.Decimal");

  /** Whether numbers of a type are texts. */
  boolean isText(String builtIn) {
    return this == ODATA_2 && AS_TEXT.contains(builtIn);
  }

  /** A text as this dialect writes it. */
  String written(String builtIn, String text) {
    if (this == PLAIN || !builtIn.startsWith("Edm.DateTime")) {
      return text;
    }
    try {
      OffsetDateTime moment =
          text.matches(".*(Z|[+-]\\d{2}:\\d{2})")
              ? OffsetDateTime.parse(text)
              : LocalDateTime.parse(text).atOffset(ZoneOffset.UTC);
      return "/Date(" + moment.toInstant().toEpochMilli() + ")/";
    } catch (DateTimeException e) {
      // A date before the common era or the like is left for the service to judge.
      return text;
    }
  }

  /** A text that came as the others write it. */
  String read(String builtIn, String text) {
    if (this == PLAIN || !text.startsWith("/Date(")) {
      return text;
    }
    Matcher ticks = TICKS.matcher(text);
    if (!ticks.matches()) {
      return text;
    }
    try {
      LocalDateTime moment =
          LocalDateTime.ofInstant(
              Instant.ofEpochMilli(Long.parseLong(ticks.group(1))), ZoneOffset.UTC);
      String iso = moment.format(DateTimeFormatter.ISO_LOCAL_DATE_TIME);
      return builtIn.equals("Edm.DateTimeOffset") ? iso + "Z" : iso;
    } catch (DateTimeException e) {
      // Beyond what a calendar holds; the number says more than an error would.
      return text;
    }
  }
}
