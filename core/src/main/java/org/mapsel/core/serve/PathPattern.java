package org.mapsel.core.serve;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The path of an operation, against which paths are held.
 *
 * @param names of the values in the path, in their order
 * @param literals how many characters of it are the same for all; more of them go first
 */
record PathPattern(Pattern pattern, List<String> names, int literals) {

  private static final Pattern PLACE = Pattern.compile("\\{([^{}]*)}");

  /** A path with {@code {name}} for each value, which is a whole segment or a part of one. */
  static PathPattern of(String path) {
    StringBuilder pattern = new StringBuilder();
    List<String> names = new ArrayList<>();
    Matcher place = PLACE.matcher(path);
    int end = 0;
    int literals = 0;
    while (place.find()) {
      pattern.append(Pattern.quote(path.substring(end, place.start()))).append("([^/]*?)");
      literals += place.start() - end;
      names.add(place.group(1));
      end = place.end();
    }
    pattern.append(Pattern.quote(path.substring(end)));
    return new PathPattern(
        Pattern.compile(pattern.toString()), names, literals + path.length() - end);
  }

  /** The values in a path by their name, as they were sent; nothing if it is another path. */
  Optional<Map<String, String>> match(String path) {
    Matcher matcher = pattern.matcher(path);
    if (!matcher.matches()) {
      return Optional.empty();
    }
    Map<String, String> values = new LinkedHashMap<>();
    for (int i = 0; i < names.size(); i++) {
      values.put(names.get(i), matcher.group(i + 1));
    }
    return Optional.of(values);
  }
}
