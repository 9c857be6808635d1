package org.mapsel.core.page.reach;

import org.mapsel.core.mapping.Source;
import org.mapsel.core.model.Looks;
import org.mapsel.core.page.Input;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Part;
import org.mapsel.core.ref.FieldPath;

/** Sources as people read them. */
public final class SourceWords {

  private SourceWords() {}

  public static String of(Page page, PageReach reach, Looks looks, Source source) {
    return switch (source) {
      case Source.Entered entered ->
          page.item(entered.input())
              .map(Page.Inside::item)
              .filter(Input.class::isInstance)
              .map(input -> input(reach, looks, (Input) input))
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
          derived.field()
              + " of "
              + of(page, reach, looks, derived.record()).replaceFirst("^all of ", "");
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

  private static String input(PageReach reach, Looks looks, Input input) {
    return reach
        .subject(input)
        .map(behind -> behind.look(looks, input.only()).label())
        .or(() -> input.only().label())
        .orElse(input.id().text());
  }

  private static String path(FieldPath path, String of) {
    return path.isRoot() ? "all of " + of : path + " of " + of;
  }
}
