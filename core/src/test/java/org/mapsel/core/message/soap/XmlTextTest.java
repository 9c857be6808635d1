package org.mapsel.core.message.soap;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Random;
import javax.xml.parsers.DocumentBuilderFactory;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.mapsel.core.ref.Name;
import org.w3c.dom.Element;

/** XML that is written piece by piece, read by a parser that is not ours. */
class XmlTextTest {

  /** What is escaped, what is not, and characters of one to four bytes. */
  private static final String ALPHABET = "abcxyz019? &<>\"'\t\n\rä€\u2028😀";

  private static final int TEXTS = 2_000;

  private static final int LONGEST = 20;

  private static Element read(XmlText text) throws Exception {
    DocumentBuilderFactory factory = DocumentBuilderFactory.newInstance();
    factory.setNamespaceAware(true);
    return factory
        .newDocumentBuilder()
        .parse(new ByteArrayInputStream(text.finish()))
        .getDocumentElement();
  }

  private static String random(Random random, int length) {
    int[] characters = ALPHABET.codePoints().toArray();
    StringBuilder text = new StringBuilder();
    for (int i = 0; i < length; i++) {
      text.appendCodePoint(characters[random.nextInt(characters.length)]);
    }
    return text.toString();
  }

  @Test
  void everyTextComesBackAsItWasWhereverItStands() throws Exception {
    Random random = new Random(7);
    for (int i = 0; i < TEXTS; i++) {
      String text = random(random, i % LONGEST);
      XmlText out = new XmlText(1);
      out.declaration();
      out.start("a");
      assertThat(out.attribute("at", text)).isTrue();
      assertThat(out.element(WritePlan.Tag.of(Name.of("", "inner")), text)).isTrue();
      out.start("mixed");
      assertThat(out.characters(text)).isTrue();
      out.end();
      out.end();

      Element read = read(out);
      assertThat(read.getAttribute("at")).isEqualTo(text);
      assertThat(read.getFirstChild().getTextContent()).isEqualTo(text);
      assertThat(read.getLastChild().getTextContent()).isEqualTo(text);
    }
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "\u0000",
        "bell \u0007 rings",
        "\uFFFE",
        "12345678\u001F",
        "half \uD83D of a pair",
        "\uDE00"
      })
  void whatNoXmlCanHoldIsRefused(String text) {
    XmlText out = new XmlText(64);
    out.start("a");
    assertThat(out.attribute("at", text)).isFalse();
    assertThat(out.characters(text)).isFalse();
    assertThat(out.element(WritePlan.Tag.of(Name.of("", "b")), text)).isFalse();
  }

  @Test
  void prefixesHoldUntilTheirElementEnds() throws Exception {
    XmlText out = new XmlText(16);
    out.start("o:outer");
    out.namespace("o", "urn:saltmere:outer");
    out.start("i:inner");
    out.namespace("i", "urn:saltmere:inner");
    assertThat(out.prefix("urn:saltmere:inner")).isEqualTo("i");
    out.end();
    assertThat(out.prefix("urn:saltmere:inner")).isNull();
    assertThat(out.prefix("urn:saltmere:outer")).isEqualTo("o");
    out.end();
    assertThat(read(out).getFirstChild().getNamespaceURI()).isEqualTo("urn:saltmere:inner");
  }

  @Test
  void messagesThatAreWrittenAtOnceDoNotMix() {
    XmlText first = new XmlText(64);
    XmlText second = new XmlText(64);
    for (XmlText out : List.of(first, second)) {
      out.start(out == first ? "a" : "b");
    }
    first.characters("one");
    second.characters("two");
    first.end();
    second.end();
    byte[] one = first.finish();
    XmlText third = new XmlText(64);
    third.start("c");
    byte[] two = second.finish();
    third.end();
    assertThat(List.of(text(one), text(two), text(third.finish())))
        .containsExactly("<a>one</a>", "<b>two</b>", "<c/>");
    assertThat(text(one)).isEqualTo("<a>one</a>");
  }

  private static String text(byte[] bytes) {
    return new String(bytes, StandardCharsets.UTF_8);
  }
}
