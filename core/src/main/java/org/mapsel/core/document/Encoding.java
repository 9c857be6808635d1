package org.mapsel.core.document;

import java.lang.invoke.MethodHandles;
import java.lang.invoke.VarHandle;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What a document is encoded in when its XML declaration says nothing or is wrong. Found from the
 * byte order mark, the first bytes and whether the rest is valid (XML 1.0, appendix F).
 */
final class Encoding {

  private static final int HEAD = 256;
  private static final VarHandle LONGS =
      MethodHandles.byteArrayViewVarHandle(long[].class, ByteOrder.nativeOrder());
  private static final Pattern DECLARED =
      Pattern.compile("^<\\?xml[^>]*encoding\\s*=\\s*[\"']([^\"']*)[\"']");
  private static final Charset WINDOWS = Charset.forName("windows-1252");

  private Encoding() {}

  /** The charset to decode by, where a parser left to itself would go wrong. */
  static Optional<Charset> correction(byte[] bytes) {
    if (bytes.length > 1 && isWide(bytes)) {
      return Optional.empty();
    }
    String head = new String(bytes, 0, Math.min(bytes.length, HEAD), StandardCharsets.ISO_8859_1);
    Matcher matcher = DECLARED.matcher(withoutMark(head));
    String declared = matcher.find() ? matcher.group(1).toUpperCase(Locale.ROOT) : "UTF-8";
    boolean marked = isMarked(bytes);
    boolean wideDeclared = declared.startsWith("UTF-16") || declared.startsWith("ISO-10646-UCS");
    if (declared.equals("UTF-8") || marked || wideDeclared) {
      if (!isUtf8(bytes)) {
        return Optional.of(WINDOWS);
      }
      return declared.equals("UTF-8") ? Optional.empty() : Optional.of(StandardCharsets.UTF_8);
    }
    // What calls itself Latin 1 is Windows' superset of it wherever it uses more than Latin 1.
    return declared.equals("ISO-8859-1") && hasControls(bytes)
        ? Optional.of(WINDOWS)
        : Optional.empty();
  }

  /** Whether it starts with the byte order mark of UTF-8. */
  static boolean isMarked(byte[] bytes) {
    return bytes.length > 2
        && (bytes[0] & 0xff) == 0xef
        && (bytes[1] & 0xff) == 0xbb
        && (bytes[2] & 0xff) == 0xbf;
  }

  private static String withoutMark(String head) {
    return head.startsWith("\u00ef\u00bb\u00bf") ? head.substring(3) : head;
  }

  private static boolean isWide(byte[] bytes) {
    return bytes[0] == 0
        || bytes[1] == 0
        || (bytes[0] & 0xff) == 0xfe && (bytes[1] & 0xff) == 0xff
        || (bytes[0] & 0xff) == 0xff && (bytes[1] & 0xff) == 0xfe;
  }

  private static boolean isUtf8(byte[] bytes) {
    if (isAscii(bytes)) {
      return true;
    }
    try {
      StandardCharsets.UTF_8.newDecoder().decode(ByteBuffer.wrap(bytes));
      return true;
    } catch (CharacterCodingException e) {
      return false;
    }
  }

  /** Eight bytes at a time: most documents are plain ASCII, and large. */
  private static boolean isAscii(byte[] bytes) {
    long high = 0;
    int whole = bytes.length - bytes.length % Long.BYTES;
    for (int i = 0; i < whole; i += Long.BYTES) {
      high |= (long) LONGS.get(bytes, i);
    }
    for (int i = whole; i < bytes.length; i++) {
      high |= (long) bytes[i] << 56;
    }
    return (high & 0x8080808080808080L) == 0;
  }

  private static boolean hasControls(byte[] bytes) {
    boolean found = false;
    for (byte b : bytes) {
      found |= b < (byte) 0xa0;
    }
    return found;
  }
}
