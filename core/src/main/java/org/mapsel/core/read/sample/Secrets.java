package org.mapsel.core.read.sample;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.read.Reading;
import org.mapsel.core.ref.Place;

/**
 * A sample is kept as it was given, but for what nobody may see: that is put under access, where it
 * is kept encrypted.
 */
final class Secrets {

  private static final String HIDDEN = "•••";

  private Secrets() {}

  static void leaveOut(
      SourceText source, List<Sample> samples, Set<String> secret, Reading reading) {
    String text = new String(source.bytes(), StandardCharsets.UTF_8);
    String clean = text;
    for (Sample sample : samples) {
      for (Sample.Field field : sample.headers) {
        String name = field.name().toLowerCase(Locale.ROOT);
        if (secret.contains(name) && !field.value().equals(HIDDEN) && !field.value().isBlank()) {
          clean = clean.replace(field.value(), HIDDEN);
          reading
              .findings()
              .add(
                  Finding.note("SAMPLE_SECRET_LEFT_OUT", "header", field.name())
                      .at(Place.in(source.address())));
        }
      }
    }
    // A user and password stand apart in a command.
    clean = clean.replaceAll("(\\s(?:-u|--user)\\s+)('[^']*'|\"[^\"]*\"|\\S+)", "$1" + HIDDEN);
    if (!clean.equals(text)) {
      reading.replace(
          source, new SourceText(source.address(), clean.getBytes(StandardCharsets.UTF_8)));
    }
  }
}
