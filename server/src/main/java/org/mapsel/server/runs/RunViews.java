package org.mapsel.server.runs;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.page.view.PageView;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.server.web.FindingView;
import tools.jackson.databind.JsonNode;

/** What the API says about pages that run. */
final class RunViews {

  private RunViews() {}

  /**
   * A run of a page.
   *
   * @param builder whether somebody tries it who builds it: then what comes back becomes the
   *     current sample, and is kept whole
   * @param inputs what stands in the form already: when a page is opened anew, or tried with a
   *     sample
   */
  record RunRequest(boolean builder, Map<String, JsonNode> inputs) {
    RunRequest {
      inputs = Map.copyOf(inputs);
    }
  }

  /** Something a visitor did, with what was typed since the last event. */
  record EventRequest(Map<String, JsonNode> inputs, Happening event) {
    EventRequest {
      Objects.requireNonNull(event);
      inputs = Map.copyOf(inputs);
    }
  }

  /** What happened. */
  @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
  @JsonSubTypes({
    @JsonSubTypes.Type(value = Happening.ButtonPressed.class, name = "pressed"),
    @JsonSubTypes.Type(value = Happening.RowChosen.class, name = "chosen"),
    @JsonSubTypes.Type(value = Happening.ValuesEntered.class, name = "entered")
  })
  sealed interface Happening {

    /** A button was pressed. */
    record ButtonPressed(String button) implements Happening {}

    /** A row was chosen, by its number. */
    record RowChosen(String part, int row) implements Happening {}

    /** Nothing but what was typed. */
    record ValuesEntered() implements Happening {}
  }

  /**
   * What it came to.
   *
   * @param trace the calls that were made; none for a visitor
   */
  record RunView(String run, PageView page, List<TracedCall> trace) {}

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
  record TracedParameter(FieldPath path, JsonNode value) {}
}
