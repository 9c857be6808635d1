package org.mapsel.core.call;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.intake.Intake;
import org.mapsel.core.json.ValueJson;
import org.mapsel.core.service.Service;
import org.mapsel.core.testing.Descriptions;

/** Answers that were pasted below a request. */
class RecordedAnswersTest {

  private static String answer(String sample) {
    Service service =
        Intake.read(
                new SourceText("pasted", sample.getBytes(StandardCharsets.UTF_8)),
                Descriptions.RESOLVER)
            .get()
            .service();
    return RecordedAnswers.of(service, service.operations().get(0))
        .map(value -> ValueJson.write(value).toString())
        .orElse("");
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "application/json; charset=iso-8859-1 | {\"quay\":\"Nördlich\"} | {\"quay\":\"Nördlich\"}",
        "text/plain | {\"bay\":3} | {\"bay\":3}",
        "text/xml;charset=UTF-16 | <a><quay>Nördlich</quay></a> | {\"quay\":\"Nördlich\"}",
      })
  void areReadInWhateverEncodingTheyCame(String type, String body, String values) {
    assertThat(
            answer(
                "GET http://quay.example/a HTTP/1.1\n\nHTTP/1.1 200 OK\nContent-Type: "
                    + type
                    + "\n\n"
                    + body))
        .isEqualTo(values);
  }

  @Test
  void ofSeveralTheFirstThatWentWellCounts() {
    assertThat(
            answer(
                "GET http://quay.example/a HTTP/1.1\n\nHTTP/1.1 404 Not Found\n\n{\"error\":1}\n"
                    + "HTTP/1.1 200 OK\n\n{\"bay\":3}\nHTTP/1.1 200 OK\n\n{\"bay\":4}"))
        .isEqualTo("{\"bay\":3}");
    assertThat(answer("GET http://quay.example/a HTTP/1.1\n\nHTTP/1.1 404 Not Found\n\n{}"))
        .isEmpty();
    assertThat(answer("curl http://quay.example/a")).isEmpty();
  }
}
