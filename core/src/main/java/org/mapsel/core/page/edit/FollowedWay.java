package org.mapsel.core.page.edit;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.Step;

/**
 * The way to a field that is elsewhere now, in paths and in formulas.
 *
 * @param was the end of the way to it before: its name, and the groups around it that are left
 * @param is what stands there now
 */
record FollowedWay(FieldPath was, FieldPath is) {

  /** A text in quotes, or names with points between them. */
  private static final Pattern TOKEN =
      Pattern.compile(
          "'(?:[^'\\\\]|\\\\.)*+'|\"(?:[^\"\\\\]|\\\\.)*+\""
              + "|(?<![\\w.`)\\]])[A-Za-z_]\\w*+(?:\\.(?:[A-Za-z_]\\w*+|`[^`]++`))*+");

  private static final Pattern IDENTIFIER = Pattern.compile("[A-Za-z_]\\w*");
  private static final Pattern ITEM = Pattern.compile("\\(\\s*+([A-Za-z_]\\w*+)\\s*+,");
  private static final Set<String> OVER_ITEMS =
      Set.of("map", "filter", "exists", "all", "exists_one", "existsOne");

  /** The path with the new end of the way wherever it leads through the field. */
  FieldPath path(FieldPath path, Predicate<FieldPath> isField) {
    FieldPath followed = FieldPath.ROOT;
    for (int i = 0; i < path.length(); i++) {
      followed = followed.then(path.steps().get(i));
      if (endsWith(followed.steps(), was.steps()) && isField.test(path.first(i + 1))) {
        followed = followed.first(followed.length() - was.length()).then(is);
      }
    }
    return followed;
  }

  private static <T> boolean endsWith(List<T> all, List<T> end) {
    return all.size() >= end.size() && all.subList(all.size() - end.size(), all.size()).equals(end);
  }

  /**
   * A formula with the new end of the way; texts in quotes are left alone.
   *
   * @param isField whether names, the first of which is a variable, lead to the field
   */
  String formula(String text, Predicate<List<String>> isField) {
    Map<String, List<String>> items = new HashMap<>();
    Matcher token = TOKEN.matcher(text);
    StringBuilder followed = new StringBuilder();
    while (token.find()) {
      String found = token.group();
      boolean quoted = found.startsWith("'") || found.startsWith("\"");
      token.appendReplacement(
          followed,
          Matcher.quoteReplacement(
              quoted ? found : names(found, text.substring(token.end()), items, isField)));
    }
    return token.appendTail(followed).toString();
  }

  /**
   * @param after what stands behind them in the formula
   * @param items what variables for the items of a list stand for; more are added here
   */
  private String names(
      String found,
      String after,
      Map<String, List<String>> items,
      Predicate<List<String>> isField) {
    List<String> names = new ArrayList<>(Arrays.asList(found.replace("`", "").split("\\.")));
    List<String> function = new ArrayList<>();
    if (after.startsWith("(")) {
      function.add(names.removeLast());
    }
    if (names.isEmpty()) {
      return found;
    }
    List<String> whole = new ArrayList<>(items.getOrDefault(names.getFirst(), names.subList(0, 1)));
    int before = whole.size() - 1;
    whole.addAll(names.subList(1, names.size()));
    Matcher item = ITEM.matcher(after);
    if (function.stream().anyMatch(OVER_ITEMS::contains) && item.lookingAt()) {
      items.put(item.group(1), whole);
    }
    List<String> old = words(was);
    for (int end = whole.size(); end - old.size() >= before; end--) {
      if (endsWith(whole.subList(0, end), old) && isField.test(whole.subList(0, end))) {
        int at = end - old.size() - before;
        List<String> changed = new ArrayList<>(names);
        changed.subList(at, at + old.size()).clear();
        changed.addAll(at, words(is));
        changed.addAll(function);
        return written(changed, found);
      }
    }
    return found;
  }

  private static List<String> words(FieldPath path) {
    return path.steps().stream()
        .map(step -> step instanceof Step.Name named ? named.name() : step.toString())
        .toList();
  }

  /** A variable can have no name that has to stand in quotes. */
  private static String written(List<String> names, String otherwise) {
    if (!IDENTIFIER.matcher(names.getFirst()).matches()) {
      return otherwise;
    }
    StringBuilder written = new StringBuilder(names.getFirst());
    for (String name : names.subList(1, names.size())) {
      written.append('.').append(IDENTIFIER.matcher(name).matches() ? name : '`' + name + '`');
    }
    return written.toString();
  }
}
