package org.mapsel.server.checks;

import java.math.BigDecimal;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.message.Header;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.verify.Check;
import org.mapsel.core.verify.Deviation;
import tools.jackson.databind.JsonNode;

/** What the API says about samples. */
public final class SampleViews {

  private SampleViews() {}

  /**
   * All samples.
   *
   * @param services those that have samples or may be answered for
   */
  record SamplesView(List<SampledService> services, List<SampleLine> samples) {}

  /**
   * A service as the place of samples sees it.
   *
   * @param replayed whether it is answered for from samples
   */
  record SampledService(String id, String name, boolean replayed) {}

  /**
   * A sample in one line.
   *
   * @param everyMinutes how often it runs as a check by itself; null for never
   * @param runs what came of it as a check lately, the oldest first
   */
  public record SampleLine(
      String service,
      String operation,
      String operationName,
      String name,
      SampleOrigin origin,
      OffsetDateTime recordedAt,
      @Nullable CheckView check,
      @Nullable VerdictView verdict,
      @Nullable Integer everyMinutes,
      List<CheckRunView> runs) {}

  /** A run of a check. */
  public record CheckRunView(OffsetDateTime at, boolean holds, long tookMillis) {}

  /** How often a check runs by itself; null for never. */
  record ScheduleRequest(@Nullable Integer everyMinutes) {}

  /**
   * What a sample was read from.
   *
   * @param sent nothing where it is not known
   * @param came nothing where nobody answered, or the answer was made up or changed by hand
   */
  record SampleWire(@Nullable SentMessage sent, @Nullable CameMessage came) {}

  /** A request as it went over the wire. */
  record SentMessage(String method, String address, List<Header> headers, String body) {}

  /** An answer as it came; of its headers those that say how it is to be read. */
  record CameMessage(int status, List<Header> headers, String body, int bytes) {}

  /**
   * What is in a sample.
   *
   * @param parameters what was sent
   * @param answer what came back; nothing if that was a failure
   */
  record SampleContent(JsonNode parameters, @Nullable JsonNode answer) {
    SampleContent {
      Objects.requireNonNull(parameters);
    }
  }

  /** Where a sample comes from. */
  public enum SampleOrigin {
    RECORDED,
    MADE
  }

  /**
   * What must hold.
   *
   * @param values whether the values must be the same too
   * @param ignored fields that may differ
   * @param unordered lists that may come in any order
   * @param within how many milliseconds it may take
   */
  public record CheckView(
      boolean values,
      List<FieldPath> ignored,
      List<FieldPath> unordered,
      BigDecimal tolerance,
      @Nullable Long within) {

    public CheckView {
      ignored = List.copyOf(ignored);
      unordered = List.copyOf(unordered);
    }

    static CheckView of(Check check) {
      return new CheckView(
          check.holds() == Check.Holds.VALUES,
          check.ignored(),
          check.unordered(),
          check.tolerance(),
          check.within().orElse(null));
    }

    Check check() {
      return new Check(
          values ? Check.Holds.VALUES : Check.Holds.SHAPE,
          List.of(),
          ignored,
          unordered,
          tolerance,
          Optional.ofNullable(within));
    }
  }

  /** What came of a check. */
  public record VerdictView(
      boolean holds, List<DeviationView> deviations, long tookMillis, OffsetDateTime at) {}

  /** One thing that is not as it was. */
  public record DeviationView(
      Deviation.Kind what, String path, FieldPath field, String expected, String actual) {

    static DeviationView of(Deviation one) {
      return new DeviationView(
          one.kind(),
          one.path().isRoot() ? "" : one.path().toString(),
          one.path(),
          one.expected(),
          one.actual());
    }
  }

  /**
   * A sample to be kept.
   *
   * @param made what is to be made up; nothing to keep what was sent and answered last
   */
  record NewSample(String name, @Nullable MadeKind made) {
    NewSample {
      Objects.requireNonNull(name);
    }
  }

  /**
   * Samples that are given as text.
   *
   * @param text an answer, a request with its answer, or an HTTP archive
   */
  record GivenRequest(String name, String text) {
    GivenRequest {
      Objects.requireNonNull(name);
      Objects.requireNonNull(text);
    }
  }

  /** Answers that are made up. */
  enum MadeKind {
    EMPTY,
    ONE_ROW,
    MANY_ROWS,
    LONGEST,
    FAULT
  }

  /** What must hold of a sample; nothing if it is no check any more. */
  record PinRequest(@Nullable CheckView check) {}

  /** Whether a service is answered for. */
  record ReplayRequest(boolean on) {}
}
