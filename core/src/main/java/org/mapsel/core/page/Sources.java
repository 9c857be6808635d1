package org.mapsel.core.page;

import java.util.HashSet;
import java.util.Set;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.PartId;

/** What sources of a page depend on. */
public final class Sources {

  private Sources() {}

  /** The calls whose answers a source needs; those of a formula are not looked for. */
  public static Set<CallId> calls(Page page, Source source) {
    return switch (source) {
      case Source.Returned returned -> Set.of(returned.call());
      case Source.Derived derived -> calls(page, derived.record());
      case Source.Chosen chosen -> rows(page, chosen.part());
      default -> Set.of();
    };
  }

  private static Set<CallId> rows(Page page, PartId table) {
    Set<CallId> calls = new HashSet<>();
    page.rowsPart(table)
        .flatMap(Part.OverRows::rows)
        .ifPresent(
            mapping -> {
              if (mapping.source() instanceof Source.Returned returned) {
                calls.add(returned.call());
              }
            });
    return calls;
  }

  /** Whether a source leads to an answer of a call. */
  public static boolean isFrom(Source source, CallId call) {
    return switch (source) {
      case Source.Returned returned -> returned.call().equals(call);
      case Source.Derived derived -> isFrom(derived.record(), call);
      default -> false;
    };
  }
}
