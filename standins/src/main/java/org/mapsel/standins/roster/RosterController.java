package org.mapsel.standins.roster;

import java.io.IOException;
import java.io.StringReader;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import javax.xml.XMLConstants;
import javax.xml.parsers.DocumentBuilderFactory;
import javax.xml.parsers.ParserConfigurationException;
import org.mapsel.standins.Switches;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.util.HtmlUtils;
import org.w3c.dom.Element;
import org.xml.sax.InputSource;
import org.xml.sax.SAXException;

/** Answers at one address; which operation is meant stands in a header. */
@RestController
class RosterController {

  static final String TYPE = "application/vnd.saltmere.roster+xml";
  private static final String NAMESPACE = "urn:saltmere:roster";

  /** Somebody who brings ships in. */
  private record Pilot(String id, String name, String from, String to) {}

  private final List<Pilot> pilots =
      List.of(
          new Pilot("P7", "Ada Quill", "06:00", "14:00"),
          new Pilot("P9", "Ben Spar", "14:00", "22:00"),
          new Pilot("P12", "Cora Leeway", "22:00", "06:00"));
  private final Map<String, String> bookings = new ConcurrentHashMap<>();
  private final Switches switches;

  RosterController(Switches switches) {
    this.switches = switches;
  }

  @PostMapping(path = "/roster", consumes = TYPE, produces = TYPE)
  ResponseEntity<String> ask(
      @RequestHeader("X-Roster-Action") String action, @RequestBody String body) {
    Element request = parsed(body);
    if (request == null || switches.is(Switches.Mode.FAULT)) {
      return refused("The roster does not understand this.");
    }
    return switch (action) {
      case "duty" -> duty(text(request, "day"));
      case "book" -> book(text(request, "pilot"), text(request, "ship"), text(request, "day"));
      default -> refused("There is no action " + action + ".");
    };
  }

  /** The same as a note for the wall, in plain text. */
  @GetMapping(path = "/roster/note", produces = "text/plain;charset=UTF-8")
  String note(@RequestParam String day) {
    StringBuilder note = new StringBuilder("Pilots on duty, " + day + "\n\n");
    for (Pilot pilot : pilots) {
      note.append(pilot.from() + "-" + pilot.to() + "  " + pilot.name());
      note.append(" (" + pilot.id() + ")\n");
    }
    return note.append("\nCall channel 12 before the outer buoy.\n").toString();
  }

  private ResponseEntity<String> duty(String day) {
    StringBuilder xml = new StringBuilder(start("roster")).append("<day>").append(escaped(day));
    xml.append("</day>");
    for (Pilot pilot : pilots) {
      xml.append("<pilot id=\"").append(pilot.id()).append("\"><name>").append(pilot.name());
      xml.append("</name><from>").append(pilot.from()).append("</from><to>").append(pilot.to());
      xml.append("</to></pilot>");
    }
    return ResponseEntity.ok(xml.append("</roster>").toString());
  }

  private ResponseEntity<String> book(String pilot, String ship, String day) {
    if (pilots.stream().noneMatch(one -> one.id().equals(pilot)) || ship.isBlank()) {
      return refused("There is no pilot " + pilot + ".");
    }
    String number = "B-" + (301 + bookings.size());
    bookings.put(number, pilot + " " + ship + " " + day);
    return ResponseEntity.ok(
        start("booking")
            + "<number>"
            + number
            + "</number><pilot>"
            + escaped(pilot)
            + "</pilot></booking>");
  }

  private static ResponseEntity<String> refused(String why) {
    return ResponseEntity.badRequest()
        .body(start("refusal") + "<why>" + escaped(why) + "</why></refusal>");
  }

  private static String start(String element) {
    return "<" + element + " xmlns=\"" + NAMESPACE + "\">";
  }

  private static String escaped(String text) {
    return HtmlUtils.htmlEscapeDecimal(text);
  }

  private static String text(Element request, String name) {
    var found = request.getElementsByTagNameNS(NAMESPACE, name);
    return found.getLength() == 0 ? "" : found.item(0).getTextContent();
  }

  /** Null if it is no XML. */
  private static Element parsed(String body) {
    try {
      DocumentBuilderFactory factory = DocumentBuilderFactory.newInstance();
      factory.setNamespaceAware(true);
      factory.setFeature(XMLConstants.FEATURE_SECURE_PROCESSING, true);
      factory.setFeature("http://apache.org/xml/features/disallow-doctype-decl", true);
      return factory
          .newDocumentBuilder()
          .parse(new InputSource(new StringReader(body)))
          .getDocumentElement();
    } catch (SAXException | IOException e) {
      return null;
    } catch (ParserConfigurationException e) {
      throw new IllegalStateException(e);
    }
  }
}
