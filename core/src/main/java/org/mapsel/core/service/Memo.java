package org.mapsel.core.service;

import java.util.Objects;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;

/**
 * What is worked out when it is first asked for, and then kept. Many threads may ask at once: one
 * works it out, the others wait for it. What fails is not kept, so the next one to ask tries again.
 */
public final class Memo<T> implements Supplier<T> {

  /** Nothing any more once the value is there: it may hold on to much. */
  private @Nullable Supplier<T> maker;

  private volatile @Nullable T value;

  private Memo(@Nullable Supplier<T> maker, @Nullable T value) {
    this.maker = maker;
    this.value = value;
  }

  /** A value that is there already. */
  public static <T> Memo<T> of(T value) {
    return new Memo<>(null, value);
  }

  /**
   * A value that is made when somebody asks for it.
   *
   * @param maker asked once; gives no null
   */
  public static <T> Memo<T> later(Supplier<T> maker) {
    return new Memo<>(maker, null);
  }

  @Override
  public T get() {
    T known = value;
    return known != null ? known : made();
  }

  /** Whether both hold the same; works out what was not asked for yet. */
  @Override
  public boolean equals(@Nullable Object other) {
    return other == this || other instanceof Memo<?> memo && memo.get().equals(get());
  }

  @Override
  public int hashCode() {
    return get().hashCode();
  }

  @Override
  public String toString() {
    return get().toString();
  }

  private synchronized T made() {
    T known = value;
    if (known == null) {
      known = Objects.requireNonNull(Objects.requireNonNull(maker).get());
      value = known;
      maker = null;
    }
    return known;
  }
}
