package org.mapsel.core.message.soap;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * XML put together piece by piece. Names come from descriptions, which were parsed as XML, so only
 * texts need care. Declared prefixes hold until their element ends (Namespaces in XML 1.0, section
 * 6.1).
 */
final class XmlText {

  /** From here on Unicode has no characters, and XML allows none. */
  private static final char NOT_A_CHARACTER = 0xFFFE;

  private char[] text;
  private int length;

  /** Prefix and namespace in turn, in force here. */
  private final List<String> prefixes = new ArrayList<>();

  private String[] names = new String[16];
  private int[] outerPrefixes = new int[16];
  private int depth;
  private boolean startTagOpen;

  XmlText(int usualLength) {
    text = new char[usualLength];
  }

  void declaration() {
    add("<?xml version=\"1.0\" encoding=\"UTF-8\"?>");
  }

  /** Starts an element; the name may have a prefix that is or will be declared. */
  void start(String name) {
    closeStartTag();
    if (depth == names.length) {
      names = Arrays.copyOf(names, depth * 2);
      outerPrefixes = Arrays.copyOf(outerPrefixes, depth * 2);
    }
    names[depth] = name;
    outerPrefixes[depth] = prefixes.size();
    depth++;
    reserve(name.length() + 1);
    text[length++] = '<';
    put(name);
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

  /** False if the value has a character that no XML can hold. */
  boolean attribute(String name, String value) {
    boolean possible = true;
    add(" ");
    add(name);
    add("=\"");
    for (int i = 0; i < value.length(); i++) {
      char c = value.charAt(i);
      switch (c) {
        case '&' -> add("&amp;");
        case '<' -> add("&lt;");
        case '"' -> add("&quot;");
        case '\n' -> add("&#10;");
        case '\r' -> add("&#13;");
        case '\t' -> add("&#9;");
        default -> {
          possible &= c >= ' ' && c < NOT_A_CHARACTER;
          reserve(1);
          text[length++] = c;
        }
      }
    }
    add("\"");
    return possible;
  }

  /** False if the value has a character that no XML can hold (XML 1.0, section 2.2). */
  boolean characters(String value) {
    boolean possible = true;
    closeStartTag();
    int count = value.length();
    reserve(count);
    for (int i = 0; i < count; i++) {
      char c = value.charAt(i);
      if (c == '&' || c == '<' || c == '>' || c == '\r') {
        add(c == '&' ? "&amp;" : c == '<' ? "&lt;" : c == '>' ? "&gt;" : "&#13;");
        reserve(count - i);
      } else {
        possible &= c >= ' ' && c < NOT_A_CHARACTER || c == '\n' || c == '\t';
        text[length++] = c;
      }
    }
    return possible;
  }

  void end() {
    depth--;
    if (startTagOpen) {
      add("/>");
      startTagOpen = false;
    } else {
      String name = names[depth];
      reserve(name.length() + 3);
      text[length++] = '<';
      text[length++] = '/';
      put(name);
      text[length++] = '>';
    }
    while (prefixes.size() > outerPrefixes[depth]) {
      prefixes.remove(prefixes.size() - 1);
    }
  }

  private void closeStartTag() {
    if (startTagOpen) {
      reserve(1);
      text[length++] = '>';
      startTagOpen = false;
    }
  }

  private void add(String added) {
    reserve(added.length());
    put(added);
  }

  /** Copies what there is room for already. */
  private void put(String added) {
    int count = added.length();
    added.getChars(0, count, text, length);
    length += count;
  }

  private void reserve(int more) {
    if (text.length - length < more) {
      text = Arrays.copyOf(text, Math.max(text.length * 2, length + more));
    }
  }

  byte[] bytes() {
    return new String(text, 0, length).getBytes(StandardCharsets.UTF_8);
  }
}
