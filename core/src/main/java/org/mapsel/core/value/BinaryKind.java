package org.mapsel.core.value;

import java.util.Arrays;
import java.util.List;

/** Tells what bytes are from how they start. */
public final class BinaryKind {

  private record Signature(String mediaType, int offset, byte[] start) {}

  private static final List<Signature> SIGNATURES =
      List.of(
          signature("image/png", 0, 0x89, 'P', 'N', 'G'),
          signature("image/jpeg", 0, 0xFF, 0xD8, 0xFF),
          signature("image/gif", 0, 'G', 'I', 'F', '8'),
          signature("image/webp", 8, 'W', 'E', 'B', 'P'),
          signature("application/pdf", 0, '%', 'P', 'D', 'F'),
          signature("application/zip", 0, 'P', 'K', 3, 4));

  private BinaryKind() {}

  private static Signature signature(String mediaType, int offset, int... start) {
    byte[] bytes = new byte[start.length];
    for (int i = 0; i < start.length; i++) {
      bytes[i] = (byte) start[i];
    }
    return new Signature(mediaType, offset, bytes);
  }

  /** The media type; {@code application/octet-stream} when the start says nothing. */
  public static String mediaType(byte[] bytes) {
    return SIGNATURES.stream()
        .filter(signature -> matches(bytes, signature))
        .map(Signature::mediaType)
        .findFirst()
        .orElse("application/octet-stream");
  }

  private static boolean matches(byte[] bytes, Signature signature) {
    int end = signature.offset() + signature.start().length;
    return bytes.length >= end
        && Arrays.equals(
            bytes, signature.offset(), end, signature.start(), 0, signature.start().length);
  }
}
