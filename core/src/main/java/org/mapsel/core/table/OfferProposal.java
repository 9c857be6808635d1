package org.mapsel.core.table;

import java.io.IOException;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;

/** What may be offered of a file, as it looks: to be changed by people. */
public final class OfferProposal {

  /** So many rows are enough to see whether two columns together tell rows apart. */
  private static final int TRIED_ROWS = 20_000;

  private static final int TRIED_COLUMNS = 6;
  private static final Pattern UNIT = Pattern.compile("^(.*\\S)\\s*[(\\[]([^)\\]]{1,12})[)\\]]$");

  private OfferProposal() {}

  /**
   * Proposes names, types, keys, references and codes.
   *
   * @param name what the file was called
   * @throws IOException if the file is broken
   */
  public static TableOffer of(String name, TableFile file, List<SheetScan> scans)
      throws IOException {
    String title = name.replaceFirst("\\.[^.]*$", "");
    Names names = new Names(Set.of());
    List<OfferedTable> tables = new ArrayList<>();
    for (SheetScan scan : scans) {
      if (scan.rows() > 0) {
        tables.add(table(scan.sheet().isEmpty() ? title : scan.sheet(), file, scan, names));
      }
    }
    return new TableOffer(Names.words(title), referring(tables, scans));
  }

  private static OfferedTable table(String title, TableFile file, SheetScan scan, Names names)
      throws IOException {
    boolean comma = scan.columns().stream().mapToLong(ColumnScan::commas).sum() > 0;
    boolean month = scan.columns().stream().mapToLong(ColumnScan::monthsFirst).sum() > 0;
    Set<Integer> keys = keys(file, scan);
    Names inside = new Names(OfferedTable.RESERVED);
    List<Column> columns = new ArrayList<>();
    for (int i = 0; i < scan.columns().size(); i++) {
      columns.add(column(scan.columns().get(i), i, keys.contains(i), inside));
    }
    String one = names.free(Names.singular(Names.upper(title, "Row")));
    return new OfferedTable(
        one,
        names.free(Names.plural(one)),
        scan.sheet(),
        columns,
        new CellStyle(comma, month),
        Set.of());
  }

  private static Column column(ColumnScan seen, int index, boolean key, Names names) {
    Matcher unit = UNIT.matcher(seen.header());
    boolean measured = unit.matches();
    String header = measured ? unit.group(1) : seen.header();
    ColumnType type = seen.type();
    return new Column(
        names.free(Names.lower(header, "column" + (index + 1))),
        seen.header(),
        type,
        type == ColumnType.MONEY ? seen.currency() : measured ? unit.group(2) : "",
        key,
        seen.isFull(),
        type == ColumnType.TEXT && !key ? seen.codes() : List.of(),
        Optional.empty());
  }

  /**
   * The first column whose names tell rows apart; or else the very first, if it nearly does so; or
   * two that do so together; or any that does.
   */
  private static Set<Integer> keys(TableFile file, SheetScan scan) throws IOException {
    List<ColumnScan> columns = scan.columns();
    Optional<Integer> single = first(columns, one -> one.canName() && one.isUnique());
    if (single.isEmpty() && columns.getFirst().canName() && columns.getFirst().isNearlyUnique()) {
      single = Optional.of(0);
    }
    if (single.isPresent()) {
      return Set.of(single.get());
    }
    Set<Integer> pair = unique(file, scan, pairs(columns));
    return pair.isEmpty()
        ? first(columns, ColumnScan::isUnique).map(Set::of).orElse(Set.of())
        : pair;
  }

  private static Optional<Integer> first(List<ColumnScan> columns, Predicate<ColumnScan> wanted) {
    return IntStream.range(0, columns.size())
        .filter(i -> wanted.test(columns.get(i)))
        .boxed()
        .findFirst();
  }

  private static List<Set<Integer>> pairs(List<ColumnScan> columns) {
    List<Integer> named =
        IntStream.range(0, Math.min(columns.size(), TRIED_COLUMNS))
            .filter(i -> columns.get(i).canName() && columns.get(i).isFull())
            .boxed()
            .toList();
    List<Set<Integer>> pairs = new ArrayList<>();
    for (int i = 0; i < named.size(); i++) {
      for (int j = i + 1; j < named.size(); j++) {
        pairs.add(new LinkedHashSet<>(List.of(named.get(i), named.get(j))));
      }
    }
    return pairs;
  }

  private static Set<Integer> unique(TableFile file, SheetScan scan, List<Set<Integer>> pairs)
      throws IOException {
    Map<Set<Integer>, Set<List<String>>> seen = new LinkedHashMap<>();
    pairs.forEach(pair -> seen.put(pair, new HashSet<>()));
    file.rows(
        scan.sheet(),
        (number, cells) -> {
          if (number > scan.header() && !SheetScan.isBlank(cells)) {
            seen.entrySet()
                .removeIf(
                    entry ->
                        !entry
                            .getValue()
                            .add(
                                entry.getKey().stream()
                                    .map(i -> i < cells.size() ? cells.get(i).strip() : "")
                                    .toList()));
          }
          return !seen.isEmpty() && number < TRIED_ROWS;
        });
    return seen.keySet().stream().findFirst().orElse(Set.of());
  }

  /** A column all of whose values are keys of another table refers to that. */
  private static List<OfferedTable> referring(List<OfferedTable> tables, List<SheetScan> scans) {
    Map<String, SheetScan> bySheet = new LinkedHashMap<>();
    scans.forEach(scan -> bySheet.put(scan.sheet(), scan));
    List<OfferedTable> referring = new ArrayList<>();
    for (OfferedTable table : tables) {
      List<Column> columns = new ArrayList<>();
      for (int i = 0; i < table.columns().size(); i++) {
        Column column = table.columns().get(i);
        Optional<Set<String>> values = bySheet.get(table.sheet()).columns().get(i).values();
        columns.add(
            values
                .filter(known -> known.size() > 1)
                .flatMap(known -> target(table, column, known, tables, bySheet))
                .map(
                    reference ->
                        new Column(
                            column.name(),
                            column.header(),
                            column.type(),
                            column.unit(),
                            column.key(),
                            column.required(),
                            List.of(),
                            Optional.of(reference)))
                .orElse(column));
      }
      referring.add(
          new OfferedTable(
              table.name(),
              table.several(),
              table.sheet(),
              columns,
              table.style(),
              table.changes()));
    }
    return referring;
  }

  private static Optional<Column.Reference> target(
      OfferedTable from,
      Column column,
      Set<String> values,
      List<OfferedTable> tables,
      Map<String, SheetScan> scans) {
    for (OfferedTable other : tables) {
      List<Column> keys = other.keys();
      if (other != from && keys.size() == 1 && keys.getFirst().type() == column.type()) {
        int index = other.columns().indexOf(keys.getFirst());
        Optional<Set<String>> known = scans.get(other.sheet()).columns().get(index).values();
        if (known.filter(all -> all.containsAll(values)).isPresent()) {
          return Optional.of(new Column.Reference(other.name(), keys.getFirst().name()));
        }
      }
    }
    return Optional.empty();
  }
}
