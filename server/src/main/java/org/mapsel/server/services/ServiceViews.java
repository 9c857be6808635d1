package org.mapsel.server.services;

import java.time.OffsetDateTime;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.model.FieldRef;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.OperationId;
import org.mapsel.server.web.FindingView;
import org.mapsel.server.web.ProblemView;
import tools.jackson.databind.JsonNode;

/** What the API says about services. */
public final class ServiceViews {

  private ServiceViews() {}

  /**
   * A description that was read and not taken yet.
   *
   * @param takenAs the service that was taken from this very edition
   * @param leftOut the names of values in a sample that look secret and were left out
   * @param editionOf a service of this name that was taken from another edition
   */
  public record IntakeView(
      String edition,
      String source,
      String format,
      String name,
      String documentation,
      List<String> documents,
      List<EndpointView> endpoints,
      List<OperationBrief> operations,
      List<FindingView> findings,
      List<String> leftOut,
      @Nullable String takenAs,
      @Nullable String editionOf) {}

  /** A list of services, none of which was read. */
  public record CatalogueView(String source, List<EntryView> entries, List<FindingView> findings) {}

  /** One service of a list. */
  public record EntryView(String name, String address, String documentation) {}

  /**
   * How far a document has come.
   *
   * @param length bytes there will be; missing where the other side does not say
   */
  public record ProgressView(String address, long bytes, @Nullable Long length) {}

  /** One line of an intake's answer: progress any number of times, then one of the others. */
  public record IntakeEvent(
      @Nullable ProgressView progress,
      @Nullable IntakeView description,
      @Nullable CatalogueView catalogue,
      @Nullable ProblemView problem) {}

  /** An address with its protocol. */
  public record EndpointView(String id, String protocol, String address) {}

  /** An operation by what its description calls it, which is all a list of them needs. */
  public record OperationBrief(String id, String name, String effect, String documentation) {}

  /** Of which operations of an edition the columns are asked for. */
  public record ColumnsRequest(List<OperationId> operations) {
    public ColumnsRequest {
      operations = List.copyOf(operations);
    }
  }

  /** What a table says of an operation beside its name, which takes reading its messages. */
  public record OperationColumns(
      String id, List<FieldBrief> goesIn, List<FieldBrief> comesBack, List<String> endpoints) {}

  /** A field in one word. */
  public record FieldBrief(String name, boolean required, boolean repeats) {}

  /** What to take of a description that was read. */
  public record TakeRequest(String edition, List<OperationId> operations, EndpointId endpoint) {
    public TakeRequest {
      Objects.requireNonNull(edition);
      Objects.requireNonNull(endpoint);
      operations = List.copyOf(operations);
    }
  }

  /** A service in one line. */
  public record ServiceBrief(
      String id,
      String name,
      String host,
      List<String> protocols,
      int operations,
      int errors,
      int warnings,
      OffsetDateTime takenAt) {}

  /** A service with the operations taken of it. */
  public record ServiceView(
      String id,
      String name,
      String source,
      String edition,
      String format,
      String documentation,
      String endpoint,
      List<EndpointView> endpoints,
      List<OperationBrief> operations,
      List<FindingView> findings,
      OffsetDateTime takenAt) {}

  /**
   * One row of a field sheet.
   *
   * @param kind scalar, record, oneOf, open or repeated
   * @param rows the nearest repeated field around it, empty if there is none
   * @param fixed the only value that is sent for it, where there is just one
   * @param given whether it is sent as a sample has it unless somebody fills it
   * @param label what people call it on pages, where an app is built on it
   * @param derived the name of a derived field, for one of the record at the path without its end
   * @param field what is decided of it in the model of the app
   */
  public record FieldView(
      FieldPath path,
      String name,
      String kind,
      String type,
      boolean required,
      boolean repeats,
      boolean nillable,
      String documentation,
      List<String> choices,
      String wire,
      FieldPath rows,
      boolean recursive,
      boolean more,
      @Nullable String fixed,
      boolean given,
      @Nullable String label,
      @Nullable String derived,
      @Nullable FieldRef field) {}

  /**
   * An operation with its field sheet.
   *
   * @param learns whether it is known by samples, so that each answer may tell more of what comes
   *     back, and each value may be made a parameter
   * @param given the request that it is known by
   */
  public record OperationView(
      String service,
      String serviceName,
      String edition,
      String id,
      String name,
      String effect,
      String documentation,
      String endpoint,
      List<EndpointView> endpoints,
      List<FieldView> goesIn,
      List<FieldView> comesBack,
      List<String> faults,
      boolean learns,
      @Nullable GivenView given,
      List<LinkView> links,
      SampleView sample) {}

  /**
   * Another operation that an answer leads to.
   *
   * @param values the parameters that the last exchange hands on to it
   */
  public record LinkView(
      String name, String operation, String operationName, String documentation, JsonNode values) {}

  /** An exchange whose answer tells more of what comes back. */
  public record LearnRequest(String exchange) {
    public LearnRequest {
      Objects.requireNonNull(exchange);
    }
  }

  /** Whether a value of a sampled request is a parameter, or is sent as it was given. */
  public record MarkRequest(FieldPath path, boolean parameter) {
    public MarkRequest {
      Objects.requireNonNull(path);
    }
  }

  /**
   * A sampled request as a text.
   *
   * @param address the method and the address
   */
  public record GivenView(
      List<StretchView> address, List<List<StretchView>> headers, List<StretchView> body) {}

  /**
   * A stretch of a sampled request.
   *
   * @param path the field whose value it is, empty if it is none
   */
  public record StretchView(String text, FieldPath path) {}

  /**
   * Values to look at.
   *
   * @param origin recorded, failed, given or generated
   * @param cut lists that were cut, with the number of items they had
   * @param failure what came back instead of an answer
   */
  public record SampleView(
      String origin,
      JsonNode parameters,
      JsonNode answer,
      List<CutView> cut,
      @Nullable SentView sent,
      @Nullable String failure) {}

  /** A list that was cut. */
  public record CutView(FieldPath path, int items) {}

  /** When something was sent, and what became of it on the wire. */
  public record SentView(
      String exchange, @Nullable Integer status, long tookMillis, OffsetDateTime startedAt) {}

  /**
   * Values to try an operation with.
   *
   * @param edition the one that an app is pinned to; the newest if nothing is said
   */
  public record TryRequest(EndpointId endpoint, JsonNode parameters, @Nullable String edition) {
    public TryRequest {
      Objects.requireNonNull(endpoint);
      Objects.requireNonNull(parameters);
    }
  }

  /** What came of trying. */
  public record TryView(
      @Nullable JsonNode answer,
      List<CutView> cut,
      @Nullable FaultView fault,
      List<FindingView> findings,
      @Nullable SentView sent) {}

  /** A fault that the service answered with. */
  public record FaultView(String code, String reason, @Nullable String name, JsonNode detail) {}
}
