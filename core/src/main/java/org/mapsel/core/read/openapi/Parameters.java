package org.mapsel.core.read.openapi;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.mapsel.core.shape.Wire;

/** What both dialects know of parameters. */
final class Parameters {

  private Parameters() {}

  static List<Located> of(Located owner, References references) {
    return owner.items("parameters").stream()
        .flatMap(parameter -> references.follow(parameter).stream())
        .filter(parameter -> parameter.node().isObject())
        .toList();
  }

  static Optional<Wire.In> in(String text) {
    return switch (text.toLowerCase(Locale.ROOT)) {
      case "path" -> Optional.of(Wire.In.PATH);
      case "query" -> Optional.of(Wire.In.QUERY);
      case "header" -> Optional.of(Wire.In.HEADER);
      case "cookie" -> Optional.of(Wire.In.COOKIE);
      case "querystring" -> Optional.of(Wire.In.QUERY_STRING);
      default -> Optional.empty();
    };
  }

  /** The style that holds where none is given. */
  static Wire.Style usual(Wire.In in) {
    return in == Wire.In.PATH || in == Wire.In.HEADER ? Wire.Style.SIMPLE : Wire.Style.FORM;
  }

  static Optional<Wire.Style> style(String text) {
    return switch (text) {
      case "form" -> Optional.of(Wire.Style.FORM);
      case "simple" -> Optional.of(Wire.Style.SIMPLE);
      case "label" -> Optional.of(Wire.Style.LABEL);
      case "matrix" -> Optional.of(Wire.Style.MATRIX);
      case "spaceDelimited", "ssv" -> Optional.of(Wire.Style.SPACE_DELIMITED);
      case "pipeDelimited", "pipes" -> Optional.of(Wire.Style.PIPE_DELIMITED);
      case "tsv" -> Optional.of(Wire.Style.TAB_DELIMITED);
      case "deepObject" -> Optional.of(Wire.Style.DEEP_OBJECT);
      default -> Optional.empty();
    };
  }
}
