package org.mapsel.interop;

import static org.assertj.core.api.Assertions.assertThat;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.StringWriter;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import javax.xml.namespace.QName;
import javax.xml.transform.TransformerFactory;
import javax.xml.transform.dom.DOMSource;
import javax.xml.transform.stream.StreamResult;
import org.apache.axis.AxisFault;
import org.apache.axis.Message;
import org.apache.axis.MessageContext;
import org.apache.axis.configuration.XMLStringProvider;
import org.apache.axis.encoding.ser.BeanDeserializerFactory;
import org.apache.axis.encoding.ser.BeanSerializerFactory;
import org.apache.axis.server.AxisServer;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedClass;
import org.junit.jupiter.params.provider.ValueSource;
import org.mapsel.core.message.Answer;
import org.mapsel.core.testing.Client;
import org.w3c.dom.Document;

/**
 * Apache Axis 1: rpc style in the encodings of SOAP 1.1 and 1.2, with arrays and values that are
 * referred to.
 */
@ParameterizedClass
@ValueSource(strings = {"1.1", "1.2"})
class AxisTest {

  private static final String CONFIGURATION =
      """
      <deployment xmlns='http://xml.apache.org/axis/wsdd/' xmlns:java='http://xml.apache.org/axis/wsdd/providers/java'>
        <globalConfiguration>
          <parameter name='sendMultiRefs' value='true'/><parameter name='sendXsiTypes' value='true'/>
        </globalConfiguration>
        <service name='buoys' provider='java:RPC' style='rpc' use='encoded'>
          <namespace>urn:saltmere:buoys</namespace>
          <parameter name='className' value='org.mapsel.interop.AxisTest$Buoys'/>
          <parameter name='allowedMethods' value='*'/>
          <parameter name='wsdlTargetNamespace' value='urn:saltmere:buoys'/>
          <beanMapping qname='b:Buoy' xmlns:b='urn:saltmere:buoys' languageSpecificType='java:org.mapsel.interop.AxisTest$Buoy'/>
        </service>
      </deployment>""";

  /** What lies in the water. */
  public static class Buoy {
    private String name;
    private int number;
    private Buoy next;

    public String getName() {
      return name;
    }

    public void setName(String given) {
      name = given;
    }

    public int getNumber() {
      return number;
    }

    public void setNumber(int given) {
      number = given;
    }

    public Buoy getNext() {
      return next;
    }

    public void setNext(Buoy given) {
      next = given;
    }
  }

  /** The operations. Axis reads their class file, and knows none of what came after Java 6. */
  public static class Buoys {
    public Buoy[] same(Buoy[] buoys) {
      return buoys;
    }

    public Buoy[] twice(Buoy buoy) {
      return new Buoy[] {buoy, buoy};
    }

    public String joined(String[] words, boolean loud) {
      return loud ? String.join(" ", words).toUpperCase() : String.join(" ", words);
    }

    public int fail(int number) throws Exception {
      throw new Exception("number ".concat(String.valueOf(number)));
    }
  }

  private static final Map<String, String> ENVELOPES =
      Map.of(
          "1.1", "http://schemas.xmlsoap.org/soap/envelope/",
          "1.2", "http://www.w3.org/2003/05/soap-envelope");

  private final String version;
  private AxisServer axis;
  private HttpServer http;
  private String address;

  AxisTest(String version) {
    this.version = version;
  }

  @BeforeEach
  void start() throws Exception {
    axis = new AxisServer(new XMLStringProvider(CONFIGURATION));
    // The configuration maps beans for the encoding of SOAP 1.1 alone.
    QName buoy = new QName("urn:saltmere:buoys", "Buoy");
    axis.getService("buoys")
        .getTypeMappingRegistry()
        .getOrMakeTypeMapping("http://www.w3.org/2003/05/soap-encoding")
        .register(
            Buoy.class,
            buoy,
            new BeanSerializerFactory(Buoy.class, buoy),
            new BeanDeserializerFactory(Buoy.class, buoy));
    http = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
    address = "http://localhost:" + http.getAddress().getPort() + "/buoys";
    http.createContext("/buoys", this::answer);
    http.start();
  }

  @AfterEach
  void stop() {
    http.stop(0);
  }

  /** Axis describes itself in SOAP 1.1 alone, though it answers in the version it is called in. */
  private static String inVersion(String version, String description) {
    return version.equals("1.1")
        ? description
        : description
            .replace(
                "http://schemas.xmlsoap.org/wsdl/soap/", "http://schemas.xmlsoap.org/wsdl/soap12/")
            .replace(
                "encodingStyle=\"http://schemas.xmlsoap.org/soap/encoding/\"",
                "encodingStyle=\"http://www.w3.org/2003/05/soap-encoding\"");
  }

  private void answer(HttpExchange exchange) throws IOException {
    MessageContext context = new MessageContext(axis);
    context.setTargetService("buoys");
    context.setProperty(MessageContext.TRANS_URL, address);
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    int status = 200;
    if (exchange.getRequestMethod().equals("GET")) {
      try {
        axis.generateWSDL(context);
        StringWriter description = new StringWriter();
        TransformerFactory.newDefaultInstance()
            .newTransformer()
            .transform(
                new DOMSource((Document) context.getProperty("WSDL")),
                new StreamResult(description));
        bytes.write(inVersion(version, description.toString()).getBytes(StandardCharsets.UTF_8));
      } catch (Exception e) {
        throw new IllegalStateException(e);
      }
    } else {
      byte[] request = exchange.getRequestBody().readAllBytes();
      assertThat(new String(request, StandardCharsets.UTF_8)).contains(ENVELOPES.get(version));
      context.setRequestMessage(new Message(new ByteArrayInputStream(request)));
      Message response;
      try {
        axis.invoke(context);
        response = context.getResponseMessage();
      } catch (AxisFault fault) {
        status = 500;
        response = new Message(fault);
        response.setMessageContext(context);
      }
      bytes.write(response.getSOAPPartAsBytes());
    }
    exchange.getResponseHeaders().add("Content-Type", "text/xml; charset=utf-8");
    exchange.sendResponseHeaders(status, bytes.size());
    exchange.getResponseBody().write(bytes.toByteArray());
    exchange.close();
  }

  @Test
  void arraysOfRecordsGoThereAndBack() {
    String buoys =
        "{'%s':{'item':[{'name':'north','number':1,'next':{'name':'far','number':9,'next':null}},"
            + "{'name':'south','number':2,'next':null}]}}";
    assertThat(new Client(address).returned("same", buoys.formatted("buoys")))
        .isEqualTo(Client.json(buoys.formatted("sameReturn")));
  }

  @Test
  void aValueThatIsReferredToTwiceIsThereTwice() {
    String buoy = "{'name':'north','number':1,'next':null}";
    assertThat(new Client(address).returned("twice", "{'buoy':" + buoy + "}"))
        .isEqualTo(Client.json("{'twiceReturn':{'item':[" + buoy + "," + buoy + "]}}"));
  }

  @Test
  void arraysOfSimpleValuesAreUnderstood() {
    assertThat(
            new Client(address)
                .returned("joined", "{'words':{'item':['slack','<water>']},'loud':true}"))
        .isEqualTo(Client.json("{'joinedReturn':'SLACK <WATER>'}"));
  }

  @Test
  void faultsAreRead() {
    Answer answer = new Client(address).call("fail", "{'number':7}").answer().orElseThrow();

    assertThat(answer).isInstanceOf(Answer.Failed.class);
    assertThat(((Answer.Failed) answer).reason()).contains("number 7");
  }
}
