package org.mapsel.core.serve;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.mapsel.core.message.Request;
import org.mapsel.core.service.Service;
import org.mapsel.core.testing.Descriptions;
import org.mapsel.core.value.TextValue;

class GivenSampleTest {

  private static Service mooring(String type) {
    return Descriptions.serviceOf(
        """
        {"openapi":"3.0.3","info":{"title":"Mooring","version":"1"},
         "servers":[{"url":"http://localhost:1"}],
         "paths":{"/lines":{"post":{"operationId":"makeFast","requestBody":{"content":{"%s":
           {"schema":{"type":"object","properties":{"hull":{"type":"string"}}}}}},
          "responses":{"200":{"description":"Fast.","content":{"application/json":
           {"schema":{"type":"object","properties":{"line":{"type":"string"}}}}}}}}}}}
        """
            .formatted(type));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      quoteCharacter = '`',
      value = {
        "application/json|{\"hull\":\"S-1\",\"password\":\"reef\"}",
        "application/x-www-form-urlencoded|hull=S-1&client_secret=reef"
      })
  void whatLooksSecretInARequestIsNotKept(String type, String body) {
    String text =
        "POST /lines?api_key=reef HTTP/1.1\nHost: localhost\nAuthorization: Bearer reef\n"
            + ("Content-Type: " + type + "\n\n" + body + "\n\n")
            + "HTTP/1.1 200 OK\nContent-Type: application/json\n\n{\"line\":\"L-1\"}";
    Service service = mooring(type);
    GivenSample given =
        GivenSample.of(
                service, service.operations().get(0), service.endpoints().getFirst().id(), text)
            .get()
            .getFirst();

    Request sent = given.wire().sent().orElseThrow();
    String kept = sent.address() + sent.headers() + new String(sent.body(), StandardCharsets.UTF_8);
    assertThat(kept).contains("S-1").doesNotContain("reef");
    assertThat(given.answer().get("line")).isEqualTo(new TextValue("L-1"));
  }
}
