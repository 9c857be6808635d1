package org.mapsel.core.document;

import java.util.HashMap;
import java.util.Map;
import java.util.function.BiPredicate;
import java.util.function.Consumer;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Hides values in messages, and in commands and files that hold messages, by the names that lead to
 * them: as headers, elements, attributes, members, pairs of an address or a form, and parts. What
 * stands around stays as it is. Takes time in proportion to the text.
 */
public final class ValuesByName {

  /** What stands in the place of a value, in bytes of any charset. */
  public static final String MASK = "******";

  /** Letters beyond ASCII are of names, too, as characters and as their bytes in UTF-8. */
  private static final String NAME = "([A-Za-z0-9_.\\[\\]$\\u0080-\\uffff-]{1,100})";

  /** In addresses and forms everything else is written with these. */
  private static final String ENCODED = "([A-Za-z0-9_.\\[\\]$\\u0080-\\uffff%+*-]{1,100})";

  /** In JSON a name is any text. */
  private static final String ANY = "([^\"\\\\]{1,100})";

  /** What leads to a value, up to where it begins. */
  public enum Lead {
    /** A header in quotes, as commands have it. */
    QUOTED_HEADER(":", "['\"]" + NAME + "\\s{0,9}:\\s{0,9}(?![/\\s])"),
    /** A header without quotes: other than prefixes of XML its name has more than one word. */
    BARE_HEADER(
        ":", "\\s([A-Za-z0-9]{1,100}-[A-Za-z0-9-]{1,100}|[Cc]ookie|[Aa]uthorization):(?!//)"),
    /** A header on a line of its own. */
    LINE_HEADER(":", "^" + NAME + "[ \\t]{0,9}:"),
    OPTION("-", "\\s(-[sSkLvifgNjqRGI]{0,9}[ub]|--user|--cookie)[ =]?(?=[^\\s=])"),
    USER("://", "([A-Za-z]{1,30})://(?=[^/@\\s'\"]{1,1000}@)"),
    /** A header or a field of a form in a HAR file, as it is written again. */
    NAMED("\"name\":", "\"name\":\"" + NAME + "\",\"value\":\""),
    /** A value in an address or a form. */
    PAIR("=", "[?&'\"\\s]" + ENCODED + "=(?!\\\\?['\"])"),
    ATTRIBUTE("=", "\\s" + NAME + "=\\\\?['\"]"),
    MEMBER("\"", "\"" + ANY + "\"\\s{0,9}:\\s{0,9}\""),
    /** A member in JSON that stands in a text itself. */
    INNER_MEMBER("\\\"", "\\\\\"" + ANY + "\\\\\"\\s{0,9}:\\s{0,9}\\\\\""),
    NUMBER("\"", "\"" + ANY + "\"\\s{0,9}:\\s{0,9}(?=[-0-9])"),
    INNER_NUMBER("\\\"", "\\\\\"" + ANY + "\\\\\"\\s{0,9}:\\s{0,9}(?=[-0-9])"),
    /** A list of values in JSON. */
    ITEMS("[", "\"" + ANY + "\"\\s{0,9}:\\s{0,9}\\[(?=\\s{0,9}[-0-9\"])"),
    /** A part of a body of several. */
    PART("name=", ";\\s{0,9}name=\\\\?\"" + NAME + "\\\\?\""),
    ELEMENT("<", "<(?:[A-Za-z][\\w.-]{0,100}:)?" + NAME + "(?:\\s[^<>]*)?>(?!</)");

    /** Where this does not stand, there is none. */
    private final String sign;

    private final Pattern pattern;

    Lead(String sign, String expression) {
      this.sign = sign;
      this.pattern = Pattern.compile(expression, Pattern.MULTILINE);
    }
  }

  private static final Pattern NUMBER_END = Pattern.compile("[^-+.0-9eE]");

  /** An empty line, also as commands write it, and a line that begins with two hyphens. */
  private static final Pattern EMPTY_LINE =
      Pattern.compile("(?:\\r?\\n|\\\\r\\\\n|\\\\n)(?:\\r?\\n|\\\\r\\\\n|\\\\n)");

  private static final Pattern PART_END = Pattern.compile("(?:\\r?\\n|\\\\r\\\\n|\\\\n)--");
  private static final int LONGEST_PART_HEAD = 300;

  private ValuesByName() {}

  /**
   * A text in which some values are hidden.
   *
   * @param which whether the value behind a lead and a name is one of them; the name of an option
   *     is the option, that of a user the scheme of the address
   * @param mask what stands in their place
   * @param hidden told the name of each
   */
  public static String hide(
      String text, BiPredicate<Lead, String> which, Mask mask, Consumer<String> hidden) {
    String hiding = text;
    for (Lead lead : Lead.values()) {
      if (hiding.contains(lead.sign)) {
        hiding = hide(hiding, lead, which, mask, hidden);
      }
    }
    return hiding;
  }

  /**
   * What stands in the place of values.
   *
   * @param text in the place of texts
   * @param numbers whether numbers in JSON stay numbers, all of them 0; else they become texts
   */
  public record Mask(String text, boolean numbers) {

    private String replacement(Lead lead) {
      return switch (lead) {
        case USER -> "";
        case NUMBER -> numbers ? "0" : '"' + text + '"';
        case INNER_NUMBER -> numbers ? "0" : "\\\"" + text + "\\\"";
        case ITEMS -> '"' + text + '"';
        case LINE_HEADER -> " " + text;
        default -> text;
      };
    }
  }

  private static String hide(
      String text, Lead lead, BiPredicate<Lead, String> which, Mask mask, Consumer<String> hidden) {
    Map<String, Boolean> known = new HashMap<>();
    String replacement = mask.replacement(lead);
    Matcher matcher = lead.pattern.matcher(text);
    StringBuilder hiding = new StringBuilder();
    int done = 0;
    int from = 0;
    while (from <= text.length() && matcher.find(from)) {
      String name = matcher.group(1);
      from = Math.max(matcher.end(), from + 1);
      if (!known.computeIfAbsent(name, asked -> which.test(lead, asked))) {
        continue;
      }
      int start = lead == Lead.PART ? partStart(text, matcher.end()) : matcher.end();
      int end = end(text, start, lead);
      String value = text.substring(start, Math.max(start, end));
      if (value.isBlank() || value.equals(replacement)) {
        continue;
      }
      hidden.accept(name);
      hiding.append(text, done, start).append(replacement);
      // An address with anything in the user's place would be none.
      done = lead == Lead.USER ? end + 1 : end;
      from = Math.max(done, from);
    }
    return done == 0 ? text : hiding.append(text, done, text.length()).toString();
  }

  private static int end(String text, int start, Lead lead) {
    return switch (lead) {
      case QUOTED_HEADER -> before(text, start, "'\"\r\n");
      case BARE_HEADER -> before(text, start, " \t\r\n'\"");
      case LINE_HEADER -> before(text, start, "\r\n");
      case OPTION -> optionEnd(text, start);
      case USER -> text.indexOf('@', start);
      case PAIR -> before(text, start, " \t\r\n&'\"<");
      case ATTRIBUTE -> before(text, start, "\"'<\\");
      case NAMED, MEMBER -> textEnd(text, start);
      case INNER_MEMBER -> innerTextEnd(text, start);
      case NUMBER, INNER_NUMBER -> found(NUMBER_END, text, start);
      case ITEMS -> before(text, start, "]");
      case PART -> found(PART_END, text, start);
      case ELEMENT -> elementEnd(text, start);
    };
  }

  private static int before(String text, int start, String ends) {
    int end = start;
    while (end < text.length() && ends.indexOf(text.charAt(end)) < 0) {
      end++;
    }
    return end;
  }

  private static int found(Pattern pattern, String text, int start) {
    Matcher end = pattern.matcher(text);
    return end.find(start) ? end.start() : text.length();
  }

  private static int optionEnd(String text, int start) {
    char first = text.charAt(start);
    if (first != '\'' && first != '"') {
      return before(text, start, " \t\r\n'\"");
    }
    int quote = text.indexOf(first, start + 1);
    return quote < 0 ? text.length() : quote + 1;
  }

  /** The quote that ends a text in JSON. */
  private static int textEnd(String text, int start) {
    int end = start;
    while (end < text.length() && text.charAt(end) != '"') {
      end += text.charAt(end) == '\\' ? 2 : 1;
    }
    return Math.min(end, text.length());
  }

  /** The same in JSON that stands in a text itself: every escape is escaped once more. */
  private static int innerTextEnd(String text, int start) {
    int end = start;
    while (end < text.length() && text.charAt(end) != '"') {
      if (text.charAt(end) != '\\') {
        end++;
      } else if (text.startsWith("\\\\", end)) {
        end += end + 2 < text.length() && text.charAt(end + 2) == '\\' ? 4 : 3;
      } else {
        return end;
      }
    }
    return Math.min(end, text.length());
  }

  /** Where the content of a part begins; nowhere if its head does not end. */
  private static int partStart(String text, int from) {
    Matcher line = EMPTY_LINE.matcher(text);
    line.region(from, Math.min(text.length(), from + LONGEST_PART_HEAD));
    return line.find() ? line.end() : text.length();
  }

  /** An element of other elements has no value of its own. */
  private static int elementEnd(String text, int start) {
    int end = before(text, start, "<");
    while (text.startsWith("<![CDATA[", end)) {
      int close = text.indexOf("]]>", end);
      end = close < 0 ? text.length() : before(text, close + 3, "<");
    }
    return end;
  }
}
