package org.mapsel.server.samples;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.BitSet;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** A sieve holds back no text that stands in a message, and nearly all others. */
class TextSieveTest {

  private static final int MOST_BYTES = 4096;

  private static boolean passes(byte[] sieve, byte[] text) {
    BitSet bits = BitSet.valueOf(sieve);
    return Arrays.stream(TextSieve.hashes(text))
        .allMatch(hash -> bits.get(hash % (Byte.SIZE * sieve.length)));
  }

  private static byte[] arrivals(Random random, int bytes) {
    StringBuilder text = new StringBuilder();
    while (text.length() < bytes) {
      text.append("<arrival><hull>HN-").append(100_000 + random.nextInt(900_000));
      text.append("</hull><name>Plover</name><due>").append(random.nextInt(100)).append("</due>");
    }
    return text.substring(0, bytes).getBytes(UTF_8);
  }

  @Test
  void whateverStandsInAMessagePasses() {
    Random random = new Random(7);
    for (int bytes : new int[] {0, 3, 4, 5, 60, 1_000, 25_000, 300_000}) {
      byte[] message =
          bytes == 60 ? "Zaunkönig \0 \uD83D\uDEA2".getBytes(UTF_8) : arrivals(random, bytes);
      byte[] sieve = TextSieve.of("<day>2031-05-14</day>".getBytes(UTF_8), message);
      assertThat(sieve).hasSizeBetween(16, MOST_BYTES);
      assertThat(Integer.bitCount(sieve.length)).isEqualTo(1);
      assertThat(passes(sieve, "2031-05".getBytes(UTF_8))).isTrue();
      for (int i = 0; i < 200; i++) {
        int from = random.nextInt(message.length + 1);
        int to = from + random.nextInt(Math.min(80, message.length - from) + 1);
        assertThat(passes(sieve, Arrays.copyOfRange(message, from, to))).isTrue();
      }
    }
  }

  @Test
  void fewOtherTextsPass() {
    Random random = new Random(8);
    byte[] sieve = TextSieve.of(arrivals(random, 25_000));

    assertThat(passes(sieve, "Sandpiper".getBytes(UTF_8))).isFalse();
    assertThat(
            IntStream.range(0, 1_000)
                .filter(
                    i ->
                        passes(
                            sieve, ("XN-" + (100_000 + random.nextInt(900_000))).getBytes(UTF_8)))
                .count())
        .isLessThan(20);
  }

  @Test
  void aShortTextIsNotAskedFor() {
    assertThat(TextSieve.hashes("S-1".getBytes(UTF_8))).isEmpty();
  }
}
