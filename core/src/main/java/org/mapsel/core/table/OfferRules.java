package org.mapsel.core.table;

import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Pattern;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Findings;

/** What must be so before tables can be offered. */
public final class OfferRules {

  private static final Pattern NAME = Pattern.compile("[A-Za-z][A-Za-z0-9]{0,59}");

  private OfferRules() {}

  /** What is wrong, each with the table and the column; empty if nothing is. */
  public static List<Finding> check(TableOffer offer) {
    Findings findings = new Findings();
    if (offer.name().isBlank()) {
      findings.add(Finding.error("TABLE_OFFER_UNNAMED"));
    }
    if (offer.tables().isEmpty()) {
      findings.add(Finding.error("TABLE_OFFER_EMPTY"));
    }
    Set<String> names = new HashSet<>();
    for (OfferedTable table : offer.tables()) {
      for (String name : List.of(table.name(), table.several())) {
        if (!NAME.matcher(name).matches()) {
          findings.add(Finding.error("TABLE_NAME_WRONG", "name", name));
        } else if (!names.add(name.toLowerCase(Locale.ROOT))) {
          findings.add(Finding.error("TABLE_NAME_TWICE", "name", name));
        }
      }
      check(table, findings);
    }
    return findings.toList();
  }

  private static void check(OfferedTable table, Findings findings) {
    if (table.keys().isEmpty()) {
      findings.add(Finding.error("TABLE_KEY_NONE", "table", table.several()));
    }
    Set<String> names = new HashSet<>();
    OfferedTable.RESERVED.forEach(name -> names.add(name.toLowerCase(Locale.ROOT)));
    if (table.columns().isEmpty()) {
      findings.add(Finding.error("TABLE_COLUMN_NONE", "table", table.several()));
    }
    for (Column column : table.columns()) {
      if (!NAME.matcher(column.name()).matches()) {
        findings.add(
            Finding.error("TABLE_COLUMN_WRONG", "table", table.several(), "column", column.name()));
      } else if (!names.add(column.name().toLowerCase(Locale.ROOT))) {
        findings.add(
            Finding.error("TABLE_COLUMN_TWICE", "table", table.several(), "column", column.name()));
      }
    }
  }
}
