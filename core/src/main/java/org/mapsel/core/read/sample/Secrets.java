package org.mapsel.core.read.sample;

import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.mapsel.core.document.SecretNames;
import org.mapsel.core.document.SourceText;

/**
 * Takes what nobody may see out of a sample before anything else looks at it, so that it is neither
 * kept nor shown: headers and cookies that prove who calls, users with their passwords, and values
 * whose name says that they may be secret.
 */
public final class Secrets {

  /** What stands in the place of a secret. */
  static final String HIDDEN = "\u2022\u2022\u2022";

  private static final Set<String> HEADERS =
      Set.of("authorization", "proxy-authorization", "cookie", "set-cookie");

  private static final String NAME = "([A-Za-z0-9_.\\[\\]$-]{1,100})";

  /** What leads to a value that may be secret, up to where it begins. */
  private enum Lead {
    /** A header in quotes, as commands have it. */
    QUOTED_HEADER("['\"]" + NAME + "\\s{0,9}:\\s{0,9}(?![/\\s])"),
    /** A header without quotes: other than prefixes of XML its name has more than one word. */
    BARE_HEADER("\\s([A-Za-z0-9]{1,100}-[A-Za-z0-9-]{1,100}|[Cc]ookie|[Aa]uthorization):(?!//)"),
    /** A header on a line of its own. */
    LINE_HEADER("^" + NAME + "[ \\t]{0,9}:"),
    OPTION("\\s(-[sSkLvifgNjqRGI]{0,9}[ub]|--user|--cookie)[ =]?(?=[^\\s=])"),
    USER("([A-Za-z]+)://(?=[^/@\\s'\"]{1,1000}@)"),
    /** A header or a field of a form in a HAR file, as it is written again. */
    NAMED("\"name\":\"" + NAME + "\",\"value\":\""),
    /** A value in an address or a form. */
    PAIR("[?&'\"\\s]" + NAME + "=(?!\\\\?['\"])"),
    ATTRIBUTE("\\s" + NAME + "=\\\\?['\"]"),
    MEMBER("\"" + NAME + "\"\\s{0,9}:\\s{0,9}\""),
    /** A member in JSON that stands in a text itself. */
    INNER_MEMBER("\\\\\"" + NAME + "\\\\\"\\s{0,9}:\\s{0,9}\\\\\""),
    NUMBER("\"" + NAME + "\\\\?\"\\s{0,9}:\\s{0,9}(?=[-0-9])"),
    /** A part of a body of several. */
    PART(";\\s{0,9}name=\\\\?\"" + NAME + "\\\\?\""),
    ELEMENT("<(?:[A-Za-z][\\w.-]{0,100}:)?" + NAME + "(?:\\s[^<>]*)?>(?![<\\s])");

    private final Pattern pattern;

    Lead(String expression) {
      this.pattern = Pattern.compile(expression, Pattern.MULTILINE);
    }

    /** Whether a name says that the value behind it may be secret. */
    private boolean tells(String name) {
      return switch (this) {
        case OPTION, USER -> true;
        // Members that are called just so are the keys of keyed values.
        case MEMBER, INNER_MEMBER, ELEMENT, ATTRIBUTE ->
            SecretNames.mayBeSecret(name) && !name.equalsIgnoreCase("key");
        // Counts are called after what they count.
        case NUMBER -> SecretNames.isSecret(name) && !name.endsWith("s");
        default -> isHeader(name);
      };
    }
  }

  private static final Pattern NUMBER_END = Pattern.compile("[^-+.0-9eE]");

  /** An empty line, also as commands write it, and a line that begins with two hyphens. */
  private static final Pattern EMPTY_LINE =
      Pattern.compile("(?:\\r?\\n|\\\\r\\\\n|\\\\n)(?:\\r?\\n|\\\\r\\\\n|\\\\n)");

  private static final Pattern PART_END = Pattern.compile("(?:\\r?\\n|\\\\r\\\\n|\\\\n)--");
  private static final int LONGEST_PART_HEAD = 300;

  private Secrets() {}

  /**
   * A text that may be shown.
   *
   * @param names what was taken out, by the name it had
   */
  record Cleaned(String text, Set<String> names) {}

  /**
   * A text without what looks secret in it.
   *
   * @param plain whether somebody has said that values of a name are none
   */
  static Cleaned clean(String text, Predicate<String> plain) {
    Set<String> names = new LinkedHashSet<>();
    String clean = text;
    for (Lead lead : Lead.values()) {
      Map<String, Boolean> known = new HashMap<>();
      clean =
          clean(
              clean,
              lead,
              name -> known.computeIfAbsent(name, asked -> lead.tells(asked) && !plain.test(asked)),
              names);
    }
    return new Cleaned(clean, names);
  }

  /** The names of what looks secret in samples. */
  public static Set<String> namesIn(SourceText samples) {
    return clean(new String(samples.bytes(), StandardCharsets.UTF_8), name -> false).names();
  }

  private static String clean(String text, Lead lead, Predicate<String> secret, Set<String> names) {
    Matcher matcher = lead.pattern.matcher(text);
    StringBuilder clean = new StringBuilder();
    int done = 0;
    int from = 0;
    while (from <= text.length() && matcher.find(from)) {
      String name = matcher.group(1);
      from = Math.max(matcher.end(), from + 1);
      if (!secret.test(name)) {
        continue;
      }
      int start = lead == Lead.PART ? partStart(text, matcher.end()) : matcher.end();
      int end = end(text, start, lead);
      String replacement = replacement(lead);
      if (end <= start || text.substring(start, end).equals(replacement)) {
        continue;
      }
      names.add(name);
      clean.append(text, done, start).append(replacement);
      // An address with anything in the user's place would be none.
      done = lead == Lead.USER ? end + 1 : end;
      from = Math.max(done, from);
    }
    return done == 0 ? text : clean.append(text, done, text.length()).toString();
  }

  private static String replacement(Lead lead) {
    return switch (lead) {
      case USER -> "";
      case NUMBER -> "0";
      case LINE_HEADER -> " " + HIDDEN;
      default -> HIDDEN;
    };
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
      case NUMBER -> found(NUMBER_END, text, start);
      case PART -> found(PART_END, text, start);
      case ELEMENT -> before(text, start, "<");
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

  /** Whether a header proves who calls; it belongs under access. */
  static boolean isHeader(String name) {
    return HEADERS.contains(name.toLowerCase(Locale.ROOT)) || SecretNames.mayBeSecret(name);
  }
}
