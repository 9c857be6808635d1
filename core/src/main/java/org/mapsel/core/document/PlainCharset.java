package org.mapsel.core.document;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;

/**
 * The charset in which ASCII in a document or a body can be read and changed without changing
 * anything else in it: UTF-16 if it is wide, or else one character for each byte.
 */
public final class PlainCharset {

  private PlainCharset() {}

  /**
   * What some bytes are read in, and written back in.
   *
   * @param bytes a document or a body; wide ones begin with a mark or with a letter of ASCII, which
   *     has a zero in it
   */
  public static Charset of(byte[] bytes) {
    if (bytes.length < 2) {
      return StandardCharsets.ISO_8859_1;
    }
    if (bytes[0] == 0 || bytes[0] == (byte) 0xfe && bytes[1] == (byte) 0xff) {
      return StandardCharsets.UTF_16BE;
    }
    return bytes[1] == 0 || bytes[0] == (byte) 0xff && bytes[1] == (byte) 0xfe
        ? StandardCharsets.UTF_16LE
        : StandardCharsets.ISO_8859_1;
  }
}
