package org.mapsel.core.read.sample;

import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.finding.Findings;
import org.mapsel.core.service.OperationWire;
import org.mapsel.core.shape.Field;

/**
 * What is added to samples after they were read. What comes out is an HTTP archive, whatever they
 * were written in before: it holds any number of answers.
 */
public final class SampleChanges {

  private final SourceText document;
  private final List<Sample> samples;

  private SampleChanges(SourceText document) {
    this.document = document;
    this.samples = Samples.in(document, new Findings());
  }

  /**
   * A document of samples with one more answer.
   *
   * @param wire of the operation that answered
   * @param mediaType as it was said; empty if it was not
   * @return nothing if there is no such operation, or if that answer is known already
   */
  public static Optional<SourceText> withAnswer(
      SourceText document, OperationWire.Rest wire, int status, String mediaType, String body) {
    SampleChanges changes = new SampleChanges(document);
    Sample.Answer answer = new Sample.Answer(status, mediaType, body.strip());
    List<Sample> asked = changes.of(wire);
    if (asked.isEmpty() || asked.stream().anyMatch(sample -> sample.answers.contains(answer))) {
      return Optional.empty();
    }
    asked.get(0).answers.add(answer);
    return changes.written();
  }

  /**
   * A document of samples in which a value is a parameter, or is sent as it was given again.
   *
   * @param wire of the operation
   * @param way the fields that lead to the value in the operation's input
   * @return nothing if there is no such operation or value, or if it is so already
   */
  public static Optional<SourceText> withMark(
      SourceText document, OperationWire.Rest wire, List<Field> way, boolean parameter) {
    SampleChanges changes = new SampleChanges(document);
    Optional<String> key = ParameterMarks.key(way);
    boolean changed = false;
    for (Sample sample : changes.of(wire)) {
      changed |=
          key.isPresent()
              && (parameter
                  ? sample.parameters.add(key.get())
                  : sample.parameters.remove(key.get()));
    }
    return changed ? changes.written() : Optional.empty();
  }

  private Optional<SourceText> written() {
    byte[] bytes = HarFile.write(samples).getBytes(StandardCharsets.UTF_8);
    return Optional.of(new SourceText(document.address(), bytes));
  }

  private List<Sample> of(OperationWire.Rest wire) {
    return samples.stream()
        .filter(
            sample ->
                sample.method.equals(wire.method())
                    && template(sample).equals(Optional.of(wire.path())))
        .toList();
  }

  private static Optional<String> template(Sample sample) {
    try {
      URI address = URI.create(sample.address.replace(" ", "%20"));
      return Optional.of(PathValues.in(address).template());
    } catch (IllegalArgumentException e) {
      // What has no address became no operation.
      return Optional.empty();
    }
  }
}
