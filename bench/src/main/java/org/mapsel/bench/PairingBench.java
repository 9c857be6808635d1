package org.mapsel.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.mapsel.core.pairing.Lexicon;
import org.mapsel.core.pairing.Pairer;
import org.mapsel.core.pairing.Pairing;
import org.mapsel.core.pairing.PairingField;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.shape.Facets;
import org.mapsel.core.shape.ScalarType;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** Pairing two sides of many fields, one named in the style of the other's short forms. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(1)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 3, time = 2)
public class PairingBench {

  private static final String[] THINGS = {
    "vessel", "berth", "cargo", "crane", "pilot", "tide", "invoice", "contact", "address", "job"
  };
  private static final String[] ASPECTS = {
    "name", "number", "code", "date", "length", "weight", "state", "remark", "amount", "port"
  };

  @Param({"200", "2000"})
  public int fields;

  private List<PairingField> left = List.of();
  private List<PairingField> right = List.of();

  @Setup
  public void make() {
    left = side(false);
    right = side(true);
  }

  private List<PairingField> side(boolean other) {
    List<PairingField> made = new ArrayList<>();
    Random random = new Random(7);
    for (int i = 0; i < fields; i++) {
      String group = THINGS[random.nextInt(THINGS.length)] + (i / 40);
      String thing = THINGS[random.nextInt(THINGS.length)];
      String aspect = ASPECTS[random.nextInt(ASPECTS.length)] + i % 7;
      String name = other ? thing.substring(0, 3) + "_" + aspect : thing + aspect;
      made.add(
          new PairingField(
              FieldPath.of(group, name + i),
              List.of(group, name),
              "",
              "The " + aspect + " of a " + thing,
              ScalarType.TEXT,
              Facets.NONE,
              "",
              false,
              false,
              false,
              List.of()));
    }
    return made;
  }

  @Benchmark
  public Pairing pair() {
    return new Pairer(Lexicon.shipped()).pair(left, right);
  }
}
