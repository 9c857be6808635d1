package org.mapsel.core.message;

/** A text that is shown to nobody: it prints as dots, and only what sends it asks for it. */
public final class Secret {

  private static final String HIDDEN = "\u2022\u2022\u2022\u2022\u2022\u2022";

  private final String text;

  private Secret(String text) {
    this.text = text;
  }

  public static Secret of(String text) {
    return new Secret(text);
  }

  /** What stands for a secret wherever people look. */
  public static Secret hidden() {
    return new Secret(HIDDEN);
  }

  public String reveal() {
    return text;
  }

  @Override
  public String toString() {
    return HIDDEN;
  }
}
