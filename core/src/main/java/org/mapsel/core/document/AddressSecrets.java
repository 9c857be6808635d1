package org.mapsel.core.document;

import java.nio.charset.Charset;
import java.util.LinkedHashSet;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What addresses tell of who calls: users with their passwords (deprecated by RFC 3986, section
 * 3.2.1) and query parameters whose name says that their value is secret. Addresses are seen by
 * everybody; who calls is said by the access.
 */
public final class AddressSecrets {

  private static final Pattern USER = Pattern.compile("^([A-Za-z][A-Za-z0-9+.-]*://)[^/?#]*@");

  /** A parameter, also as XML and JSON write it; a name in braces is filled by who asks. */
  private static final Pattern PARAMETER =
      Pattern.compile("([?&;]|\\\\u0026)([A-Za-z0-9_.\\[\\]-]{1,100})=([^&#{\\s\\\\]+)");

  /** What ends an address in a document, besides every character below the space. */
  private static final String ENDS = " \"'<>`|^";

  private static final int LONGEST = 8_000;

  private AddressSecrets() {}

  /** An address without any of it. */
  public static String without(String address) {
    String plain = USER.matcher(address).replaceFirst("$1");
    int query = plain.indexOf('?');
    if (query < 0) {
      return plain;
    }
    Matcher parameter = PARAMETER.matcher(plain);
    StringBuilder kept = new StringBuilder();
    while (parameter.find()) {
      parameter.appendReplacement(
          kept,
          SecretNames.mayBeSecret(parameter.group(2))
              ? ""
              : Matcher.quoteReplacement(parameter.group()));
    }
    parameter.appendTail(kept);
    // What was first is gone, and another one takes its place.
    if (kept.length() > query && "&;".indexOf(kept.charAt(query)) >= 0) {
      kept.setCharAt(query, '?');
    }
    return kept.toString();
  }

  /** The names of what an address tells; "user" for the user. */
  public static Set<String> names(String address) {
    Set<String> names = new LinkedHashSet<>();
    hidden(address, names);
    return names;
  }

  /**
   * A document in which every address is without them, with what was hidden.
   *
   * @param names where their names are added
   */
  public static SourceText hiddenIn(SourceText document, Set<String> names) {
    String address = without(document.address());
    byte[] bytes = document.bytes();
    Charset charset = PlainCharset.of(bytes);
    String text = new String(bytes, charset);
    StringBuilder changed = new StringBuilder();
    int done = 0;
    int at = text.indexOf("://");
    while (at >= 0) {
      int start = start(text, at, done);
      int end = end(text, at + 3);
      String found = text.substring(start, end);
      String hidden = hidden(found, names);
      if (!hidden.equals(found)) {
        changed.append(text, done, start).append(hidden);
        done = end;
      }
      at = text.indexOf("://", end);
    }
    if (done == 0) {
      return address.equals(document.address()) ? document : new SourceText(address, bytes);
    }
    changed.append(text, done, text.length());
    return new SourceText(address, changed.toString().getBytes(charset));
  }

  private static int start(String text, int colon, int first) {
    int start = colon;
    while (start > first && colon - start < 20 && isOfScheme(text.charAt(start - 1))) {
      start--;
    }
    return start;
  }

  private static boolean isOfScheme(char letter) {
    return letter < 128 && (Character.isLetterOrDigit(letter) || "+.-".indexOf(letter) >= 0);
  }

  private static int end(String text, int from) {
    int end = from;
    while (end < text.length()
        && end - from < LONGEST
        && text.charAt(end) > ' '
        && ENDS.indexOf(text.charAt(end)) < 0) {
      end++;
    }
    return end;
  }

  private static String hidden(String address, Set<String> names) {
    String hidden = address;
    Matcher user = USER.matcher(address);
    if (user.find() && !user.group().endsWith("/" + ValuesByName.MASK + "@")) {
      names.add("user");
      hidden = user.replaceFirst("$1" + ValuesByName.MASK + "@");
    }
    if (hidden.indexOf('?') < 0) {
      return hidden;
    }
    return PARAMETER
        .matcher(hidden)
        .replaceAll(
            found -> {
              if (!SecretNames.mayBeSecret(found.group(2))
                  || found.group(3).startsWith(ValuesByName.MASK)) {
                return Matcher.quoteReplacement(found.group());
              }
              names.add(found.group(2));
              return Matcher.quoteReplacement(
                  found.group(1) + found.group(2) + "=" + ValuesByName.MASK);
            });
  }
}
