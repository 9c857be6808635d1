package org.mapsel.core.message.mark;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import org.mapsel.core.document.DocumentException;
import org.mapsel.core.document.XmlSpan;
import org.mapsel.core.message.json.JsonMessage;
import tools.jackson.core.JacksonException;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;

/** The simple values of a message, in their order. */
final class Leaves {

  private Leaves() {}

  /** Those of a message in JSON or XML; none of any other, nor of one that is broken. */
  static List<Leaf> of(String message) {
    String start = message.stripLeading();
    if (start.startsWith("<")) {
      return ofXml(message);
    }
    return start.startsWith("{") || start.startsWith("[") ? ofJson(message) : List.of();
  }

  private static List<Leaf> ofJson(String message) {
    List<Leaf> leaves = new ArrayList<>();
    try (JsonParser parser = JsonMessage.parser(message)) {
      for (JsonToken token = parser.currentToken(); token != null; token = parser.nextToken()) {
        if (!token.isScalarValue() && token != JsonToken.PROPERTY_NAME) {
          continue;
        }
        String text = parser.getString();
        int start = (int) parser.currentTokenLocation().getCharOffset();
        leaves.add(
            message.charAt(start) == '"'
                ? new Leaf(start + 1, quotedEnd(message, start + 1), text, manner(token))
                : new Leaf(start, literalEnd(message, start), text, manner(token)));
      }
    } catch (JacksonException e) {
      // What stands before the place where it breaks was read by nobody either.
      return List.of();
    }
    return leaves;
  }

  private static Leaf.Manner manner(JsonToken token) {
    return switch (token) {
      case PROPERTY_NAME -> Leaf.Manner.NAME;
      case VALUE_STRING -> Leaf.Manner.QUOTED;
      default -> Leaf.Manner.BARE;
    };
  }

  /** Where the quote is that ends a text (RFC 8259, section 7). */
  private static int quotedEnd(String message, int start) {
    int end = start;
    while (message.charAt(end) != '"') {
      end += message.charAt(end) == '\\' ? 2 : 1;
    }
    return end;
  }

  /** A parser has to look behind a number to see that it is over. */
  private static int literalEnd(String message, int start) {
    int end = start;
    while (end < message.length() && ",]} \t\r\n".indexOf(message.charAt(end)) < 0) {
      end++;
    }
    return end;
  }

  private static List<Leaf> ofXml(String message) {
    List<Leaf> leaves = new ArrayList<>();
    Deque<XmlSpan> open = new ArrayDeque<>();
    try {
      open.push(XmlSpan.read(message));
    } catch (DocumentException e) {
      return List.of();
    }
    while (!open.isEmpty()) {
      XmlSpan element = open.pop();
      for (XmlSpan.Attribute attribute : element.attributes()) {
        leaves.add(
            new Leaf(
                attribute.valueStart(),
                attribute.valueEnd(),
                attribute.value(),
                Leaf.Manner.QUOTED));
      }
      if (element.children().isEmpty() && !element.isEmptyTag()) {
        leaves.add(
            new Leaf(element.tagEnd(), element.contentEnd(), element.text(), Leaf.Manner.QUOTED));
      }
      element.children().reversed().forEach(open::push);
    }
    return leaves;
  }
}
