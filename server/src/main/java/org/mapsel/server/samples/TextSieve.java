package org.mapsel.server.samples;

import java.util.Arrays;
import java.util.BitSet;

/**
 * Tells of a message, in a few kilobytes, which texts cannot stand in it: a Bloom filter over its
 * runs of four bytes. A text that it lets pass stands in the message likely, not surely.
 *
 * <p>Its size is a power of two, and the place of a run is its hash modulo the number of bits, so
 * that one question can be asked of sieves of any size.
 */
final class TextSieve {

  private static final int RUN = 4;
  private static final int MOST_BITS = 1 << 15;
  private static final int FEWEST_BITS = 1 << 7;

  /** Once more bits than this share are set, a smaller sieve would let too much pass. */
  private static final double FULL = 0.2;

  /** More of them would not let less pass. */
  private static final int MOST_ASKED = 24;

  /** An odd number whose bits are mixed well: 2^32 divided by the golden ratio. */
  private static final int SPREAD = 0x9E3779B9;

  private TextSieve() {}

  /** The sieve of some messages; bit n of it is bit n % 8, from the lowest, of byte n / 8. */
  static byte[] of(byte[]... messages) {
    BitSet bits = new BitSet(MOST_BITS);
    for (byte[] message : messages) {
      for (int at = 0; at + RUN <= message.length; at++) {
        bits.set(hash(message, at) & (MOST_BITS - 1));
      }
    }
    int size = MOST_BITS;
    while (size > FEWEST_BITS && bits.cardinality() < FULL * size / 2) {
      size /= 2;
      BitSet half = bits.get(size, 2 * size);
      bits.clear(size, 2 * size);
      bits.or(half);
    }
    return Arrays.copyOf(bits.toByteArray(), size / Byte.SIZE);
  }

  /**
   * The hashes of a text: of a sieve with n bits, those at the hashes modulo n are set if the text
   * stands in the message. None for a text that is too short to be asked for.
   */
  static int[] hashes(byte[] text) {
    int runs = Math.max(0, text.length - RUN + 1);
    int asked = Math.min(runs, MOST_ASKED);
    int[] hashes = new int[asked];
    for (int i = 0; i < asked; i++) {
      hashes[i] = hash(text, (int) ((long) i * runs / asked)) & (MOST_BITS - 1);
    }
    return hashes;
  }

  private static int hash(byte[] text, int at) {
    int run =
        (text[at] & 0xff) << 24
            | (text[at + 1] & 0xff) << 16
            | (text[at + 2] & 0xff) << 8
            | text[at + 3] & 0xff;
    return (run * SPREAD) >>> 16;
  }
}
