package org.mapsel.core.message;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.json.JsonMapper;

/** What tells of persons is not kept, wherever it stands in a message. */
class PersonalDataTest {

  private static final PersonalData PILOT =
      new PersonalData(Set.of("pilot", "phone"), Set.of("pilot"));

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      quoteCharacter = '`',
      value = {
        "<b:pilot>Ada Quill</b:pilot><bay>3</bay>|<b:pilot>******</b:pilot><bay>3</bay>",
        "<pilot since='1'> <![CDATA[Ada]]></pilot>|<pilot since='1'>******</pilot>",
        "<pilot><![CDATA[Ada <Q>]]></pilot>|<pilot>******</pilot>",
        "<pilot>  <phone>47</phone> </pilot>|<pilot>  <phone>******</phone> </pilot>",
        "<lot pilot=\"Ada\" bay=\"3\"/>|<lot pilot=\"******\" bay=\"3\"/>",
        "<pilot/><pilot></pilot>|<pilot/><pilot></pilot>",
        "{\"pilot\": \"Ada \\\"Q\\\"\", \"bay\": \"3\"}|{\"pilot\": \"******\", \"bay\": \"3\"}",
        "{\"phone\":4711, \"telephone\":4712}|{\"phone\":\"******\", \"telephone\":4712}",
        "{\"phone\":[47, 11],\"bay\":3}|{\"phone\":[\"******\"],\"bay\":3}",
        "{\"pilot\":null,\"bay\":3}|{\"pilot\":null,\"bay\":3}",
        "{\"text\":\"{\\\"phone\\\":47}\"}|{\"text\":\"{\\\"phone\\\":\\\"******\\\"}\"}",
        "bay=3&pilot=Ada+Quill&x=1|bay=3&pilot=******&x=1",
      })
  void aBodyIsKeptWithoutIt(String body, String kept) {
    Response response = new Response(200, Map.of(), body.getBytes(StandardCharsets.UTF_8));

    assertThat(new String(PILOT.blankedIn(response).body(), StandardCharsets.UTF_8))
        .isEqualTo(kept);
  }

  @Test
  void namesAreFoundInEveryAlphabetAndCharset() {
    PersonalData names = new PersonalData(Set.of("prénom", "first name"), Set.of());
    String xml = "<?xml version='1.0'?><prénom>Ada</prénom>";
    String json =
        "{\"first name\":\"Ada\",\"prénom\":\"Ada\",\"x\":\"q?first+name=Ada&pr%C3%A9nom=Ada\"}";

    for (Charset charset :
        List.of(
            StandardCharsets.UTF_8,
            StandardCharsets.ISO_8859_1,
            StandardCharsets.UTF_16,
            StandardCharsets.UTF_16LE)) {
      for (String text : List.of(xml, json)) {
        Response response = new Response(200, Map.of(), text.getBytes(charset));
        assertThat(new String(names.blankedIn(response).body(), charset))
            .as(charset + " " + text)
            .isEqualTo(text.replace("Ada", "******"));
      }
    }
  }

  @Test
  void soAreAddressesAndHeaders() {
    Request kept =
        PILOT.blankedIn(
            new Request(
                "GET",
                "http://quay.example/lots?bay=3&pilot=Ada",
                List.of(new Header("pilot", "Ada", ""), new Header("Accept", "pilot", "")),
                new byte[0]));

    assertThat(kept.address()).isEqualTo("http://quay.example/lots?bay=3&pilot=******");
    assertThat(kept.headers()).extracting(Header::value).containsExactly("******", "pilot");
    Response response = new Response(200, Map.of("phone", List.of("47")), new byte[0]);
    assertThat(PILOT.blankedIn(response).headers().get("phone")).containsExactly("******");
  }

  @Test
  void valuesOfAnyTypeSayNothing() {
    JsonMapper json = new JsonMapper();

    assertThat(
            PILOT
                .blankedIn(
                    json.readTree("{\"bay\":3,\"lots\":[{\"pilot\":{\"born\":1987,\"on\":null}}]}"))
                .toString())
        .isEqualTo("{\"bay\":3,\"lots\":[{\"pilot\":{\"born\":\"******\",\"on\":null}}]}");
  }

  @Test
  void whereNothingIsPersonalNothingIsTouched() {
    Response response = new Response(200, Map.of(), new byte[] {-1, 0});
    assertThat(PersonalData.NONE.blankedIn(response)).isSameAs(response);
    assertThat(PILOT.blankedIn(response).body()).isSameAs(response.body());
  }
}
