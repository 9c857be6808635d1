package org.mapsel.core.serve;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.shape.ScalarText;
import org.mapsel.core.shape.ScalarType;
import org.mapsel.core.value.BooleanValue;
import org.mapsel.core.value.Value;

/**
 * Reads a filter over entities (OData 4.01 URL conventions, section 5.1.1): comparisons, and, or,
 * not, brackets, and the functions over texts. Its length and depth are limited.
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
  static RowCondition of(String text) {
    RowFilter filter = new RowFilter(text);
    RowCondition whole = filter.either(0);
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

  private RowCondition either(int depth) {
    List<RowCondition> any = new ArrayList<>(List.of(both(depth)));
    while (take("or")) {
      any.add(both(depth));
    }
    return any.size() == 1 ? any.getFirst() : new RowCondition.Any(any);
  }

  private RowCondition both(int depth) {
    List<RowCondition> every = new ArrayList<>(List.of(single(depth)));
    while (take("and")) {
      every.add(single(depth));
    }
    return every.size() == 1 ? every.getFirst() : new RowCondition.Every(every);
  }

  private RowCondition single(int depth) {
    if (depth > DEEPEST) {
      throw new Refusal(400, "The filter has more than " + DEEPEST + " brackets in each other.");
    }
    if (take("not")) {
      return new RowCondition.Not(single(depth + 1));
    }
    if (take("(")) {
      RowCondition inside = either(depth + 1);
      if (!take(")")) {
        throw wrong();
      }
      return inside;
    }
    RowTerm left = operand(depth);
    String operator = at < tokens.size() ? tokens.get(at) : "";
    if (!operator.matches("eq|ne|lt|le|gt|ge")) {
      return new RowCondition.Holds(left);
    }
    at++;
    return new RowCondition.Compare(
        left, RowCondition.Comparison.valueOf(operator.toUpperCase(Locale.ROOT)), operand(depth));
  }

  private RowTerm operand(int depth) {
    String token = next();
    if (take("(")) {
      List<RowTerm> arguments = new ArrayList<>();
      do {
        arguments.add(operand(depth + 1));
      } while (take(","));
      if (!take(")") || depth > DEEPEST) {
        throw wrong();
      }
      return RowFunction.find(token, arguments.size())
          .map(function -> new RowTerm.Apply(function, arguments))
          .orElseThrow(
              () ->
                  new Refusal(
                      501,
                      "There is no function "
                          + token
                          + " of "
                          + arguments.size()
                          + " values here."));
    }
    Value literal = literal(token);
    return literal == null
        ? new RowTerm.Column(FieldPath.of(token.split("/")))
        : new RowTerm.Constant(literal);
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
}
