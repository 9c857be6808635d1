package org.mapsel.interop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import jakarta.jws.WebMethod;
import jakarta.jws.WebParam;
import jakarta.jws.WebService;
import jakarta.xml.bind.annotation.XmlAttribute;
import jakarta.xml.bind.annotation.XmlElement;
import jakarta.xml.ws.soap.SOAPFaultException;
import java.net.ServerSocket;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import org.apache.cxf.endpoint.Server;
import org.apache.cxf.jaxws.JaxWsProxyFactoryBean;
import org.apache.cxf.jaxws.JaxWsServerFactoryBean;
import org.junit.jupiter.api.Test;
import org.mapsel.cli.StandInServer;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.intake.Description;
import org.mapsel.core.intake.Intake;

/** A client of Apache CXF that asks a service which is only played from its description. */
class StandInTest {

  /** A crane or a winch. */
  public static class Gear {
    @XmlAttribute(required = true)
    public String id;

    @XmlElement(required = true)
    public int tonnes;
  }

  /** What both sides agree on. */
  @WebService(targetNamespace = "urn:saltmere:gear", name = "Gears")
  public interface Gears {
    @WebMethod
    List<Gear> all(@WebParam(name = "quay") String quay);

    @WebMethod
    Gear heavier(@WebParam(name = "gear") Gear gear, @WebParam(name = "by") int by);
  }

  /** The service that the description is of. */
  @WebService(
      targetNamespace = "urn:saltmere:gear",
      endpointInterface = "org.mapsel.interop.StandInTest$Gears")
  public static class RealGears implements Gears {
    @Override
    public List<Gear> all(String quay) {
      return List.of();
    }

    @Override
    public Gear heavier(Gear gear, int by) {
      return gear;
    }
  }

  private static Description described() throws Exception {
    int port;
    try (ServerSocket free = new ServerSocket(0)) {
      port = free.getLocalPort();
    }
    JaxWsServerFactoryBean factory = new JaxWsServerFactoryBean();
    factory.setServiceBean(new RealGears());
    factory.setAddress("http://localhost:" + port + "/gear");
    Server server = factory.create();
    try {
      String address = "http://localhost:" + port + "/gear?wsdl";
      return Intake.read(fetched(address), next -> Outcome.of(fetched(next))).get();
    } finally {
      server.destroy();
    }
  }

  private static SourceText fetched(String address) {
    try (var in = URI.create(address).toURL().openStream()) {
      return new SourceText(address, in.readAllBytes());
    } catch (java.io.IOException e) {
      throw new java.io.UncheckedIOException(e);
    }
  }

  private static Gears client(String address) {
    JaxWsProxyFactoryBean factory = new JaxWsProxyFactoryBean();
    factory.setServiceClass(Gears.class);
    factory.setAddress(address + "/gear");
    factory.setProperties(Map.of("schema-validation-enabled", "true"));
    return factory.create(Gears.class);
  }

  @Test
  void madeAnswersAreValidForAClientThatChecksThem() throws Exception {
    try (StandInServer server = StandInServer.of(described())) {
      Gears gears = client(server.address());

      assertThat(gears.all("north"))
          .isNotEmpty()
          .allSatisfy(gear -> assertThat(gear.id).isNotBlank());
      Gear heavy = new Gear();
      heavy.id = "C-7";
      heavy.tonnes = 12;
      assertThat(gears.heavier(heavy, 3).tonnes).isPositive();
    }
  }

  @Test
  void whatIsNotUnderstoodComesBackAsAFault() throws Exception {
    try (StandInServer server = StandInServer.of(described())) {
      JaxWsProxyFactoryBean factory = new JaxWsProxyFactoryBean();
      factory.setServiceClass(Strangers.class);
      factory.setAddress(server.address() + "/gear");
      Strangers strangers = factory.create(Strangers.class);

      assertThatThrownBy(() -> strangers.unheardOf("x"))
          .isInstanceOf(SOAPFaultException.class)
          .hasMessageContaining("unheardOf");
    }
  }

  /** Somebody who asks for what there is not. */
  @WebService(targetNamespace = "urn:saltmere:elsewhere", name = "Strangers")
  public interface Strangers {
    @WebMethod
    String unheardOf(@WebParam(name = "id") String id);
  }

  @Test
  void theDescriptionNamesThePlacesWhereItIsPlayed() throws Exception {
    try (StandInServer server = StandInServer.of(described())) {
      String wsdl =
          new String(fetched(server.address() + "/gear?wsdl").bytes(), StandardCharsets.UTF_8);

      assertThat(wsdl).contains(server.address() + "/gear");
      assertThat(
              Intake.read(
                      fetched(server.address() + "/gear?wsdl"),
                      none ->
                          Outcome.failed(Finding.error("READ_DOCUMENT_MISSING", "address", none)))
                  .get()
                  .service()
                  .operations()
                  .ids())
          .hasSize(2);
    }
  }
}
