package org.mapsel.core.document;

import java.nio.charset.Charset;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.document.DataNode.Kind;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.ref.Place;
import tools.jackson.core.JacksonException;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;
import tools.jackson.core.ObjectReadContext;
import tools.jackson.core.StreamReadConstraints;
import tools.jackson.core.TokenStreamLocation;
import tools.jackson.core.json.JsonFactory;

/** Reads JSON (RFC 8259) into nodes. */
final class JsonNodes {

  private static final int MAX_NUMBER = 1_000;
  private static final int MAX_NAME = 50_000;
  private static final int SHORT = 16;

  private final SourceText source;
  private final Limits limits;
  private final NodePile pile;
  private final RecurringTexts texts = new RecurringTexts();
  private @Nullable Finding problem;

  JsonNodes(SourceText source, Limits limits, Set<String> marks) {
    this.source = source;
    this.limits = limits;
    this.pile = new NodePile(marks);
  }

  DataDocument read() {
    DataNode root = null;
    try (JsonParser parser = parser()) {
      if (parser.nextToken() != null) {
        root = DataNode.of(value(parser), 1, 1);
      }
    } catch (JacksonException e) {
      fail(e);
    }
    return new DataDocument(Optional.ofNullable(root), Optional.ofNullable(problem), pile.marked());
  }

  private JsonParser parser() {
    JsonFactory factory =
        JsonFactory.builder()
            .streamReadConstraints(
                StreamReadConstraints.builder()
                    .maxNestingDepth(limits.maxDepth())
                    .maxNumberLength(MAX_NUMBER)
                    .maxNameLength(MAX_NAME)
                    .maxStringLength(limits.maxTextChars())
                    .build())
            .build();
    byte[] bytes = source.bytes();
    Optional<Charset> other = Encoding.correction(bytes);
    return other.isPresent()
        ? factory.createParser(ObjectReadContext.empty(), new String(bytes, other.get()))
        : factory.createParser(ObjectReadContext.empty(), bytes);
  }

  private void fail(JacksonException cause) {
    if (problem == null) {
      TokenStreamLocation at = cause.getLocation();
      Place place =
          at == null || at.getLineNr() < 1
              ? Place.in(source.address())
              : new Place(source.address(), at.getLineNr(), Math.max(1, at.getColumnNr()));
      problem = DataDocument.broken(String.valueOf(cause.getOriginalMessage()), place);
    }
  }

  /**
   * The value that the parser stands on; stands at its end afterwards. A simple one is where the
   * object or array around it starts: places are for people, and this is near enough.
   */
  private Object value(JsonParser parser) {
    return switch (parser.currentToken()) {
      case START_OBJECT -> object(parser, parser.currentTokenLocation());
      case START_ARRAY -> array(parser, parser.currentTokenLocation());
      case VALUE_NUMBER_INT, VALUE_NUMBER_FLOAT ->
          new DataNode.Simple(Kind.NUMBER, parser.getString());
      case VALUE_TRUE -> DataNode.Simple.TRUE;
      case VALUE_FALSE -> DataNode.Simple.FALSE;
      case VALUE_NULL -> DataNode.Simple.NULL;
      default -> text(parser);
    };
  }

  /** Short texts are mostly the same few. */
  private String text(JsonParser parser) {
    int length = parser.getStringLength();
    if (length > SHORT) {
      return parser.getString();
    }
    int start = parser.getStringOffset();
    texts.decode(parser.getStringCharacters(), start, start + length);
    return texts.last();
  }

  private DataNode array(JsonParser parser, TokenStreamLocation start) {
    int bottom = pile.height();
    try {
      while (problem == null && isInside(parser.nextToken())) {
        pile.push("", value(parser));
      }
    } catch (JacksonException e) {
      fail(e);
    }
    return pile.array(bottom, start.getLineNr(), start.getColumnNr());
  }

  private DataNode object(JsonParser parser, TokenStreamLocation start) {
    int bottom = pile.height();
    try {
      while (problem == null && isInside(parser.nextToken())) {
        String name = parser.currentName();
        parser.nextToken();
        pile.push(name, value(parser));
      }
    } catch (JacksonException e) {
      fail(e);
    }
    return pile.object(bottom, start.getLineNr(), start.getColumnNr());
  }

  private static boolean isInside(@Nullable JsonToken token) {
    return token != null && token != JsonToken.END_OBJECT && token != JsonToken.END_ARRAY;
  }
}
