package org.mapsel.core.message.soap;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * XML put together piece by piece. Names come from descriptions, which were parsed as XML, so only
 * texts need care. Declared prefixes hold until their element ends (Namespaces in XML 1.0, section
 * 6.1).
 */
final class XmlText {

  private final StringBuilder text;

  /** Prefix and namespace in turn, in force here. */
  private final List<String> prefixes = new ArrayList<>();

  private String[] names = new String[16];
  private int[] outerPrefixes = new int[16];
  private int depth;
  private boolean startTagOpen;

  XmlText(int usualLength) {
    text = new StringBuilder(usualLength);
  }

  void declaration() {
    text.append("<?xml version=\"1.0\" encoding=\"UTF-8\"?>");
  }

  /** Starts an element; the name may have a prefix that is or will be declared. */
  void start(String name) {
    closeStartTag();
    if (depth == names.length) {
      names = java.util.Arrays.copyOf(names, depth * 2);
      outerPrefixes = java.util.Arrays.copyOf(outerPrefixes, depth * 2);
    }
    names[depth] = name;
    outerPrefixes[depth] = prefixes.size();
    depth++;
    text.append('<').append(name);
    startTagOpen = true;
  }

  void defaultNamespace(String namespace) {
    attribute("xmlns", namespace);
  }

  void namespace(String prefix, String namespace) {
    prefixes.add(prefix);
    prefixes.add(namespace);
    attribute("xmlns:" + prefix, namespace);
  }

  /** The prefix declared for a namespace here or further out; null if none is. */
  @Nullable String prefix(String namespace) {
    for (int i = prefixes.size() - 2; i >= 0; i -= 2) {
      if (prefixes.get(i + 1).equals(namespace)) {
        return prefixes.get(i);
      }
    }
    return null;
  }

  void attribute(String name, String value) {
    text.append(' ').append(name).append("=\"");
    for (int i = 0; i < value.length(); i++) {
      char c = value.charAt(i);
      switch (c) {
        case '&' -> text.append("&amp;");
        case '<' -> text.append("&lt;");
        case '"' -> text.append("&quot;");
        case '\n' -> text.append("&#10;");
        case '\r' -> text.append("&#13;");
        case '\t' -> text.append("&#9;");
        default -> text.append(c);
      }
    }
    text.append('"');
  }

  void characters(String value) {
    closeStartTag();
    int plain = 0;
    for (int i = 0; i < value.length(); i++) {
      char c = value.charAt(i);
      if (c == '&' || c == '<' || c == '>' || c == '\r') {
        text.append(value, plain, i);
        text.append(c == '&' ? "&amp;" : c == '<' ? "&lt;" : c == '>' ? "&gt;" : "&#13;");
        plain = i + 1;
      }
    }
    text.append(value, plain, value.length());
  }

  void end() {
    depth--;
    if (startTagOpen) {
      text.append("/>");
      startTagOpen = false;
    } else {
      text.append("</").append(names[depth]).append('>');
    }
    while (prefixes.size() > outerPrefixes[depth]) {
      prefixes.remove(prefixes.size() - 1);
    }
  }

  private void closeStartTag() {
    if (startTagOpen) {
      text.append('>');
      startTagOpen = false;
    }
  }

  byte[] bytes() {
    return text.toString().getBytes(StandardCharsets.UTF_8);
  }
}
