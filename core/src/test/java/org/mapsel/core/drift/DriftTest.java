package org.mapsel.core.drift;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.mapsel.core.page.ServiceLookup;
import org.mapsel.core.page.check.Impact;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.service.Service;
import org.mapsel.core.testing.Descriptions;
import org.mapsel.core.testing.PageBench;

/** Two editions of a made-up service, and what the newer one does to those who use the older. */
class DriftTest {

  private static Service service(String in, String required, String out, String more) {
    return read(text(in, required, out, more));
  }

  /** The service with an operation of another name. */
  private static Service renamed(String in) {
    return read(text(in, "", OUT, "").replace("\"reserve\"", "\"book\""));
  }

  private static String text(String in, String required, String out, String more) {
    return """
        {"openapi":"3.1.0","info":{"title":"Berths","version":"1"},"servers":[{"url":"http://localhost:1"}],
         "paths":{"/berths":{"post":{"operationId":"reserve","requestBody":{"content":{"application/json":{"schema":
           {"type":"object","required":[%s],"properties":{%s}}}}},
           "responses":{"200":{"description":"ok","content":{"application/json":{"schema":
           {"type":"object","properties":{%s}}}}}}}}%s}}"""
        .formatted(required, in, out, more);
  }

  private static Service read(String text) {
    return Descriptions.serviceOf(text);
  }

  private static List<String> told(Service before, Service after) {
    return Drift.between(before, after).stream()
        .map(
            one ->
                one.harm()
                    + " "
                    + one.kind()
                    + " "
                    + one.side().map(Enum::name).orElse(one.operation().text())
                    + " "
                    + one.path()
                    + " "
                    + one.before()
                    + ">"
                    + one.after())
        .toList();
  }

  private static final String IN =
      "\"hullNumber\":{\"type\":\"string\"},\"nights\":{\"type\":\"integer\"},"
          + "\"basin\":{\"type\":\"string\",\"enum\":[\"north\",\"south\"]}";
  private static final String OUT =
      "\"berthCode\":{\"type\":\"string\"},\"fee\":{\"type\":\"number\"},\"remark\":{\"type\":\"string\"}";

  @Test
  void theSameDescriptionDoesNotDiffer() {
    assertThat(told(service(IN, "", OUT, ""), service(IN, "", OUT, ""))).isEmpty();
  }

  @Test
  void whatIsGoneRenamedOrRequiredNowBreaksAndWhatIsNewDoesNot() {
    Service after =
        service(
            "\"hullNumber\":{\"type\":\"string\"},\"nights\":{\"type\":\"string\"},"
                + "\"basin\":{\"type\":\"string\",\"enum\":[\"north\",\"inner\"]},\"crane\":{\"type\":\"boolean\"}",
            "\"hullNumber\",\"crane\"",
            "\"berth_code\":{\"type\":\"string\"},\"fee\":{\"type\":\"string\"},\"tide\":{\"type\":\"number\"}",
            ",\"/tides\":{\"get\":{\"operationId\":\"tides\",\"responses\":{\"200\":{\"description\":\"ok\"}}}}");

    assertThat(told(service(IN, "", OUT, ""), after))
        .contains(
            "BREAKS REQUIRED IN body › hullNumber optional>required",
            "BREAKS ADDED IN body › crane >yes/no, required",
            "BREAKS CODES IN body › basin south>",
            "ADDS CODES IN body › basin >inner",
            "ADDS TYPE IN body › nights whole number>text",
            "BREAKS RENAMED OUT berthCode berthCode>berth_code",
            "BREAKS REMOVED OUT remark text>",
            "MAY_BREAK TYPE OUT fee number>text",
            "ADDS ADDED OUT tide >number",
            "ADDS ADDED tides  >tides");
    assertThat(Drift.between(service(IN, "", OUT, ""), after))
        .extracting(Difference::harm)
        .isSorted();
  }

  @Test
  void limitsThatAreNarrowerMayBreakWhatIsSent() {
    String text = "\"%s\":{\"type\":\"string\",\"maxLength\":%d}";
    String number = "\"%s\":{\"type\":\"integer\",\"minimum\":%d}";
    Service before =
        service(
            text.formatted("code", 20) + "," + number.formatted("nights", 2),
            "",
            text.formatted("told", 20) + ",\"sign\":{\"type\":\"string\"}",
            "");
    Service after =
        service(
            text.formatted("code", 8) + "," + number.formatted("nights", 1),
            "",
            text.formatted("told", 8) + ",\"sign\":{\"type\":\"string\",\"pattern\":\"[A-Z]+\"}",
            "");

    assertThat(told(before, after))
        .containsExactly(
            "MAY_BREAK LIMITS IN body › code at most 20 characters>at most 8 characters",
            "ADDS LIMITS IN body › nights at least 2>at least 1",
            "ADDS LIMITS OUT told at most 20 characters>at most 8 characters",
            "ADDS LIMITS OUT sign >of the form [A-Z]+");
  }

  @Test
  void anOperationAtTheSamePathIsTheSameUnderAnotherName() {
    Service before = service(IN, "", OUT, "");

    assertThat(told(before, renamed(IN.replace("hullNumber", "hull_number"))))
        .containsExactly(
            "BREAKS RENAMED reserve  reserve>book",
            "BREAKS RENAMED IN body › hullNumber body › hullNumber>body › hull_number");
  }

  @Test
  void anOperationThatIsGoneBreaks() {
    Service both =
        service(
            IN,
            "",
            OUT,
            ",\"/tides\":{\"get\":{\"operationId\":\"tides\",\"responses\":{\"200\":{\"description\":\"ok\"}}}}");
    assertThat(told(both, service(IN, "", OUT, "")))
        .containsExactly("BREAKS REMOVED tides  tides>");
  }

  @Test
  void whatAnAppMakesOfANewEditionIsTold() {
    PageBench bench = new PageBench().with("yard", "/descriptions/yard.xml");
    bench.start("yard", "Cranes.list", FieldPath.of("rows", "Name"));
    ServiceLookup gone = edition -> Optional.of(Descriptions.service("/descriptions/yard2.xml"));

    assertThat(Impact.of(bench.app(), bench.lookup(), bench.lookup())).isEmpty();
    assertThat(Impact.of(bench.app(), bench.lookup(), gone)).isNotEmpty();
  }
}
