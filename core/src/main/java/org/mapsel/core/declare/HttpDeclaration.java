package org.mapsel.core.declare;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import org.mapsel.core.ref.Place;
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

  /** What it takes and what may come back. */
  public record Details(
      String documentation,
      List<ParameterDeclaration> parameters,
      Optional<BodyDeclaration> body,
      List<AnswerDeclaration> answers) {

    public Details {
      parameters = List.copyOf(parameters);
      answers = List.copyOf(answers);
    }
  }

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
  }

  /**
   * What may come back.
   *
   * @param status three digits, {@code 2XX} or {@code default}
   */
  public record AnswerDeclaration(
      String status, String documentation, List<ContentDeclaration> contents) {}

  /** Where a service is. */
  public record ServerDeclaration(String address, String documentation) {}
}
