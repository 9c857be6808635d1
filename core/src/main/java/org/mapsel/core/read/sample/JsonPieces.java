package org.mapsel.core.read.sample;

import java.util.ArrayList;
import java.util.List;
import org.mapsel.core.document.Limits;
import org.mapsel.core.service.RecordedRequest.Piece;
import org.mapsel.core.service.RecordedRequest.Run;
import tools.jackson.core.JacksonException;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;
import tools.jackson.core.ObjectReadContext;
import tools.jackson.core.StreamReadConstraints;
import tools.jackson.core.json.JsonFactory;

/** Where the values of a JSON text stand (RFC 8259). */
final class JsonPieces {

  private static final JsonFactory FACTORY =
      JsonFactory.builder()
          .streamReadConstraints(
              StreamReadConstraints.builder().maxNestingDepth(Limits.ANSWER.maxDepth()).build())
          .build();

  private final Cutter cutter;
  private final JsonParser parser;

  private JsonPieces(Cutter cutter, JsonParser parser) {
    this.cutter = cutter;
    this.parser = parser;
  }

  /**
   * @throws JacksonException if it is no JSON
   */
  static List<Piece> of(String body) {
    Cutter cutter = new Cutter(body);
    try (JsonParser parser = FACTORY.createParser(ObjectReadContext.empty(), body)) {
      parser.nextToken();
      new JsonPieces(cutter, parser).value(List.of());
      while (parser.nextToken() != null) {
        // What stands behind the value is sent as it was given, as long as it is JSON.
        parser.skipChildren();
      }
    }
    return cutter.all();
  }

  private void value(List<String> steps) {
    switch (parser.currentToken()) {
      case START_OBJECT -> {
        while (parser.nextToken() != JsonToken.END_OBJECT) {
          List<String> inner = new ArrayList<>(steps);
          inner.add(parser.currentName());
          parser.nextToken();
          value(inner);
        }
      }
      case START_ARRAY -> list(steps);
      case VALUE_NULL -> cutter.one(steps, start(), end(), "");
      default -> cutter.one(steps, start(), end(), parser.getString());
    }
  }

  private void list(List<String> steps) {
    cutter.around(end());
    List<List<Piece>> items = new ArrayList<>();
    String between = ",";
    int end = 0;
    while (parser.nextToken() != JsonToken.END_ARRAY) {
      int start = start();
      if (items.size() == 1) {
        between = cutter.text().substring(end, start);
      }
      if (items.isEmpty()) {
        cutter.around(start);
      }
      items.add(
          cutter.within(
              start,
              () -> {
                // A list inside a list is a record with nothing but its items.
                value(parser.currentToken() == JsonToken.START_ARRAY ? List.of("") : List.of());
                cutter.around(end());
              }));
      end = cutter.position();
    }
    cutter.run(new Run(steps, 0, true, items, between));
  }

  private int start() {
    return (int) parser.currentTokenLocation().getCharOffset();
  }

  /** Behind the current token. */
  private int end() {
    return switch (parser.currentToken()) {
      case START_OBJECT, END_OBJECT, START_ARRAY, END_ARRAY -> start() + 1;
      case VALUE_STRING -> {
        // The parser is behind a text only when somebody has asked for it.
        parser.getString();
        yield (int) parser.currentLocation().getCharOffset();
      }
      default -> start() + parser.getString().length();
    };
  }
}
