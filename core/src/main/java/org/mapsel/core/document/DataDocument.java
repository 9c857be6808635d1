package org.mapsel.core.document;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
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

  /** Reads JSON, or YAML if the document is no JSON. Only the first document of several counts. */
  public static DataDocument read(SourceText source, Limits limits) {
    if (source.bytes().length > limits.maxBytes()) {
      return new DataDocument(
          Optional.empty(),
          Optional.of(
              Finding.error("DATA_DOCUMENT_TOO_LARGE", "limit", (limits.maxBytes() >> 20) + " MB")
                  .at(Place.in(source.address()))));
    }
    return new Build(source, limits).read();
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

  /** The nodes under way. */
  private static final class Build {

    private final SourceText source;
    private final StreamReadConstraints constraints;
    private final Map<String, DataNode> anchors = new HashMap<>();
    private String[] names = new String[USUAL_DEPTH];
    private DataNode[] values = new DataNode[USUAL_DEPTH];
    private int top;
    private final Map<DataNode, Long> weights = new IdentityHashMap<>();
    private long aliased;
    private @Nullable Finding problem;

    Build(SourceText source, Limits limits) {
      this.source = source;
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
          root = value(parser, 1, 1);
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
    private @Nullable DataNode value(JsonParser parser, int line, int column) {
      String anchor = null;
      if (parser instanceof YAMLParser yaml) {
        if (yaml.isCurrentAlias()) {
          return alias(yaml);
        }
        anchor = yaml.getObjectId();
      }
      DataNode node =
          switch (parser.currentToken()) {
            case START_OBJECT -> {
              TokenStreamLocation at = parser.currentTokenLocation();
              yield object(parser, at.getLineNr(), at.getColumnNr());
            }
            case START_ARRAY -> {
              TokenStreamLocation at = parser.currentTokenLocation();
              yield array(parser, at.getLineNr(), at.getColumnNr());
            }
            case VALUE_NUMBER_INT, VALUE_NUMBER_FLOAT ->
                DataNode.scalar(Kind.NUMBER, parser.getString(), line, column);
            case VALUE_TRUE -> DataNode.scalar(Kind.BOOLEAN, "true", line, column);
            case VALUE_FALSE -> DataNode.scalar(Kind.BOOLEAN, "false", line, column);
            case VALUE_NULL -> DataNode.scalar(Kind.NULL, "", line, column);
            default -> DataNode.scalar(Kind.STRING, parser.getString(), line, column);
          };
      if (anchor != null) {
        anchors.put(anchor, node);
      }
      return node;
    }

    /** What an anchor marks, as long as the document with every alias written out stays sane. */
    private @Nullable DataNode alias(YAMLParser yaml) {
      DataNode marked = anchors.get(yaml.getString());
      if (marked != null) {
        aliased += weight(marked);
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
        for (DataNode child : node) {
          sum += weight(child);
        }
        known = sum;
        weights.put(node, known);
      }
      return known;
    }

    private DataNode array(JsonParser parser, int line, int column) {
      int start = top;
      try {
        while (problem == null && isInside(parser.nextToken())) {
          DataNode item = value(parser, line, column);
          if (item != null) {
            push("", item);
          }
        }
      } catch (JacksonException e) {
        fail(e);
      }
      DataNode[] items = Arrays.copyOfRange(values, start, top);
      top = start;
      return DataNode.array(items, line, column);
    }

    private DataNode object(JsonParser parser, int line, int column) {
      int start = top;
      List<DataNode> merged = List.of();
      try {
        while (problem == null && isInside(parser.nextToken())) {
          String name = parser.currentName();
          parser.nextToken();
          DataNode value = value(parser, line, column);
          if (value == null) {
            continue;
          }
          if (name.equals(MERGE) && !value.isString()) {
            merged = value.isArray() ? value.items() : List.of(value);
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
      String[] members = Arrays.copyOfRange(names, start, top);
      DataNode[] inside = Arrays.copyOfRange(values, start, top);
      top = start;
      return DataNode.object(members, inside, line, column);
    }

    /** What is read of the objects and arrays that are open stands on one pile. */
    private void push(String name, DataNode value) {
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
