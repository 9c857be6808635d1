package org.mapsel.core.document;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.mapsel.core.ref.Name;
import org.mapsel.core.ref.Place;

class XmlCursorTest {

  private static final Limits SMALL = new Limits(10_000, 50, 200, 2_000);

  private static XmlCursor open(String xml) throws DocumentException {
    return XmlCursor.open(new SourceText("test.xml", xml.getBytes(StandardCharsets.UTF_8)), SMALL);
  }

  /** The finding of a document that must be refused while it is read to its end. */
  private static String refused(String xml) {
    DocumentException[] thrown = new DocumentException[1];
    assertThatThrownBy(
            () -> {
              try (XmlCursor cursor = open(xml)) {
                cursor.text();
              } catch (DocumentException e) {
                thrown[0] = e;
                throw e;
              }
            })
        .isInstanceOf(DocumentException.class);
    assertThat(thrown[0].finding().places()).hasSize(1);
    return thrown[0].finding().code();
  }

  @Test
  void childrenAreVisitedOnceAndWhatIsLeftUnreadIsSkipped() throws Exception {
    List<String> seen = new ArrayList<>();
    try (XmlCursor cursor = open("<a><b><x/><y>t</y></b>text<c>one<i>two</i>three</c><d/></a>")) {
      int depth = cursor.depth();
      while (cursor.nextChild(depth)) {
        seen.add(cursor.local() + (cursor.local().equals("c") ? " " + cursor.text() : ""));
      }
    }
    assertThat(seen).containsExactly("b", "c onetwothree", "d");
  }

  @Test
  void aTextIsTheSameHoweverItIsEscapedOrInterrupted() throws Exception {
    String[] ways = {
      "one &lt; two",
      "one &#60; two",
      "<![CDATA[one < two]]>",
      "one <![CDATA[<]]> two",
      "o<!-- no -->ne &#x3C;<?no no?> two"
    };
    for (String way : ways) {
      try (XmlCursor cursor = open("<a>" + way + "</a>")) {
        assertThat(cursor.text()).as(way).isEqualTo("one < two");
      }
      StringBuilder text = new StringBuilder();
      try (XmlCursor cursor = open("<a>" + way + "<b/></a>")) {
        cursor.nextChildOrText(1, text);
      }
      assertThat(text).as(way).hasToString("one < two");
    }
  }

  @ParameterizedTest
  @CsvSource({"'\uFEFF', 0", "' ', 1", "'\uFEFF<!-- x -->', 1", "'', 0"})
  void onlyAByteOrderMarkMayStandBeforeTheDeclaration(String before, int told) throws Exception {
    try (XmlCursor cursor = open(before + "<?xml version='1.0'?><a>é</a>")) {
      assertThat(cursor.oddities()).hasSize(told);
      assertThat(cursor.text()).isEqualTo("é");
    }
  }

  @Test
  void everyElementHasItsPlaceAndItsNames() throws Exception {
    try (XmlCursor cursor =
        open(
            "<a xmlns='urn:a'\n   xmlns:p='urn:p'>\n  <p:b type='p:t' other='q:t' p:x='1'/></a>")) {
      cursor.nextChild(1);
      assertThat(cursor.place()).isEqualTo(new Place("test.xml", 3, 3));
      assertThat(cursor.name()).isEqualTo(Name.of("urn:p", "b"));
      assertThat(cursor.attribute("type").flatMap(cursor::resolve)).contains(Name.of("urn:p", "t"));
      assertThat(cursor.resolve("t")).contains(Name.of("urn:a", "t"));
      assertThat(cursor.attribute("other").flatMap(cursor::resolve)).isEqualTo(Optional.empty());
      assertThat(cursor.attribute("x")).isEmpty();
      assertThat(cursor.attribute("urn:p", "x")).contains("1");
    }
  }

  @ParameterizedTest
  @CsvSource({
    "UTF-8, ''",
    "UTF-16LE, \uFEFF",
    "UTF-16BE, \uFEFF",
    "ISO-8859-1, <?xml version='1.0' encoding='ISO-8859-1'?>",
    "windows-1252, <?xml version='1.0' encoding='windows-1252'?>",
  })
  void anyEncodingThatIsDeclaredOrShownIsRead(String charset, String head) throws Exception {
    byte[] bytes = (head + "<a>Größe</a>").getBytes(Charset.forName(charset));
    try (XmlCursor cursor = XmlCursor.open(new SourceText("test.xml", bytes), SMALL)) {
      assertThat(cursor.text()).isEqualTo("Größe");
    }
  }

  @Test
  void whatCouldFillMemoryOrReachOutsideIsRefused() {
    assertThat(refused("<!DOCTYPE a [<!ENTITY b 'b'>]><a>&b;</a>")).isEqualTo("XML_ENTITY_REFUSED");
    assertThat(refused("<!DOCTYPE a [<!ENTITY f SYSTEM 'file:///etc/hostname'>]><a>&f;</a>"))
        .isEqualTo("XML_ENTITY_REFUSED");
    assertThat(refused("<a>".repeat(60) + "</a>".repeat(60))).isEqualTo("XML_LIMIT_REACHED");
    assertThat(refused("<a b='" + "x".repeat(300) + "'/>")).isEqualTo("XML_LIMIT_REACHED");
    assertThat(refused("<a>" + "x".repeat(20_000) + "</a>")).isEqualTo("XML_DOCUMENT_TOO_LARGE");
  }

  @Test
  void whatIsNotXmlSaysWhere() {
    assertThat(refused("<a><b></a>")).isEqualTo("XML_DOCUMENT_MALFORMED");
    assertThat(refused("")).isEqualTo("XML_DOCUMENT_MALFORMED");
    assertThat(refused("{}")).isEqualTo("XML_DOCUMENT_MALFORMED");
  }
}
