package org.mapsel.core.serve;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.shape.ScalarText;
import org.mapsel.core.shape.ScalarType;
import org.mapsel.core.value.BooleanValue;
import org.mapsel.core.value.NumberValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;

/**
 * A filter over entities (OData 4.01 URL conventions, section 5.1.1): comparisons, and, or, not,
 * brackets, and the functions over texts. Its length and depth are limited.
 */
final class RowFilter {

  private static final int LONGEST = 4_000;
  private static final int DEEPEST = 50;
  private static final Pattern TOKEN =
      Pattern.compile("\\s*(\\w*'(?:[^']|'')*+'|[\\w.:+\\-/@$*]+|[(),])");

  private final List<String> tokens = new ArrayList<>();
  private int at;

  private RowFilter(String text) {
    if (text.length() > LONGEST) {
      throw new Refusal(400, "The filter is longer than " + LONGEST + " characters.");
    }
    Matcher matcher = TOKEN.matcher(text.strip());
    int end = 0;
    while (matcher.find() && matcher.start() == end) {
      tokens.add(matcher.group(1));
      end = matcher.end();
    }
    if (end != text.strip().length()) {
      throw new Refusal(
          400, "The filter is not understood from “" + text.strip().substring(end) + "” on.");
    }
  }

  /**
   * What rows must be like.
   *
   * @throws Refusal if it is not understood
   */
  static Predicate<RecordValue> of(String text) {
    RowFilter filter = new RowFilter(text);
    Predicate<RecordValue> whole = filter.either(0);
    if (filter.at < filter.tokens.size()) {
      throw filter.wrong();
    }
    return whole;
  }

  private Refusal wrong() {
    return new Refusal(
        400,
        "The filter is not understood at “"
            + (at < tokens.size() ? tokens.get(at) : "its end")
            + "”.");
  }

  private boolean take(String token) {
    if (at < tokens.size() && tokens.get(at).equals(token)) {
      at++;
      return true;
    }
    return false;
  }

  private String next() {
    if (at >= tokens.size()) {
      throw wrong();
    }
    return tokens.get(at++);
  }

  private Predicate<RecordValue> either(int depth) {
    Predicate<RecordValue> one = both(depth);
    while (take("or")) {
      one = one.or(both(depth));
    }
    return one;
  }

  private Predicate<RecordValue> both(int depth) {
    Predicate<RecordValue> one = single(depth);
    while (take("and")) {
      one = one.and(single(depth));
    }
    return one;
  }

  private Predicate<RecordValue> single(int depth) {
    if (depth > DEEPEST) {
      throw new Refusal(400, "The filter has more than " + DEEPEST + " brackets in each other.");
    }
    if (take("not")) {
      return single(depth + 1).negate();
    }
    if (take("(")) {
      Predicate<RecordValue> inside = either(depth + 1);
      if (!take(")")) {
        throw wrong();
      }
      return inside;
    }
    Function<RecordValue, Value> left = operand(depth);
    String operator = at < tokens.size() ? tokens.get(at) : "";
    if (!operator.matches("eq|ne|lt|le|gt|ge")) {
      return row -> left.apply(row) == BooleanValue.TRUE;
    }
    at++;
    Function<RecordValue, Value> right = operand(depth);
    return row -> compare(left.apply(row), operator, right.apply(row));
  }

  private Function<RecordValue, Value> operand(int depth) {
    String token = next();
    if (take("(")) {
      List<Function<RecordValue, Value>> arguments = new ArrayList<>();
      do {
        arguments.add(operand(depth + 1));
      } while (take(","));
      if (!take(")") || depth > DEEPEST) {
        throw wrong();
      }
      return function(token, arguments);
    }
    Value literal = literal(token);
    if (literal != null) {
      return row -> literal;
    }
    FieldPath path = FieldPath.of(token.split("/"));
    return row -> {
      Value value = row.at(path);
      return value.isAbsent() ? Value.NULL : value;
    };
  }

  /** A value as it stands in an address; null if the token is a name. */
  private static @Nullable Value literal(String token) {
    if (token.endsWith("'")) {
      String inside = token.substring(token.indexOf('\'') + 1, token.length() - 1);
      return Value.text(inside.replace("''", "'"));
    }
    return switch (token) {
      case "null" -> Value.NULL;
      case "true" -> BooleanValue.TRUE;
      case "false" -> BooleanValue.FALSE;
      default ->
          token.matches("-?\\d+(\\.\\d+)?([eE][+-]?\\d+)?[LMdfF]?")
              ? ScalarText.parse(ScalarType.DECIMAL, token.replaceFirst("[LMdfF]$", ""))
                  .orElse(Value.text(token))
              : token.matches("[\\d-].*") ? Value.text(token) : null;
    };
  }

  private Function<RecordValue, Value> function(
      String name, List<Function<RecordValue, Value>> arguments) {
    Function<RecordValue, Value> first = arguments.getFirst();
    Function<RecordValue, Value> last = arguments.getLast();
    return switch (name) {
      case "contains" -> row -> is(text(first, row).contains(text(last, row)));
      case "substringof" -> row -> is(text(last, row).contains(text(first, row)));
      case "startswith" -> row -> is(text(first, row).startsWith(text(last, row)));
      case "endswith" -> row -> is(text(first, row).endsWith(text(last, row)));
      case "tolower" -> row -> Value.text(text(first, row).toLowerCase(Locale.ROOT));
      case "toupper" -> row -> Value.text(text(first, row).toUpperCase(Locale.ROOT));
      case "trim" -> row -> Value.text(text(first, row).strip());
      case "length" -> row -> NumberValue.of(text(first, row).length());
      default -> throw new Refusal(501, "A stand-in does not know the function " + name + ".");
    };
  }

  private static Value is(boolean true_) {
    return BooleanValue.of(true_);
  }

  private static String text(Function<RecordValue, Value> operand, RecordValue row) {
    return ScalarText.print(operand.apply(row));
  }

  private static boolean compare(Value left, String operator, Value right) {
    if (left == Value.NULL || right == Value.NULL) {
      boolean same = left == right;
      return operator.equals("eq") ? same : operator.equals("ne") && !same;
    }
    int order = order(left, right);
    return switch (operator) {
      case "eq" -> order == 0;
      case "ne" -> order != 0;
      case "lt" -> order < 0;
      case "le" -> order <= 0;
      case "gt" -> order > 0;
      default -> order >= 0;
    };
  }

  /** Numbers by size, everything else as it is written, which is right for dates and times too. */
  static int order(Value left, Value right) {
    return left instanceof NumberValue one && right instanceof NumberValue other
        ? one.number().compareTo(other.number())
        : ScalarText.print(left).compareTo(ScalarText.print(right));
  }
}
