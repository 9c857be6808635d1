package org.mapsel.bench.pairing;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.mapsel.core.pairing.PairingField;
import org.mapsel.core.ref.FieldPath;

/** Both sides after some calls: fields that are one hold, now and then, the same values. */
record SeenBoth(List<PairingField> left, List<PairingField> right) {

  /** Of a hundred fields so many were seen on both sides with values in common. */
  private static final int SHARED = 50;

  private static final int DRAWN = 5;
  private static final int POOL = 8;

  static SeenBoth of(List<PairingField> left, Restyled other, Random random) {
    Map<FieldPath, List<String>> pools = new HashMap<>();
    List<PairingField> first = new ArrayList<>();
    for (PairingField field : left) {
      List<String> pool = pool(random);
      FieldPath twin = other.truth().get(field.path());
      if (twin != null && random.nextInt(100) < SHARED) {
        pools.put(twin, pool);
      }
      first.add(with(field, drawn(pool, random)));
    }
    List<PairingField> second = new ArrayList<>();
    for (PairingField field : other.right()) {
      List<String> pool = pools.get(field.path());
      second.add(with(field, drawn(pool == null ? pool(random) : pool, random)));
    }
    return new SeenBoth(first, second);
  }

  private static List<String> pool(Random random) {
    List<String> pool = new ArrayList<>();
    for (int i = 0; i < POOL; i++) {
      pool.add("V" + random.nextInt(100_000));
    }
    return pool;
  }

  private static List<String> drawn(List<String> pool, Random random) {
    List<String> drawn = new ArrayList<>();
    for (int i = 0; i < DRAWN; i++) {
      drawn.add(pool.get(random.nextInt(pool.size())));
    }
    return drawn;
  }

  private static PairingField with(PairingField field, List<String> values) {
    return new PairingField(
        field.path(),
        field.names(),
        field.label(),
        field.documentation(),
        field.type(),
        field.facets(),
        field.unit(),
        field.key(),
        field.required(),
        field.repeated(),
        values);
  }
}
