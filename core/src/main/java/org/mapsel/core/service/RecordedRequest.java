package org.mapsel.core.service;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.Shapes;

/**
 * A request as somebody gave it, taken apart where its values stand. What nobody fills is sent as
 * it was given, to the character.
 *
 * @param headers those that are sent as they were given
 * @param query what stands behind the question mark of the address
 * @param body empty where none was sent
 * @param answer what was given as an answer to it
 */
public record RecordedRequest(
    Map<String, String> headers,
    List<Piece> query,
    List<Piece> body,
    Optional<GivenAnswer> answer) {

  public RecordedRequest {
    headers = Collections.unmodifiableMap(new LinkedHashMap<>(headers));
    query = List.copyOf(query);
    body = List.copyOf(body);
  }

  /**
   * An answer as somebody gave it.
   *
   * @param mediaType empty where it was not said
   */
  public record GivenAnswer(int status, String mediaType, String body) {}

  /** A stretch of text. */
  public sealed interface Piece {}

  /** What stays whatever the values are. */
  public record Around(String text) implements Piece {}

  /**
   * One value.
   *
   * @param steps the names on the wire that lead to it from the record or item around it
   * @param given what it says, without the escapes of where it stands; none if it must be filled
   * @param raw how it stands there
   * @param before what comes before another value in its place
   * @param after what comes after another value in its place
   */
  public record One(
      List<String> steps, Optional<String> given, String raw, String before, String after)
      implements Piece {

    public One {
      steps = List.copyOf(steps);
    }
  }

  /**
   * Values, or groups of them, that stand one after the other under the same name; perhaps just
   * one.
   *
   * @param steps the names on the wire that lead to them from the record or item around them
   * @param first the number of the first of them, from 0: others may have come before
   * @param last whether no more of them come
   * @param items each as it was given
   * @param between what separates them
   */
  public record Run(
      List<String> steps, int first, boolean last, List<List<Piece>> items, String between)
      implements Piece {

    public Run {
      steps = List.copyOf(steps);
      items = items.stream().map(List::copyOf).toList();
    }
  }

  /** The field that has a name on the wire. */
  public static Optional<Field> named(List<Field> fields, String step) {
    return fields.stream().filter(field -> field.wire().label().equals(step)).findFirst();
  }

  /**
   * The fields that steps lead through, each inside the one before.
   *
   * @param fields what the first step chooses from
   * @return nothing if they lead nowhere
   */
  public static List<Field> way(Shapes shapes, List<Field> fields, List<String> steps) {
    List<Field> way = new ArrayList<>();
    List<Field> here = fields;
    for (String step : steps) {
      Optional<Field> next = named(here, step);
      if (next.isEmpty()) {
        return List.of();
      }
      way.add(next.get());
      here = shapes.fieldsOf(next.get().shape());
    }
    return way;
  }
}
