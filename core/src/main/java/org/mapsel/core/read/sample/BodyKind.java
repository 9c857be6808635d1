package org.mapsel.core.read.sample;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.mapsel.core.document.DocumentException;
import org.mapsel.core.service.RecordedRequest.Piece;
import tools.jackson.core.JacksonException;

/** What a body turns out to be, whatever is said of it. */
enum BodyKind {
  JSON("application/json"),
  XML("application/xml"),
  FORM("application/x-www-form-urlencoded"),
  CSV("text/csv"),
  TEXT("text/plain");

  private static final Set<BodyKind> TELLING = Set.of(JSON, XML, CSV);

  private final String mediaType;

  BodyKind(String mediaType) {
    this.mediaType = mediaType;
  }

  /**
   * @param said its media type as it was said; may be empty
   */
  static BodyKind of(String body, String said) {
    if (Inference.isJson(body)) {
      return JSON;
    }
    if (Inference.isXml(body)) {
      return XML;
    }
    if (said.startsWith(FORM.mediaType)) {
      return FORM;
    }
    return Inference.isCsv(body, said) ? CSV : TEXT;
  }

  /** The media type to read and write it in, where another one may have been said. */
  String written(String said) {
    return said.isEmpty() || TELLING.contains(this) ? mediaType : said;
  }

  /** Widens a type by the values in a body of this kind. */
  void widen(String body, Inferred to) {
    switch (this) {
      case JSON -> Inference.json(body, to);
      case XML -> {
        try {
          Inference.xml(body, to);
        } catch (DocumentException e) {
          // What is no XML in spite of its start is a text.
          to.sawText(body, true);
        }
      }
      case FORM -> Inference.form(body, to);
      case CSV -> Inference.csv(body, to);
      case TEXT -> to.sawText(body, true);
    }
  }

  /** Where its values stand; nothing if it is not what it looks like. */
  Optional<List<Piece>> pieces(String body) {
    try {
      return Optional.of(
          switch (this) {
            case JSON -> JsonPieces.of(body);
            case XML -> XmlPieces.of(body);
            case FORM -> FormPieces.of(body);
            case CSV, TEXT -> whole(body);
          });
    } catch (JacksonException | DocumentException e) {
      return Optional.empty();
    }
  }

  private static List<Piece> whole(String body) {
    Cutter cutter = new Cutter(body);
    cutter.one(List.of(), 0, body.length(), body);
    return cutter.all();
  }
}
