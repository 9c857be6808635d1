package org.mapsel.core.read.sample;

import java.util.LinkedHashSet;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Takes what nobody may see out of a sample before anything else looks at it, so that it is neither
 * kept nor shown: headers and cookies that prove who calls, users with their passwords, and values
 * whose name says that they are secret.
 */
public final class Secrets {

  /** What stands in the place of a secret. */
  static final String HIDDEN = "\u2022\u2022\u2022";

  private static final String HEADERS =
      "(?:proxy-)?authorization|(?:set-)?cookie|(?:x-)?api-?key|x-auth-token|x-csrf-token";
  private static final String NAMES =
      "api[-_]?key|access[-_]?token|refresh[-_]?token|id[-_]?token|token|password|passwd|pwd|secret"
          + "|client[-_]?secret|session[-_]?id|signature|sig";

  /** The end of a line, also as commands write it. */
  private static final String END = "(?:\\r?\\n|\\\\r\\\\n|\\\\n)";

  /** Each keeps its first group, which names the secret in its second. */
  private static final Pattern[] PLACES = {
    // A header in quotes, as commands have it, without them, and on a line of its own.
    pattern("(['\"](" + HEADERS + ")\\s*:\\s*)[^'\"\\r\\n]*"),
    pattern("(\\s(" + HEADERS + "):)[^\\s'\"]+"),
    pattern("(^(" + HEADERS + ")\\s*:\\s*).+$"),
    pattern("(\\s(-[sSkLvifgNjqRGI]*[ub]|--user|--cookie)[ =]?)('[^']*'|\"[^\"]*\"|[^\\s'\"]+)"),
    pattern("(([a-z]+)://)[^/@\\s'\"]+@"),
    // A header or a field of a form in a HAR file, as it is written again.
    pattern("(\"name\":\"(" + HEADERS + "|" + NAMES + ")\",\"value\":\")(?:[^\"\\\\]|\\\\.)+"),
    // A value in an address or a form, and in JSON.
    pattern("([?&'\"\\s](" + NAMES + ")=)[^&\\s'\"<]+"),
    pattern("(\\\\?\"(" + NAMES + ")\\\\?\"\\s*:\\s*\\\\?\")[^\"\\\\]+"),
    // A part of a body of several.
    pattern(
        "(;\\s*name=\\\\?\"(NAMES)\\\\?\"(?:(?!END END)[\\s\\S]){0,300}END END)(?:(?!END).)+"
            .replace(" ", "")
            .replace("NAMES", NAMES)
            .replace("END", END)),
    pattern("(<(?:[a-z][\\w.-]*:)?(" + NAMES + ")(?:\\s[^>]*)?>)[^<]+"),
  };

  private Secrets() {}

  private static Pattern pattern(String expression) {
    return Pattern.compile(expression, Pattern.CASE_INSENSITIVE | Pattern.MULTILINE);
  }

  /**
   * A text that may be shown.
   *
   * @param names what was taken out, by the name it had
   */
  public record Cleaned(String text, Set<String> names) {}

  /** A text without what looks secret in it. */
  public static Cleaned clean(String text) {
    Set<String> names = new LinkedHashSet<>();
    String clean = text;
    for (Pattern place : PLACES) {
      Matcher secret = place.matcher(clean);
      clean =
          secret.replaceAll(
              found -> {
                if (!found.group().endsWith(HIDDEN)) {
                  names.add(found.group(2));
                }
                // An address with a user in it would be none with anything else in the user's
                // place.
                boolean user = found.group(1).endsWith("://");
                return Matcher.quoteReplacement(found.group(1) + (user ? "" : HIDDEN));
              });
    }
    return new Cleaned(clean, names);
  }

  /** Whether a header proves who calls; it belongs under access. */
  static boolean isHeader(String name) {
    return name.matches("(?i)" + HEADERS);
  }
}
