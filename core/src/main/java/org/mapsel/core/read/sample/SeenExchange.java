package org.mapsel.core.read.sample;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.mapsel.core.document.DataDocument;
import org.mapsel.core.document.Limits;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.finding.Findings;

/**
 * A request that somebody saw, with its answer.
 *
 * @param address the whole of it
 * @param headers in their order
 * @param mediaType of the answer; empty if it was not said
 */
public record SeenExchange(
    String method,
    String address,
    List<Map.Entry<String, String>> headers,
    String body,
    int status,
    String mediaType,
    String answer) {

  public SeenExchange {
    headers = List.copyOf(headers);
  }

  /**
   * The exchanges that a text holds: of an HTTP archive, behind a curl command, or as they went
   * over the wire. What was not answered, and bodies in parts, are passed over.
   *
   * @return nothing if the text is none of these
   */
  public static Optional<List<SeenExchange>> in(String text) {
    SourceText source = new SourceText("given", text.getBytes(StandardCharsets.UTF_8));
    boolean archive =
        HarFile.is(text)
            && DataDocument.read(source, Limits.DESCRIPTION)
                .root()
                .flatMap(root -> root.find("log"))
                .isPresent();
    if (!archive && !CurlCommand.is(text) && !HttpText.isRequest(text)) {
      return Optional.empty();
    }
    List<SeenExchange> exchanges = new ArrayList<>();
    for (Sample sample : Samples.in(source, new Findings())) {
      for (Sample.Answer answer :
          sample.parts.isEmpty() ? sample.answers : List.<Sample.Answer>of()) {
        exchanges.add(
            new SeenExchange(
                sample.method,
                sample.address,
                sample.headers.stream()
                    .map(field -> Map.entry(field.name(), field.value()))
                    .toList(),
                sample.body,
                answer.status(),
                answer.mediaType(),
                answer.body()));
      }
    }
    return Optional.of(exchanges);
  }
}
