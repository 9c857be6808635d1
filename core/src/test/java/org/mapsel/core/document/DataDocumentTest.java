package org.mapsel.core.document;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.mapsel.core.document.DataNode.Kind;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** JSON and YAML as located nodes, beside a parser's own tree. */
class DataDocumentTest {

  private static final JsonMapper JSON = new JsonMapper();
  private static final int DOCUMENTS = 300;

  private static DataNode read(String text) {
    return read(text, StandardCharsets.UTF_8, Set.of());
  }

  private static DataNode read(String text, Charset charset, Set<String> marks) {
    SourceText source = new SourceText("berths.json", text.getBytes(charset));
    DataDocument read = DataDocument.read(source, Limits.DESCRIPTION, marks, Integer.MAX_VALUE);
    assertThat(read.problem()).isEmpty();
    return read.root().orElseThrow();
  }

  /** The same values as the parser's own tree has them. */
  static JsonNode json(DataNode node) {
    return switch (node.kind()) {
      case OBJECT -> {
        ObjectNode object = JSON.createObjectNode();
        node.names().forEach(name -> object.set(name, json(node.find(name).orElseThrow())));
        yield object;
      }
      case ARRAY -> {
        ArrayNode array = JSON.createArrayNode();
        node.forEach(item -> array.add(json(item)));
        yield array;
      }
      case STRING -> JSON.getNodeFactory().stringNode(node.text());
      case NUMBER, BOOLEAN -> JSON.readTree(node.text());
      case NULL -> JSON.getNodeFactory().nullNode();
    };
  }

  /** The text of any JSON value. */
  static String random(Random random, int depth) {
    return switch (random.nextInt(depth > 4 ? 5 : 7)) {
      case 0 -> "\"text " + random.nextInt(100) + "\"";
      case 1 -> String.valueOf(random.nextInt());
      case 2 -> random.nextBoolean() ? "true" : "false";
      case 3 -> "null";
      case 4 -> random.nextInt(1000) + ".5";
      case 5 ->
          IntStream.range(0, random.nextInt(5))
              .mapToObj(i -> random(random, depth + 1))
              .collect(Collectors.joining(",", "[", "]"));
      default ->
          IntStream.range(0, random.nextInt(20))
              .mapToObj(i -> "\"m" + i + "\":" + random(random, depth + 1))
              .collect(Collectors.joining(",", "{", "}"));
    };
  }

  @Test
  void anyDocumentHasTheValuesThatTheParserSees() {
    Random random = new Random(11);
    for (int i = 0; i < DOCUMENTS; i++) {
      String text = "{\"root\":" + random(random, 0) + "}";
      assertThat(json(read(text))).isEqualTo(JSON.readTree(text));
    }
  }

  @Test
  void membersAreFoundByNameAndTellWhatTheyAre() {
    DataNode node = read("{\"a\":1.50,\"b\":\"1\",\"c\":true,\"d\":null,\"e\":[1],\"a\":2}");
    assertThat(node.text("a")).as("of two the first one counts").isEqualTo("1.50");
    assertThat(node.find("a")).map(DataNode::kind).contains(Kind.NUMBER);
    assertThat(node.find("b")).map(DataNode::isString).contains(true);
    assertThat(node.isTrue("c")).isTrue();
    assertThat(node.isTrue("b")).isFalse();
    assertThat(node.findText("d")).isEmpty();
    assertThat(node.has("d")).isTrue();
    assertThat(node.findText("e")).isEmpty();
    assertThat(node.items("e")).extracting(DataNode::text).containsExactly("1");
    assertThat(node.items("b")).isEmpty();
    assertThat(node.at("/e/0")).map(DataNode::text).contains("1");
    assertThat(node.at("/e/1")).isEmpty();
    assertThat(node.at("/b/x")).isEmpty();
  }

  @Test
  void ofManyMembersEachIsFound() {
    String text =
        IntStream.range(0, 200)
            .mapToObj(i -> "\"berth" + i + "\":" + i)
            .collect(Collectors.joining(",", "{", "}"));
    DataNode node = read(text);
    assertThat(node.text("berth0")).isEqualTo("0");
    assertThat(node.text("berth199")).isEqualTo("199");
    assertThat(node.get("berth200")).isNull();
  }

  @Test
  void valuesStandWhereWhatIsAroundThemStarts() {
    DataNode node = read("{\n  \"outer\": {\n    \"text\": \"x\"}}");
    assertThat(node.at("/outer").orElseThrow().place("d").line()).isEqualTo(2);
    assertThat(node.at("/outer/text").orElseThrow().place("d").line()).isEqualTo(2);
  }

  @Test
  void whatHoldsCertainMembersIsMarkedOnTheWholeWay() {
    DataNode node =
        read(
            "{\"a\":[{\"b\":{\"$ref\":\"x\"}},{\"b\":{\"c\":1}}],\"d\":{\"e\":\"$ref\"}}",
            StandardCharsets.UTF_8,
            Set.of("$ref"));
    assertThat(node.isMarked()).isTrue();
    assertThat(node.at("/a").orElseThrow().isMarked()).isTrue();
    assertThat(node.at("/a/0/b").orElseThrow().isMarked()).isTrue();
    assertThat(node.at("/a/1").orElseThrow().isMarked()).isFalse();
    assertThat(node.at("/d").orElseThrow().isMarked()).isFalse();
  }

  @Test
  void yamlAliasesAndMergesAreTheNodesThatTheyName() {
    DataNode node =
        read(
            """
            north: &north {quay: north, metres: 120}
            word: &word slack
            berths:
              - *north
              - <<: *north
                metres: 90
            words: [*word, *word]
            """);
    assertThat(node.at("/berths/0").orElseThrow()).isSameAs(node.get("north"));
    assertThat(json(node.at("/berths/1").orElseThrow()).toString())
        .isEqualTo("{\"metres\":90,\"quay\":\"north\"}");
    assertThat(node.items("words")).extracting(DataNode::text).containsExactly("slack", "slack");
  }

  @Test
  void otherEncodingsAreRead() {
    String text = "{\"quay\":\"Nördlicher Kai €\"}";
    for (Charset charset : Set.of(StandardCharsets.UTF_16LE, StandardCharsets.UTF_16BE)) {
      assertThat(read("\uFEFF" + text, charset, Set.of()).text("quay"))
          .isEqualTo("Nördlicher Kai €");
    }
    assertThat(read("\uFEFF" + text).text("quay")).isEqualTo("Nördlicher Kai €");
  }

  @Test
  void aDocumentThatEndsEarlyGivesWhatIsThere() {
    DataDocument read =
        DataDocument.read(
            new SourceText("cut.json", "{\"a\":{\"b\":1,\"c\":[2,".getBytes()), Limits.DESCRIPTION);
    assertThat(read.problem()).map(problem -> problem.code()).contains("DATA_DOCUMENT_BROKEN");
    assertThat(read.root().orElseThrow().at("/a/b")).map(DataNode::text).contains("1");
  }
}
