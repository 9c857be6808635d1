package org.mapsel.core.serve;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mapsel.core.serve.Asking.STAMP;
import static org.mapsel.core.serve.Asking.ask;
import static org.mapsel.core.serve.Asking.call;
import static org.mapsel.core.serve.Asking.record;
import static org.mapsel.core.serve.Asking.returned;
import static org.mapsel.core.serve.Asking.text;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.mapsel.core.call.Caller;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.message.Access;
import org.mapsel.core.message.Answer;
import org.mapsel.core.message.Request;
import org.mapsel.core.message.http.FirstValues;
import org.mapsel.core.sample.SampleMaker;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.OperationWire;
import org.mapsel.core.service.Service;
import org.mapsel.core.testing.Descriptions;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.RecordValue;

/** Services that are played from their descriptions, asked by our own writers and readers. */
class StandInTest {

  @ParameterizedTest
  @ValueSource(
      strings = {
        "cargo.wsdl",
        "drafts.wsdl",
        "dredging.wsdl",
        "fenders.yaml",
        "horn.wsdl",
        "lights.wsdl",
        "lots.json",
        "marks.xml",
        "moorings.wsdl",
        "pilots.yaml",
        "quays.wsdl",
        "self.wsdl",
        "slipway.json",
        "tides.yaml",
        "yard.xml",
        "yard2.xml"
      })
  void everyOperationIsAnsweredInItsOwnWords(String description) {
    Service service = Descriptions.service("/descriptions/" + description);
    StandIn standIn = new StandIn(service, Recorded.NOTHING);
    for (Operation operation : service.operations()) {
      for (OperationWire wire : operation.wires()) {
        RecordValue parameters = FirstValues.of(service, operation, SampleMaker.Extent.EVERYTHING);
        Outcome<Answer> answer = call(standIn, service, operation, wire, parameters);
        assertThat(answer.findings())
            .as("%s over %s", operation.id(), wire.endpoint())
            .noneMatch(Finding::isError);
        assertThat(answer.value()).as("%s over %s", operation.id(), wire.endpoint()).isPresent();
      }
    }
  }

  @Test
  void formsAddressesAndBodiesOfTheHttpBindingAreUnderstood() {
    for (String file : List.of("finding", "horn")) {
      Service service = Descriptions.service("/descriptions/" + file + ".wsdl");
      StandIn standIn = new StandIn(service, Recorded.NOTHING);
      int asked = 0;
      for (Operation operation : service.operations()) {
        for (OperationWire wire : operation.wires()) {
          if (wire instanceof OperationWire.Http http) {
            // A path has a place for one value of each, and perhaps for the needed ones alone.
            SampleMaker.Extent extent =
                http.encoding() == OperationWire.Encoding.URL_REPLACEMENT
                    ? SampleMaker.Extent.REQUIRED
                    : SampleMaker.Extent.EVERYTHING;
            RecordValue parameters = FirstValues.of(service, operation, extent);
            Request request =
                Caller.request(service, operation, wire.endpoint(), parameters, Access.NONE, STAMP)
                    .get();
            assertThat(new RequestReader(service).read(IncomingRequest.of(request).get()))
                .map(ReadRequest::parameters)
                .as("%s", wire)
                .contains(parameters);
            Outcome<Answer> answer = call(standIn, service, operation, wire, parameters);
            assertThat(answer.findings()).as("%s", wire).noneMatch(Finding::isError);
            assertThat(answer.get()).as("%s", wire).isInstanceOf(Answer.Returned.class);
            asked++;
          }
        }
      }
      assertThat(asked).isGreaterThan(1);
    }
  }

  @Test
  void anEntityServiceTakesRecordsAndListsBehindAliases() {
    Service service =
        Descriptions.serviceOf(
            """
            <edmx:Edmx Version="4.0" xmlns:edmx="http://docs.oasis-open.org/odata/ns/edmx">
              <edmx:DataServices>
                <Schema Namespace="n" xmlns="http://docs.oasis-open.org/odata/ns/edm">
                  <ComplexType Name="Place">
                    <Property Name="Quay" Type="Edm.String" Nullable="false"/>
                    <Property Name="Metre" Type="Edm.Int32" Nullable="false"/>
                  </ComplexType>
                  <Function Name="Depth">
                    <Parameter Name="at" Type="n.Place" Nullable="false"/>
                    <Parameter Name="tides" Type="Collection(Edm.Int32)" Nullable="false"/>
                    <Parameter Name="mark" Type="Edm.String" Nullable="false"/>
                    <ReturnType Type="Edm.Decimal" Scale="2" Nullable="false"/>
                  </Function>
                  <EntityContainer Name="Sea"><FunctionImport Name="Depth" Function="n.Depth"/></EntityContainer>
                </Schema>
              </edmx:DataServices>
            </edmx:Edmx>
            """);
    RecordValue parameters =
        record("{'at':{'Quay':'North & west','Metre':7},'tides':[1,2],'mark':'@x'}");
    Operation depth = Descriptions.operation(service, "Depth");
    Request request =
        Caller.request(
                service, depth, depth.wires().getFirst().endpoint(), parameters, Access.NONE, STAMP)
            .get();
    assertThat(request.address())
        .endsWith(
            "/Depth(at=@at,tides=@tides,mark=%27%40x%27)"
                + "?@at=%7B%22Quay%22%3A%22North%20%26%20west%22%2C%22Metre%22%3A7%7D"
                + "&@tides=%5B1%2C2%5D");
    assertThat(new RequestReader(service).read(IncomingRequest.of(request).get()))
        .map(ReadRequest::parameters)
        .contains(parameters);
    returned(call(new StandIn(service, Recorded.NOTHING), service, "Depth", parameters));
  }

  /** Two ports with an operation each, which have no action and are told apart by their element. */
  private static Service ports(String one, String other) {
    String binding =
        """
          <message name="In"><part name="at" type="xs:string"/></message>
          <portType name="TNAMES"><operation name="NAME"><input message="t:In"/><output message="t:In"/></operation></portType>
          <binding name="BNAME" type="t:TNAMES">
            <s:binding style="rpc" transport="http://schemas.xmlsoap.org/soap/http"/>
            <operation name="NAME"><s:operation soapAction=""/>
              <input><s:body use="literal" namespace="urn:t"/></input><output><s:body use="literal" namespace="urn:t"/></output>
            </operation>
          </binding>
        """;
    String message = binding.lines().findFirst().orElseThrow();
    return Descriptions.serviceOf(
        """
        <definitions xmlns="http://schemas.xmlsoap.org/wsdl/" xmlns:s="http://schemas.xmlsoap.org/wsdl/soap/"
            xmlns:xs="http://www.w3.org/2001/XMLSchema" xmlns:t="urn:t" targetNamespace="urn:t">
        """
            + binding.replace("TNAMES", "A").replace("NAME", "hoist")
            + binding.replace(message, "").replace("TNAMES", "B").replace("NAME", "lower")
            + """
              <service name="Yard">
                <port name="First" binding="t:Bhoist"><s:address location="ONE"/></port>
                <port name="Second" binding="t:Blower"><s:address location="OTHER"/></port>
              </service>
            </definitions>
            """
                .replace("ONE", one)
                .replace("OTHER", other));
  }

  @Test
  void operationsWithoutAnActionAreToldApartByTheirElementAcrossPortsOfOneAddress() {
    Service service = ports("http://localhost:1/yard", "http://localhost:1/yard");
    StandIn standIn = new StandIn(service, Recorded.NOTHING);
    for (String operation : List.of("hoist", "lower")) {
      returned(call(standIn, service, operation, record("{'at':'Quay 3'}")));
    }
  }

  @Test
  void portsOfQueuesHaveAPathEach() {
    Service service = ports("jms:queue:yard", "jms:queue:yard");
    assertThat(service.endpoints().stream().map(StandIn::path))
        .containsExactly("/First", "/Second");
  }

  private final Service yard = Descriptions.service("/descriptions/yard.xml");
  private final StandIn cranes = new StandIn(yard, Recorded.NOTHING);

  private static final String PATH =
      StandIn.path(Descriptions.service("/descriptions/yard.xml").endpoints().getFirst());

  @Test
  void anEntityOfADerivedTypeSaysSoItself() {
    for (String path : List.of("/Cranes", "/Cranes(1)")) {
      Served served = cranes.answer(ask("GET", PATH + path, "", ""));
      assertThat(text(served))
          .contains("\"@odata.type\":\"#saltmere.yard.")
          .doesNotContain("\"\":");
    }
  }

  @Test
  void whatTheDescriptionDoesNotLetPassIsRefusedInTheWordsOfTheProtocol() {
    Served entity = cranes.answer(ask("POST", PATH + "/Cranes", "", "{'Code':7,"));
    assertThat(entity.response().status()).isEqualTo(400);
    assertThat(text(entity)).contains("\"error\"");

    Service tides = Descriptions.service("/descriptions/tides.yaml");
    StandIn http = new StandIn(tides, Recorded.NOTHING);
    assertThat(text(http.answer(ask("GET", "/nowhere", "", "")))).contains("\"status\":404");

    Service dredging = Descriptions.service("/descriptions/dredging.wsdl");
    StandIn soap = new StandIn(dredging, Recorded.NOTHING);
    String path = StandIn.path(dredging.endpoints().getFirst());
    assertThat(text(soap.answer(ask("POST", path, "", "<a/>")))).contains("Fault");
    assertThat(text(soap.answer(ask("POST", path, "", "no xml")))).contains("Fault");
  }

  @Test
  void theRecordedAnswerThatIsNearestIsTaken() {
    RecordValue a = record("{'rows':[{'Day':'2031-05-14','Code':'A'}]}");
    RecordValue b = record("{'rows':[{'Day':'2031-05-14','Code':'B'}]}");
    StandIn recorded =
        new StandIn(
            yard,
            operation ->
                operation.text().equals("Cranes.Jobs")
                    ? List.of(
                        new Recorded.Sample(record("{'Id':1}"), a),
                        new Recorded.Sample(record("{'Id':2}"), b))
                    : List.of());

    RecordValue answer = returned(call(recorded, yard, "Cranes.Jobs", record("{'Id':2}")));
    assertThat(((ListValue) answer.get("rows")).items()).hasSize(1);
    assertThat(answer.toString()).contains("B").doesNotContain("=A");
  }
}
