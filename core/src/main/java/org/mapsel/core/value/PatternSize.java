package org.mapsel.core.value;

import java.util.ArrayDeque;
import java.util.Deque;

/**
 * How large a pattern becomes when its counted repetitions are written out, as RE2 does before it
 * matches: {@code (a{1000}){1000}} is a million steps in a few letters.
 */
public final class PatternSize {

  /** Larger ones need more memory than a pattern is worth. */
  private static final long MOST = 50_000;

  private PatternSize() {}

  public static boolean isTooLarge(String pattern) {
    return of(pattern) > MOST;
  }

  private static long of(String pattern) {
    Deque<Long> around = new ArrayDeque<>();
    long sum = 0;
    long last = 0;
    for (int i = 0; i < pattern.length(); i++) {
      char letter = pattern.charAt(i);
      switch (letter) {
        case '(' -> {
          around.push(sum);
          sum = 0;
          last = 0;
        }
        case ')' -> {
          last = sum + 1;
          sum = (around.isEmpty() ? 0 : around.pop()) + last;
        }
        case '[' -> {
          i = endOfClass(pattern, i);
          last = 1;
          sum++;
        }
        case '\\' -> {
          i++;
          last = 1;
          sum++;
        }
        case '{' -> {
          int end = pattern.indexOf('}', i);
          long times = end < 0 ? 1 : times(pattern.substring(i + 1, end));
          sum = Math.min(MOST * 2, sum + last * (times - 1));
          last = Math.min(MOST * 2, last * times);
          i = end < 0 ? i : end;
        }
        default -> {
          last = 1;
          sum++;
        }
      }
      if (sum > MOST) {
        return sum;
      }
    }
    return sum;
  }

  private static int endOfClass(String pattern, int from) {
    for (int i = from + 1; i < pattern.length(); i++) {
      char letter = pattern.charAt(i);
      if (letter == '\\') {
        i++;
      } else if (letter == ']' && i > from + 1) {
        return i;
      }
    }
    return pattern.length();
  }

  /** The larger number of {@code n,m}; 1 if it is no repetition. */
  private static long times(String counts) {
    long times = 1;
    for (String count : counts.split(",")) {
      if (count.isEmpty() || !count.chars().allMatch(Character::isDigit)) {
        continue;
      }
      times = Math.max(times, count.length() > 9 ? MOST : Long.parseLong(count));
    }
    return times;
  }
}
