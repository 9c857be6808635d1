package org.mapsel.core.document;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.mapsel.core.document.DataNode.Mark;
import tools.jackson.databind.json.JsonMapper;

/** Documents whose deeper parts are read when they are asked for, beside the same read at once. */
class UnreadTest {

  private static final Set<String> MARKS = Set.of("m2", "m7");
  private static final int DOCUMENTS = 60;
  private static final int DEEPEST = 5;
  private static final int ALL = Integer.MAX_VALUE;

  private static DataDocument read(byte[] bytes, int depth) {
    return DataDocument.read(new SourceText("quay.json", bytes), Limits.DESCRIPTION, MARKS, depth);
  }

  private static List<byte[]> documents() {
    JsonMapper mapper = JsonMapper.builder().build();
    Random random = new Random(5);
    List<byte[]> documents = new ArrayList<>();
    for (int i = 0; i < DOCUMENTS; i++) {
      Object tree = mapper.readTree("{\"kéy\":" + DataDocumentTest.random(random, 0) + "}");
      String text = mapper.writerWithDefaultPrettyPrinter().writeValueAsString(tree);
      documents.add(text.getBytes(StandardCharsets.UTF_8));
    }
    return documents;
  }

  /** Every node with its place and what is marked in it, in order. */
  private static List<String> nodes(DataNode node) {
    List<String> nodes = new ArrayList<>();
    nodes.add(node.place("quay.json") + " " + node.kind() + " " + node.isMarked() + node.names());
    for (int next = node.nextMarked(0); next >= 0; next = node.nextMarked(next + 1)) {
      nodes.add("marked " + next);
    }
    node.forEach(child -> nodes.addAll(nodes(child)));
    return nodes;
  }

  @Test
  void everythingIsAsIfItHadBeenReadAtOnce() {
    for (byte[] document : documents()) {
      DataNode atOnce = read(document, ALL).root().orElseThrow();
      for (int depth = 1; depth <= DEEPEST; depth++) {
        DataNode later = read(document, depth).root().orElseThrow();
        assertThat(nodes(later)).as("depth " + depth).isEqualTo(nodes(atOnce));
        assertThat(DataDocumentTest.json(later)).isEqualTo(DataDocumentTest.json(atOnce));
      }
    }
  }

  @Test
  void whereverItIsCutItEndsThere() {
    byte[] document = "{\"a\":[1,{\"b\":[true,{\"c\":\"d\"}],\"e\":{}}],\"f\":null}".getBytes();
    for (int end = 1; end < document.length; end++) {
      byte[] cut = Arrays.copyOf(document, end);
      DataDocument atOnce = read(cut, ALL);
      for (int depth = 1; depth <= DEEPEST; depth++) {
        DataDocument later = read(cut, depth);
        assertThat(later.problem()).isPresent().isEqualTo(atOnce.problem());
        assertThat(later.root().map(DataDocumentTest::json))
            .isEqualTo(atOnce.root().map(DataDocumentTest::json));
      }
    }
  }

  @ParameterizedTest
  @ValueSource(strings = {"UTF-8", "UTF-16LE", "UTF-16BE", "windows-1252"})
  void theEncodingDoesNotMatter(String charset) {
    byte[] document =
        "{\"é\":{\"ü\":{\"quay\":[\"Nördlicher Kai\"]}}}".getBytes(Charset.forName(charset));
    DataNode root = read(document, 2).root().orElseThrow();
    assertThat(root.at("/é/ü/quay/0")).map(DataNode::text).contains("Nördlicher Kai");
  }

  @Test
  void whatIsMarkedIsKnownBeforeItIsRead() {
    byte[] document =
        "{\"in\":{\"m2\":\"x\",\"deep\":{\"m2\":\"y\",\"m7\":[{\"m2\":\"z\"}]},\"o\":{}}}"
            .getBytes();
    DataNode in = read(document, 2).root().orElseThrow().find("in").orElseThrow();
    assertThat(in.marksUnread())
        .containsExactly(
            new Mark("m2", "x"), new Mark("m2", "y"), new Mark("m7", ""), new Mark("m2", "z"));
    assertThat(in.text("m2")).isEqualTo("x");
    assertThat(in.marksUnread()).as("simple members need no reading").isNotNull();
    assertThat(in.at("/deep/m7/0/m2")).map(DataNode::text).contains("z");
    assertThat(in.marksUnread()).isNull();
  }
}
