package org.mapsel.core.mapping;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.intake.Description;
import org.mapsel.core.intake.Intake;
import org.mapsel.core.json.ValueJson;
import org.mapsel.core.service.Link;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.testing.Client;
import org.mapsel.core.testing.Descriptions;
import org.mapsel.core.value.RecordValue;

/** What an answer hands on to the operation that a link leads to. */
class HandedOnTest {

  private static Outcome<Description> read(String linkOfList, String linkOfBooking) {
    String text =
        """
        openapi: 3.0.3
        info: {title: Quay, version: "1"}
        servers: [{url: "http://quay.example"}]
        paths:
          /berths:
            get:
              operationId: listBerths
              parameters: [{name: quay, in: query, schema: {type: string}}]
              responses:
                "200":
                  description: All.
                  content: {application/json: {schema: {type: array, items: {
                    $ref: "#/components/schemas/Berth"}}}}
                  links: {next: %s}
          /berths/{code}:
            get:
              operationId: getBerth
              parameters:
                - {name: code, in: path, required: true, schema: {type: string}}
                - {name: day, in: query, schema: {type: string}}
              responses: {"200": {description: One.}}
          /bookings:
            post:
              operationId: book
              requestBody: {content: {application/json: {schema: {type: object, properties: {
                day: {type: string}, hull: {type: object, properties: {number: {type: string}}}}}}}}
              responses:
                "201":
                  description: Booked.
                  content: {application/json: {schema: {type: object, properties: {
                    id: {type: integer}, "at/berth": {$ref: "#/components/schemas/Berth"}}}}}
                  links: {berth: {$ref: "#/components/links/berth"}}
        components:
          links: {berth: %s}
          schemas:
            Berth: {type: object, properties: {code: {type: string}, metres: {type: number}}}
        """
            .formatted(linkOfList, linkOfBooking);
    return Intake.read(
        new SourceText("quay.yaml", text.getBytes(StandardCharsets.UTF_8)), Descriptions.RESOLVER);
  }

  private static String handedOn(Service service, String from, String parameters, String answer) {
    Operation operation = Descriptions.operation(service, from);
    Link link = operation.links().get(0);
    RecordValue values =
        HandedOn.over(link, service, operation, Client.json(parameters), Client.json(answer));
    return link.target() + " " + ValueJson.write(values).toString().replace('"', '\'');
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      quoteCharacter = '"',
      value = {
        "$response.body#/0/code       | {'code':'B7'}",
        "$response.body#/1/code       | {'code':'B9'}",
        "$response.body#/2/code       | ",
        "$response.body#/0            | ",
        "$response.body               | ",
        "$response.body#/0/depth      | ",
        "$request.query.quay          | {'code':'north'}",
        "$request.path.quay           | ",
        "berth-{$response.body#/0/code}-{$request.query.quay} | {'code':'berth-B7-north'}",
        "B1                           | {'code':'B1'}",
        "$statusCode                  | ",
      })
  void anExpressionMeansAValueOfTheExchangeOrNothing(String expression, String expected) {
    Service service =
        read("{operationId: getBerth, parameters: {code: '" + expression + "'}}", "{}")
            .get()
            .service();
    String answer = "{'items':[{'code':'B7','metres':120.5},{'code':'B9'}]}";
    assertThat(handedOn(service, "listBerths", "{'quay':'north'}", answer))
        .isEqualTo("getBerth " + (expected == null ? "{}" : expected));
  }

  @Test
  void namesWithSlashesBodiesAndPlacesOfParametersAreFollowed() {
    Service service =
        read(
                "{operationId: getBerth}",
                "{operationRef: '#/paths/~1berths~1{code}/get', parameters: {"
                    + "path.code: '$response.body#/at~1berth/code', query.day: '$request.body#/day'}}")
            .get()
            .service();
    String asked = "{'body':{'day':'2031-05-14','hull':{'number':'S-20417'}}}";
    assertThat(handedOn(service, "book", asked, "{'id':7,'at/berth':{'code':'B7'}}"))
        .isEqualTo("getBerth {'code':'B7','day':'2031-05-14'}");
  }

  @Test
  void aLinkThatLeadsNowhereIsAFindingAndNoLink() {
    Outcome<Description> read = read("{operationId: getBuoy}", "{operationRef: 'other.yaml#/x'}");
    assertThat(read.findings())
        .extracting(finding -> finding.code() + " " + finding.arguments().get("link"))
        .containsExactly("OPENAPI_LINK_BROKEN next", "OPENAPI_LINK_BROKEN berth");
    assertThat(Descriptions.operation(read.get().service(), "listBerths").links()).isEmpty();
  }
}
