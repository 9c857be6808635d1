package org.mapsel.core.document;

import org.codehaus.stax2.typed.TypedValueDecoder;

/**
 * Texts that stand in a document again and again, such as names and types: whoever asks for one
 * that was there a while ago gets the same string, and nothing is made anew.
 */
final class RecurringTexts extends TypedValueDecoder {

  private static final int SLOTS = 1 << 12;
  private static final int LONGEST = 64;

  private final String[] slots = new String[SLOTS];
  private String last = "";

  /** What was decoded last. */
  String last() {
    return last;
  }

  @Override
  public void decode(String input) {
    last = input;
  }

  @Override
  public void decode(char[] buffer, int start, int end) {
    int length = end - start;
    if (length > LONGEST) {
      last = new String(buffer, start, length);
      return;
    }
    int hash = length;
    for (int i = start; i < end; i++) {
      hash = 31 * hash + buffer[i];
    }
    int slot = (hash ^ hash >>> 15) & SLOTS - 1;
    String known = slots[slot];
    if (known == null || !isAt(known, buffer, start, length)) {
      known = new String(buffer, start, length);
      slots[slot] = known;
    }
    last = known;
  }

  private static boolean isAt(String known, char[] buffer, int start, int length) {
    if (known.length() != length) {
      return false;
    }
    for (int i = 0; i < length; i++) {
      if (known.charAt(i) != buffer[start + i]) {
        return false;
      }
    }
    return true;
  }

  @Override
  public void handleEmptyValue() {
    last = "";
  }
}
