package org.mapsel.core.document;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
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

/** Reads JSON (RFC 8259) into nodes, some of them when they are asked for. */
final class JsonNodes {

  private static final int MAX_NUMBER = 1_000;
  private static final int MAX_NAME = 50_000;
  private static final int SHORT = 16;

  private final byte[] bytes;
  private final String address;
  private final JsonFactory factory;
  private final String[] marks;
  private final NodeStack pile;
  private final RecurringTexts texts = new RecurringTexts();
  private @Nullable Finding problem;

  /** Containers may still be so deep until one is read in part. */
  private int left;

  /** The place of what is being read in the document, beyond what the parser takes it for. */
  private int linesBefore;

  private int columnsBefore;

  /**
   * @param depth of containers of which only the simple members are read at once; the root's is 1
   */
  JsonNodes(SourceText source, Limits limits, Set<String> marks, int depth) {
    this.address = source.address();
    this.marks = marks.toArray(String[]::new);
    this.pile = new NodeStack(marks);
    this.left = depth;
    Optional<Charset> other = Encoding.correction(source.bytes());
    this.bytes =
        other.isPresent()
            ? new String(source.bytes(), other.get()).getBytes(StandardCharsets.UTF_8)
            : source.bytes();
    this.factory =
        JsonFactory.builder()
            .streamReadConstraints(
                StreamReadConstraints.builder()
                    .maxNestingDepth(limits.maxDepth())
                    .maxNumberLength(MAX_NUMBER)
                    .maxNameLength(MAX_NAME)
                    .maxStringLength(limits.maxTextChars())
                    .build())
            .build();
  }

  DataDocument read() {
    DataNode root = null;
    try (JsonParser parser = factory.createParser(ObjectReadContext.empty(), bytes)) {
      if (parser.nextToken() != null) {
        root = DataNode.of(value(parser), 1, 1);
      }
    } catch (JacksonException e) {
      fail(e);
    }
    return new DataDocument(Optional.ofNullable(root), Optional.ofNullable(problem));
  }

  /**
   * Reads a container of which only the simple members were read. Where the document is broken this
   * ends as early as the first time.
   */
  synchronized DataNode whole(int offset, int line, int column) {
    left = Integer.MAX_VALUE;
    linesBefore = line - 1;
    columnsBefore = column - 1;
    problem = null;
    try (JsonParser parser =
        factory.createParser(ObjectReadContext.empty(), bytes, offset, bytes.length - offset)) {
      parser.nextToken();
      return DataNode.of(value(parser), line, column);
    }
  }

  private void fail(JacksonException cause) {
    if (problem == null) {
      TokenStreamLocation at = cause.getLocation();
      Place place =
          at == null || at.getLineNr() < 1
              ? Place.in(address)
              : new Place(address, at.getLineNr(), Math.max(1, at.getColumnNr()));
      problem = DataDocument.broken(String.valueOf(cause.getOriginalMessage()), place);
    }
  }

  /**
   * The value that the parser stands on; stands at its end afterwards. A simple one is where the
   * object or array around it starts: places are for people, and this is near enough.
   */
  private Object value(JsonParser parser) {
    return switch (parser.currentToken()) {
      case START_OBJECT, START_ARRAY -> container(parser);
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

  private DataNode container(JsonParser parser) {
    TokenStreamLocation start = parser.currentTokenLocation();
    boolean object = parser.currentToken() == JsonToken.START_OBJECT;
    int line = start.getLineNr() + linesBefore;
    int column = start.getColumnNr() + (start.getLineNr() == 1 ? columnsBefore : 0);
    int bottom = pile.height();
    DeferredNodes rest = left == 1 ? unread(start.getByteOffset(), line, column) : null;
    left--;
    try {
      while (problem == null && isInside(parser.nextToken())) {
        String name = "";
        if (object) {
          name = parser.currentName();
          parser.nextToken();
        }
        if (rest == null) {
          pile.push(name, value(parser));
        } else {
          pile.push(name, inPart(parser, name, rest, pile.height() - bottom));
        }
      }
    } catch (JacksonException e) {
      fail(e);
    }
    left++;
    return object ? pile.object(bottom, line, column) : pile.array(bottom, line, column);
  }

  /** Null if the parser cannot tell where it is, as in wide characters. */
  private @Nullable DeferredNodes unread(long offset, int line, int column) {
    boolean known = offset >= 0 && (bytes[(int) offset] == '{' || bytes[(int) offset] == '[');
    return known ? new DeferredNodes(this, (int) offset, line, column) : null;
  }

  /** A simple value; a container is gone through for what is marked in it. */
  private Object inPart(JsonParser parser, String name, DeferredNodes rest, int place) {
    if (!parser.currentToken().isStructStart()) {
      Object value = value(parser);
      if (isMark(name)) {
        rest.add(new DataNode.Mark(name, value instanceof String text ? text : ""), place);
      }
      return value;
    }
    if (isMark(name)) {
      rest.add(new DataNode.Mark(name, ""), place);
    }
    try {
      for (int open = 1; open > 0; ) {
        JsonToken token = parser.nextToken();
        if (token == JsonToken.PROPERTY_NAME) {
          if (isMark(parser.currentName())) {
            String marked = parser.currentName();
            token = parser.nextToken();
            String text = token == JsonToken.VALUE_STRING ? parser.getString() : "";
            rest.add(new DataNode.Mark(marked, text), place);
          } else {
            token = parser.nextToken();
          }
        }
        if (token == null) {
          break;
        }
        open += token.isStructStart() ? 1 : token.isStructEnd() ? -1 : 0;
      }
    } catch (JacksonException e) {
      fail(e);
    }
    return rest;
  }

  /** The marks are few, and this is asked for every member. */
  private boolean isMark(String name) {
    for (String mark : marks) {
      if (mark.equals(name)) {
        return true;
      }
    }
    return false;
  }

  private static boolean isInside(@Nullable JsonToken token) {
    return token != null && token != JsonToken.END_OBJECT && token != JsonToken.END_ARRAY;
  }
}
