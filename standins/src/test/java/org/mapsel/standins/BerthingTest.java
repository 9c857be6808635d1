package org.mapsel.standins;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowable;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.time.LocalDate;
import java.util.HashSet;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;

/** Berthing as its callers meet it, without any help from our own reader or writer. */
class BerthingTest {

  private static final String SOAP_11 = "http://schemas.xmlsoap.org/soap/envelope/";
  private static final String SOAP_12 = "http://www.w3.org/2003/05/soap-envelope";
  private static final HttpClient HTTP = HttpClient.newHttpClient();

  private static ConfigurableApplicationContext context;
  private static String address;

  @BeforeAll
  static void start() {
    context = SpringApplication.run(StandIns.class, "--server.port=0");
    address = "http://localhost:" + context.getEnvironment().getProperty("local.server.port");
  }

  @AfterAll
  static void stop() {
    context.close();
  }

  @AfterEach
  void behaveAgain() {
    context.getBean(Switches.class).set(new Switches.Setting(Switches.Mode.NORMAL, 0));
  }

  private static void turn(Switches.Mode mode) {
    context.getBean(Switches.class).set(new Switches.Setting(mode, 0));
  }

  private static HttpResponse<String> ask(String envelope, String body) throws Exception {
    boolean older = envelope.equals(SOAP_11);
    return HTTP.send(
        HttpRequest.newBuilder(URI.create(address + "/berthing/" + (older ? "soap11" : "soap12")))
            .header("Content-Type", older ? "text/xml" : "application/soap+xml")
            .POST(
                BodyPublishers.ofString(
                    "<e:Envelope xmlns:e='"
                        + envelope
                        + "'><e:Body>"
                        + body
                        + "</e:Body></e:Envelope>"))
            .build(),
        BodyHandlers.ofString());
  }

  private static String message(String name, String inside) {
    return "<"
        + name
        + " xmlns='urn:saltmere:berthing' xmlns:t='urn:saltmere:berthing:types'>"
        + inside
        + "</"
        + name
        + ">";
  }

  private static int count(String text, String pattern) {
    return (int) Pattern.compile(pattern).matcher(text).results().count();
  }

  @Test
  void theDescriptionNamesItsOwnAddressAndItsSchemas() throws Exception {
    HttpRequest request =
        HttpRequest.newBuilder(URI.create(address + "/berthing/berthing.wsdl")).build();
    String wsdl = HTTP.send(request, BodyHandlers.ofString()).body();

    assertThat(wsdl).contains(address + "/berthing/soap11", address + "/berthing/soap12");
    assertThat(wsdl).contains("schemaLocation=\"berthingSchema.xsd\"");
    assertThat(count(wsdl, "<wsdl:operation name=\"\\w+\">\\s*<wsdl:documentation>")).isEqualTo(6);
  }

  @Test
  void fourteenDaysBringOverThreeHundredArrivalsOfOverFortyVessels() throws Exception {
    int arrivals = 0;
    Set<String> hulls = new HashSet<>();
    for (int day = 0; day < 14; day++) {
      String list =
          ask(
                  SOAP_11,
                  message(
                      "ListArrivals", "<day>" + LocalDate.of(2031, 5, 12).plusDays(day) + "</day>"))
              .body();
      arrivals += count(list, "<b:arrivals>");
      Matcher hull = Pattern.compile("<t:hullNumber>(S-\\d{5})").matcher(list);
      while (hull.find()) {
        hulls.add(hull.group(1));
      }
    }
    assertThat(arrivals).isGreaterThanOrEqualTo(300);
    assertThat(hulls).hasSizeGreaterThanOrEqualTo(40);
  }

  @Test
  void basinAndLimitNarrowTheList() throws Exception {
    String all = ask(SOAP_12, message("ListArrivals", "<day>2031-05-14</day>")).body();
    String inner =
        ask(SOAP_12, message("ListArrivals", "<day>2031-05-14</day><basin>inner</basin>")).body();
    String two =
        ask(SOAP_12, message("ListArrivals", "<day>2031-05-14</day><limit>2</limit>")).body();

    assertThat(count(inner, "<t:basin>inner")).isEqualTo(count(inner, "<b:arrivals>")).isPositive();
    assertThat(count(inner, "<b:arrivals>")).isLessThan(count(all, "<b:arrivals>"));
    assertThat(count(two, "<b:arrivals>")).isEqualTo(2);
    assertThat(two).contains("<b:total>" + count(all, "<b:arrivals>") + "</b:total>");
  }

  @Test
  void requestsThatItsSchemaForbidsAreRefused() throws Exception {
    HttpResponse<String> answer =
        ask(SOAP_11, message("ListArrivals", "<day>2031-05-14</day><basin>west</basin>"));

    assertThat(answer.body()).contains("Validation error");
  }

  @Test
  void faultsAreTypedInBothVersions() throws Exception {
    String unknown = message("GetVessel", "<hullNumber>S-99999</hullNumber>");
    assertThat(ask(SOAP_11, unknown).body())
        .contains("<faultcode>SOAP-ENV:Client</faultcode>")
        .contains("<b:UnknownHull")
        .contains("<b:hullNumber>S-99999</b:hullNumber>");
    String deep =
        message(
            "ReserveBerth",
            "<reservation><t:hullNumber>S-20400</t:hullNumber><t:basin>north</t:basin><t:berth>N0</t:berth>"
                + "<t:arrives>2031-05-14T06:40:00Z</t:arrives><t:nights>1</t:nights></reservation>"
                + "<priority>2</priority>");
    assertThat(ask(SOAP_12, deep).body())
        .contains("env:Sender", "<b:TooDeep", "<b:depthMetres>4.0");
  }

  @Test
  void aPictureIsAPng() throws Exception {
    String picture =
        ask(SOAP_11, message("GetVesselPicture", "<hullNumber>S-20417</hullNumber>")).body();

    assertThat(picture).contains("<b:picture>iVBORw0KGgo");
  }

  @Test
  void switchesMakeItMisbehave() throws Exception {
    String list = message("ListArrivals", "<day>2031-05-14</day>");
    String whole = ask(SOAP_11, list).body();

    turn(Switches.Mode.TRUNCATED);
    assertThat(ask(SOAP_11, list).body()).hasSize(whole.length() / 2);
    turn(Switches.Mode.ERROR_PAGE);
    assertThat(ask(SOAP_11, list).statusCode()).isEqualTo(502);
    turn(Switches.Mode.FAULT);
    assertThat(ask(SOAP_11, list).body()).contains("closed for the night");
    turn(Switches.Mode.DROPPED);
    assertThat(catchThrowable(() -> ask(SOAP_11, list))).isInstanceOf(IOException.class);
  }

  @Test
  void aSecondEditionIsDescribedAndAnsweredAlike() throws Exception {
    turn(Switches.Mode.SECOND_EDITION);
    String types =
        HTTP.send(
                HttpRequest.newBuilder(URI.create(address + "/berthing/typesSchema.xsd")).build(),
                BodyHandlers.ofString())
            .body();
    String answer = ask(SOAP_11, message("ListArrivals", "<day>2031-05-14</day>")).body();

    assertThat(types).contains("etaTimeUtc", "tugs").doesNotContain("etaUtc", "pilotOrdered");
    assertThat(answer).contains("etaTimeUtc>").doesNotContain("etaUtc>", "pilotOrdered");
  }
}
