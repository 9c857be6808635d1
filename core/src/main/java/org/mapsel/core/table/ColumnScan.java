package org.mapsel.core.table;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** What was seen in a column: how many of its cells are of which type, and which values it has. */
public final class ColumnScan {

  /** One of so many cells may be wrong for the type that all others are of. */
  private static final int ONE_WRONG_OF = 8;

  /** In a short table a single one may be, if there are so many. */
  private static final int ONE_WRONG_LEAST = 4;

  private static final int MOST_CODES = 15;
  private static final int MOST_VALUES = 10_000;
  private static final int FIRST = 6;
  private static final int LONGEST_CODE = 40;
  private static final int LONGEST_SHOWN = 80;
  private static final int LONGEST_KNOWN = 200;

  private static final CellStyle COMMA = new CellStyle(true, false);
  private static final CellStyle MONTH_FIRST = new CellStyle(false, true);

  private final String header;
  private final Map<ColumnType, Long> fits = new EnumMap<>(ColumnType.class);
  private final Map<String, Integer> values = new LinkedHashMap<>();
  private final Map<String, Integer> currencies = new LinkedHashMap<>();
  private final List<String> first = new ArrayList<>();
  private long blank;
  private long filled;
  private long codes;
  private long withComma;
  private long withPoint;
  private long dayFirst;
  private long monthFirst;
  private long again;

  ColumnScan(String header) {
    this.header = header;
  }

  void see(String cell) {
    String text = cell.strip();
    if (text.isEmpty()) {
      blank++;
      return;
    }
    filled++;
    if (first.size() < FIRST) {
      first.add(text.length() > LONGEST_SHOWN ? text.substring(0, LONGEST_SHOWN) + "…" : text);
    }
    String known = text.length() > LONGEST_KNOWN ? shortened(text) : text;
    if (values.size() < MOST_VALUES) {
      again += values.merge(known, 1, Integer::sum) > 1 ? 1 : 0;
    } else if (values.computeIfPresent(known, (value, times) -> times + 1) != null) {
      again++;
    }
    codes += CellText.isCode(text) ? 1 : 0;
    CellText.currency(text).ifPresent(currency -> currencies.merge(currency, 1, Integer::sum));
    for (ColumnType type : ColumnType.values()) {
      boolean usual = CellText.read(type, CellStyle.USUAL, text).isPresent();
      boolean comma = isNumber(type) && CellText.read(type, COMMA, text).isPresent();
      boolean month = isDate(type) && CellText.read(type, MONTH_FIRST, text).isPresent();
      if (usual || comma || month) {
        fits.merge(type, 1L, Long::sum);
      }
      if (type == ColumnType.MONEY && usual != comma) {
        withComma += comma ? 1 : 0;
        withPoint += usual ? 1 : 0;
      }
      if (isDate(type) && usual != month) {
        monthFirst += month ? 1 : 0;
        dayFirst += usual ? 1 : 0;
      }
    }
  }

  /** Long texts are told apart by their beginning, length and hash. */
  private static String shortened(String text) {
    return text.substring(0, LONGEST_KNOWN) + " " + text.length() + " " + text.hashCode();
  }

  private static boolean isNumber(ColumnType type) {
    return type == ColumnType.WHOLE || type == ColumnType.DECIMAL || type == ColumnType.MONEY;
  }

  private static boolean isDate(ColumnType type) {
    return type == ColumnType.DATE || type == ColumnType.DATE_TIME;
  }

  /** What stands over it; empty if nothing does. */
  public String header() {
    return header;
  }

  /** How many of its cells have something in them. */
  public long filled() {
    return filled;
  }

  /** The first values. */
  public List<String> first() {
    return List.copyOf(first);
  }

  /** So many of the different values that were seen; long ones shortened. */
  List<String> seen(int most) {
    return values.keySet().stream().limit(most).toList();
  }

  /** By how much more of its numbers are written with a comma before their decimals. */
  long commas() {
    return withComma - withPoint;
  }

  /** By how much more of its dates can only have the month first. */
  long monthsFirst() {
    return monthFirst - dayFirst;
  }

  /** The narrowest type that nearly all cells are of. */
  ColumnType type() {
    if (filled == 0 || codes > 0) {
      return ColumnType.TEXT;
    }
    List<ColumnType> narrowest =
        List.of(
            ColumnType.YES_NO,
            ColumnType.WHOLE,
            ColumnType.DECIMAL,
            ColumnType.DATE,
            ColumnType.TIME,
            ColumnType.DATE_TIME,
            ColumnType.MONEY);
    for (ColumnType type : narrowest) {
      long fit = fits.getOrDefault(type, 0L);
      boolean apart = type != ColumnType.MONEY || !currencies.isEmpty();
      if (apart && fit == filled) {
        return type;
      }
    }
    return narrowest.stream()
        .filter(type -> isNearlyAll(fits.getOrDefault(type, 0L)))
        .filter(type -> type != ColumnType.MONEY || !currencies.isEmpty())
        .max(Comparator.comparingLong(type -> fits.getOrDefault(type, 0L)))
        .orElse(ColumnType.TEXT);
  }

  private boolean isNearlyAll(long fit) {
    return (filled - fit) * ONE_WRONG_OF <= filled
        || fit == filled - 1 && filled >= ONE_WRONG_LEAST;
  }

  /** The currency that stands beside its amounts; empty if they have none or several. */
  String currency() {
    return currencies.size() == 1 ? currencies.keySet().iterator().next() : "";
  }

  /** Whether every row has a value in it. */
  boolean isFull() {
    return blank == 0 && filled > 0;
  }

  /** Whether it has a value in every row, and no value twice, as far as that is known. */
  boolean isUnique() {
    return again == 0 && isFull();
  }

  /** Likewise, but for a few that are most likely mistakes. */
  boolean isNearlyUnique() {
    return again * ONE_WRONG_OF <= filled && isFull();
  }

  /** Whether it may name things: texts and whole numbers do, measures and dates do not. */
  boolean canName() {
    ColumnType type = type();
    return type == ColumnType.TEXT || type == ColumnType.WHOLE;
  }

  /** The texts in it, if they are few and come again and again; empty otherwise. */
  List<String> codes() {
    boolean few =
        values.size() <= MOST_CODES
            && values.size() * 3L <= filled
            && values.keySet().stream().allMatch(value -> value.length() <= LONGEST_CODE);
    return few && values.size() > 1 ? List.copyOf(values.keySet()) : List.of();
  }

  /** Its different values; nothing if they are too many to be known. */
  Optional<Set<String>> values() {
    return values.size() < MOST_VALUES ? Optional.of(values.keySet()) : Optional.empty();
  }
}
