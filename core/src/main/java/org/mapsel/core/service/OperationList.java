package org.mapsel.core.service;

import java.util.AbstractList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.RandomAccess;
import java.util.concurrent.atomic.AtomicReferenceArray;
import java.util.function.IntFunction;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.ref.OperationId;

/**
 * The operations of a service in their order. A large description has tens of thousands, of which
 * an app needs a few, so each may be made only when somebody asks for it; for everybody it is the
 * same one then. Immutable for whoever looks at it.
 */
public final class OperationList extends AbstractList<Operation> implements RandomAccess {

  private final List<OperationId> ids;
  private final AtomicReferenceArray<@Nullable Operation> made;
  private final IntFunction<Operation> maker;
  private volatile @Nullable Map<OperationId, Integer> index;

  private OperationList(List<OperationId> ids, IntFunction<Operation> maker) {
    this.ids = List.copyOf(ids);
    this.made = new AtomicReferenceArray<>(ids.size());
    this.maker = maker;
  }

  /** Operations that are there already. */
  public static OperationList of(List<Operation> operations) {
    if (operations instanceof OperationList list) {
      return list;
    }
    List<Operation> kept = List.copyOf(operations);
    return new OperationList(kept.stream().map(Operation::id).toList(), kept::get);
  }

  /**
   * Operations that are made when they are asked for.
   *
   * @param maker makes the operation whose id stands at a place; many threads may ask it at once
   */
  public static OperationList made(List<OperationId> ids, IntFunction<Operation> maker) {
    return new OperationList(ids, maker);
  }

  /** What they are called, none of which has to be made for that. */
  public List<OperationId> ids() {
    return ids;
  }

  public Optional<Operation> find(OperationId id) {
    Map<OperationId, Integer> known = index;
    if (known == null) {
      known = HashMap.newHashMap(ids.size());
      for (int i = 0; i < ids.size(); i++) {
        known.putIfAbsent(ids.get(i), i);
      }
      index = known;
    }
    return Optional.ofNullable(known.get(id)).map(this::get);
  }

  /** The same with one of them in the place of the one that has its id. */
  public OperationList with(Operation other) {
    return new OperationList(ids, place -> ids.get(place).equals(other.id()) ? other : get(place));
  }

  @Override
  public Operation get(int place) {
    Operation known = made.get(place);
    if (known == null) {
      made.compareAndSet(place, null, maker.apply(place));
      known = made.get(place);
    }
    return known;
  }

  @Override
  public int size() {
    return ids.size();
  }
}
