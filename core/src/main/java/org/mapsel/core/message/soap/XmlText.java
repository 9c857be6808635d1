package org.mapsel.core.message.soap;

import java.lang.invoke.MethodHandles;
import java.lang.invoke.VarHandle;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
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

  private static final byte[] NIL = utf8("/>");
  private static final byte[] QUOTED = utf8("=\"");

  private byte[] text;
  private int length;

  /** Prefix and namespace in turn, in force here. */
  private final List<String> prefixes = new ArrayList<>();

  private byte[][] names = new byte[16][];
  private int[] outerPrefixes = new int[16];
  private int depth;
  private boolean startTagOpen;

  XmlText(int usualLength) {
    text = new byte[usualLength];
  }

  static byte[] utf8(String text) {
    return text.getBytes(StandardCharsets.UTF_8);
  }

  void declaration() {
    add(utf8("<?xml version=\"1.0\" encoding=\"UTF-8\"?>"));
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
    reserve(1);
    text[length++] = ' ';
    add(utf8(name));
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
    byte[] encoded = utf8(value);
    if (encoded.length == 0 || !Plain.is(encoded)) {
      start(tag.local());
      boolean possible = characters(value);
      end();
      return possible;
    }
    reserve(tag.start().length + encoded.length + tag.end().length + 1);
    closeStartTag();
    put(tag.start());
    put(encoded);
    put(tag.end());
    return true;
  }

  /** A text as it may stand between tags and quotes; nothing if no XML can hold it. */
  static Optional<String> escape(String value) {
    XmlText out = new XmlText(value.length() + MARKS);
    return out.escaped(value, true)
        ? Optional.of(new String(out.bytes(), StandardCharsets.UTF_8))
        : Optional.empty();
  }

  private boolean escaped(String value, boolean attribute) {
    byte[] encoded = utf8(value);
    if (Plain.is(encoded)) {
      add(encoded);
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

  byte[] bytes() {
    return Arrays.copyOf(text, length);
  }

  /** Tells eight bytes at a time whether any of them needs a second look. */
  private static final class Plain {

    private static final VarHandle LONGS =
        MethodHandles.byteArrayViewVarHandle(long[].class, ByteOrder.nativeOrder());
    private static final long EACH = 0x0101010101010101L;
    private static final long HIGH = 0x80 * EACH;

    private Plain() {}

    /**
     * Whether a text is ASCII without control characters, quotes and what XML escapes. A question
     * mark may stand for half a surrogate pair, which UTF-8 cannot say.
     */
    static boolean is(byte[] bytes) {
      int last = bytes.length - Long.BYTES;
      if (last < 0) {
        for (byte b : bytes) {
          if (b < ' ' || b == '&' || b == '<' || b == '>' || b == '"' || b == '?') {
            return false;
          }
        }
        return true;
      }
      // The last eight may overlap those before.
      long odd = odd((long) LONGS.get(bytes, last));
      for (int i = 0; i < last; i += Long.BYTES) {
        odd |= odd((long) LONGS.get(bytes, i));
      }
      return (odd & HIGH) == 0;
    }

    private static long odd(long eight) {
      return eight
          | eight - ' ' * EACH
          | zero(eight, '&')
          | zero(eight, '<')
          | zero(eight, '>')
          | zero(eight, '"')
          | zero(eight, '?');
    }

    /** Sets the high bit of at least one byte if any is this character, of none if none is. */
    private static long zero(long eight, char character) {
      long difference = eight ^ character * EACH;
      return difference - EACH & ~difference;
    }
  }
}
