package org.mapsel.core.serve;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import org.mapsel.core.shape.ScalarText;
import org.mapsel.core.value.BooleanValue;
import org.mapsel.core.value.NumberValue;
import org.mapsel.core.value.Value;

/** The functions over texts that a filter may use (OData 4.01 URL conventions, section 5.1.1). */
public enum RowFunction {
  CONTAINS("contains", 2),
  /** What OData 2 calls contains, with its arguments in the other order. */
  SUBSTRING_OF("substringof", 2),
  STARTS_WITH("startswith", 2),
  ENDS_WITH("endswith", 2),
  TO_LOWER("tolower", 1),
  TO_UPPER("toupper", 1),
  TRIM("trim", 1),
  LENGTH("length", 1);

  private final String text;
  private final int arguments;

  RowFunction(String text, int arguments) {
    this.text = text;
    this.arguments = arguments;
  }

  /** The function of a name that takes so many arguments; nothing if there is none. */
  static Optional<RowFunction> find(String name, int arguments) {
    return Stream.of(values())
        .filter(function -> function.text.equals(name) && function.arguments == arguments)
        .findFirst();
  }

  Value of(List<Value> arguments) {
    String first = ScalarText.print(arguments.getFirst());
    String last = ScalarText.print(arguments.getLast());
    return switch (this) {
      case CONTAINS -> BooleanValue.of(first.contains(last));
      case SUBSTRING_OF -> BooleanValue.of(last.contains(first));
      case STARTS_WITH -> BooleanValue.of(first.startsWith(last));
      case ENDS_WITH -> BooleanValue.of(first.endsWith(last));
      case TO_LOWER -> Value.text(first.toLowerCase(Locale.ROOT));
      case TO_UPPER -> Value.text(first.toUpperCase(Locale.ROOT));
      case TRIM -> Value.text(first.strip());
      case LENGTH -> NumberValue.of(first.length());
    };
  }
}
