package org.mapsel.core.model;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.Test;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.intake.Intake;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.ref.TypeId;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.testing.Descriptions;

/** What personal fields are called in values and in messages. */
class PersonalFieldsTest {

  private static final String ROSTER =
      """
      openapi: 3.1.0
      info: {title: Roster, version: '1'}
      paths:
        /watch:
          get:
            operationId: getWatch
            parameters: [{name: badge-no, in: query, schema: {type: string}}]
            responses:
              '200':
                description: The watch.
                content:
                  application/json:
                    schema:
                      type: object
                      properties:
                        bay: {type: integer}
                        pilot-in-charge: {$ref: '#/components/schemas/Person'}
      components:
        schemas:
          Person:
            type: object
            properties:
              called: {type: string}
              relief: {$ref: '#/components/schemas/Person'}
      """;

  private static final Service SERVICE =
      Intake.read(
              new SourceText("roster.yaml", ROSTER.getBytes(StandardCharsets.UTF_8)),
              Descriptions.RESOLVER)
          .get()
          .service();

  private static final Operation WATCH = SERVICE.operations().get(0);

  private static Model personal(ShapeId root, FieldPath path, UnaryOperator<Overrides> said) {
    FieldRef field = FieldRef.at("roster", SERVICE.shapes(), root, path).orElseThrow();
    RecordType type = RecordType.of(new TypeId("t"), "Watch", field.owner());
    return Model.EMPTY.with(type.with(field, said.apply(Overrides.NONE)));
  }

  private static Overrides isPersonal(Overrides set) {
    return new Overrides(
        set.label(),
        set.help(),
        set.format(),
        set.unit(),
        set.order(),
        set.key(),
        set.title(),
        set.hidden(),
        set.list(),
        set.empty(),
        set.required(),
        Optional.of(true));
  }

  @Test
  void allThatStandsBelowIsPersonalTooAlsoWhereItContainsItself() {
    Model model =
        personal(WATCH.output(), FieldPath.of("pilot-in-charge"), PersonalFieldsTest::isPersonal);

    PersonalFields found = PersonalFields.of(model, "roster", SERVICE.shapes());

    assertThat(PersonalFields.areIn(model)).isTrue();
    assertThat(found.fields()).containsExactly("pilot-in-charge");
    assertThat(found.wire()).containsExactlyInAnyOrder("pilot-in-charge", "called", "relief");
    assertThat(PersonalFields.of(model, "other", SERVICE.shapes()).wire()).isEmpty();
  }

  @Test
  void aParameterIsCalledAsItIsSent() {
    Model model = personal(WATCH.input(), FieldPath.of("badge-no"), PersonalFieldsTest::isPersonal);

    assertThat(PersonalFields.of(model, "roster", SERVICE.shapes()).wire())
        .containsExactly("badge-no");
  }

  @Test
  void whatIsDecidedOtherwiseIsNone() {
    Model model =
        personal(WATCH.output(), FieldPath.of("bay"), set -> Overrides.labelled("The bay"));

    assertThat(PersonalFields.areIn(model)).isFalse();
    assertThat(PersonalFields.of(model, "roster", SERVICE.shapes()))
        .isEqualTo(new PersonalFields(Set.of(), Set.of()));
  }
}
