package org.mapsel.core.read.sample;

import java.net.URI;
import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;

/**
 * The steps of a path that look like values: numbers, dates, identifiers with digits in them.
 *
 * @param template the path with a name in braces for each of them
 * @param values by those names
 */
record PathValues(String template, Map<String, String> values) {

  private static final Pattern VALUE =
      Pattern.compile(
          "\\d+|\\d{4}-\\d{2}-\\d{2}.*"
              + "|[0-9a-fA-F]{8}-[0-9a-fA-F]{4}-[0-9a-fA-F]{4}-[0-9a-fA-F]{4}-[0-9a-fA-F]{12}"
              + "|[A-Z]+[-_.]?\\d[\\w.-]*|[0-9a-f]*\\d[0-9a-f]{15,}");

  /** Steps such as these tell versions apart. */
  private static final Pattern VERSION = Pattern.compile("(?i)v\\d+([._]\\d+)*|api\\d*");

  private static final Pattern NOT_IN_A_NAME = Pattern.compile("[^\\p{Alnum}_-]");

  static PathValues in(URI uri) {
    String path = uri.getRawPath() == null ? "" : uri.getRawPath();
    List<String> steps = new ArrayList<>();
    Map<String, String> values = new LinkedHashMap<>();
    String before = "";
    for (String step : path.split("/", -1)) {
      String text = URLDecoder.decode(step.replace("+", "%2B"), StandardCharsets.UTF_8);
      if (VALUE.matcher(text).matches() && !VERSION.matcher(text).matches()) {
        String name = name(before, values);
        values.put(name, text);
        steps.add("{" + name + "}");
      } else {
        steps.add(step);
        before = text;
      }
    }
    return new PathValues(String.join("/", steps), values);
  }

  /** Named after the step before, which mostly is the plural of what the value picks. */
  private static String name(String before, Map<String, String> values) {
    String plain = NOT_IN_A_NAME.matcher(before).replaceAll("");
    String one =
        plain.endsWith("ies")
            ? plain.substring(0, plain.length() - 3) + "y"
            : plain.endsWith("s") && !plain.endsWith("ss")
                ? plain.substring(0, plain.length() - 1)
                : plain;
    String wished = one.isEmpty() || VERSION.matcher(one).matches() ? "value" : one;
    String name = wished;
    for (int i = 2; values.containsKey(name); i++) {
      name = wished + i;
    }
    return name;
  }
}
