package org.mapsel.core.appfile;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.mapsel.core.json.PathJson;
import org.mapsel.core.ref.FieldPath;
import tools.jackson.databind.JsonNode;

/** A value in a JSON document, with the way to it for messages. */
record Json(JsonNode node, String place) {

  /** Something else stands there than was expected. */
  static final class Wrong extends RuntimeException {
    private static final long serialVersionUID = 1L;

    private final String place;
    private final String expected;

    Wrong(String place, String expected) {
      super(place, null, false, false);
      this.place = place;
      this.expected = expected;
    }

    String place() {
      return place.isEmpty() ? "/" : place;
    }

    String expected() {
      return expected;
    }
  }

  Wrong wrong(String expected) {
    return new Wrong(place, expected);
  }

  private Json member(String name) {
    return new Json(node.path(name), place + "/" + name);
  }

  Json get(String name) {
    Json member = member(name);
    if (member.node.isMissingNode()) {
      throw member.wrong("something");
    }
    return member;
  }

  Optional<Json> find(String name) {
    Json member = member(name);
    return member.node.isMissingNode() || member.node.isNull()
        ? Optional.empty()
        : Optional.of(member);
  }

  String text() {
    return node.asStringOpt().filter(text -> node.isString()).orElseThrow(() -> wrong("a text"));
  }

  String text(String name) {
    return get(name).text();
  }

  Optional<String> findText(String name) {
    return find(name).map(Json::text);
  }

  /** A text that says which of several things it is. */
  String kind() {
    return text("kind");
  }

  int number() {
    if (!node.isIntegralNumber() || !node.canConvertToInt()) {
      throw wrong("a whole number");
    }
    return node.intValue();
  }

  boolean flag() {
    if (!node.isBoolean()) {
      throw wrong("true or false");
    }
    return node.booleanValue();
  }

  /** The items of a list; a list that is left out is empty. */
  <T> List<T> list(String name, Function<Json, T> reader) {
    Optional<Json> found = find(name);
    if (found.isEmpty()) {
      return List.of();
    }
    Json list = found.get();
    if (!list.node.isArray()) {
      throw list.wrong("a list");
    }
    List<T> items = new ArrayList<>();
    for (int i = 0; i < list.node.size(); i++) {
      items.add(reader.apply(new Json(list.node.get(i), list.place + "/" + i)));
    }
    return items;
  }

  /** The members of an object in their order; one that is left out has none. */
  <T> Map<String, T> members(String name, Function<Json, T> reader) {
    Map<String, T> members = new LinkedHashMap<>();
    find(name)
        .ifPresent(
            object ->
                object
                    .node
                    .properties()
                    .forEach(
                        one ->
                            members.put(
                                one.getKey(),
                                reader.apply(
                                    new Json(one.getValue(), object.place + "/" + one.getKey())))));
    return members;
  }

  FieldPath path(String name) {
    Json path = get(name);
    return PathJson.read(path.node).orElseThrow(() -> path.wrong("a path"));
  }

  <T extends Enum<T>> T choice(Class<T> type) {
    String text = text();
    for (T constant : type.getEnumConstants()) {
      if (name(constant).equals(text)) {
        return constant;
      }
    }
    throw wrong("one of " + Arrays.stream(type.getEnumConstants()).map(Json::name).toList());
  }

  /** How a constant is written: {@code DATE_TIME} as {@code dateTime}. */
  static String name(Enum<?> constant) {
    StringBuilder name = new StringBuilder();
    for (String word : constant.name().toLowerCase(Locale.ROOT).split("_")) {
      name.append(
          name.isEmpty()
              ? word
              : word.substring(0, 1).toUpperCase(Locale.ROOT) + word.substring(1));
    }
    return name.toString();
  }
}
