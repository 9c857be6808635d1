package org.mapsel.core.formula;

import dev.cel.runtime.CelEvaluationException;
import dev.cel.runtime.CelRuntime;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.shape.ValueType;
import org.mapsel.core.value.Value;

/** A formula that was checked: it can be computed over and over, by many threads. */
public final class Formula {

  private final String text;
  private final CelRuntime.Program program;
  private final ValueType type;
  private final Map<String, ValueType> variables;

  Formula(
      String text, CelRuntime.Program program, ValueType type, Map<String, ValueType> variables) {
    this.variables = Map.copyOf(variables);
    this.text = text;
    this.program = program;
    this.type = type;
  }

  /** What its result is. */
  public ValueType type() {
    return type;
  }

  /**
   * The result.
   *
   * @param variables gives the value of each variable, {@link Value#ABSENT} for one that has none
   * @return why there is none, for instance because a field that it needs is not there
   */
  public Outcome<Value> compute(Function<String, Value> variables) {
    try {
      Object result =
          program.eval(
              name -> {
                Value value = variables.apply(name);
                return value.isAbsent()
                    ? Optional.empty()
                    : Optional.of(
                        CelValues.toCel(
                            value,
                            this.variables.getOrDefault(name, new ValueType.Unknown(false))));
              });
      return Outcome.of(CelValues.fromCel(result));
    } catch (CelEvaluationException | ArithmeticException e) {
      return Outcome.failed(
          Finding.error(
              "FORMULA_RESULT_NONE", "formula", text, "reason", String.valueOf(e.getMessage())));
    }
  }

  @Override
  public String toString() {
    return text;
  }
}
