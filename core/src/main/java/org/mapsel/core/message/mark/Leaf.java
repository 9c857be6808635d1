package org.mapsel.core.message.mark;

/**
 * A text in a message that a simple value may be read from.
 *
 * @param start where its characters start in the message, without quotes around them
 * @param end behind the last of them
 * @param text what they say, without escapes
 * @param manner how it stands there
 */
record Leaf(int start, int end, String text, Manner manner) {

  /** How a text stands in a message. */
  enum Manner {
    QUOTED,
    /** Without quotes, where another text would need them. */
    BARE,
    /** As a name, which is a value only where names are free. */
    NAME
  }

  boolean contains(int at) {
    return at >= start && at <= end;
  }
}
