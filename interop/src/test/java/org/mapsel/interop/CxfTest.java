package org.mapsel.interop;

import static org.assertj.core.api.Assertions.assertThat;

import jakarta.jws.WebParam;
import jakarta.jws.WebService;
import jakarta.jws.soap.SOAPBinding;
import jakarta.xml.bind.annotation.XmlAttribute;
import jakarta.xml.bind.annotation.XmlElement;
import jakarta.xml.bind.annotation.XmlSeeAlso;
import jakarta.xml.ws.soap.MTOM;
import java.net.ServerSocket;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javax.security.auth.callback.Callback;
import javax.security.auth.callback.CallbackHandler;
import org.apache.cxf.endpoint.Server;
import org.apache.cxf.jaxws.JaxWsServerFactoryBean;
import org.apache.cxf.ws.security.wss4j.WSS4JInInterceptor;
import org.apache.wss4j.common.ext.WSPasswordCallback;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.mapsel.core.message.Access;
import org.mapsel.core.message.Answer;
import org.mapsel.core.message.Secret;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.testing.Client;
import org.mapsel.core.value.BinaryValue;

/** Apache CXF: document and rpc style, derived types, faults, MTOM, WS-Security. */
class CxfTest {

  private final List<Server> servers = new ArrayList<>();

  /** A crane or a winch. */
  @XmlSeeAlso(Winch.class)
  public static class Gear {
    @XmlAttribute public String id;

    @XmlElement(required = true)
    public int tonnes;
  }

  /** A gear with a rope. */
  public static class Winch extends Gear {
    @XmlElement(required = true)
    public double metres;
  }

  /** There is none. */
  public static class NoSuchGear extends Exception {
    private static final long serialVersionUID = 1L;
    private final String gear;

    public NoSuchGear(String gear) {
      super("There is no gear " + gear);
      this.gear = gear;
    }

    public String getGear() {
      return gear;
    }
  }

  /** Wrapped document style. */
  @MTOM
  @WebService(targetNamespace = "urn:saltmere:gear")
  public static class Gears {
    public List<Gear> same(@WebParam(name = "gear") List<Gear> gears) {
      return gears;
    }

    public Gear find(@WebParam(name = "id") String id) throws NoSuchGear {
      throw new NoSuchGear(id);
    }

    public byte[] plan(@WebParam(name = "id") String id) {
      return ("plan of " + id).repeat(500).getBytes(StandardCharsets.UTF_8);
    }
  }

  /** Rpc style. */
  @WebService(targetNamespace = "urn:saltmere:gear")
  @SOAPBinding(style = SOAPBinding.Style.RPC)
  public static class RpcGears {
    public Gear heavier(@WebParam(name = "gear") Gear gear, @WebParam(name = "by") int by) {
      gear.tonnes += by;
      return gear;
    }
  }

  private String publish(Object implementation, boolean secured) throws Exception {
    int port;
    try (ServerSocket free = new ServerSocket(0)) {
      port = free.getLocalPort();
    }
    JaxWsServerFactoryBean factory = new JaxWsServerFactoryBean();
    factory.setServiceBean(implementation);
    factory.setAddress("http://localhost:" + port + "/gear");
    factory.setProperties(new java.util.HashMap<>(Map.of("schema-validation-enabled", "true")));
    if (secured) {
      CallbackHandler passwords =
          callbacks -> {
            for (Callback callback : callbacks) {
              ((WSPasswordCallback) callback).setPassword("slack-water");
            }
          };
      factory
          .getInInterceptors()
          .add(
              new WSS4JInInterceptor(
                  Map.of(
                      "action",
                      "UsernameToken Timestamp",
                      "passwordType",
                      "PasswordDigest",
                      "passwordCallbackRef",
                      passwords)));
    }
    servers.add(factory.create());
    return "http://localhost:" + port + "/gear?wsdl";
  }

  @AfterEach
  void stop() {
    servers.forEach(Server::destroy);
  }

  @Test
  void recordsListsAndDerivedTypesGoThereAndBack() throws Exception {
    String gears =
        "{'%s':[{'id':'C1','tonnes':40},{'id':'W1','tonnes':5,'kind':{'winch':{'metres':80.5}}}]}";
    assertThat(new Client(publish(new Gears(), false)).returned("same", gears.formatted("gear")))
        .isEqualTo(Client.json(gears.formatted("return")));
  }

  @Test
  void announcedFaultsAreRead() throws Exception {
    Answer answer =
        new Client(publish(new Gears(), false)).call("find", "{'id':'X'}").answer().orElseThrow();

    assertThat(answer).isInstanceOf(Answer.Failed.class);
    assertThat(((Answer.Failed) answer).fault()).contains("NoSuchGear");
    assertThat(((Answer.Failed) answer).detail().at(FieldPath.of("gear")))
        .isEqualTo(Client.json("{'g':'X'}").get("g"));
  }

  @Test
  void bytesBesideTheMessageAreRead() throws Exception {
    assertThat(
            new Client(publish(new Gears(), false)).returned("plan", "{'id':'C1'}").get("return"))
        .isEqualTo(new BinaryValue("plan of C1".repeat(500).getBytes(StandardCharsets.UTF_8)));
  }

  @Test
  void rpcStyleIsUnderstood() throws Exception {
    assertThat(
            new Client(publish(new RpcGears(), false))
                .returned("heavier", "{'gear':{'id':'C1','tonnes':40},'by':2}"))
        .isEqualTo(Client.json("{'return':{'id':'C1','tonnes':42}}"));
  }

  @Test
  void theRightUserTokenIsLetInAndNoOther() throws Exception {
    String secured = publish(new RpcGears(), true);
    String values = "{'gear':{'tonnes':1},'by':1}";

    assertThat(new Client(secured, as("slack-water")).returned("heavier", values))
        .isEqualTo(Client.json("{'return':{'tonnes':2}}"));
    assertThat(new Client(secured, as("high-water")).call("heavier", values).answer())
        .get()
        .isInstanceOf(Answer.Failed.class);
    assertThat(new Client(secured).call("heavier", values).answer())
        .get()
        .isInstanceOf(Answer.Failed.class);
  }

  private static Access as(String password) {
    return new Access(
        new Access.Login.None(),
        List.of(),
        Optional.of(new Access.Security("pilot", Secret.of(password), true, true)),
        Access.Addressing.NEVER,
        Access.Connection.PLAIN);
  }
}
