package org.mapsel.core.document;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class XmlSpanTest {

  private static final String DOCUMENT =
      """
      <?xml version="1.0"?>\r
      <!-- <no> --><q:ask xmlns:q='urn:quay' q:kind = "a&gt;b" day='14 "th"'>\r
        <one/><two n="1" />text &amp; <![CDATA[<more>]]><q:three\r
          at="é">🚢<!-- x --> y</q:three>\r
      </q:ask>
      <!-- end -->""";

  private static List<String> all(XmlSpan span, String document) {
    List<String> all = new ArrayList<>();
    all.add(span.local() + "=" + document.substring(span.tagEnd(), span.contentEnd()));
    for (XmlSpan.Attribute attribute : span.attributes()) {
      all.add(
          "@"
              + attribute.local()
              + "="
              + document.substring(attribute.valueStart(), attribute.valueEnd())
              + "="
              + attribute.value());
    }
    span.children().forEach(child -> all.addAll(all(child, document)));
    return all;
  }

  @Test
  void positionsCutOutWhatStandsThere() throws DocumentException {
    XmlSpan root = XmlSpan.read(DOCUMENT);

    assertThat(DOCUMENT.substring(root.start(), root.end())).startsWith("<q:ask").endsWith("ask>");
    assertThat(all(root, DOCUMENT).stream().skip(1))
        .containsExactly(
            "@kind=a&gt;b=a>b",
            "@day=14 \"th\"=14 \"th\"",
            "one=",
            "two=",
            "@n=1=1",
            "three=🚢<!-- x --> y",
            "@at=é=é");
    assertThat(root.text().strip()).isEqualTo("text & <more>");
    assertThat(root.children()).extracting(XmlSpan::isEmptyTag).containsExactly(true, true, false);
    assertThat(root.children().get(2).text()).isEqualTo("🚢 y");
    assertThat(root.attributes().get(0).namespace()).isEqualTo("urn:quay");
  }

  @ParameterizedTest
  @ValueSource(strings = {"", "<a>", "<a></b>", "<a x=1/>", "<a/><b/>", "<a>&nothing;</a>", "text"})
  void whatIsNoXmlIsToldSo(String document) {
    assertThatThrownBy(() -> XmlSpan.read(document)).isInstanceOf(DocumentException.class);
  }
}
