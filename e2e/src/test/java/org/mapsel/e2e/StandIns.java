package org.mapsel.e2e;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.file.Path;
import java.util.Objects;

/** The demo services, and their switches. */
final class StandIns implements AutoCloseable {

  private final String address;
  private final Process process;
  private final HttpClient http = HttpClient.newHttpClient();

  StandIns(String address, Process process) {
    this.address = address;
    this.process = process;
  }

  /** Starts them alone, for a product that does not bring its own. */
  static StandIns start() {
    int port = Programs.freePort();
    String java = Path.of(System.getProperty("java.home"), "bin", "java").toString();
    ProcessBuilder builder =
        new ProcessBuilder(
                java, "-XX:TieredStopAtLevel=1", "-jar", Programs.jar("standins").toString())
            .redirectErrorStream(true);
    builder.environment().put("MAPSEL_STANDINS_PORT", String.valueOf(port));
    try {
      Process process = builder.start();
      // Its first lines tell when it is up; the rest must be read so that it never blocks.
      var printed = process.inputReader();
      String line = printed.readLine();
      while (line != null && !line.contains("Started")) {
        line = printed.readLine();
      }
      Objects.requireNonNull(line, "The stand-ins did not start.");
      Thread.startVirtualThread(() -> printed.lines().forEach(ignored -> {}));
      return new StandIns("http://localhost:" + port, process);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  String berthing() {
    return address + "/berthing/berthing.wsdl";
  }

  String tides() {
    return address + "/tides/openapi.json";
  }

  String yard() {
    return address + "/yard/$metadata";
  }

  /** The list of them. */
  String catalogue() {
    return address + "/.well-known/api-catalog";
  }

  /** A request to the roster that works, and its answer, as somebody would paste them. */
  String rosterSample() {
    return "curl "
        + address
        + "/roster -H 'X-Roster-Action: duty' -H 'Authorization: Bearer slack-water'"
        + " -H 'Content-Type: application/vnd.saltmere.roster+xml'"
        + " -d '<duty xmlns=\"urn:saltmere:roster\"><day>2031-05-13</day></duty>'\n\n"
        + "<roster xmlns=\"urn:saltmere:roster\"><day>2031-05-13</day>"
        + "<pilot id=\"P1\"><name>Somebody</name><from>06:00</from><to>14:00</to></pilot>"
        + "<pilot id=\"P2\"><name>Else</name><from>14:00</from><to>22:00</to></pilot></roster>";
  }

  /** Likewise for the note on the wall, which is plain text. */
  String noteSample() {
    return "curl '"
        + address
        + "/roster/note?day=2031-05-13'\n\nPilots on duty, 2031-05-13\n\nnobody\n";
  }

  /**
   * Makes them misbehave: SLOW, DROPPED, ERROR_PAGE, TRUNCATED, FAULT, HUGE, LOCKED; NORMAL ends
   * it.
   */
  void turn(String mode) {
    turn(mode, 0);
  }

  void turn(String mode, int millis) {
    HttpRequest request =
        HttpRequest.newBuilder(URI.create(address + "/switches/" + mode + "?millis=" + millis))
            .PUT(HttpRequest.BodyPublishers.noBody())
            .build();
    try {
      if (http.send(request, BodyHandlers.ofString()).statusCode() != 200) {
        throw new IllegalStateException("The switch " + mode + " could not be turned.");
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException(e);
    }
  }

  @Override
  public void close() {
    if (process != null) {
      process.destroy();
      process.onExit().join();
    }
  }
}
