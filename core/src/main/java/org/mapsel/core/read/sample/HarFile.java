package org.mapsel.core.read.sample;

import java.util.ArrayList;
import java.util.List;
import org.mapsel.core.document.DataNode;

/** A HAR file (HTTP Archive 1.2): exchanges that a browser or a proxy has recorded. */
final class HarFile {

  private HarFile() {}

  static List<Sample> read(DataNode root) {
    List<Sample> samples = new ArrayList<>();
    for (DataNode entry : root.find("log").map(log -> log.items("entries")).orElse(List.of())) {
      Sample sample = new Sample();
      entry
          .find("request")
          .ifPresent(
              request -> {
                sample.method = request.text("method");
                sample.address = request.text("url");
                for (DataNode header : request.items("headers")) {
                  sample.headers.add(new Sample.Field(header.text("name"), header.text("value")));
                }
                request.find("postData").ifPresent(data -> sample.body = data.text("text"));
              });
      entry
          .find("response")
          .ifPresent(
              response ->
                  response
                      .find("content")
                      .filter(content -> content.text("encoding").isEmpty())
                      .ifPresent(
                          content ->
                              sample.answers.add(
                                  new Sample.Answer(
                                      status(response.text("status")),
                                      content.text("mimeType"),
                                      content.text("text")))));
      if (sample.address.startsWith("http")) {
        samples.add(sample);
      }
    }
    return samples;
  }

  private static int status(String text) {
    return text.matches("\\d{3}") ? Integer.parseInt(text) : 0;
  }
}
