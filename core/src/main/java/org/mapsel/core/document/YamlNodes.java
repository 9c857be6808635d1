package org.mapsel.core.document;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.document.DataNode.Kind;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.ref.Place;
import org.snakeyaml.engine.v2.api.LoadSettings;
import org.snakeyaml.engine.v2.api.lowlevel.Parse;
import org.snakeyaml.engine.v2.common.Anchor;
import org.snakeyaml.engine.v2.events.AliasEvent;
import org.snakeyaml.engine.v2.events.Event;
import org.snakeyaml.engine.v2.events.MappingStartEvent;
import org.snakeyaml.engine.v2.events.NodeEvent;
import org.snakeyaml.engine.v2.events.ScalarEvent;
import org.snakeyaml.engine.v2.events.SequenceStartEvent;
import org.snakeyaml.engine.v2.exceptions.Mark;
import org.snakeyaml.engine.v2.exceptions.MarkedYamlEngineException;
import org.snakeyaml.engine.v2.exceptions.YamlEngineException;
import org.snakeyaml.engine.v2.nodes.Tag;
import org.snakeyaml.engine.v2.resolver.ScalarResolver;
import org.snakeyaml.engine.v2.schema.CoreSchema;

/** Reads YAML 1.2 with its core schema into nodes; an alias is the very value that it names. */
final class YamlNodes {

  private static final int MAX_CODE_POINTS = Integer.MAX_VALUE - 8;
  private static final long MAX_ALIASED = 1_000_000;
  private static final String MERGE = "<<";

  private final SourceText source;
  private final Limits limits;
  private final NodeStack pile;
  private final Iterator<Event> events;
  private final ScalarResolver resolver;
  private final Map<Anchor, Object> anchors = new HashMap<>();
  private final Map<DataNode, Long> weights = new IdentityHashMap<>();
  private long aliased;
  private int depth;
  private @Nullable Finding problem;

  YamlNodes(SourceText source, Limits limits, Set<String> marks) {
    this.source = source;
    this.limits = limits;
    this.pile = new NodeStack(marks);
    LoadSettings settings =
        LoadSettings.builder()
            .setCodePointLimit(MAX_CODE_POINTS)
            .setParseComments(false)
            .setSchema(new CoreSchema())
            .build();
    this.resolver = settings.getSchema().getScalarResolver();
    this.events = new Parse(settings).parseString(text(source.bytes())).iterator();
  }

  private static String text(byte[] bytes) {
    Charset charset = Encoding.correction(bytes).orElse(StandardCharsets.UTF_8);
    String text = new String(bytes, charset);
    return text.startsWith("\uFEFF") ? text.substring(1) : text;
  }

  DataDocument read() {
    Object root = null;
    for (Event event = next(); event != null; event = next()) {
      if (event instanceof NodeEvent node) {
        root = value(node);
        break;
      }
    }
    return new DataDocument(
        Optional.ofNullable(root).map(value -> DataNode.of(value, 1, 1)),
        Optional.ofNullable(problem));
  }

  /** Null at the end, or where nothing more can be read. */
  private @Nullable Event next() {
    try {
      return problem == null && events.hasNext() ? events.next() : null;
    } catch (MarkedYamlEngineException e) {
      problem = DataDocument.broken(e.getProblem(), place(e.getProblemMark()));
    } catch (YamlEngineException e) {
      problem = DataDocument.broken(String.valueOf(e.getMessage()), Place.in(source.address()));
    }
    return null;
  }

  private Place place(Optional<Mark> mark) {
    return mark.map(at -> new Place(source.address(), at.getLine() + 1, at.getColumn() + 1))
        .orElse(Place.in(source.address()));
  }

  /** The value that starts with an event; null for an alias that names nothing. */
  private @Nullable Object value(NodeEvent event) {
    Object value =
        switch (event) {
          case AliasEvent alias -> alias(alias);
          case ScalarEvent scalar -> scalar(scalar);
          case MappingStartEvent start -> inside(start);
          case SequenceStartEvent start -> inside(start);
          default -> null;
        };
    if (value != null && !(event instanceof AliasEvent)) {
      event.getAnchor().ifPresent(anchor -> anchors.put(anchor, value));
    }
    return value;
  }

  private Object scalar(ScalarEvent event) {
    String text = event.getValue();
    if (!event.isPlain() || event.getTag().isPresent()) {
      return text;
    }
    Tag tag = resolver.resolve(text, true);
    if (tag.equals(Tag.INT) || tag.equals(Tag.FLOAT)) {
      return new DataNode.Simple(Kind.NUMBER, text);
    }
    if (tag.equals(Tag.BOOL)) {
      return text.equalsIgnoreCase("true") ? DataNode.Simple.TRUE : DataNode.Simple.FALSE;
    }
    return tag.equals(Tag.NULL) ? DataNode.Simple.NULL : text;
  }

  private DataNode inside(NodeEvent start) {
    int line = start.getStartMark().map(Mark::getLine).orElse(0) + 1;
    int column = start.getStartMark().map(Mark::getColumn).orElse(0) + 1;
    int bottom = pile.height();
    depth++;
    if (depth > limits.maxDepth()) {
      String reason = "it is nested deeper than " + limits.maxDepth();
      problem = DataDocument.broken(reason, new Place(source.address(), line, column));
    }
    DataNode node;
    if (start instanceof MappingStartEvent) {
      members();
      node = pile.object(bottom, line, column);
    } else {
      items();
      node = pile.array(bottom, line, column);
    }
    depth--;
    return node;
  }

  private void items() {
    while (next() instanceof NodeEvent event) {
      Object item = value(event);
      if (item != null) {
        pile.push("", item);
      }
    }
  }

  private void members() {
    List<DataNode> merged = List.of();
    while (next() instanceof NodeEvent key) {
      Object name = value(key);
      if (!(next() instanceof NodeEvent event)) {
        break;
      }
      Object value = value(event);
      if (value == null || name == null || name instanceof DataNode) {
        // A key that is no word is nobody's member.
        continue;
      }
      String word = name instanceof DataNode.Simple simple ? simple.text() : (String) name;
      if (word.equals(MERGE) && value instanceof DataNode node) {
        merged = node.isArray() ? node.items() : List.of(node);
      } else {
        pile.push(word, value);
      }
    }
    // The members of a merged object stand behind those given here, which count first.
    for (DataNode more : merged) {
      more.forEachMember(pile::push);
    }
  }

  /** What an anchor marks, as long as the document with every alias written out stays sane. */
  private @Nullable Object alias(AliasEvent event) {
    Object marked = anchors.get(event.getAlias());
    Place place = place(event.getStartMark());
    if (marked == null) {
      problem = DataDocument.broken("nothing is marked as " + event.getAlias(), place);
      return null;
    }
    aliased += marked instanceof DataNode node ? weight(node) : 1;
    if (aliased > MAX_ALIASED) {
      problem =
          Finding.error("DATA_ALIASES_TOO_MANY", "limit", String.valueOf(MAX_ALIASED)).at(place);
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
}
