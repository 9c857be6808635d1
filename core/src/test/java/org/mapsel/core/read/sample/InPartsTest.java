package org.mapsel.core.read.sample;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.mapsel.core.call.Caller;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.intake.Intake;
import org.mapsel.core.message.Access;
import org.mapsel.core.message.Request;
import org.mapsel.core.message.Stamp;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.testing.Descriptions;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;

/** Requests whose parts stand in the text of their body, whichever way it is given. */
class InPartsTest {

  private static final String TEXT =
      """
      POST /notices HTTP/1.1
      Host: quay.example
      Content-Type: multipart/form-data; boundary=----cut7

      ------cut7
      Content-Disposition: form-data; name="berth"

      7
      ------cut7
      content-disposition: form-data; name="notice"
      Content-Type: application/json

      {"crane": "north"}
      ------cut7
      Content-Disposition: form-data; name="plan"; filename="plan.pdf"
      Content-Type: application/pdf

      %PDF
      ------cut7--

      HTTP/1.1 201 Created
      Content-Type: application/json

      {"number": 12}
      """;

  private static final String CURL =
      "curl 'http://quay.example/notices' -H 'content-type: multipart/form-data; boundary=----cut7'"
          + " --data-raw $'------cut7\\r\\nContent-Disposition: form-data; name=\"berth\"\\r\\n\\r\\n"
          + "7\\r\\n------cut7\\r\\nContent-Disposition: form-data; name=\"notice\"\\r\\n"
          + "Content-Type: application/json\\r\\n\\r\\n{\"crane\": \"north\"}\\r\\n------cut7\\r\\n"
          + "Content-Disposition: form-data; name=\"plan\"; filename=\"plan.pdf\"\\r\\n"
          + "Content-Type: application/pdf\\r\\n\\r\\n\\r\\n------cut7--\\r\\n'";

  private static final String HAR =
      "{\"log\":{\"version\":\"1.2\",\"creator\":{},\"entries\":[{\"request\":{\"method\":\"POST\","
          + "\"url\":\"http://quay.example/notices\",\"headers\":[{\"name\":\"Content-Type\","
          + "\"value\":\"multipart/form-data; boundary=----cut7\"}],\"postData\":{"
          + "\"mimeType\":\"multipart/form-data; boundary=----cut7\",\"text\":\"------cut7\\r\\n"
          + "Content-Disposition: form-data; name=\\\"berth\\\"\\r\\n\\r\\n7\\r\\n------cut7\\r\\n"
          + "Content-Disposition: form-data; name=\\\"notice\\\"\\r\\nContent-Type: application/json"
          + "\\r\\n\\r\\n{\\\"crane\\\": \\\"north\\\"}\\r\\n------cut7\\r\\nContent-Disposition: form-data; "
          + "name=\\\"plan\\\"; filename=\\\"plan.pdf\\\"\\r\\nContent-Type: application/pdf\\r\\n\\r\\n"
          + "\\r\\n------cut7--\\r\\n\"}},\"response\":{}}]}}";

  private static Service service(String sample) {
    return Intake.read(
            new SourceText("pasted", sample.getBytes(StandardCharsets.UTF_8)),
            Descriptions.RESOLVER)
        .get()
        .service();
  }

  private static String sent(Service service, Map<String, Value> parts) {
    Operation operation = service.operations().get(0);
    Request request =
        Caller.request(
                service,
                operation,
                operation.wires().get(0).endpoint(),
                RecordValue.of(Map.of("body", RecordValue.of(parts))),
                Access.NONE,
                new Stamp(Instant.EPOCH, "1", new byte[] {1}))
            .get();
    return new String(request.body(), StandardCharsets.UTF_8);
  }

  @ParameterizedTest
  @ValueSource(strings = {TEXT, CURL, HAR})
  void eachPartIsAValueOfItsOwn(String sample) {
    Service service = service(sample);
    String body = sent(service, Map.of("berth", Value.text("9"), "plan", Value.text("%PDF")));
    List<String> parts = List.of(body.split("--[^\\r\\n]+(\\r\\n|$)"));
    assertThat(parts)
        .containsExactly(
            "",
            "Content-Disposition: form-data; name=\"berth\"\r\n\r\n9\r\n",
            "Content-Disposition: form-data; name=\"notice\"\r\nContent-Type: application/json"
                + "\r\n\r\n{\"crane\": \"north\"}\r\n",
            "Content-Disposition: form-data; name=\"plan\"; filename=\"plan\"\r\n"
                + "Content-Type: application/pdf\r\n\r\n%PDF\r\n");
  }

  @Test
  void whatIsMadeOfNoPartsStaysAText() {
    Service service =
        service(
            "POST /notices HTTP/1.1\nHost: quay.example\nContent-Type: multipart/form-data\n\nberth 7");
    assertThat(
            service.shapes().fieldsOf(service.operations().get(0).input()).get(0).hints().given())
        .isTrue();
  }
}
