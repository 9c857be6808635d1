package org.mapsel.core.read.sample;

import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.mapsel.core.declare.DataType;
import org.mapsel.core.document.CsvTable;
import org.mapsel.core.document.DataDocument;
import org.mapsel.core.document.DataNode;
import org.mapsel.core.document.DocumentException;
import org.mapsel.core.document.Limits;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.document.XmlAttribute;
import org.mapsel.core.document.XmlCursor;
import org.mapsel.core.service.OperationWire;

/** Widens a type by the values in a body. */
final class Inference {

  private static final String XSI = "http://www.w3.org/2001/XMLSchema-instance";

  private Inference() {}

  /** Whether a text is JSON that begins like a record or a list. */
  static boolean isJson(String body) {
    String start = body.stripLeading();
    return start.startsWith("{") || start.startsWith("[");
  }

  static boolean isXml(String body) {
    return body.stripLeading().startsWith("<")
        && !body.stripLeading().toLowerCase(Locale.ROOT).startsWith("<!doctype html");
  }

  static void json(String body, Inferred to) {
    SourceText source = new SourceText("sample", body.getBytes(StandardCharsets.UTF_8));
    DataDocument.read(source, Limits.ANSWER).root().ifPresent(root -> json(root, to));
  }

  private static void json(DataNode node, Inferred to) {
    switch (node.kind()) {
      case OBJECT -> {
        to.sawRecord();
        node.forEachMember(
            (name, value) -> {
              json(value, to.member(name));
              to.sawMember(name, 1);
            });
      }
      case ARRAY -> {
        Inferred item = to.item();
        node.forEach(one -> json(one, item));
      }
      case STRING -> to.sawText(node.text(), true);
      case NUMBER -> to.sawNumber(node.text());
      case BOOLEAN -> to.sawBoolean(node.text());
      case NULL -> to.sawNull();
    }
  }

  /** Whether a text is lines of separated values, as it says or as it looks. */
  static boolean isCsv(String body, String said) {
    boolean told = OperationWire.Media.of(said) == OperationWire.Media.CSV;
    boolean untold = said.isEmpty() || said.startsWith("text/plain");
    return (told || untold) && CsvTable.read(body).filter(CsvTable::isRegular).isPresent();
  }

  static void csv(String body, Inferred to) {
    CsvTable table = CsvTable.read(body).orElseThrow();
    for (List<String> row : table.rows()) {
      Inferred line = to.item();
      line.sawRecord();
      for (int i = 0; i < row.size(); i++) {
        String name = table.names().get(i);
        Inferred cell = line.member(name);
        if (!row.get(i).isEmpty()) {
          cell.sawText(row.get(i), false);
          line.sawMember(name, 1);
        }
      }
    }
  }

  static void xml(String body, Inferred to) throws DocumentException {
    byte[] bytes = body.strip().getBytes(StandardCharsets.UTF_8);
    try (XmlCursor cursor = XmlCursor.open(new SourceText("sample", bytes), Limits.ANSWER)) {
      element(cursor, to, true);
    }
  }

  private static void element(XmlCursor cursor, Inferred to, boolean root)
      throws DocumentException {
    to.named(
        new DataType.XmlForm(Optional.of(cursor.local()), cursor.namespace(), false, false, false));
    Map<String, Integer> times = new LinkedHashMap<>();
    Map<String, String> attributes = new LinkedHashMap<>();
    Map<String, String> namespaces = new HashMap<>();
    for (XmlAttribute attribute : cursor.attributes()) {
      if (!attribute.namespace().equals(XSI)) {
        attributes.put(attribute.local(), attribute.value());
        namespaces.put(attribute.local(), attribute.namespace());
      }
    }
    StringBuilder text = new StringBuilder();
    int depth = cursor.depth();
    boolean record = root || !attributes.isEmpty();
    while (cursor.nextChildOrText(depth, text)) {
      if (!record) {
        record = true;
      }
      String name = cursor.local();
      times.merge(name, 1, Integer::sum);
      element(cursor, to.member(name), false);
    }
    String value = text.toString().strip();
    if (!record && times.isEmpty()) {
      to.sawText(value, false);
      return;
    }
    to.sawRecord();
    attributes.forEach(
        (name, given) -> {
          Inferred attribute = to.member("@" + name);
          attribute.named(
              new DataType.XmlForm(Optional.of(name), namespaces.get(name), true, false, false));
          attribute.sawText(given, false);
          to.sawMember("@" + name, 1);
        });
    if (times.isEmpty() && !value.isEmpty()) {
      Inferred content = to.member("value");
      content.named(new DataType.XmlForm(Optional.empty(), "", false, false, true));
      content.sawText(value, false);
      to.sawMember("value", 1);
    }
    times.forEach(to::sawMember);
  }

  /** Names and values of a form or a query. */
  static void form(String body, Inferred to) {
    to.sawRecord();
    Map<String, Integer> times = new LinkedHashMap<>();
    for (Pair pair : pairs(body)) {
      to.member(pair.name).sawText(pair.value, false);
      times.merge(pair.name, 1, Integer::sum);
    }
    times.forEach(to::sawMember);
  }

  /**
   * One name with its value.
   *
   * @param start where it starts in the text
   * @param valueStart behind the equals sign; behind {@code end} if there is none
   */
  record Pair(String name, String value, int start, int valueStart, int end) {}

  static List<Pair> pairs(String encoded) {
    List<Pair> pairs = new ArrayList<>();
    int start = 0;
    while (start <= encoded.length()) {
      int next = encoded.indexOf('&', start);
      int end = next < 0 ? encoded.length() : next;
      int equals = encoded.indexOf('=', start);
      boolean nameOnly = equals < 0 || equals > end;
      if (end > start) {
        String name = encoded.substring(start, nameOnly ? end : equals);
        String value = nameOnly ? "" : encoded.substring(equals + 1, end);
        int valueStart = nameOnly ? end + 1 : equals + 1;
        pairs.add(new Pair(decoded(name), decoded(value), start, valueStart, end));
      }
      start = end + 1;
    }
    return pairs;
  }

  private static String decoded(String text) {
    try {
      return URLDecoder.decode(text, StandardCharsets.UTF_8);
    } catch (IllegalArgumentException e) {
      // A stray percent sign is meant as it stands.
      return text;
    }
  }
}
