package org.mapsel.core.formula;

import com.google.common.collect.ImmutableList;
import dev.cel.common.CelFunctionDecl;
import dev.cel.common.CelOverloadDecl;
import dev.cel.common.types.CelType;
import dev.cel.common.types.ListType;
import dev.cel.common.types.SimpleType;
import dev.cel.runtime.CelFunctionBinding;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.BinaryOperator;
import java.util.stream.Collectors;

/**
 * What formulas can do beyond the standard functions of the language: numbers with and without a
 * point together, texts put together with anything, days, and what is made of lists. Documented in
 * {@code docs/formulas.md}.
 */
final class Functions {

  private static final int MOST_DIGITS = 15;

  private static final Map<String, String> ARITHMETIC =
      Map.of("_+_", "plus", "_-_", "minus", "_*_", "times", "_/_", "by");

  private final List<CelFunctionDecl> declared = new ArrayList<>();
  private final List<CelFunctionBinding> bound = new ArrayList<>();

  Functions() {
    ARITHMETIC.forEach(this::mixed);
    List.of(SimpleType.INT, SimpleType.DOUBLE, SimpleType.BOOL, SimpleType.TIMESTAMP)
        .forEach(this::joined);
    dates();
    lists();
    numbers();
  }

  List<CelFunctionDecl> declared() {
    return declared;
  }

  List<CelFunctionBinding> bound() {
    return bound;
  }

  private void mixed(String operator, String name) {
    BinaryOperator<Double> what =
        switch (name) {
          case "plus" -> Double::sum;
          case "minus" -> (left, right) -> left - right;
          case "times" -> (left, right) -> left * right;
          default -> (left, right) -> left / right;
        };
    declared.add(
        CelFunctionDecl.newFunctionDeclaration(
            operator,
            CelOverloadDecl.newGlobalOverload(
                name + "_int_double", SimpleType.DOUBLE, SimpleType.INT, SimpleType.DOUBLE),
            CelOverloadDecl.newGlobalOverload(
                name + "_double_int", SimpleType.DOUBLE, SimpleType.DOUBLE, SimpleType.INT)));
    bound.add(
        CelFunctionBinding.from(
            name + "_int_double",
            Long.class,
            Double.class,
            (left, right) -> what.apply(left.doubleValue(), right)));
    bound.add(
        CelFunctionBinding.from(
            name + "_double_int",
            Double.class,
            Long.class,
            (left, right) -> what.apply(left, right.doubleValue())));
  }

  private void joined(CelType type) {
    String name = type.name();
    Class<?> java =
        type.equals(SimpleType.INT)
            ? Long.class
            : type.equals(SimpleType.DOUBLE)
                ? Double.class
                : type.equals(SimpleType.BOOL) ? Boolean.class : Instant.class;
    declared.add(
        CelFunctionDecl.newFunctionDeclaration(
            "_+_",
            CelOverloadDecl.newGlobalOverload(
                "join_string_" + name, SimpleType.STRING, SimpleType.STRING, type),
            CelOverloadDecl.newGlobalOverload(
                "join_" + name + "_string", SimpleType.STRING, type, SimpleType.STRING)));
    bound.add(
        CelFunctionBinding.from(
            "join_string_" + name,
            ImmutableList.of(String.class, java),
            given -> given[0] + text(given[1])));
    bound.add(
        CelFunctionBinding.from(
            "join_" + name + "_string",
            ImmutableList.of(java, String.class),
            given -> text(given[0]) + given[1]));
  }

  private static String text(Object value) {
    return value instanceof Double number
        ? BigDecimal.valueOf(number).stripTrailingZeros().toPlainString()
        : String.valueOf(value);
  }

  private void dates() {
    function(
        "day",
        CelOverloadDecl.newGlobalOverload("day_of", SimpleType.STRING, SimpleType.TIMESTAMP),
        CelFunctionBinding.from(
            "day_of",
            Instant.class,
            time -> time.atOffset(ZoneOffset.UTC).toLocalDate().toString()));
    between("minutesBetween", Duration.ofMinutes(1));
    between("hoursBetween", Duration.ofHours(1));
    between("daysBetween", Duration.ofDays(1));
  }

  private void between(String name, Duration unit) {
    function(
        name,
        CelOverloadDecl.newGlobalOverload(
            name + "_times", SimpleType.DOUBLE, SimpleType.TIMESTAMP, SimpleType.TIMESTAMP),
        CelFunctionBinding.from(
            name + "_times",
            Instant.class,
            Instant.class,
            (from, to) -> (double) Duration.between(from, to).toMillis() / unit.toMillis()));
  }

  private void lists() {
    fold("sum", numbers -> numbers.stream().mapToDouble(Double::doubleValue).sum());
    fold("least", numbers -> numbers.stream().mapToDouble(Double::doubleValue).min().orElse(0));
    fold("most", numbers -> numbers.stream().mapToDouble(Double::doubleValue).max().orElse(0));
    fold("mean", numbers -> numbers.stream().mapToDouble(Double::doubleValue).average().orElse(0));
    function(
        "join",
        CelOverloadDecl.newGlobalOverload(
            "join_list", SimpleType.STRING, ListType.create(SimpleType.DYN), SimpleType.STRING),
        CelFunctionBinding.from(
            "join_list",
            List.class,
            String.class,
            (list, between) ->
                ((List<?>) list)
                    .stream().map(Functions::text).collect(Collectors.joining(between))));
  }

  private interface Folding {
    double of(List<Double> numbers);
  }

  private void fold(String name, Folding folding) {
    function(
        name,
        CelOverloadDecl.newGlobalOverload(
            name + "_list", SimpleType.DOUBLE, ListType.create(SimpleType.DYN)),
        CelFunctionBinding.from(
            name + "_list",
            List.class,
            list ->
                folding.of(
                    ((List<?>) list)
                        .stream()
                            .filter(Number.class::isInstance)
                            .map(number -> ((Number) number).doubleValue())
                            .toList())));
  }

  private void numbers() {
    function(
        "round",
        CelOverloadDecl.newGlobalOverload(
            "round_digits", SimpleType.DOUBLE, SimpleType.DOUBLE, SimpleType.INT),
        CelFunctionBinding.from(
            "round_digits",
            Double.class,
            Long.class,
            (number, digits) ->
                BigDecimal.valueOf(number)
                    .setScale(Math.clamp(digits, 0, MOST_DIGITS), RoundingMode.HALF_UP)
                    .doubleValue()));
  }

  private void function(String name, CelOverloadDecl overload, CelFunctionBinding binding) {
    declared.add(CelFunctionDecl.newFunctionDeclaration(name, overload));
    bound.add(binding);
  }
}
