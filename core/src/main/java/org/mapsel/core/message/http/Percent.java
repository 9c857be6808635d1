package org.mapsel.core.message.http;

import java.nio.charset.StandardCharsets;

/** Percent-encoding (RFC 3986, section 2). */
public final class Percent {

  private static final String UNRESERVED = "-._~";
  private static final String RESERVED = ":/?#[]@!$&'()*+,;=";
  private static final String HEX = "0123456789ABCDEF";

  private Percent() {}

  /** Everything that is not a letter, a digit or one of {@code -._~} encoded. */
  public static String encode(String text) {
    return encode(text, "");
  }

  /** What means something in an address stays as it is. */
  static String encodeKeepingReserved(String text) {
    return encode(text, RESERVED);
  }

  /** The name of a value in a query: brackets and dollar signs stay. */
  static String encodeName(String text) {
    return encode(text, "[]$@:!*'(),;/?");
  }

  private static String encode(String text, String kept) {
    StringBuilder out = new StringBuilder(text.length() + 8);
    for (byte b : text.getBytes(StandardCharsets.UTF_8)) {
      char c = (char) (b & 0xff);
      boolean plain = c < 0x80 && (Character.isLetterOrDigit(c) || UNRESERVED.indexOf(c) >= 0);
      if (plain || c < 0x80 && kept.indexOf(c) >= 0) {
        out.append(c);
      } else {
        out.append('%').append(HEX.charAt(c >> 4)).append(HEX.charAt(c & 0xf));
      }
    }
    return out.toString();
  }
}
