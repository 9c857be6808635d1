package org.mapsel.core.read.sample;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import org.mapsel.core.document.DataDocument;
import org.mapsel.core.document.Limits;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.finding.Findings;

/** The samples that a document holds, whichever way they are written. */
final class Samples {

  private Samples() {}

  static List<Sample> in(SourceText source, Findings findings) {
    String given = new String(source.bytes(), StandardCharsets.UTF_8);
    String text = CurlCommand.is(given) ? ShellWords.forShell(given) : given;
    List<Sample> samples = new ArrayList<>();
    if (HarFile.is(text)) {
      DataDocument har = DataDocument.read(source, Limits.DESCRIPTION);
      har.problem().ifPresent(findings::add);
      har.root().map(HarFile::read).ifPresent(samples::addAll);
      samples.forEach(InParts::take);
      return samples;
    }
    Sample sample = new Sample();
    if (CurlCommand.is(text)) {
      int end = ShellWords.end(text);
      CurlCommand.read(text.substring(0, end), sample);
      HttpText.answers(text.substring(end), sample);
    } else {
      HttpText.request(text, sample);
    }
    InParts.take(sample);
    samples.add(sample);
    return samples;
  }
}
