package org.mapsel.bench;

import com.google.re2j.Matcher;
import com.google.re2j.Pattern;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import org.mapsel.core.mapping.Derivation;
import org.mapsel.core.model.DerivedField;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;

/** A field cut out of a text in 20,000 rows, beside the pattern alone. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
public class PatternBench {

  private static final int ROWS = 20_000;
  private static final String PATTERN = "berth (?P<berth>[A-Z]\\d+)";

  private final List<Value> rows = new ArrayList<>();
  private final List<String> texts = new ArrayList<>();
  private final Pattern pattern = Pattern.compile(PATTERN);
  private Derivation derivation;

  @Setup
  public void make() {
    for (int i = 0; i < ROWS; i++) {
      String text = "arrived with the tide, berth N" + i % 90 + ", pilot aboard";
      texts.add(text);
      rows.add(RecordValue.of(Map.of("remark", Value.text(text))));
    }
    derivation = Derived.of(new DerivedField.Rule.CutOut(FieldPath.of("remark"), PATTERN, "berth"));
    if (!derivation.of(rows.get(7)).equals(Value.text("N7"))) {
      throw new IllegalStateException("The pattern gives " + derivation.of(rows.get(7)));
    }
  }

  @Benchmark
  public int barePass() {
    int length = 0;
    for (String text : texts) {
      Matcher matcher = pattern.matcher(text);
      if (matcher.find()) {
        length += matcher.group("berth").length();
      }
    }
    return length;
  }

  @Benchmark
  public int cut() {
    int hash = 0;
    for (Value row : rows) {
      hash += derivation.of(row).hashCode();
    }
    return hash;
  }
}
