package org.mapsel.core.read.sample;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.mapsel.core.declare.DataType;
import org.mapsel.core.declare.DataType.ListOf;
import org.mapsel.core.declare.DataType.Member;
import org.mapsel.core.declare.DataType.Simple;
import org.mapsel.core.declare.DataType.Structure;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.Wire;

/**
 * Values of a request that are parameters, instead of being sent as they were given. Each has a key
 * that says where it stands: {@code query order}, {@code body/day}.
 */
final class ParameterMarks {

  static final String BODY = "body";

  private ParameterMarks() {}

  static String parameter(Wire.In in, String name) {
    return in.name().toLowerCase(Locale.ROOT) + " " + name;
  }

  /** Nothing for what is no value of a request. */
  static Optional<String> key(List<Field> way) {
    if (way.isEmpty()) {
      return Optional.empty();
    }
    return switch (way.get(0).wire()) {
      case Wire.Parameter parameter -> Optional.of(parameter(parameter.in(), parameter.name()));
      case Wire.Body body ->
          Optional.of(
              BODY
                  + way.stream()
                      .skip(1)
                      .map(field -> "/" + nameOf(field))
                      .collect(Collectors.joining()));
      default -> Optional.empty();
    };
  }

  private static String nameOf(Field field) {
    return switch (field.wire()) {
      case Wire.Member member -> member.name();
      case Wire.XmlElement element -> element.name().local();
      case Wire.XmlAttribute attribute -> attribute.label();
      case Wire.FormPart part -> part.name();
      default -> field.name();
    };
  }

  /**
   * A type that says which of its values are sent as they were given.
   *
   * @param key where the type stands
   * @param marked the keys of those that are parameters
   */
  static DataType in(DataType type, String key, Set<String> marked) {
    return switch (type.form()) {
      case Structure structure ->
          type.withForm(
              new Structure(
                  structure.bases(),
                  structure.members().stream()
                      .map(
                          member ->
                              new Member(
                                  member.name(),
                                  in(member.type(), key + "/" + member.name(), marked)))
                      .toList(),
                  structure.required(),
                  structure.variants(),
                  structure.others()));
      case ListOf list -> {
        boolean ofValues = list.item().form() instanceof Simple;
        yield ofValues && !marked.contains(key)
            ? type.withHints(type.hints().asGiven())
            : type.withForm(new ListOf(in(list.item(), key, marked), list.occurrence()));
      }
      case Simple simple -> marked.contains(key) ? type : type.withHints(type.hints().asGiven());
      default -> type;
    };
  }
}
