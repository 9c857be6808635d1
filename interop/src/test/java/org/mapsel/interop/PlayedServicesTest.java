package org.mapsel.interop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.atlassian.oai.validator.OpenApiInteractionValidator;
import com.atlassian.oai.validator.model.Request.Method;
import com.atlassian.oai.validator.model.SimpleRequest;
import com.atlassian.oai.validator.model.SimpleResponse;
import com.atlassian.oai.validator.report.ValidationReport;
import java.io.IOException;
import java.io.InputStream;
import java.math.BigDecimal;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.Map;
import java.util.Objects;
import org.apache.olingo.client.api.ODataClient;
import org.apache.olingo.client.api.communication.ODataClientErrorException;
import org.apache.olingo.client.api.communication.request.cud.UpdateType;
import org.apache.olingo.client.api.domain.ClientEntity;
import org.apache.olingo.client.core.ODataClientFactory;
import org.apache.olingo.commons.api.edm.FullQualifiedName;
import org.junit.jupiter.api.Test;
import org.mapsel.cli.StandInServer;
import org.mapsel.core.call.Caller;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.intake.Description;
import org.mapsel.core.intake.Intake;
import org.mapsel.core.message.Access;
import org.mapsel.core.message.Header;
import org.mapsel.core.message.Request;
import org.mapsel.core.message.Stamp;
import org.mapsel.core.message.http.FirstValues;
import org.mapsel.core.sample.SampleMaker;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.interop.made.ApiClient;
import org.mapsel.interop.made.Berth;
import org.mapsel.interop.made.BerthChange;
import org.mapsel.interop.made.DefaultApi;

/** Services that are only played from their descriptions, asked by clients that are not ours. */
class PlayedServicesTest {

  private static final String BUOYS =
      """
      <edmx:Edmx Version="4.0" xmlns:edmx="http://docs.oasis-open.org/odata/ns/edmx">
        <edmx:DataServices>
          <Schema Namespace="saltmere.buoys" xmlns="http://docs.oasis-open.org/odata/ns/edm">
            <EntityType Name="Buoy">
              <Key><PropertyRef Name="Code"/></Key>
              <Property Name="Code" Type="Edm.String" Nullable="false"/>
              <Property Name="Depth" Type="Edm.Decimal" Scale="2"/>
              <Property Name="Lit" Type="Edm.Boolean" Nullable="false"/>
              <Property Name="Laid" Type="Edm.Date"/>
            </EntityType>
            <EntityContainer Name="Sea"><EntitySet Name="Buoys" EntityType="saltmere.buoys.Buoy"/></EntityContainer>
          </Schema>
        </edmx:DataServices>
      </edmx:Edmx>
      """;

  private static final FullQualifiedName BUOY = new FullQualifiedName("saltmere.buoys", "Buoy");

  private static Description described(String address, byte[] text) {
    return Intake.read(
            new SourceText(address, text),
            next -> Outcome.failed(Finding.error("READ_DOCUMENT_MISSING", "address", next)))
        .get();
  }

  private static byte[] resource(String name) throws IOException {
    try (InputStream in = PlayedServicesTest.class.getResourceAsStream(name)) {
      return Objects.requireNonNull(in).readAllBytes();
    }
  }

  @Test
  void anEntityClientFindsWhatItCreatedUntilItDeletesIt() throws Exception {
    Description description =
        described("http://localhost:1/buoys/$metadata", BUOYS.getBytes(StandardCharsets.UTF_8));
    try (StandInServer server = StandInServer.of(description)) {
      ODataClient client = ODataClientFactory.getClient();
      String root = server.address() + "/buoys";
      URI all = client.newURIBuilder(root).appendEntitySetSegment("Buoys").build();
      URI one =
          client
              .newURIBuilder(root)
              .appendEntitySetSegment("Buoys")
              .appendKeySegment("B-7")
              .build();
      int before = count(client, all);
      assertThat(before).isPositive();

      client.getCUDRequestFactory().getEntityCreateRequest(all, buoy(client, "4.25")).execute();
      assertThat(count(client, all)).isEqualTo(before + 1);
      assertThat(depth(client, one)).isEqualByComparingTo("4.25");

      client
          .getCUDRequestFactory()
          .getEntityUpdateRequest(one, UpdateType.PATCH, buoy(client, "3.5"))
          .execute();
      assertThat(depth(client, one)).isEqualByComparingTo("3.5");

      client.getCUDRequestFactory().getDeleteRequest(one).execute();
      assertThat(count(client, all)).isEqualTo(before);
      assertThatThrownBy(() -> depth(client, one))
          .isInstanceOfSatisfying(
              ODataClientErrorException.class,
              gone -> assertThat(gone.getStatusLine().getStatusCode()).isEqualTo(404));
    }
  }

  private static ClientEntity buoy(ODataClient client, String depth) {
    var make = client.getObjectFactory();
    ClientEntity buoy = make.newEntity(BUOY);
    buoy.getProperties()
        .add(make.newPrimitiveProperty("Code", make.newPrimitiveValueBuilder().buildString("B-7")));
    buoy.getProperties()
        .add(
            make.newPrimitiveProperty(
                "Depth", make.newPrimitiveValueBuilder().buildDecimal(new BigDecimal(depth))));
    buoy.getProperties()
        .add(make.newPrimitiveProperty("Lit", make.newPrimitiveValueBuilder().buildBoolean(true)));
    return buoy;
  }

  private static int count(ODataClient client, URI set) {
    return client
        .getRetrieveRequestFactory()
        .getEntitySetRequest(set)
        .execute()
        .getBody()
        .getEntities()
        .size();
  }

  private static BigDecimal depth(ODataClient client, URI buoy) {
    ClientEntity entity =
        client.getRetrieveRequestFactory().getEntityRequest(buoy).execute().getBody();
    return new BigDecimal(entity.getProperty("Depth").getPrimitiveValue().toString());
  }

  @Test
  void aClientMadeOfADescriptionReadsWhatItChanged() throws Exception {
    Description description = described("berths.json", resource("/berth-book.openapi.json"));
    try (StandInServer server = StandInServer.of(description)) {
      ApiClient client = new ApiClient();
      client.updateBaseUri(server.address() + "/offered/berth-book/http");
      DefaultApi api = new DefaultApi(client);

      Berth berth =
          api.listBerths(null, null, null, null, null, null, null, null, null, null, null)
              .getRows()
              .getFirst();
      BerthChange change = new BerthChange();
      change.setDepth(new BigDecimal("9.5"));
      change.setVersion(berth.getVersion());
      api.changeBerth(berth.getCode(), change);

      assertThat(api.readBerth(berth.getCode()).getDepth()).isEqualByComparingTo("9.5");
    }
  }

  @Test
  void whatGoesOutAndComesBackIsValidForAValidatorOfExchanges() throws Exception {
    byte[] text = resource("/moorings.yaml");
    Description description = described("moorings.yaml", text);
    OpenApiInteractionValidator validator =
        OpenApiInteractionValidator.createForInlineApiSpecification(
                new String(text, StandardCharsets.UTF_8))
            .build();
    try (StandInServer server = StandInServer.of(description);
        HttpClient http = HttpClient.newHttpClient()) {
      Service service =
          description
              .service()
              .at(
                  Map.of(
                      description.service().endpoints().getFirst().id(),
                      server.address() + "/moorings"));
      for (Operation operation : service.operations()) {
        Request sent =
            Caller.request(
                    service,
                    operation,
                    service.endpoints().getFirst().id(),
                    FirstValues.of(service, operation, SampleMaker.Extent.EVERYTHING),
                    Access.NONE,
                    new Stamp(Instant.EPOCH, "1", new byte[] {1}))
                .get();
        ValidationReport report = validator.validate(asked(sent), answered(http, sent));

        assertThat(report.getMessages()).as(operation.id() + ": " + sent.address()).isEmpty();
      }
    }
  }

  private static SimpleRequest asked(Request sent) {
    URI address = URI.create(sent.address());
    SimpleRequest.Builder request =
        new SimpleRequest.Builder(Method.valueOf(sent.method()), address.getPath());
    if (address.getRawQuery() != null) {
      for (String pair : address.getQuery().split("&")) {
        request.withQueryParam(
            pair.substring(0, pair.indexOf('=')), pair.substring(pair.indexOf('=') + 1));
      }
    }
    sent.headers().forEach(header -> request.withHeader(header.name(), header.value()));
    if (sent.body().length > 0) {
      request.withBody(sent.body());
    }
    return request.build();
  }

  private static SimpleResponse answered(HttpClient http, Request sent) throws Exception {
    HttpRequest.Builder request =
        HttpRequest.newBuilder(URI.create(sent.address()))
            .method(sent.method(), HttpRequest.BodyPublishers.ofByteArray(sent.body()));
    for (Header header : sent.headers()) {
      request.header(header.name(), header.value());
    }
    HttpResponse<String> response =
        http.send(request.build(), HttpResponse.BodyHandlers.ofString());
    SimpleResponse.Builder answer = SimpleResponse.Builder.status(response.statusCode());
    response.headers().firstValue("Content-Type").ifPresent(answer::withContentType);
    return response.body().isEmpty() ? answer.build() : answer.withBody(response.body()).build();
  }
}
