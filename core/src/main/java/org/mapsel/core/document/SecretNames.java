package org.mapsel.core.document;

import java.util.Arrays;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Pattern;

/** Tells by its name whether a value is one that nobody else may know. */
public final class SecretNames {

  /** Wherever one of these stands in a name, whatever stands around it. */
  private static final Pattern SURE =
      Pattern.compile(
          "token|secret|passw|passphrase|passcode|pwd|credential|apikey|accesskey|authorization");

  /** The same, but these are also names of what anybody may know. */
  private static final Pattern LIKELY = Pattern.compile("signature|session|cookie");

  private static final Set<String> SURE_WORDS = Set.of("pin", "otp");
  private static final Set<String> LIKELY_WORDS = Set.of("key", "pass", "auth", "sig");

  /** Between words: what is neither letter nor digit, and where a small letter meets a large. */
  private static final Pattern BETWEEN = Pattern.compile("[^A-Za-z0-9]+|(?<=[a-z0-9])(?=[A-Z])");

  private static final int LONGEST = 100;

  private SecretNames() {}

  /** Whether a value of that name is secret as far as anybody can tell: a password, a token. */
  public static boolean isSecret(String name) {
    return is(name, SURE, SURE_WORDS);
  }

  /**
   * Whether a value of that name may be secret, and is better not kept unless somebody says that it
   * is none: all those, and what is called a key, a session, a signature.
   */
  public static boolean mayBeSecret(String name) {
    return isSecret(name)
        || is(name, LIKELY, LIKELY_WORDS) && !name.toLowerCase(Locale.ROOT).startsWith("idempoten");
  }

  private static boolean is(String name, Pattern inside, Set<String> words) {
    if (name.length() > LONGEST) {
      return false;
    }
    String joined = name.toLowerCase(Locale.ROOT).replaceAll("[^a-z]", "");
    return inside.matcher(joined).find()
        || Arrays.stream(BETWEEN.split(name))
            .map(word -> word.toLowerCase(Locale.ROOT).replaceAll("\\d+$", ""))
            .anyMatch(words::contains);
  }
}
