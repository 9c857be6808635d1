package org.mapsel.core.sample;

import com.google.re2j.Pattern;
import com.google.re2j.PatternSyntaxException;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.mapsel.core.shape.Facets;
import org.mapsel.core.value.PatternSize;

/**
 * Texts that a pattern facet lets in: made from the simple ones, looked for among a few others.
 * Matching takes linear time, so that no pattern of a description can hold anybody up.
 */
final class PatternSamples {

  private static final int MAX_REPEAT = 1_000;

  private PatternSamples() {}

  /**
   * A text that all patterns let in, of those that are easily found.
   *
   * @param item which item of a list it is for, from 0 on; each has another text where there is one
   */
  static Optional<String> find(Facets facets, List<String> tries, int item) {
    Optional<String> found = find(facets, tries);
    return item <= 0
        ? found
        : found.map(
            text ->
                Stream.of('0', 'a', 'A')
                    .map(first -> counted(text, item, first))
                    .filter(other -> !other.equals(text) && matches(facets, other))
                    .findFirst()
                    .orElse(text));
  }

  /** A text so many further, counting with its digits or with its letters. */
  private static String counted(String text, int by, char first) {
    int base = first == '0' ? 10 : 26;
    char[] signs = text.toCharArray();
    long carry = by;
    for (int i = signs.length - 1; i >= 0 && carry > 0; i--) {
      if (signs[i] >= first && signs[i] < first + base) {
        long value = signs[i] - first + carry;
        signs[i] = (char) (first + value % base);
        carry = value / base;
      }
    }
    return carry > 0 ? text : new String(signs);
  }

  private static Optional<String> find(Facets facets, List<String> tries) {
    if (facets.patterns().stream().anyMatch(PatternSize::isTooLarge)) {
      return Optional.empty();
    }
    String pattern = facets.patterns().get(facets.patterns().size() - 1);
    Optional<String> made = Optional.ofNullable(new Maker(pattern).make());
    if (made.isPresent() && matches(facets, made.get())) {
      return made;
    }
    return tries.stream().filter(text -> matches(facets, text)).findFirst();
  }

  private static boolean matches(Facets facets, String text) {
    try {
      return facets.patterns().stream().allMatch(pattern -> Pattern.matches(re2Of(pattern), text))
          && text.length() >= facets.minLength().orElse(0)
          && text.length() <= facets.maxLength().orElse(Integer.MAX_VALUE);
    } catch (PatternSyntaxException e) {
      // XML Schema knows classes that RE2 does not; the server will have the last word.
      return false;
    }
  }

  /** The name classes of XML (part 2, appendix F) in RE2's spelling. */
  private static String re2Of(String pattern) {
    return pattern.replace("\\i", "[A-Za-z_:]").replace("\\c", "[-A-Za-z0-9._:]");
  }

  /** Walks a pattern and takes the first way through; gives up on anything unusual. */
  private static final class Maker {

    private final String pattern;
    private int at;

    Maker(String pattern) {
      this.pattern = pattern;
    }

    @org.jspecify.annotations.Nullable
    String make() {
      try {
        String made = alternatives();
        return at == pattern.length() ? made : null;
      } catch (IndexOutOfBoundsException | NumberFormatException e) {
        return null;
      }
    }

    private String alternatives() {
      String first = sequence();
      while (at < pattern.length() && pattern.charAt(at) == '|') {
        at++;
        sequence();
      }
      return first;
    }

    private String sequence() {
      StringBuilder made = new StringBuilder();
      while (at < pattern.length() && pattern.charAt(at) != '|' && pattern.charAt(at) != ')') {
        String atom = atom();
        made.append(atom.repeat(repeats()));
      }
      return made.toString();
    }

    private String atom() {
      char c = pattern.charAt(at++);
      return switch (c) {
        case '(' -> {
          if (pattern.startsWith("?:", at)) {
            at += 2;
          }
          String inside = alternatives();
          at++;
          yield inside;
        }
        case '[' -> characterClass();
        case '\\' -> escaped(pattern.charAt(at++));
        case '.' -> "a";
        case '^', '$' -> "";
        default -> String.valueOf(c);
      };
    }

    private static String escaped(char c) {
      return switch (c) {
        case 'd' -> "1";
        case 'w', 'i', 'c' -> "a";
        case 's' -> " ";
        case 'D', 'S' -> "a";
        case 'n' -> "\n";
        case 't' -> "\t";
        default -> String.valueOf(c);
      };
    }

    private String characterClass() {
      int start = at;
      boolean negated = pattern.charAt(at) == '^';
      String first =
          negated
              ? ""
              : pattern.charAt(at) == '\\'
                  ? escaped(pattern.charAt(at + 1))
                  : String.valueOf(pattern.charAt(at));
      while (pattern.charAt(at) != ']') {
        at += pattern.charAt(at) == '\\' ? 2 : 1;
      }
      at++;
      if (!negated) {
        return first;
      }
      String whole = pattern.substring(start - 1, at);
      for (char c = 'A'; c <= 'z'; c++) {
        if (Pattern.matches(whole, String.valueOf(c))) {
          return String.valueOf(c);
        }
      }
      return "-";
    }

    private int repeats() {
      if (at >= pattern.length()) {
        return 1;
      }
      switch (pattern.charAt(at)) {
        case '*', '?' -> {
          at++;
          return 0;
        }
        case '+' -> {
          at++;
          return 1;
        }
        case '{' -> {
          int end = pattern.indexOf('}', at);
          String least = pattern.substring(at + 1, end).split(",")[0];
          at = end + 1;
          return Math.min(Integer.parseInt(least), MAX_REPEAT);
        }
        default -> {
          return 1;
        }
      }
    }
  }
}
