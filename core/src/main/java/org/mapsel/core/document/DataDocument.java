package org.mapsel.core.document;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Collections;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.document.DataNode.Kind;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.ref.Place;
import org.snakeyaml.engine.v2.api.LoadSettings;
import tools.jackson.core.JacksonException;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;
import tools.jackson.core.ObjectReadContext;
import tools.jackson.core.StreamReadConstraints;
import tools.jackson.core.TokenStreamLocation;
import tools.jackson.core.json.JsonFactory;
import tools.jackson.dataformat.yaml.YAMLFactory;
import tools.jackson.dataformat.yaml.YAMLParser;

/**
 * A JSON or YAML document as located nodes, as far as it can be read.
 *
 * @param problem why reading ended early; the nodes are then those up to there
 */
public record DataDocument(Optional<DataNode> root, Optional<Finding> problem) {

  private static final int MAX_NUMBER = 1_000;
  private static final int MAX_NAME = 50_000;
  private static final int MAX_DOCUMENT_CODE_POINTS = Integer.MAX_VALUE - 8;
  private static final long MAX_ALIASED = 1_000_000;
  private static final int USUAL_DEPTH = 256;
  private static final String MERGE = "<<";
  private static final int KINDS_BITS = 10;

  /** Brings all bits of a hash into the highest ones. */
  private static final int SPREAD = 0x9E3779B9;

  /** Reads JSON, or YAML if the document is no JSON. Only the first document of several counts. */
  public static DataDocument read(SourceText source, Limits limits) {
    return read(source, limits, Set.of());
  }

  /**
   * Like the other, and marks what holds certain members, so that they are found quickly.
   *
   * @param marks their names
   */
  public static DataDocument read(SourceText source, Limits limits, Set<String> marks) {
    if (source.bytes().length > limits.maxBytes()) {
      return new DataDocument(
          Optional.empty(),
          Optional.of(
              Finding.error("DATA_DOCUMENT_TOO_LARGE", "limit", (limits.maxBytes() >> 20) + " MB")
                  .at(Place.in(source.address()))));
    }
    return new Build(source, limits, marks).read();
  }

  /** Whether the text begins like JSON. */
  private static boolean isJson(byte[] bytes) {
    for (byte b : bytes) {
      // What is no letter of any alphabet here is a byte order mark or half of a wide character.
      if (b > ' ') {
        return b == '{' || b == '[';
      }
    }
    return false;
  }

  /**
   * The names of an object's members.
   *
   * @param marked whether one of them is to be marked
   */
  private record Members(String[] names, boolean marked) {
    static final Members NONE = new Members(new String[0], false);
  }

  /** The nodes under way. */
  private static final class Build {

    private final SourceText source;
    private final StreamReadConstraints constraints;
    private final Set<String> marks;
    private final Map<String, Object> anchors = new HashMap<>();
    private String[] names = new String[USUAL_DEPTH];

    /** Each a node, a string or a {@link DataNode.Simple}. */
    private Object[] values = new Object[USUAL_DEPTH];

    private int top;
    private final Members[] kinds = new Members[1 << KINDS_BITS];
    private final Map<DataNode, Long> weights = new IdentityHashMap<>();
    private long aliased;
    private @Nullable Finding problem;

    Build(SourceText source, Limits limits, Set<String> marks) {
      this.source = source;
      this.marks = marks;
      constraints =
          StreamReadConstraints.builder()
              .maxNestingDepth(limits.maxDepth())
              .maxNumberLength(MAX_NUMBER)
              .maxNameLength(MAX_NAME)
              .maxStringLength(limits.maxTextChars())
              .build();
    }

    DataDocument read() {
      DataNode root = null;
      try (JsonParser parser = parser()) {
        if (parser.nextToken() != null) {
          Object value = value(parser);
          root = value == null ? null : DataNode.of(value, 1, 1);
        }
      } catch (JacksonException e) {
        fail(e);
      }
      return new DataDocument(Optional.ofNullable(root), Optional.ofNullable(problem));
    }

    private JsonParser parser() {
      byte[] bytes = source.bytes();
      Optional<Charset> other = Encoding.correction(bytes);
      if (isJson(bytes)) {
        JsonFactory factory = JsonFactory.builder().streamReadConstraints(constraints).build();
        return other.isPresent()
            ? factory.createParser(ObjectReadContext.empty(), new String(bytes, other.get()))
            : factory.createParser(ObjectReadContext.empty(), bytes);
      }
      LoadSettings settings =
          LoadSettings.builder()
              .setCodePointLimit(MAX_DOCUMENT_CODE_POINTS)
              .setParseComments(false)
              .build();
      return YAMLFactory.builder()
          .streamReadConstraints(constraints)
          .loadSettings(settings)
          .build()
          .createParser(ObjectReadContext.empty(), text(bytes, other));
    }

    private static String text(byte[] bytes, Optional<Charset> other) {
      String text = new String(bytes, other.orElse(StandardCharsets.UTF_8));
      return text.startsWith("\uFEFF") ? text.substring(1) : text;
    }

    private void fail(JacksonException cause) {
      if (problem == null) {
        TokenStreamLocation at = cause.getLocation();
        Place place =
            at == null || at.getLineNr() < 1
                ? Place.in(source.address())
                : new Place(source.address(), at.getLineNr(), Math.max(1, at.getColumnNr()));
        String reason = String.valueOf(cause.getOriginalMessage()).lines().findFirst().orElse("");
        problem = Finding.error("DATA_DOCUMENT_BROKEN", "reason", reason).at(place);
      }
    }

    /**
     * The value that the parser stands on; stands at its end afterwards. A simple one is where the
     * object or array around it starts: places are for people, and this is near enough.
     */
    private @Nullable Object value(JsonParser parser) {
      String anchor = null;
      if (parser instanceof YAMLParser yaml) {
        if (yaml.isCurrentAlias()) {
          return alias(yaml);
        }
        anchor = yaml.getObjectId();
      }
      Object value =
          switch (parser.currentToken()) {
            case START_OBJECT -> object(parser, parser.currentTokenLocation());
            case START_ARRAY -> array(parser, parser.currentTokenLocation());
            case VALUE_NUMBER_INT, VALUE_NUMBER_FLOAT ->
                new DataNode.Simple(Kind.NUMBER, parser.getString());
            case VALUE_TRUE -> DataNode.Simple.TRUE;
            case VALUE_FALSE -> DataNode.Simple.FALSE;
            case VALUE_NULL -> DataNode.Simple.NULL;
            default -> parser.getString();
          };
      if (anchor != null) {
        anchors.put(anchor, value);
      }
      return value;
    }

    /** What an anchor marks, as long as the document with every alias written out stays sane. */
    private @Nullable Object alias(YAMLParser yaml) {
      Object marked = anchors.get(yaml.getString());
      if (marked != null) {
        aliased += marked instanceof DataNode node ? weight(node) : 1;
        if (aliased > MAX_ALIASED) {
          TokenStreamLocation at = yaml.currentTokenLocation();
          problem =
              Finding.error("DATA_ALIASES_TOO_MANY", "limit", String.valueOf(MAX_ALIASED))
                  .at(new Place(source.address(), at.getLineNr(), at.getColumnNr()));
        }
      }
      return marked;
    }

    /** How many nodes a node stands for. */
    private long weight(DataNode node) {
      Long known = weights.get(node);
      if (known == null) {
        long sum = 1;
        for (int i = 0; i < node.size(); i++) {
          DataNode inside = node.container(i);
          sum += inside == null ? 1 : weight(inside);
        }
        known = sum;
        weights.put(node, known);
      }
      return known;
    }

    private DataNode array(JsonParser parser, TokenStreamLocation start) {
      int bottom = top;
      try {
        while (problem == null && isInside(parser.nextToken())) {
          Object item = value(parser);
          if (item != null) {
            push("", item);
          }
        }
      } catch (JacksonException e) {
        fail(e);
      }
      boolean marked = holdsMarked(bottom);
      Object[] items = Arrays.copyOfRange(values, bottom, top);
      top = bottom;
      return DataNode.array(items, marked, start.getLineNr(), start.getColumnNr());
    }

    private DataNode object(JsonParser parser, TokenStreamLocation start) {
      int bottom = top;
      List<DataNode> merged = List.of();
      try {
        while (problem == null && isInside(parser.nextToken())) {
          String name = parser.currentName();
          parser.nextToken();
          Object value = value(parser);
          if (value == null) {
            continue;
          }
          if (name.equals(MERGE) && value instanceof DataNode node) {
            merged = node.isArray() ? node.items() : List.of(node);
          } else {
            push(name, value);
          }
        }
      } catch (JacksonException e) {
        fail(e);
      }
      // The members of a merged object stand behind those given here, which count first.
      for (DataNode more : merged) {
        more.forEachMember(this::push);
      }
      Members members = members(bottom);
      boolean marked = members.marked() || holdsMarked(bottom);
      Object[] inside = Arrays.copyOfRange(values, bottom, top);
      top = bottom;
      return DataNode.object(
          members.names(), inside, marked, start.getLineNr(), start.getColumnNr());
    }

    /** Whether anything that was pushed from a place on is marked. */
    private boolean holdsMarked(int bottom) {
      for (int i = bottom; i < top; i++) {
        if (values[i] instanceof DataNode node && node.isMarked()) {
          return true;
        }
      }
      return false;
    }

    /** Objects of one kind have the same members, whose names then are kept once. */
    private Members members(int bottom) {
      if (bottom == top) {
        return Members.NONE;
      }
      int hash = 31 * names[bottom].hashCode() + names[top - 1].hashCode() + top - bottom;
      int slot = hash * SPREAD >>> Integer.SIZE - KINDS_BITS;
      Members known = kinds[slot];
      if (known == null
          || !Arrays.equals(known.names(), 0, known.names().length, names, bottom, top)) {
        String[] own = Arrays.copyOfRange(names, bottom, top);
        known = new Members(own, !Collections.disjoint(marks, Arrays.asList(own)));
        kinds[slot] = known;
      }
      return known;
    }

    /** What is read of the objects and arrays that are open stands on one pile. */
    private void push(String name, Object value) {
      if (top == values.length) {
        values = Arrays.copyOf(values, 2 * top);
        names = Arrays.copyOf(names, 2 * top);
      }
      names[top] = name;
      values[top++] = value;
    }

    private static boolean isInside(@Nullable JsonToken token) {
      return token != null && token != JsonToken.END_OBJECT && token != JsonToken.END_ARRAY;
    }
  }
}
