package org.mapsel.core.json;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.Step;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;

/**
 * Paths as JSON: an array of steps. A name is a text; any other step is an object: {@code
 * {"key":"code","is":"LOA"}}, {@code {"at":0}}, {@code {"cut":"a(?P<b>.*)","every":true}}.
 */
public final class PathJson {

  private static final JsonNodeFactory NODES = JsonNodeFactory.instance;
  private static final String KEY = "key";
  private static final String IS = "is";
  private static final String AT = "at";
  private static final String CUT = "cut";
  private static final String EVERY = "every";

  private PathJson() {}

  public static ArrayNode write(FieldPath path) {
    ArrayNode steps = NODES.arrayNode();
    path.steps().forEach(step -> steps.add(step(step)));
    return steps;
  }

  private static JsonNode step(Step step) {
    return switch (step) {
      case Step.Name name -> NODES.stringNode(name.name());
      case Step.PickByKey pick -> NODES.objectNode().put(KEY, pick.field()).put(IS, pick.value());
      case Step.PickByPlace pick -> NODES.objectNode().put(AT, pick.place());
      case Step.Cut cut -> NODES.objectNode().put(CUT, cut.pattern()).put(EVERY, cut.every());
    };
  }

  /** The path; nothing if the JSON is none. */
  public static Optional<FieldPath> read(JsonNode json) {
    if (!json.isArray()) {
      return Optional.empty();
    }
    List<Step> steps = new ArrayList<>();
    for (JsonNode node : json) {
      Optional<Step> step = step(node);
      if (step.isEmpty()) {
        return Optional.empty();
      }
      steps.add(step.get());
    }
    return Optional.of(new FieldPath(steps));
  }

  private static Optional<Step> step(JsonNode node) {
    if (node.isString()) {
      return Optional.of(new Step.Name(node.stringValue()));
    }
    if (node.path(KEY).isString() && node.path(IS).isString()) {
      return Optional.of(
          new Step.PickByKey(node.get(KEY).stringValue(), node.get(IS).stringValue()));
    }
    if (node.path(AT).isInt()) {
      return Optional.of(new Step.PickByPlace(node.get(AT).intValue()));
    }
    return node.path(CUT).isString()
        ? Optional.of(new Step.Cut(node.get(CUT).stringValue(), node.path(EVERY).asBoolean(false)))
        : Optional.empty();
  }
}
