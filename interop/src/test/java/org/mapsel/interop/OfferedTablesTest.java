package org.mapsel.interop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import jakarta.xml.bind.JAXBElement;
import jakarta.xml.ws.Dispatch;
import jakarta.xml.ws.Service;
import java.io.IOException;
import java.io.InputStream;
import java.io.StringReader;
import java.io.StringWriter;
import java.math.BigDecimal;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import javax.xml.namespace.QName;
import javax.xml.transform.Source;
import javax.xml.transform.TransformerFactory;
import javax.xml.transform.stream.StreamResult;
import javax.xml.transform.stream.StreamSource;
import org.apache.cxf.binding.soap.SoapFault;
import org.apache.cxf.endpoint.Client;
import org.apache.cxf.jaxws.endpoint.dynamic.JaxWsDynamicClientFactory;
import org.apache.olingo.client.api.ODataClient;
import org.apache.olingo.client.api.communication.ODataClientErrorException;
import org.apache.olingo.client.api.communication.request.cud.ODataEntityUpdateRequest;
import org.apache.olingo.client.api.communication.request.cud.UpdateType;
import org.apache.olingo.client.api.domain.ClientEntity;
import org.apache.olingo.client.api.domain.ClientEntitySet;
import org.apache.olingo.client.core.ODataClientFactory;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.message.Response;
import org.mapsel.core.serve.IncomingRequest;
import org.mapsel.core.serve.OfferedService;
import org.mapsel.core.table.TableOffer;
import org.mapsel.core.testing.BerthBook;
import org.mapsel.core.testing.MemoryRows;
import org.mapsel.interop.made.ApiClient;
import org.mapsel.interop.made.ApiException;
import org.mapsel.interop.made.Berth;
import org.mapsel.interop.made.BerthChange;
import org.mapsel.interop.made.DefaultApi;
import tools.jackson.databind.json.JsonMapper;

/** Offered tables, asked by clients that are not ours and know nothing but the descriptions. */
class OfferedTablesTest {

  private HttpServer http;
  private String base;

  @BeforeEach
  void offer() throws IOException {
    http = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
    base = "http://localhost:" + http.getAddress().getPort() + "/offered/berth-book";
    TableOffer offer = BerthBook.offer();
    OfferedService service =
        new OfferedService(offer, base, false, MemoryRows.of(BerthBook.open("xlsx"), offer));
    http.createContext("/", exchange -> serve(service, exchange));
    http.start();
  }

  @AfterEach
  void stop() {
    http.stop(0);
  }

  private static void serve(OfferedService service, HttpExchange exchange) throws IOException {
    try (exchange) {
      IncomingRequest asked =
          new IncomingRequest(
              exchange.getRequestMethod(),
              exchange.getRequestURI().getRawPath(),
              Objects.requireNonNullElse(exchange.getRequestURI().getRawQuery(), ""),
              exchange.getRequestHeaders(),
              exchange.getRequestBody().readAllBytes());
      Response response =
          service
              .description(asked)
              .map(text -> new Response(200, type(text), text.bytes()))
              .orElseGet(() -> service.answer(asked).response());
      response.headers().forEach((name, values) -> exchange.getResponseHeaders().put(name, values));
      exchange.sendResponseHeaders(
          response.status(), response.body().length == 0 ? -1 : response.body().length);
      exchange.getResponseBody().write(response.body());
    }
  }

  private static Map<String, List<String>> type(SourceText text) {
    return Map.of(
        "Content-Type",
        List.of(text.address().endsWith("json") ? "application/json" : "application/xml"));
  }

  /** Reads a property of a class that was made of the description. */
  private static Object get(Object bean, String property) throws Exception {
    return bean.getClass().getMethod("get" + property).invoke(bean);
  }

  @Test
  void aSoapClientMadeOfTheDescriptionReadsRows() throws Exception {
    Client client = JaxWsDynamicClientFactory.newInstance().createClient(base + "/soap?wsdl");
    try {
      Object berth = client.invoke("ReadBerth", "N02")[0];

      assertThat(get(berth, "Basin")).isEqualTo("North");
      assertThat(((JAXBElement<?>) get(berth, "Remarks")).isNil()).isTrue();
      assertThat(get(berth, "Depth")).isEqualTo(new BigDecimal("10.54"));
      assertThatThrownBy(() -> client.invoke("ReadBerth", "X99"))
          .isInstanceOf(SoapFault.class)
          .hasMessageContaining("no Berth with this key");
    } finally {
      client.destroy();
    }
  }

  @Test
  void bothKindsOfSoapAreSpoken() throws Exception {
    QName name = new QName("urn:offered:berthBook", "BerthBook");
    Service service = Service.create(URI.create(base + "/soap?wsdl").toURL(), name);
    List<QName> ports = new ArrayList<>();
    service.getPorts().forEachRemaining(ports::add);
    assertThat(ports).hasSize(2);

    for (QName port : ports) {
      Dispatch<Source> client = service.createDispatch(port, Source.class, Service.Mode.PAYLOAD);
      Source answer =
          client.invoke(
              new StreamSource(
                  new StringReader(
                      "<ReadBerth xmlns='urn:offered:berthBook'><code>N02</code></ReadBerth>")));
      StringWriter text = new StringWriter();
      TransformerFactory.newInstance().newTransformer().transform(answer, new StreamResult(text));
      assertThat(text.toString()).contains(">10.54<");
    }
  }

  @Test
  void aClientMadeOfTheOpenDescriptionReadsChangesAndIsToldWhenItIsLate() throws Exception {
    JsonMapper json = new JsonMapper();
    String served;
    try (InputStream in = URI.create(base + "/openapi.json").toURL().openStream()) {
      served = new String(in.readAllBytes(), StandardCharsets.UTF_8);
    }
    try (InputStream made = getClass().getResourceAsStream("/berth-book.openapi.json")) {
      assertThat(json.readTree(served.replace(base, "http://localhost:1/offered/berth-book")))
          .as("the client was made of what is served")
          .isEqualTo(json.readTree(Objects.requireNonNull(made).readAllBytes()));
    }
    ApiClient client = new ApiClient();
    client.updateBaseUri(base + "/http");
    DefaultApi api = new DefaultApi(client);

    Berth berth = api.readBerth("N02");
    assertThat(berth.getDepth()).isEqualByComparingTo("10.54");
    assertThat(berth.getSurveyed()).isEqualTo(LocalDate.of(2031, 3, 12));
    assertThat(
            api.listBerths(null, "Mole", null, null, null, null, null, null, "depth desc", null, 2)
                .getRows())
        .extracting(Berth::getBasin)
        .containsExactly("Mole", "Mole");
    BerthChange change = new BerthChange();
    change.setDepth(new BigDecimal("9.5"));
    change.setVersion(berth.getVersion());
    assertThat(api.changeBerth("N02", change).getDepth()).isEqualByComparingTo("9.5");
    assertThatThrownBy(() -> api.changeBerth("N02", change))
        .isInstanceOfSatisfying(
            ApiException.class, late -> assertThat(late.getCode()).isEqualTo(412));
  }

  @Test
  void anEntityClientFiltersChangesAndIsToldWhenItIsLate() {
    ODataClient client = ODataClientFactory.getClient();
    String service = base + "/odata";
    assertThat(
            client
                .getRetrieveRequestFactory()
                .getMetadataRequest(service)
                .execute()
                .getBody()
                .getEntityContainer()
                .getEntitySets())
        .extracting(set -> set.getName())
        .containsExactlyInAnyOrder("Berths", "Basins");

    ClientEntitySet rows =
        client
            .getRetrieveRequestFactory()
            .getEntitySetRequest(
                client
                    .newURIBuilder(service)
                    .appendEntitySetSegment("Berths")
                    .filter("basin eq 'Mole' and depth lt 8.5")
                    .orderBy("depth")
                    .count(true)
                    .build())
            .execute()
            .getBody();
    assertThat(rows.getCount()).isEqualTo(rows.getEntities().size()).isPositive();
    assertThat(
            client
                .getRetrieveRequestFactory()
                .getEntitySetRequest(
                    client
                        .newURIBuilder(service)
                        .appendEntitySetSegment("Berths")
                        .select("code", "depth")
                        .top(2)
                        .build())
                .execute()
                .getBody()
                .getEntities())
        .hasSize(2)
        .allSatisfy(
            berth ->
                assertThat(berth.getProperties())
                    .extracting(property -> property.getName())
                    .containsExactlyInAnyOrder("code", "depth"));

    URI one =
        client
            .newURIBuilder(service)
            .appendEntitySetSegment("Berths")
            .appendKeySegment("N02")
            .build();
    ClientEntity read =
        client.getRetrieveRequestFactory().getEntityRequest(one).execute().getBody();
    ClientEntity change = client.getObjectFactory().newEntity(read.getTypeName());
    change
        .getProperties()
        .add(
            client
                .getObjectFactory()
                .newPrimitiveProperty(
                    "remarks",
                    client.getObjectFactory().newPrimitiveValueBuilder().buildString("dredged")));
    ODataEntityUpdateRequest<ClientEntity> first =
        client.getCUDRequestFactory().getEntityUpdateRequest(one, UpdateType.PATCH, change);
    first.setIfMatch(read.getETag());
    assertThat(first.execute().getStatusCode()).isEqualTo(200);
    ODataEntityUpdateRequest<ClientEntity> late =
        client.getCUDRequestFactory().getEntityUpdateRequest(one, UpdateType.PATCH, change);
    late.setIfMatch(read.getETag());
    assertThatThrownBy(late::execute)
        .isInstanceOf(ODataClientErrorException.class)
        .hasMessageContaining("changed since it was read");
  }
}
