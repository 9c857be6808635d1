package org.mapsel.core.page.kind;

import org.mapsel.core.model.Format;
import org.mapsel.core.model.Look;
import org.mapsel.core.page.Input;

/** How values are put in. */
public final class InputKinds {

  private InputKinds() {}

  /** The kind that fits a field if nobody says otherwise. */
  public static Input.Kind usual(Look look) {
    if (!look.choices().isEmpty()) {
      return Input.Kind.CHOICE;
    }
    return switch (look.type()) {
      case INTEGER, DECIMAL, FLOAT -> Input.Kind.NUMBER;
      case BOOLEAN -> Input.Kind.CHECKBOX;
      case DATE -> Input.Kind.DATE;
      case TIME -> Input.Kind.TIME;
      case DATE_TIME -> Input.Kind.DATE_TIME;
      case BASE64 -> Input.Kind.FILE;
      case TEXT, DURATION, PARTIAL_DATE, HEX, URI, NAME, LIST ->
          look.format() instanceof Format.LongText ? Input.Kind.LONG_TEXT : Input.Kind.TEXT;
    };
  }

  /** Whether there is a way to put in several values at once. */
  public static boolean takesSeveral(Input.Kind kind) {
    return switch (kind) {
      case TEXT, NUMBER, CHOICE, BUTTONS, SEARCH, DATE, TIME, DATE_TIME -> true;
      case LONG_TEXT, CHECKBOX, FILE -> false;
    };
  }
}
