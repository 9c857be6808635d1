package org.mapsel.core.read.sample;

import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.finding.Findings;

/** Lets a sample learn from what the service answered since. */
public final class MoreAnswers {

  private MoreAnswers() {}

  /**
   * A document of samples with one more answer.
   *
   * @param method of the operation that answered
   * @param path of it, with {@code {name}} for each value
   * @param mediaType as it was said; empty if it was not
   * @return the document as an HTTP archive, which holds any number of answers; nothing if it has
   *     no such operation or knows that answer already
   */
  public static Optional<SourceText> in(
      SourceText document, String method, String path, int status, String mediaType, String body) {
    List<Sample> samples = Samples.in(document, new Findings());
    Sample.Answer answer = new Sample.Answer(status, mediaType, body.strip());
    List<Sample> asked = samples.stream().filter(sample -> isOf(sample, method, path)).toList();
    if (asked.isEmpty() || asked.stream().anyMatch(sample -> sample.answers.contains(answer))) {
      return Optional.empty();
    }
    asked.get(0).answers.add(answer);
    byte[] bytes = HarFile.write(samples).getBytes(StandardCharsets.UTF_8);
    return Optional.of(new SourceText(document.address(), bytes));
  }

  private static boolean isOf(Sample sample, String method, String path) {
    try {
      URI address = URI.create(sample.address.replace(" ", "%20"));
      return sample.method.equals(method) && PathValues.in(address).template().equals(path);
    } catch (IllegalArgumentException e) {
      // What has no address became no operation.
      return false;
    }
  }
}
