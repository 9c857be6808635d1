package org.mapsel.core.convert;

import java.util.Set;
import org.mapsel.core.shape.ScalarText;
import org.mapsel.core.shape.ScalarType;
import org.mapsel.core.value.TextValue;
import org.mapsel.core.value.Value;

/**
 * A text read as what is written in it, in the lexical forms of XML Schema 1.0 part 2, section 3.2.
 *
 * @param type what is written in it
 */
record TextAs(String id, ScalarType type) implements Conversion {

  @Override
  public Set<ScalarType> from() {
    return Types.TEXTS;
  }

  @Override
  public Set<ScalarType> to() {
    return Set.of(type);
  }

  @Override
  public Risk risk() {
    return Risk.MAY_FAIL;
  }

  @Override
  public Value apply(Value value) {
    return value instanceof TextValue text
        ? ScalarText.parse(type, text.text()).orElse(Value.ABSENT)
        : Value.ABSENT;
  }
}
