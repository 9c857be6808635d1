package org.mapsel.core.message.http;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.mapsel.core.call.Caller;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.message.Access;
import org.mapsel.core.message.Header;
import org.mapsel.core.message.Request;
import org.mapsel.core.message.Stamp;
import org.mapsel.core.sample.SampleMaker;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.testing.Descriptions;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.NumberValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;

/** What a description says of its values in passing, which made values keep to. */
class HeededTest {

  private final Service service = Descriptions.service("/descriptions/heeded-parts.yaml");
  private final Operation store = Descriptions.operation(service, "store");

  private Request made(SampleMaker.Extent extent) {
    return made(store, extent);
  }

  private Request made(Operation operation, SampleMaker.Extent extent) {
    return Caller.request(
            service,
            operation,
            operation.wires().getFirst().endpoint(),
            FirstValues.of(service, operation, extent),
            Access.NONE,
            new Stamp(Instant.EPOCH, "test", new byte[0]))
        .get();
  }

  private static String body(Request request) {
    return new String(request.body(), StandardCharsets.UTF_8);
  }

  @Test
  void whatTheMessageItselfSaysIsNoParameter() {
    assertThat(made(SampleMaker.Extent.EVERYTHING).headers())
        .extracting(Header::name)
        .contains("X-Desk", "Content-Type")
        .doesNotContain("content-type", "Authorization", "Accept");
  }

  @Test
  void requiredBesideAReferenceAnyObjectAndNothingAreMadeAsTheyMustBe() {
    assertThat(body(made(SampleMaker.Extent.REQUIRED)))
        .isEqualTo("{\"free\":{},\"nothing\":null,\"owner\":{\"office\":\"office 1\"}}");
  }

  @Test
  void aListOfOneAtMostIsAListWithOne() {
    assertThat(body(made(SampleMaker.Extent.EVERYTHING))).contains("\"single\":[\"single 1\"]");
  }

  @Test
  void aRecordInThePathIsNeverEmpty() {
    Operation find = Descriptions.operation(service, "find");
    assertThat(made(find, SampleMaker.Extent.REQUIRED).address())
        .endsWith("/lots/row,row%201,level,1");
  }

  @Test
  void dotsDoNotLeadToAnotherAddress() {
    Service tides = Descriptions.service("/descriptions/tides.yaml");
    Operation station = Descriptions.operation(tides, "getStation");
    for (String code : new String[] {".", ".."}) {
      assertThat(
              Caller.request(
                      tides,
                      station,
                      station.wires().getFirst().endpoint(),
                      RecordValue.of(Map.of("station", Value.text(code))),
                      Access.NONE,
                      new Stamp(Instant.EPOCH, "test", new byte[0]))
                  .findings())
          .extracting(Finding::code)
          .containsExactly("MESSAGE_PATH_PARAMETER_LEADS_AWAY");
    }
  }

  /** The body that is made for an operation of the stores. */
  private static String stored(String operation, SampleMaker.Extent extent) {
    Service stores = Descriptions.service("/descriptions/stores.yaml");
    Operation asked = Descriptions.operation(stores, operation);
    return body(
        Caller.request(
                stores,
                asked,
                asked.wires().getFirst().endpoint(),
                FirstValues.of(stores, asked, extent),
                Access.NONE,
                new Stamp(Instant.EPOCH, "test", new byte[0]))
            .get());
  }

  @Test
  void numbersAreMultiplesOfTheirStep() {
    assertThat(stored("coils", SampleMaker.Extent.EVERYTHING))
        .isEqualTo("{\"a\":7,\"b\":12.5,\"c\":[5,10,15]}");
  }

  @Test
  void oneOfSeveralIsChosenAndTellsItselfOnce() {
    assertThat(stored("moor", SampleMaker.Extent.EVERYTHING))
        .isEqualTo("{\"kind\":\"Tug\",\"bollardPull\":1}");
  }

  @Test
  void whatOneAlternativeWantsIsThereAndWhatTheOthersWantIsNot() {
    assertThat(stored("reach", SampleMaker.Extent.REQUIRED)).isEqualTo("{\"mail\":\"mail 1\"}");
    assertThat(stored("reach", SampleMaker.Extent.EVERYTHING)).doesNotContain("phone");
  }

  @Test
  void alternativesAndStepsAreHeldAgainstWhatIsTyped() {
    assertThat(findings("reach", Map.of("name", Value.text("Marrow"))))
        .containsExactly("MESSAGE_ALTERNATIVE_NONE");
    assertThat(findings("reach", Map.of("mail", Value.text("a"), "phone", Value.text("1"))))
        .containsExactly("MESSAGE_ALTERNATIVE_SEVERAL");
    assertThat(
            findings(
                "coils",
                Map.of(
                    "a",
                    NumberValue.of(8),
                    "b",
                    NumberValue.of(2),
                    "c",
                    ListValue.of(NumberValue.of(5), NumberValue.of(10)))))
        .containsExactly("MESSAGE_NUMBER_BETWEEN_STEPS");
  }

  @Test
  void listsHaveAsManyItemsAsTheyMustAndNoneTwice() {
    assertThat(stored("lanes", SampleMaker.Extent.REQUIRED)).isEmpty();
    assertThat(stored("lanes", SampleMaker.Extent.EVERYTHING))
        .isEqualTo("{\"signs\":[\"a\",\"b\",\"c\",\"d\"],\"lit\":[true,false]}");
    assertThat(findings("lanes", Map.of("signs", texts("a", "b", "c", "d", "e")))).isEmpty();
    assertThat(findings("lanes", Map.of("signs", texts("a", "b", "c"))))
        .containsExactly("MESSAGE_ITEMS_TOO_FEW");
    assertThat(findings("lanes", Map.of("signs", texts("a", "b", "c", "d", "e", "a"))))
        .containsExactly("MESSAGE_ITEMS_TOO_MANY", "MESSAGE_ITEMS_ALIKE");
    assertThat(found("lanes", Map.of("basins", texts("north", "south", "inner"))))
        .containsExactly("MESSAGE_ITEMS_TOO_MANY");
    assertThat(found("lanes", Map.of("basins", texts("north", "north")))).isEmpty();
  }

  private static ListValue texts(String... texts) {
    return new ListValue(Stream.of(texts).map(Value::text).map(Value.class::cast).toList());
  }

  private static List<String> findings(String operation, Map<String, Value> body) {
    return found(operation, Map.of("body", RecordValue.of(body)));
  }

  private static List<String> found(String operation, Map<String, Value> parameters) {
    Service stores = Descriptions.service("/descriptions/stores.yaml");
    Operation asked = Descriptions.operation(stores, operation);
    return Caller.request(
            stores,
            asked,
            asked.wires().getFirst().endpoint(),
            RecordValue.of(parameters),
            Access.NONE,
            new Stamp(Instant.EPOCH, "test", new byte[0]))
        .findings()
        .stream()
        .map(Finding::code)
        .toList();
  }

  @Test
  void aFileThatIsAllThereIsTravelsAsTheOnlyPart() {
    assertThat(stored("upload", SampleMaker.Extent.EVERYTHING))
        .contains("form-data; name=\"file\"; filename=");
  }
}
