package org.mapsel.core.model;

import java.util.List;
import java.util.Optional;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.ScalarType;
import org.mapsel.core.shape.Shape;

/** Takes together what the description, the model and a page say of a field. */
public final class Looks {

  private final Model model;

  public Looks(Model model) {
    this.model = model;
  }

  /**
   * A field of a shape.
   *
   * @param path the way to it, whose last key or name it is called by if nobody says better
   * @param ref what decisions about it are kept under
   * @param only what a page alone says
   */
  public Look of(FieldPath path, Field field, Shape shape, FieldRef ref, Overrides only) {
    Overrides said = only.over(model.set(ref));
    String name =
        path.key()
            .map(Labels::of)
            .or(() -> field.hints().label())
            .orElseGet(() -> Labels.of(path.last()));
    return look(said, name, field.documentation(), field, shape);
  }

  private static Choice alternative(Field field) {
    return new Choice(field.name(), field.hints().label().orElseGet(() -> Labels.of(field.name())));
  }

  /** A derived field, whose values are of a type. */
  public Look of(DerivedField field, ScalarType type, Overrides only) {
    return look(
        only.over(field.set()),
        Labels.of(field.name()),
        "",
        type,
        Optional.empty(),
        List.of(),
        false);
  }

  /** Something that stands for no field, such as a formula. */
  public Look of(String name, ScalarType type, Overrides only) {
    return look(only, Labels.of(name), "", type, Optional.empty(), List.of(), false);
  }

  private Look look(Overrides said, String name, String help, Field field, Shape shape) {
    ScalarType type = shape instanceof Shape.Scalar scalar ? scalar.type() : ScalarType.TEXT;
    List<Choice> choices =
        switch (shape) {
          case Shape.Scalar scalar ->
              scalar.facets().enumeration().stream().map(code -> new Choice(code, code)).toList();
          case Shape.OneOf oneOf -> oneOf.alternatives().stream().map(Looks::alternative).toList();
          default -> List.of();
        };
    Look look = look(said, name, help, type, field.hints().unit(), choices, field.hints().key());
    return new Look(
        look.type(),
        look.label(),
        look.help(),
        look.format(),
        look.unit(),
        look.order(),
        look.key(),
        said.title().orElse(field.hints().title()),
        said.hidden().orElse(field.hints().hidden()),
        look.personal(),
        look.choices(),
        look.empty(),
        look.within());
  }

  private Look look(
      Overrides said,
      String name,
      String help,
      ScalarType type,
      Optional<String> unit,
      List<Choice> described,
      boolean key) {
    boolean isKey = said.key().orElse(key);
    return new Look(
        type,
        said.label().orElse(name),
        said.help().orElse(help),
        said.format().orElseGet(() -> usual(type, isKey || Labels.tellsApart(name))),
        said.unit().or(() -> unit).orElse(""),
        said.order(),
        isKey,
        said.title().orElse(false),
        said.hidden().orElse(false),
        said.personal().orElse(false),
        said.list().flatMap(model::list).map(ValueList::items).orElse(described),
        said.empty().orElse(""),
        "");
  }

  /**
   * How values of a type are shown unless it is decided; numbers that tell things apart count
   * nothing.
   */
  static Format usual(ScalarType type, boolean key) {
    return switch (type) {
      case INTEGER, DECIMAL, FLOAT -> new Format.Number(Optional.empty(), !key, false);
      case BOOLEAN -> new Format.YesNo("yes", "no");
      case DATE -> new Format.Date(Format.Length.MEDIUM);
      case TIME -> new Format.Time(false);
      case DATE_TIME -> new Format.DateTime(Format.Length.MEDIUM, Optional.empty());
      case BASE64, HEX -> new Format.Picture();
      case URI -> new Format.Link();
      case TEXT, DURATION, PARTIAL_DATE, NAME, LIST -> new Format.Plain();
    };
  }
}
