package org.mapsel.core.document;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A link as it stands in a header (RFC 8288, section 3) or a linkset in text (RFC 9264, section
 * 4.1).
 *
 * @param target as written, to be resolved by whoever knows against what
 * @param parameters by name in lower case, quotes taken off; of two the first counts
 */
public record WebLink(String target, Map<String, String> parameters) {

  private static final Pattern TARGET = Pattern.compile("\\G[\\s,]*<([^>]*)>");
  private static final Pattern PARAMETER =
      Pattern.compile(
          "\\G\\s*;\\s*([^\\s=;,]+)(?:\\s*=\\s*(?:\"((?:[^\"\\\\]|\\\\.)*+)\"|([^\\s;,]*)))?");

  /** The links in a text, up to the first place where it is none. */
  public static List<WebLink> read(CharSequence text) {
    List<WebLink> links = new ArrayList<>();
    Matcher target = TARGET.matcher(text);
    Matcher parameter = PARAMETER.matcher(text);
    int at = 0;
    while (target.find(at)) {
      Map<String, String> parameters = new LinkedHashMap<>();
      at = target.end();
      while (parameter.find(at)) {
        String quoted = parameter.group(2);
        String plain = parameter.group(3) == null ? "" : parameter.group(3);
        parameters.putIfAbsent(
            parameter.group(1).toLowerCase(Locale.ROOT),
            quoted == null ? plain : quoted.replaceAll("\\\\(.)", "$1"));
        at = parameter.end();
      }
      links.add(new WebLink(target.group(1).strip(), parameters));
    }
    return links;
  }

  /** Whether the link has this relation; a link may have several. */
  public boolean is(String relation) {
    return List.of(parameters.getOrDefault("rel", "").toLowerCase(Locale.ROOT).split("\\s+"))
        .contains(relation);
  }
}
