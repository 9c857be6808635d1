package org.mapsel.core.declare;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import org.mapsel.core.ref.Place;
import org.mapsel.core.service.Memo;
import org.mapsel.core.service.RecordedRequest;
import org.mapsel.core.shape.Wire;

/**
 * An operation that is one method on one path (OpenAPI 3.1, Operation Object).
 *
 * @param id as the description names it; may be empty or taken by another operation
 * @param path with {@code {name}} for each parameter in it
 * @param servers the addresses where it is offered
 * @param details gives the same every time; read when somebody asks for the operation
 */
public record HttpDeclaration(
    String id,
    String method,
    String path,
    List<ServerDeclaration> servers,
    Supplier<Details> details) {

  public HttpDeclaration {
    servers = List.copyOf(servers);
  }

  /** Every way in which a link may name it. */
  public List<LinkTarget> targets() {
    return List.of(new LinkTarget.Named(id), new LinkTarget.At(method, path));
  }

  /**
   * What it takes and what may come back.
   *
   * @param leads whether any answer may lead somewhere, so that they have to be looked at for it
   * @param given a request that worked, where one is known
   */
  public record Details(
      String documentation,
      Memo<List<ParameterDeclaration>> parameters,
      Memo<Optional<BodyDeclaration>> body,
      Memo<List<AnswerDeclaration>> answers,
      boolean leads,
      Optional<RecordedRequest> given) {}

  /**
   * A value outside the body.
   *
   * @param content the media type it is written in, where it is no plain text
   */
  public record ParameterDeclaration(
      String name,
      Wire.In in,
      Wire.Style style,
      boolean explode,
      boolean reserved,
      Optional<String> content,
      boolean required,
      String documentation,
      boolean deprecated,
      DataType type,
      Place place) {}

  /** What is sent, in each of the media types it may be sent in. */
  public record BodyDeclaration(
      boolean required, String documentation, List<ContentDeclaration> contents) {}

  /**
   * A body in one media type.
   *
   * @param written the media type that it is really written in; often the same
   * @param parts how members of a form travel, where the description says so
   */
  public record ContentDeclaration(
      String mediaType,
      String written,
      Optional<DataType> type,
      Map<String, PartDeclaration> parts) {

    public ContentDeclaration(
        String mediaType, Optional<DataType> type, Map<String, PartDeclaration> parts) {
      this(mediaType, mediaType, type, parts);
    }
  }

  /** How one member of a form travels (OpenAPI 3.1, Encoding Object). */
  public record PartDeclaration(
      Optional<String> contentType, Wire.Style style, Optional<Boolean> explode) {

    /** What holds where nothing is said. */
    public static final PartDeclaration USUAL =
        new PartDeclaration(Optional.empty(), Wire.Style.FORM, Optional.empty());

    /** A part in a media type of its own. */
    public static PartDeclaration in(String contentType) {
      return new PartDeclaration(Optional.of(contentType), Wire.Style.FORM, Optional.empty());
    }
  }

  /**
   * What may come back.
   *
   * @param status three digits, {@code 2XX} or {@code default}
   */
  public record AnswerDeclaration(
      String status,
      String documentation,
      Memo<List<ContentDeclaration>> contents,
      List<LinkDeclaration> links) {

    /** An answer that leads nowhere. */
    public AnswerDeclaration(
        String status, String documentation, List<ContentDeclaration> contents) {
      this(status, documentation, Memo.of(contents), List.of());
    }
  }

  /**
   * Where an answer leads (OpenAPI 3.1, Link Object).
   *
   * @param target the operation that comes next
   * @param parameters expressions by the name of the parameter
   * @param body an expression for the body
   */
  public record LinkDeclaration(
      String name,
      LinkTarget target,
      Map<String, String> parameters,
      Optional<String> body,
      String documentation,
      Place place) {}

  /** How a link names an operation. */
  public sealed interface LinkTarget {

    /** By the name that the description gives it. */
    record Named(String id) implements LinkTarget {}

    /** By its method and path. */
    record At(String method, String path) implements LinkTarget {}
  }

  /** Where a service is. */
  public record ServerDeclaration(String address, String documentation) {}
}
