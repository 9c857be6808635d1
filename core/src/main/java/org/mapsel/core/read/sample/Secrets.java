package org.mapsel.core.read.sample;

import java.nio.charset.StandardCharsets;
import java.util.LinkedHashSet;
import java.util.Locale;
import java.util.Set;
import java.util.function.Predicate;
import org.mapsel.core.document.SecretNames;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.document.ValuesByName;
import org.mapsel.core.document.ValuesByName.Lead;

/**
 * Takes what nobody may see out of a sample before anything else looks at it, so that it is neither
 * kept nor shown: headers and cookies that prove who calls, users with their passwords, and values
 * whose name says that they may be secret.
 */
public final class Secrets {

  /** What stands in the place of a secret. */
  static final String HIDDEN = "\u2022\u2022\u2022";

  private static final ValuesByName.Mask MASK = new ValuesByName.Mask(HIDDEN, true);

  private static final Set<String> HEADERS =
      Set.of("authorization", "proxy-authorization", "cookie", "set-cookie");

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
    String clean =
        ValuesByName.hide(
            text, (lead, name) -> isSecret(lead, name) && !plain.test(name), MASK, names::add);
    return new Cleaned(clean, names);
  }

  /** A text without what looks secret in it, whoever says otherwise. */
  public static String hiddenIn(String text) {
    return clean(text, name -> false).text();
  }

  /** The names of what looks secret in samples. */
  public static Set<String> namesIn(SourceText samples) {
    return clean(new String(samples.bytes(), StandardCharsets.UTF_8), name -> false).names();
  }

  private static boolean isSecret(Lead lead, String name) {
    return switch (lead) {
      case OPTION, USER -> true;
      // Members that are called just so are the keys of keyed values.
      case MEMBER, INNER_MEMBER, ITEMS, ELEMENT, ATTRIBUTE ->
          SecretNames.mayBeSecret(name) && !name.equalsIgnoreCase("key");
      // Counts are called after what they count.
      case NUMBER, INNER_NUMBER -> SecretNames.isSecret(name) && !name.endsWith("s");
      default -> isHeader(name);
    };
  }

  /** Whether a header proves who calls; it belongs under access. */
  public static boolean isHeader(String name) {
    return HEADERS.contains(name.toLowerCase(Locale.ROOT)) || SecretNames.mayBeSecret(name);
  }
}
