package org.mapsel.server.runs;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.mapsel.server.web.FindingView;
import tools.jackson.databind.JsonNode;

/** What the API says about pages that run. */
final class RunViews {

  private RunViews() {}

  /**
   * Something a user did, with what stands in the form.
   *
   * @param keep whether what comes back becomes the current sample: on the bench it does, on a
   *     finished page not
   */
  record RunRequest(Map<String, JsonNode> inputs, Happening event, boolean keep) {
    RunRequest {
      Objects.requireNonNull(event);
      inputs = Map.copyOf(inputs);
    }
  }

  /** What happened. */
  @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
  @JsonSubTypes({
    @JsonSubTypes.Type(value = Happening.PageOpened.class, name = "opened"),
    @JsonSubTypes.Type(value = Happening.ButtonPressed.class, name = "pressed")
  })
  sealed interface Happening {

    /** The page was opened. */
    record PageOpened() implements Happening {}

    /** A button was pressed. */
    record ButtonPressed(String button) implements Happening {}
  }

  /**
   * What it came to.
   *
   * @param contents by part, only those that were filled anew
   */
  record RunView(
      Map<String, JsonNode> contents, List<MessageView> messages, List<TracedCall> trace) {}

  /** A message for the end user. */
  record MessageView(boolean failed, String text) {}

  /** A call on the way: what went in, what became of it. */
  record TracedCall(
      String call,
      String operation,
      List<TracedParameter> parameters,
      boolean failed,
      @Nullable String exchange,
      @Nullable Integer status,
      @Nullable Long tookMillis,
      @Nullable OffsetDateTime startedAt,
      List<FindingView> findings) {}

  /** A parameter as it was sent. */
  record TracedParameter(List<String> path, JsonNode value) {}

  /**
   * A page filled with samples.
   *
   * @param origins by call: recorded, given or generated
   */
  record PreviewView(
      Map<String, JsonNode> inputs, Map<String, JsonNode> contents, Map<String, String> origins) {}
}
