package org.mapsel.core.message.json;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.intake.Intake;
import org.mapsel.core.testing.Conversation;
import org.mapsel.core.testing.Descriptions;

/** Values of types that have a base and are told apart by one of its members. */
@Timeout(30)
class DerivedTypesTest {

  private static final Conversation FENDERS = Conversation.with("/descriptions/fenders.yaml");

  @Test
  void theChosenKindIsToldAndItsMembersStandAmongThoseOfTheBase() {
    String airy = "{'body':{'berth':'B 3','kind':{'AirFender':{'pressure':1.5}}}}";
    assertThat(FENDERS.sent("hangFender", airy))
        .isEqualTo("{'kindOf':'airy','berth':'B 3','pressure':1.5}");
  }

  @Test
  void whatIsChosenCountsMoreThanWhatIsTyped() {
    String foam = "{'body':{'kindOf':'airy','berth':'B 3','kind':{'FoamFender':{'density':40}}}}";
    assertThat(FENDERS.sent("hangFender", foam))
        .isEqualTo("{'kindOf':'foam','berth':'B 3','density':40}");
  }

  @Test
  void aTypeTwoStepsAwayHasTheMembersBetweenAndItsNameIfNothingIsMappedToIt() {
    String chain = "{'body':{'berth':'B 3','kind':{'ChainFender':{'links':7,'pressure':2}}}}";
    assertThat(FENDERS.sent("hangFender", chain))
        .isEqualTo("{'kindOf':'ChainFender','berth':'B 3','pressure':2,'links':7}");
  }

  @Test
  void withoutAKindTheBaseIsSentAndMustSayWhatItIs() {
    assertThat(FENDERS.sent("hangFender", "{'body':{'kindOf':'plain','berth':'B 3'}}"))
        .isEqualTo("{'kindOf':'plain','berth':'B 3'}");
    assertThat(FENDERS.sent("hangFender", "{'body':{'berth':'B 3'}}"))
        .isEqualTo("[MESSAGE_PARAMETER_MISSING]");
  }

  @Test
  void membersThatTheKindRequiresMustBeGiven() {
    assertThat(FENDERS.sent("hangFender", "{'body':{'berth':'B 3','kind':{'FoamFender':{}}}}"))
        .isEqualTo("[MESSAGE_PARAMETER_MISSING]");
  }

  @Test
  void aDerivedTypeByItselfSaysWhatItIs() {
    assertThat(FENDERS.sent("hangFoamFender", "{'body':{'berth':'B 3','density':40}}"))
        .isEqualTo("{'kindOf':'foam','berth':'B 3','density':40}");
  }

  @Test
  void answersAreReadByWhatTheySay() {
    assertThat(
            FENDERS.returned(
                "listFenders",
                "[{'kindOf':'airy','berth':'B 1','pressure':2.5},{'kindOf':'plain','berth':'B 2'}]"))
        .isEqualTo(
            "{'items':[{'kindOf':'airy','berth':'B 1','kind':{'AirFender':{'pressure':2.5}}},"
                + "{'kindOf':'plain','berth':'B 2'}]}");
  }

  @Test
  void aKindThatNobodyDeclaredIsReadAsTheBaseWithAWordAboutTheRest() {
    assertThat(FENDERS.returned("listFenders", "[{'kindOf':'tyre','berth':'B 1','tread':4}]"))
        .isEqualTo("{'items':[{'kindOf':'tyre','berth':'B 1'}]} [MESSAGE_FIELD_UNANNOUNCED]");
  }

  @Test
  void typesThatDeriveFromEachOtherEnd() {
    String circle =
        """
        openapi: 3.0.3
        info: {title: Circle, version: '1'}
        paths:
          /knots:
            post:
              operationId: tie
              requestBody: {content: {application/json: {schema: {$ref: '#/components/schemas/Hitch'}}}}
              responses: {'204': {description: Tied.}}
        components:
          schemas:
            Hitch:
              discriminator: {propertyName: knot}
              properties: {knot: {type: string}}
              allOf: [{$ref: '#/components/schemas/Bend'}, {$ref: '#/components/schemas/Hitch'}]
            Bend:
              allOf: [{$ref: '#/components/schemas/Hitch'}, {$ref: '#/components/schemas/Loop'}]
              properties: {turns: {type: integer}}
            Loop:
              allOf: [{$ref: '#/components/schemas/Bend'}]
              properties: {width: {type: integer}}
        """;
    Conversation knots =
        new Conversation(
            Intake.read(
                    new SourceText("test:/knots.yaml", circle.getBytes(StandardCharsets.UTF_8)),
                    Descriptions.RESOLVER)
                .get()
                .service());
    assertThat(knots.sent("tie", "{'body':{'kind':{'Loop':{'width':2}}}}"))
        .contains("'knot':'Loop'", "'width':2");
  }
}
