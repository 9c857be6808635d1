package org.mapsel.core.intake;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.read.Resolver;

/** Lists of services: what is in them, and that each entry leads to its description. */
class CatalogueTest {

  private static final Resolver NOTHING =
      address -> Outcome.failed(Finding.error("READ_DOCUMENT_MISSING", "address", address));

  private static SourceText text(String address, String words) {
    return new SourceText(address, words.getBytes(StandardCharsets.UTF_8));
  }

  private static List<String> entries(Outcome<Found> found) {
    return ((Catalogue) found.get())
        .entries().stream()
            .map(entry -> entry.name() + " | " + entry.address() + " | " + entry.documentation())
            .toList();
  }

  private static String openApi(String title) {
    return "openapi: 3.1.0\ninfo: {title: "
        + title
        + ", version: '1'}\npaths: {/x: {get: {operationId: look, responses: {}}}}\n";
  }

  private static SourceText zip(String address, Map<String, String> files) throws IOException {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
      for (Map.Entry<String, String> file : files.entrySet()) {
        zip.putNextEntry(new ZipEntry(file.getKey()));
        zip.write(file.getValue().getBytes(StandardCharsets.UTF_8));
      }
    }
    return new SourceText(address, bytes.toByteArray());
  }

  @Test
  void linksetsNameEachServiceByItsAnchorOrTitle() {
    String linkset =
        """
        {"linkset": [
          {"anchor": "https://quay.example/.well-known/api-catalog",
           "item": [{"href": "https://quay.example/apis/berths", "title": "Berths"},
                    {"href": "/apis/lamps"}],
           "api-catalog": [{"href": "https://north.example/.well-known/api-catalog", "title": "North quay"}]},
          {"anchor": "https://quay.example/apis/berths",
           "service-desc": [{"href": "berths/openapi.json", "type": "application/json"}],
           "service-doc": [{"href": "berths.html"}]},
          {"anchor": "https://quay.example/apis/tides",
           "service-desc": [{"href": "/apis/tides?wsdl", "title*": [{"value": "Tides by XML", "language": "en"}]},
                            {"href": "/apis/tides.yaml", "title": "Tides by HTTP"}]}
        ]}""";

    assertThat(
            entries(
                Intake.look(
                    text("https://quay.example/.well-known/api-catalog", linkset), NOTHING)))
        .containsExactly(
            "Berths | https://quay.example/.well-known/berths/openapi.json | ",
            "Tides by XML | https://quay.example/apis/tides?wsdl | ",
            "Tides by HTTP | https://quay.example/apis/tides.yaml | ",
            "lamps | https://quay.example/apis/lamps | ",
            "North quay | https://north.example/.well-known/api-catalog | ");
  }

  @Test
  void linksetsAsTextAreTheSame() {
    String linkset =
        """
        </apis/berths/openapi.json>; rel="service-desc"; anchor="/apis/berths"; title="Berths, \\"new\\"",
        </apis/lamps>
           ; rel="item other"; anchor="/.well-known/api-catalog"
        """;

    assertThat(entries(Intake.look(text("https://quay.example/list", linkset), NOTHING)))
        .containsExactly(
            "Berths, \"new\" | https://quay.example/apis/berths/openapi.json | ",
            "lamps | https://quay.example/apis/lamps | ");
  }

  @Test
  void pagesOfLinksAreListedByWhatStandsBesideTheLink() {
    String page =
        """
        <!DOCTYPE html><html><head><base href="/services/"></head><body>
        <a href="/help">Help</a>
        <table>
          <tr><td><b>HarbourMaster</b></td><td>Berths and reservations</td><td><a href="HarbourMaster?wsdl">WSDL</a></td></tr>
          <tr><td><b>Pilots</b> <a href="http://quay.example/services/Pilots?WSDL">http://quay.example/services/Pilots?WSDL</a></td></tr>
        </table>
        <ul><li><a href="cranes/$metadata">Cranes</a> in the yard</li>
            <li><a href="../v2/api-docs">api-docs</a></li>
            <li><a href="harbour%20lamps.wsdl">here</a></li></ul>
        """;

    assertThat(entries(Intake.look(text("http://quay.example/", page), NOTHING)))
        .containsExactly(
            "HarbourMaster | http://quay.example/services/HarbourMaster?wsdl | Berths and reservations",
            "Pilots | http://quay.example/services/Pilots?WSDL | ",
            "Cranes | http://quay.example/services/cranes/$metadata | in the yard",
            "quay.example | http://quay.example/v2/api-docs | ",
            "harbour lamps | http://quay.example/services/harbour%20lamps.wsdl | ");
  }

  @Test
  void anArchiveListsItsDescriptionsAndEachCanBeOpened() throws IOException {
    SourceText archive =
        zip(
            "http://quay.example/all.zip",
            Map.of(
                "a/lamps.yaml", openApi("Lamps"),
                "a/buoys.yaml", openApi("Buoys"),
                "a/read me.txt", "nothing to read here"));

    Outcome<Found> found = Intake.look(archive, NOTHING);
    assertThat(entries(found))
        .containsExactlyInAnyOrder(
            "a/lamps.yaml | http://quay.example/all.zip!/a/lamps.yaml | ",
            "a/buoys.yaml | http://quay.example/all.zip!/a/buoys.yaml | ");
    assertThat(Intake.read(archive, NOTHING).findings())
        .extracting(Finding::code)
        .containsExactly("READ_CATALOGUE_GIVEN");

    Outcome<Found> lamps =
        Intake.look(
            "http://quay.example/all.zip!/a/lamps.yaml",
            address ->
                address.equals(archive.address()) ? Outcome.of(archive) : NOTHING.fetch(address));
    assertThat(((Description) lamps.get()).service().name()).isEqualTo("Lamps");
  }

  @Test
  void anAddressThatOnlyLooksLikeAFileInAnArchiveIsAskedAsItIs() {
    Outcome<Found> found =
        Intake.look(
            "http://quay.example/now!/lamps.yaml",
            address ->
                Outcome.of(
                    text(address, address.endsWith(".yaml") ? openApi("Lamps") : "nothing here")));

    assertThat(((Description) found.get()).service().name()).isEqualTo("Lamps");
  }

  @Test
  void partsOfADescriptionAreNoEntries() throws IOException {
    String types =
        "<schema xmlns='http://www.w3.org/2001/XMLSchema' targetNamespace='urn:t'>"
            + "<element name='Ask' type='string'/></schema>";
    String head = "<definitions xmlns='http://schemas.xmlsoap.org/wsdl/' xmlns:t='urn:t' ";
    Map<String, String> files = new LinkedHashMap<>();
    files.put(
        "parts/abstract.wsdl",
        head
            + "targetNamespace='urn:t'><types><schema xmlns='http://www.w3.org/2001/XMLSchema'>"
            + "<import namespace='urn:t' schemaLocation='types.xsd'/></schema></types>"
            + "<message name='M'><part name='p' element='t:Ask'/></message>"
            + "<portType name='P'><operation name='ask'><input message='t:M'/></operation></portType>"
            + "</definitions>");
    files.put("parts/types.xsd", types);
    files.put(
        "service.wsdl",
        head
            + "targetNamespace='urn:t'><import namespace='urn:t' location='parts/abstract.wsdl'/>"
            + "<binding name='B' type='t:P'><soap:binding xmlns:soap='http://schemas.xmlsoap.org/wsdl/soap/'"
            + " transport='x'/><operation name='ask'/></binding></definitions>");

    Outcome<Description> read = Intake.read(zip("all.zip", files), NOTHING);
    assertThat(read.get().documents())
        .extracting(SourceText::address)
        .containsExactly(
            "all.zip!/service.wsdl", "all.zip!/parts/abstract.wsdl", "all.zip!/parts/types.xsd");

    Bundle loose =
        Bundle.of(
                "",
                files.entrySet().stream()
                    .map(file -> text(file.getKey().replaceFirst(".*/", ""), file.getValue()))
                    .toList())
            .get();
    assertThat(Intake.single(Intake.look(loose, NOTHING)).get().documents()).hasSize(3);
  }

  @Test
  void tenThousandDescriptionsAreListedWithoutReadingThem() throws IOException {
    Map<String, String> files = new LinkedHashMap<>();
    for (int i = 0; i < 10_000; i++) {
      files.put("service" + i + ".yaml", openApi("Service " + i) + "x: [broken\n");
    }

    assertThat(entries(Intake.look(zip("all.zip", files), NOTHING)))
        .hasSize(10_000)
        .startsWith("service0.yaml | all.zip!/service0.yaml | ");
  }

  @Test
  @Timeout(20)
  void hostileListsEndInGoodTime() {
    String comments = "<!-- a --> ".repeat(1_200) + "nothing";
    String nested = "<html>" + "<div>".repeat(100_000) + "<a href='a.wsdl'>A</a>";
    String links = "<a href='/x" + "?wsdl&".repeat(50_000) + "'>x</a>";
    StringBuilder crowd = new StringBuilder("<html><p>");
    for (int i = 0; i < 20_000; i++) {
      crowd.append("<a href='s").append(i).append("?wsdl'>S</a> ");
    }

    assertThat(Intake.look(text("http://x/", comments), NOTHING).findings())
        .extracting(Finding::code)
        .containsExactly("READ_FORMAT_UNKNOWN");
    assertThat(entries(Intake.look(text("http://x/", nested), NOTHING))).hasSize(1);
    assertThat(Intake.look(text("http://x/", "<html>" + links), NOTHING).findings())
        .extracting(Finding::code)
        .containsExactly("READ_CATALOGUE_EMPTY");
    assertThat(entries(Intake.look(text("http://x/", crowd.toString()), NOTHING))).hasSize(20_000);
    assertThat(
            entries(
                Intake.look(
                    text("http://x/", "</a>;rel=service-desc" + ";a=\"b".repeat(100_000)),
                    NOTHING)))
        .hasSize(1);
  }
}
