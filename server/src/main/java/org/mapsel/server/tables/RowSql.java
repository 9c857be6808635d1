package org.mapsel.server.tables;

import java.math.BigDecimal;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.OffsetDateTime;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import org.jooq.Condition;
import org.jooq.DataType;
import org.jooq.Field;
import org.jooq.SortField;
import org.jooq.impl.DSL;
import org.jooq.impl.SQLDataType;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.serve.Refusal;
import org.mapsel.core.serve.RowCondition;
import org.mapsel.core.serve.RowQuery;
import org.mapsel.core.serve.RowTerm;
import org.mapsel.core.shape.ScalarText;
import org.mapsel.core.table.Column;
import org.mapsel.core.table.ColumnType;
import org.mapsel.core.table.OfferedTable;
import org.mapsel.core.value.BooleanValue;
import org.mapsel.core.value.NumberValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.TimeValue;
import org.mapsel.core.value.Value;

/** Values and conditions of offered tables in the words of the database. */
final class RowSql {

  /** What rows have besides the columns. */
  static final Field<Long> NUMBER = DSL.field(DSL.name("row_number"), SQLDataType.BIGINT);

  static final Field<Long> VERSION = DSL.field(DSL.name("row_version"), SQLDataType.BIGINT);

  private static final int LAST_YEAR = 9_999;

  private final OfferedTable table;

  RowSql(OfferedTable table) {
    this.table = table;
  }

  /** The name of a column; people's own names never become part of a statement. */
  static String name(int index) {
    return "c" + index;
  }

  static Field<?> field(Column column, int index) {
    return DSL.field(DSL.name(name(index)), type(column.type()));
  }

  List<Field<?>> fields() {
    List<Field<?>> fields = new ArrayList<>();
    for (int i = 0; i < table.columns().size(); i++) {
      fields.add(field(table.columns().get(i), i));
    }
    return fields;
  }

  static DataType<?> type(ColumnType type) {
    return switch (type) {
      case TEXT -> SQLDataType.CLOB;
      case WHOLE -> SQLDataType.BIGINT;
      case DECIMAL, MONEY -> SQLDataType.NUMERIC;
      case DATE -> SQLDataType.LOCALDATE;
      case TIME -> SQLDataType.LOCALTIME;
      case DATE_TIME -> SQLDataType.TIMESTAMPWITHTIMEZONE;
      case YES_NO -> SQLDataType.BOOLEAN;
    };
  }

  /**
   * A value as the database has it.
   *
   * @throws Refusal if it is not of the type
   */
  static @Nullable Object sql(ColumnType type, Value value) {
    if (value == Value.NULL || value.isAbsent()) {
      return null;
    }
    try {
      String text = ScalarText.print(value);
      return switch (type) {
        case TEXT -> kept(text);
        case WHOLE -> new BigDecimal(text).longValueExact();
        case DECIMAL, MONEY -> new BigDecimal(text);
        case DATE -> kept(LocalDate.parse(text));
        case TIME -> LocalTime.parse(text);
        case DATE_TIME -> {
          OffsetDateTime time = OffsetDateTime.parse(text);
          kept(time.toLocalDate());
          yield time;
        }
        case YES_NO -> bool(text);
      };
    } catch (IllegalArgumentException | ArithmeticException | DateTimeException e) {
      throw new Refusal(400, "A value is no " + type.words() + ".");
    }
  }

  private static String kept(String text) {
    if (text.indexOf('\0') >= 0) {
      throw new IllegalArgumentException("No database keeps this character.");
    }
    return text;
  }

  private static LocalDate kept(LocalDate date) {
    if (date.getYear() < 0 || date.getYear() > LAST_YEAR) {
      throw new DateTimeException("No table has days like this.");
    }
    return date;
  }

  private static boolean bool(String text) {
    return switch (text) {
      case "true" -> true;
      case "false" -> false;
      default -> throw new IllegalArgumentException(text);
    };
  }

  static Value value(@Nullable Object kept) {
    return switch (kept) {
      case null -> Value.NULL;
      case Long number -> NumberValue.of(number);
      case BigDecimal number -> new NumberValue(number);
      case Boolean yes -> BooleanValue.of(yes);
      case LocalDate date -> new TimeValue(TimeValue.Kind.DATE, date.toString());
      case LocalTime time ->
          new TimeValue(TimeValue.Kind.TIME, DateTimeFormatter.ISO_LOCAL_TIME.format(time));
      case OffsetDateTime time ->
          new TimeValue(
              TimeValue.Kind.DATE_TIME, DateTimeFormatter.ISO_INSTANT.format(time.toInstant()));
      default -> Value.text(kept.toString());
    };
  }

  /** The row with these values for its key. */
  Condition key(RecordValue key) {
    Condition is = DSL.trueCondition();
    List<Field<?>> values = keyValues(key);
    for (int i = 0; i < table.columns().size(); i++) {
      Column column = table.columns().get(i);
      if (column.key()) {
        is = is.and(equal(field(column, i), values.removeFirst()));
      }
    }
    return is;
  }

  /** The values of a key, in the order of its columns. */
  List<Field<?>> keyValues(RecordValue key) {
    List<Field<?>> values = new ArrayList<>();
    for (int i = 0; i < table.columns().size(); i++) {
      Column column = table.columns().get(i);
      if (column.key()) {
        Object wanted = sql(column.type(), key.get(column.name()));
        if (wanted == null) {
          throw new Refusal(400, "The key is not whole: " + column.name() + " is missing.");
        }
        values.add(DSL.val(wanted, field(column, i).getDataType()));
      }
    }
    return values;
  }

  @SuppressWarnings("unchecked")
  private static <T> Condition equal(Field<T> field, Field<?> value) {
    return field.eq((Field<T>) value);
  }

  /** The rows for which a condition holds. */
  Condition condition(RowCondition condition) {
    return switch (condition) {
      case RowCondition.Every every ->
          DSL.and(every.conditions().stream().map(this::condition).toList());
      case RowCondition.Any any -> DSL.or(any.conditions().stream().map(this::condition).toList());
      // What is unknown to the database is not so here.
      case RowCondition.Not not ->
          DSL.coalesce(DSL.field(condition(not.condition())), DSL.inline(false)).isFalse();
      case RowCondition.Holds holds -> holds(holds.term());
      case RowCondition.Compare compare -> compare(compare);
    };
  }

  private Condition holds(RowTerm term) {
    if (type(term) != ColumnType.YES_NO) {
      throw new Refusal(400, "The filter has a value where yes or no is wanted.");
    }
    return field(term, ColumnType.YES_NO).cast(SQLDataType.BOOLEAN).isTrue();
  }

  private Condition compare(RowCondition.Compare compare) {
    ColumnType left = type(compare.left());
    ColumnType right = type(compare.right());
    ColumnType common = left != null ? left : right != null ? right : ColumnType.TEXT;
    if (isNull(compare.left()) || isNull(compare.right())) {
      Field<?> other = field(isNull(compare.left()) ? compare.right() : compare.left(), common);
      return switch (compare.comparison()) {
        case EQ -> other.isNull();
        case NE -> other.isNotNull();
        default -> DSL.falseCondition();
      };
    }
    return compare(
        field(compare.left(), common), compare.comparison(), field(compare.right(), common));
  }

  @SuppressWarnings("unchecked")
  private static Condition compare(
      Field<?> left, RowCondition.Comparison comparison, Field<?> right) {
    Field<Object> one = (Field<Object>) left;
    Field<Object> other = (Field<Object>) right;
    return switch (comparison) {
      case EQ -> one.eq(other);
      case NE -> one.isDistinctFrom(other);
      case LT -> one.lt(other);
      case LE -> one.le(other);
      case GT -> one.gt(other);
      case GE -> one.ge(other);
    };
  }

  private static boolean isNull(RowTerm term) {
    return term instanceof RowTerm.Constant constant && constant.value() == Value.NULL;
  }

  private int index(FieldPath path) {
    String name = path.toString();
    for (int i = 0; i < table.columns().size(); i++) {
      if (table.columns().get(i).name().equals(name)) {
        return i;
      }
    }
    throw new Refusal(400, table.several() + " has no column " + name + ".");
  }

  private @Nullable ColumnType type(RowTerm term) {
    return switch (term) {
      case RowTerm.Constant constant -> null;
      case RowTerm.Column column -> table.columns().get(index(column.path())).type();
      case RowTerm.Apply apply ->
          switch (apply.function()) {
            case CONTAINS, SUBSTRING_OF, STARTS_WITH, ENDS_WITH -> ColumnType.YES_NO;
            case TO_LOWER, TO_UPPER, TRIM -> ColumnType.TEXT;
            case LENGTH -> ColumnType.WHOLE;
          };
    };
  }

  private Field<?> field(RowTerm term, ColumnType wanted) {
    return switch (term) {
      case RowTerm.Constant constant ->
          DSL.val(sql(wanted, constant.value()), (DataType<?>) type(wanted));
      case RowTerm.Column column -> {
        int index = index(column.path());
        Column found = table.columns().get(index);
        Field<?> field = field(found, index);
        yield type(found.type()).equals(type(wanted)) ? field : field.cast(type(wanted));
      }
      case RowTerm.Apply apply -> apply(apply);
    };
  }

  private Field<?> apply(RowTerm.Apply apply) {
    Field<String> first = text(apply.arguments().getFirst());
    Field<String> last = text(apply.arguments().getLast());
    return switch (apply.function()) {
      case CONTAINS -> DSL.field(DSL.position(first, last).gt(0));
      case SUBSTRING_OF -> DSL.field(DSL.position(last, first).gt(0));
      case STARTS_WITH -> DSL.field(DSL.left(first, DSL.length(last)).eq(last));
      case ENDS_WITH -> DSL.field(DSL.right(first, DSL.length(last)).eq(last));
      case TO_LOWER -> DSL.lower(first);
      case TO_UPPER -> DSL.upper(first);
      case TRIM -> DSL.trim(first);
      case LENGTH -> DSL.length(first).cast(SQLDataType.BIGINT);
    };
  }

  private Field<String> text(RowTerm term) {
    ColumnType type = type(term);
    return field(term, type == null ? ColumnType.TEXT : type).cast(SQLDataType.CLOB);
  }

  /** In the order that is asked for; in the one of the file where that says nothing. */
  List<SortField<?>> order(RowQuery query) {
    List<SortField<?>> order = new ArrayList<>();
    for (RowQuery.Order by : query.order()) {
      int index = index(by.path());
      Field<?> field = field(table.columns().get(index), index);
      order.add(by.descending() ? field.desc().nullsLast() : field.asc().nullsFirst());
    }
    order.add(NUMBER.asc());
    return order;
  }
}
