package org.mapsel.core.formula;

import dev.cel.bundle.Cel;
import dev.cel.bundle.CelBuilder;
import dev.cel.bundle.CelFactory;
import dev.cel.common.CelAbstractSyntaxTree;
import dev.cel.common.CelIssue;
import dev.cel.common.CelOptions;
import dev.cel.common.CelValidationException;
import dev.cel.common.CelValidationResult;
import dev.cel.extensions.CelExtensions;
import dev.cel.parser.CelStandardMacro;
import dev.cel.runtime.CelEvaluationException;
import java.util.Map;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.shape.ValueType;

/** Checks formulas. */
public final class Formulas {

  /** Nobody reads a longer one. */
  public static final int LONGEST = 2_000;

  private static final int MOST_ITERATIONS = 100_000;
  private static final int DEEPEST = 50;
  private static final int LARGEST_PATTERN = 2_000;

  private static final CelOptions OPTIONS =
      CelOptions.current()
          .maxExpressionCodePointSize(LONGEST)
          .maxParseRecursionDepth(DEEPEST)
          .comprehensionMaxIterations(MOST_ITERATIONS)
          .maxRegexProgramSize(LARGEST_PATTERN)
          .enableQuotedIdentifierSyntax(true)
          .enableHeterogeneousNumericComparisons(true)
          .build();

  private static final Functions FUNCTIONS = new Functions();
  private static final RecentFormulas RECENT = new RecentFormulas();

  private Formulas() {}

  /**
   * Understands a formula; findings say what is wrong with it and where.
   *
   * @param variables the types of what it may name
   */
  public static Outcome<Formula> of(String text, Map<String, ValueType> variables) {
    if (text.isBlank()) {
      return Outcome.failed(Finding.error("FORMULA_TEXT_NONE"));
    }
    return RECENT.get(new RecentFormulas.Asked(text, variables), () -> understood(text, variables));
  }

  private static Outcome<Formula> understood(String text, Map<String, ValueType> variables) {
    CelTypes types = new CelTypes();
    CelBuilder builder =
        CelFactory.standardCelBuilder()
            .setOptions(OPTIONS)
            .setStandardMacros(CelStandardMacro.STANDARD_MACROS)
            .addCompilerLibraries(CelExtensions.strings())
            .addRuntimeLibraries(CelExtensions.strings())
            .addFunctionDeclarations(FUNCTIONS.declared())
            .addFunctionBindings(FUNCTIONS.bound())
            .setTypeProvider(types);
    variables.forEach((name, type) -> builder.addVar(name, types.of(type)));
    Cel cel = builder.build();
    CelValidationResult checked = cel.compile(text);
    if (checked.hasError()) {
      return Outcome.failed(
          checked.getErrors().stream().map(issue -> finding(text, issue)).toList());
    }
    try {
      CelAbstractSyntaxTree tree = checked.getAst();
      return Outcome.of(
          new Formula(
              text, cel.createProgram(tree), CelTypes.result(tree.getResultType()), variables));
    } catch (CelValidationException | CelEvaluationException e) {
      return Outcome.failed(
          Finding.error(
              "FORMULA_WRONG",
              "formula",
              text,
              "reason",
              String.valueOf(e.getMessage()),
              "line",
              "1",
              "column",
              "1"));
    }
  }

  private static Finding finding(String text, CelIssue issue) {
    return Finding.error(
        "FORMULA_WRONG",
        "formula",
        text,
        "reason",
        plain(issue.getMessage()),
        "line",
        String.valueOf(Math.max(1, issue.getSourceLocation().getLine())),
        "column",
        String.valueOf(issue.getSourceLocation().getColumn() + 1));
  }

  /** What the checker says, in words for people who do not know its own. */
  private static String plain(String message) {
    return message
        .replaceFirst("undeclared reference to '([^']*)'.*", "nothing here is called $1")
        .replaceFirst("undefined field '([^']*)'.*", "there is no field $1 in it")
        .replaceFirst(
            "found no matching overload for '_?([^'_]+)_?' applied to '(.*?)'.*",
            "$1 does not work with $2")
        .replace("timestamp", "time")
        .replace("google.protobuf.Timestamp", "time");
  }
}
