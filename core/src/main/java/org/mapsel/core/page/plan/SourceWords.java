package org.mapsel.core.page.plan;

import java.util.Optional;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Part;
import org.mapsel.core.ref.FieldPath;

/** Sources as people read them. */
public final class SourceWords {

  private SourceWords() {}

  /** A source of the page that is planned. */
  public static String of(PagePlan plan, Source source) {
    Page page = plan.page();
    return switch (source) {
      case Source.Entered entered ->
          Optional.ofNullable(plan.inputs().get(entered.input()))
              .map(input -> input.look().fullLabel())
              .or(() -> page.part(entered.input()).map(part -> "the lines of " + words(part)))
              .orElse("an input that is gone");
      case Source.Fixed fixed -> "“" + fixed.text() + "”";
      case Source.Argument argument ->
          argument.path().isRoot() && isSimple(page, argument)
              ? "the " + argument.name() + " of this page"
              : path(argument.path(), "the " + argument.name() + " of this page");
      case Source.Chosen chosen -> path(chosen.path(), "the chosen row");
      case Source.Row row -> row.path().isRoot() ? "the row" : row.path().toString();
      case Source.Returned returned ->
          path(
              returned.path(),
              page.call(returned.call())
                  .map(call -> call.operation().text())
                  .orElse("a call that is gone"));
      case Source.Derived derived ->
          derived.field() + " of " + of(plan, derived.record()).replaceFirst("^all of ", "");
      case Source.Formula formula -> "= " + formula.text();
      case Source.Run run ->
          switch (run.what()) {
            case NOW -> "the time now";
            case TODAY -> "today";
            case PAGE -> "the name of the page";
            case FAILURE -> "what the service said";
          };
    };
  }

  private static boolean isSimple(Page page, Source.Argument source) {
    return page.arguments().stream()
        .anyMatch(one -> one.name().equals(source.name()) && one.record().isEmpty());
  }

  private static String words(Part part) {
    return part.heading()
        .map(mapping -> mapping.source() instanceof Source.Fixed fixed ? fixed.text() : "")
        .filter(text -> !text.isEmpty())
        .orElse(part.id().text());
  }

  private static String path(FieldPath path, String of) {
    return path.isRoot() ? "all of " + of : path + " of " + of;
  }
}
