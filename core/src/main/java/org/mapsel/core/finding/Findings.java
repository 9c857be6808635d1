package org.mapsel.core.finding;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/** Collects findings while work goes on; says the same thing only once. */
public final class Findings {

  /** More than this from one document helps nobody and would fill memory on hostile input. */
  public static final int MAX_FINDINGS = 1_000;

  private final Set<Finding> collected = new LinkedHashSet<>();

  public void add(Finding finding) {
    if (collected.size() < MAX_FINDINGS) {
      collected.add(finding);
    } else if (collected.size() == MAX_FINDINGS) {
      collected.add(Finding.warning("FINDING_LIST_FULL", "limit", String.valueOf(MAX_FINDINGS)));
    }
  }

  public void addAll(Iterable<Finding> findings) {
    findings.forEach(this::add);
  }

  public boolean hasErrors() {
    return !collected.isEmpty() && collected.stream().anyMatch(Finding::isError);
  }

  public List<Finding> toList() {
    return new ArrayList<>(collected);
  }
}
