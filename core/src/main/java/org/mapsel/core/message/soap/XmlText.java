package org.mapsel.core.message.soap;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicReference;
import org.jspecify.annotations.Nullable;

/**
 * XML put together piece by piece, in UTF-8. Names come from descriptions, which were parsed as
 * XML, so only texts need care. Declared prefixes hold until their element ends (Namespaces in XML
 * 1.0, section 6.1).
 */
final class XmlText {

  /** From here on Unicode has no characters, and XML allows none. */
  private static final int NOT_A_CHARACTER = 0xFFFE;

  /** Room for the marks around a name. */
  private static final int MARKS = 4;

  private static final byte[] NOTHING = new byte[0];
  private static final byte[] DECLARATION = utf8("<?xml version=\"1.0\" encoding=\"UTF-8\"?>");
  private static final byte[] NIL = utf8("/>");
  private static final byte[] PREFIXED = utf8("xmlns:");
  private static final byte[] QUOTED = utf8("=\"");

  /** Whether a character of ASCII may stand anywhere as it is. */
  private static final boolean[] PLAIN = new boolean[0x7F];

  static {
    for (char c = ' '; c < PLAIN.length; c++) {
      PLAIN[c] = "&<>\"".indexOf(c) < 0;
    }
  }

  /** No more than this is kept from one message to the next. */
  private static final int MOST_SPARE = 1 << 16;

  /** What some message was put together in. Cleared memory costs as much as what is written. */
  private static final AtomicReference<byte[]> SPARE = new AtomicReference<>(NOTHING);

  private byte[] text;
  private int length;

  /** Prefix and namespace in turn, in force here. */
  private final List<String> prefixes = new ArrayList<>();

  private byte[][] names = new byte[16][];
  private int[] outerPrefixes = new int[16];
  private int depth;
  private boolean startTagOpen;

  XmlText(int usualLength) {
    byte[] spare = SPARE.getAndSet(NOTHING);
    text = spare.length < usualLength ? new byte[usualLength] : spare;
  }

  static byte[] utf8(String text) {
    return text.getBytes(StandardCharsets.UTF_8);
  }

  void declaration() {
    add(DECLARATION);
  }

  /** Starts an element; the name may have a prefix that is or will be declared. */
  void start(String name) {
    start(utf8(name));
  }

  /** Like {@link #start(String)} with a name that was encoded before. */
  void start(byte[] name) {
    if (depth == names.length) {
      names = Arrays.copyOf(names, depth * 2);
      outerPrefixes = Arrays.copyOf(outerPrefixes, depth * 2);
    }
    names[depth] = name;
    outerPrefixes[depth] = prefixes.size();
    depth++;
    reserve(name.length + MARKS);
    closeStartTag();
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
    reserve(1);
    text[length++] = ' ';
    add(PREFIXED);
    add(utf8(prefix));
    quoted(namespace);
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
    reserve(1);
    text[length++] = ' ';
    add(utf8(name));
    return quoted(value);
  }

  private boolean quoted(String value) {
    add(QUOTED);
    boolean possible = escaped(value, true);
    reserve(1);
    text[length++] = '"';
    return possible;
  }

  /** False if the value has a character that no XML can hold (XML 1.0, section 2.2). */
  boolean characters(String value) {
    reserve(1);
    closeStartTag();
    return escaped(value, false);
  }

  /**
   * Writes an element that holds nothing but a text.
   *
   * @return false if the text has a character that no XML can hold
   */
  boolean element(WritePlan.Tag tag, String value) {
    byte[] start = tag.start();
    byte[] end = tag.end();
    reserve(start.length + value.length() + end.length + 1);
    byte[] into = text;
    int at = length;
    if (startTagOpen) {
      into[at++] = '>';
    }
    System.arraycopy(start, 0, into, at, start.length);
    at = value.isEmpty() ? -1 : plain(value, into, at + start.length);
    if (at < 0) {
      start(tag.local());
      boolean possible = characters(value);
      end();
      return possible;
    }
    System.arraycopy(end, 0, into, at, end.length);
    length = at + end.length;
    startTagOpen = false;
    return true;
  }

  /**
   * Copies a text to where there is room for it, as long as it is ASCII with nothing to escape, as
   * nearly all are.
   *
   * @return the position behind it, negative if it is not so
   */
  private static int plain(String value, byte[] into, int start) {
    int at = start;
    int end = value.length();
    for (int i = 0; i < end; i++) {
      char c = value.charAt(i);
      if (c >= PLAIN.length || !PLAIN[c]) {
        return -1;
      }
      into[at++] = (byte) c;
    }
    return at;
  }

  /** A text as it may stand between tags and quotes; nothing if no XML can hold it. */
  static Optional<String> escape(String value) {
    XmlText out = new XmlText(value.length() + MARKS);
    return out.escaped(value, true)
        ? Optional.of(new String(out.finish(), StandardCharsets.UTF_8))
        : Optional.empty();
  }

  private boolean escaped(String value, boolean attribute) {
    reserve(value.length());
    int end = plain(value, text, length);
    if (end >= 0) {
      length = end;
      return true;
    }
    boolean possible = true;
    int step;
    for (int i = 0; i < value.length(); i += step) {
      int c = value.codePointAt(i);
      step = Character.charCount(c);
      if (c > ' ' && c < 0x80 && Character.isLetterOrDigit(c)) {
        reserve(1);
        text[length++] = (byte) c;
        continue;
      }
      String instead =
          switch (c) {
            case '&' -> "&amp;";
            case '<' -> "&lt;";
            case '>' -> attribute ? null : "&gt;";
            case '"' -> attribute ? "&quot;" : null;
            case '\r' -> "&#13;";
            case '\n' -> attribute ? "&#10;" : null;
            case '\t' -> attribute ? "&#9;" : null;
            default -> null;
          };
      possible &= instead != null || isPossible(c);
      add(utf8(instead != null ? instead : value.substring(i, i + step)));
    }
    return possible;
  }

  private static boolean isPossible(int c) {
    return c >= ' ' && (c < Character.MIN_SURROGATE || c > Character.MAX_SURROGATE)
        ? c < NOT_A_CHARACTER || c > Character.MAX_VALUE
        : c == '\n' || c == '\t';
  }

  void end() {
    depth--;
    if (startTagOpen) {
      add(NIL);
      startTagOpen = false;
    } else {
      byte[] name = names[depth];
      reserve(name.length + MARKS);
      text[length++] = '<';
      text[length++] = '/';
      put(name);
      text[length++] = '>';
    }
    while (prefixes.size() > outerPrefixes[depth]) {
      prefixes.remove(prefixes.size() - 1);
    }
  }

  /** There must be room for one more. */
  private void closeStartTag() {
    if (startTagOpen) {
      text[length++] = '>';
      startTagOpen = false;
    }
  }

  private void add(byte[] added) {
    reserve(added.length);
    put(added);
  }

  /** Copies what there is room for already. */
  private void put(byte[] added) {
    System.arraycopy(added, 0, text, length, added.length);
    length += added.length;
  }

  private void reserve(int more) {
    if (text.length - length < more) {
      text = Arrays.copyOf(text, Math.max(text.length * 2, length + more));
    }
  }

  /** What was written; nothing more can be. */
  byte[] finish() {
    byte[] all = Arrays.copyOf(text, length);
    if (text.length <= MOST_SPARE) {
      SPARE.set(text);
    }
    text = NOTHING;
    length = 0;
    return all;
  }
}
