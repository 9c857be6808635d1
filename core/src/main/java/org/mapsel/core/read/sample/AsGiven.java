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
 * Values of a request that are sent as they were given, instead of being parameters. Each has a key
 * that says where it stands: {@code query order}, {@code body/day}.
 */
final class AsGiven {

  static final String BODY = "body";

  private AsGiven() {}

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
      case Wire.XmlAttribute attribute -> attribute.name().local();
      case Wire.FormPart part -> part.name();
      default -> field.name();
    };
  }

  /**
   * A type whose values cannot be changed where they are to stay.
   *
   * @param key where the type stands
   * @param kept the keys of what stays
   */
  static DataType in(DataType type, String key, Set<String> kept) {
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
                                  in(member.type(), key + "/" + member.name(), kept)))
                      .toList(),
                  structure.required(),
                  structure.variants(),
                  structure.others()));
      case ListOf list -> type.withForm(new ListOf(in(list.item(), key, kept), list.occurrence()));
      case Simple simple ->
          kept.contains(key) && type.preset().isPresent()
              ? type.fixedTo(type.preset().get())
              : type;
      default -> type;
    };
  }
}
