package org.mapsel.bench;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import org.mapsel.core.mapping.Derivation;
import org.mapsel.core.model.DerivedField;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.shape.ScalarText;
import org.mapsel.core.value.NumberValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;

/** A derived field computed over 100,000 rows, beside a loop by hand over the same fields. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
public class FormulaBench {

  private static final int ROWS = 100_000;

  private final List<Value> rows = new ArrayList<>();
  private Derivation derivation;

  @Setup
  public void make() {
    for (int i = 0; i < ROWS; i++) {
      rows.add(
          RecordValue.of(
              Map.of(
                  "name",
                  Value.text("Marrow Tern"),
                  "length",
                  new NumberValue(BigDecimal.valueOf(i, 1)))));
    }
    derivation =
        Derived.of(new DerivedField.Rule.Computed("length > 40.0 ? name + ' long' : name"));
    if (!derivation.of(rows.getLast()).equals(byHand(rows.getLast()))) {
      throw new IllegalStateException("The formula gives " + derivation.of(rows.getLast()));
    }
  }

  private static Value byHand(Value row) {
    double length = ((NumberValue) row.at(FieldPath.of("length"))).number().doubleValue();
    String name = ScalarText.print(row.at(FieldPath.of("name")));
    return Value.text(length > 40.0 ? name + " long" : name);
  }

  @Benchmark
  public int barePass() {
    int hash = 0;
    for (Value row : rows) {
      hash += byHand(row).hashCode();
    }
    return hash;
  }

  @Benchmark
  public int formula() {
    int hash = 0;
    for (Value row : rows) {
      hash += derivation.of(row).hashCode();
    }
    return hash;
  }
}
